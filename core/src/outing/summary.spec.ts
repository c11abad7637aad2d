import type { Stop } from '../stop/index.js';
import { type Happening, type OutingEvent, walkSummary } from './index.js';

const stop = (id: string): Stop => ({ id }) as Stop;
const at = (stopId: string, minute: number, event: OutingEvent, readingOffsetEv = 0): Happening =>
  ({ id: `${stopId}${minute}`, stopId, atMs: minute * 60_000, event, moment: { readingOffsetEv } }) as Happening;

describe('what came of a walk', () => {
  it('is told stop by stop: when one was there, what was got and missed, and how the light was', () => {
    const happenings = [
      at('a', 10, { kind: 'arrived' }),
      at('a', 12, { kind: 'missed', why: 'shake' }),
      at('a', 13, { kind: 'missed', why: 'shake' }),
      at('a', 15, { kind: 'got' }, -1),
      at('a', 20, { kind: 'wentOn' }),
      at('b', 30, { kind: 'arrived' }),
      at('b', 31, { kind: 'missed', why: 'nobody' }),
    ];
    const [a, b, c] = walkSummary([stop('a'), stop('b'), stop('c')], { happenings, endedMs: 40 * 60_000 });
    expect(a).toMatchObject({ cameMs: 600_000, leftMs: 1_200_000, isGot: true, missed: ['shake'], lightOffEv: -1 });
    // The last stop was left when the walk was ended.
    expect(b).toMatchObject({ cameMs: 1_800_000, leftMs: 2_400_000, isGot: false, missed: ['nobody'], lightOffEv: null });
    expect(c).toMatchObject({ cameMs: null, leftMs: null, isGot: false, missed: [] });
  });
});
