import type { LightWindow, Stop, StopDay } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { newStop, newWalk } from '../../storage/defaults';
import { plainDay } from '../../../testing/demo';
import { Wording } from '../../words/wording';
import { gainSentence, staySentence, walkGain, walkRows } from './walk-rows';

const WORDING = new Wording({ lengthUnit: 'metres', clock: '24h' });
const window = (fromMin: number, toMin: number): LightWindow => ({
  fromMin,
  toMin,
  peakQuality: 1,
  opens: 'sunGap',
  closes: 'sunGap',
  bestMin: null,
  label: null,
});
const day = (...windows: LightWindow[]): StopDay =>
  plainDay({
    keyEv100: new Float32Array(1440),
    isLit: Uint8Array.from({ length: 1440 }, (_, minute) => Number(minute >= 600 && minute < 700)),
    sunAltitudeDeg: new Float32Array(1440),
    windows,
  });

function walkWith(...changes: Partial<Stop>[]): Walk {
  const stops = changes.map((change, k) => ({ ...newStop(`s${k}`, undefined), name: `Stop ${k}`, ...change }));
  return { ...newWalk('w', '2027-03-13', null), stops };
}
const leg = (walkMin: number) => ({ distanceM: 300, course: { kind: 'straight' as const }, walkMin, reachMin: 0, spareMin: 0 });

describe('the rows of the walk chart', () => {
  const walk = walkWith({ arriveMin: 610, leaveMin: 640 }, { arriveMin: 700, leaveMin: 730, name: '' });
  const rows = walkRows(walk, [leg(12)], new Map([['s0', day(window(600, 629), window(900, 930))]]));

  it('lie along the route, with the windows that are known', () => {
    expect(rows.map(({ alongM, walkMin }) => [alongM, walkMin])).toEqual([
      [0, 12],
      [300, null],
    ]);
    expect(rows[0]?.windows.map(({ isSun }) => isSun)).toEqual([true, false]);
    expect(rows[1]).toMatchObject({ name: 'Unnamed stop', windows: [] });
  });

  it('say what a stay is good for', () => {
    // 20 of its 30 minutes; one suitable a minute: 1 − e^−20(1 + 20 + 200) is all but certain; ln 5 = 1.6 min.
    const one = walkWith({
      arriveMin: 610,
      leaveMin: 640,
      movers: { ...newStop('x', undefined).movers, passersPerMinute: 5, suitableShare: 0.2 },
      crowdByHour: Array<number>(24).fill(2),
    });
    const its = walkRows(one, [], new Map([['s0', day(window(600, 629))]]));
    expect(staySentence(one, its, 's0', WORDING)).toBe(
      'Stop 0: 30 min, 20 min of it in its light. At least 3 good subjects: over 99 %; four in five waits end within 2 min.',
    );
    // At crowd level 0 a twentieth of them: 1 in the 20 minutes, 1 − e^−1 = 63 %.
    const empty = { ...one, stops: one.stops.map((stop) => ({ ...stop, crowdByHour: Array<number>(24).fill(0) })) };
    expect(staySentence(empty, its, 's0', WORDING)).toContain('somebody at all: at most 63 %.');
    const front = { ...one, stops: one.stops.map((stop) => ({ ...stop, wishes: { people: 'nobody' as const } })) };
    expect(staySentence(front, its, 's0', WORDING)).toBe('Stop 0: 30 min, 20 min of it in its light.');
    expect(staySentence(walk, rows, 's1', WORDING)).toBe('Unnamed stop: 30 min, its light is being measured.');
    const dark = walkRows(walk, [leg(12)], new Map([['s1', day()]]));
    expect(staySentence(walk, dark, 's1', WORDING)).toContain('none of it in its light.');
    expect(staySentence(walk, rows, 'gone', WORDING)).toBe('');
  });

  it('tell what a drag gains and loses', () => {
    const before = walkGain(rows);
    expect(before.lightMin).toBe(20);
    const later = walkRows(
      walkWith({ arriveMin: 615, leaveMin: 690 }, { arriveMin: 700, leaveMin: 730 }),
      [leg(12)],
      new Map([['s0', day(window(600, 629))]]),
    );
    expect(gainSentence(before, walkGain(later))).toBe('5 min of light lost; 2 min late at Stop 1');
    expect(gainSentence(before, before)).toBe('no light gained or lost');
  });
});
