import fc from 'fast-check';
import { frameFacts, type LogFrame, placedFrames, Placer, type WalkLog } from './index.js';

const STAYS = [0, 1, 2].map((k) => ({
  stopId: `s${k}`,
  position: k === 2 ? null : { latitude: 46.5 + k * 0.01, longitude: -20.7 },
  fromMs: k * 3_600_000,
  toMs: k * 3_600_000 + 1_200_000,
}));
const LOG = { id: 'log', timeZone: 'UTC', cameras: [], stays: STAYS } as unknown as WalkLog;

const change = fc.oneof(
  fc.record({ verdict: fc.constantFrom('good', 'shake', null) }),
  fc.record({ wallMs: fc.option(fc.integer({ min: 0, max: 12_000_000 })) }),
  fc.record({ position: fc.constantFrom(null, { latitude: 46.51, longitude: -20.7 }, { latitude: 0, longitude: 0 }) }),
  fc.record({ placedByHand: fc.constantFrom(null, { stopId: 's1' }, { stopId: null }) }),
);

describe('frames that change', () => {
  it('are where they would be if all were placed anew, whatever has changed', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat({ max: 4 }), change), { maxLength: 20 }), (changes) => {
        let frames = Array.from({ length: 5 }, (_, k): LogFrame => {
          const source = { kind: 'file', name: `f${k}.jpg`, bytes: 1 } as const;
          return { ...frameFacts({}), id: `f${k}`, source, wallMs: k * 900_000, placedByHand: null, verdict: null } as LogFrame;
        });
        const placer = new Placer(LOG);
        placer.placed(frames);
        for (const [at, over] of changes) {
          frames = frames.map((frame, k) => (k === at ? ({ ...frame, ...over } as LogFrame) : frame));
          expect(placer.placed(frames)).toEqual(placedFrames(LOG, frames));
        }
      }),
    );
  });
  it('keep their place under a verdict, without it being looked for again', () => {
    const frame = { ...frameFacts({}), id: 'f', wallMs: 600_000, placedByHand: null, position: null } as unknown as LogFrame;
    const placer = new Placer(LOG);
    const [before] = placer.placed([{ ...frame, source: { kind: 'file', name: 'a', bytes: 1 } }]);
    const judged = { ...(before?.frame as LogFrame), verdict: 'good' } as LogFrame;
    const [after] = placer.placed([judged]);
    expect([after?.frame.verdict, after?.stay === before?.stay]).toEqual(['good', true]);
  });
});
