import { DEFAULT_INTENTS } from '../../stop/index.js';
import { frameFacts, type LogFrame, type LogStay, type PlacedFrame, type Verdict, type WalkLog } from '../frames/index.js';
import { isWanted, placesWorked } from './index.js';

const stay = (stopId: string, name: string): LogStay =>
  ({ stopId, name, intent: DEFAULT_INTENTS.passingCandid, position: null, fromMs: 0, toMs: 9, cards: [] }) as LogStay;
const LOG = { id: 'log', day: '2027-03-06', stays: [stay('a', 'Vessen Hall'), stay('b', 'Weir Rail')] } as unknown as WalkLog;

let count = 0;
function placed(
  stopId: string | null,
  verdict: Verdict | null,
  over: Partial<LogFrame> = {},
  atMs: number | null = 0,
): PlacedFrame {
  const frame = { ...frameFacts({}), id: `f${count++}`, verdict, sight: null, ...over } as LogFrame;
  return { frame, atMs, stay: LOG.stays.find((one) => one.stopId === stopId) ?? null, by: 'time' };
}

describe('what worked, place by place', () => {
  const frames = [
    placed('a', 'good', { shutterS: 1 / 500, fNumber: 8, iso: 400 }, 100),
    placed('a', 'good', { shutterS: 1 / 250, fNumber: 8, iso: 800, compensationEv: 0 }, 300),
    placed('a', 'good', { shutterS: 1 / 1000, fNumber: 5.6, iso: 1600 }, 200),
    placed('a', 'moved', { shutterS: 1 / 8, fNumber: 2, iso: 100 }, 400),
    placed('b', 'shake', { shutterS: 1 }),
    placed('b', null),
    placed(null, 'good'),
  ];
  const [vessen, weir, none] = placesWorked([{ log: LOG, placed: frames }]);

  it('is the middle of what the good ones were set to, and when; the others say nothing of it', () => {
    expect(vessen).toMatchObject({ stopId: 'a', frames: 4, decided: 4, atMs: 200 });
    expect(vessen?.with).toMatchObject({ shutterS: 1 / 500, fNumber: 8, iso: 800, focusM: null, compensationEv: 0 });
    // f/8, 1/250 at ISO 800, metered as it is: log2(64·250) − 3 = 10.97.
    expect(vessen?.sceneEv).toBeCloseTo(10.966, 2);
    expect(weir).toMatchObject({ stopId: 'b', frames: 2, decided: 1, good: [], atMs: null, sceneEv: null });
    expect(weir?.with.shutterS).toBeNull();
    expect(none).toBeUndefined();
  });

  it.each([
    [{ intent: null, name: '', good: 'any' }, ['a', 'b']],
    [{ intent: null, name: '', good: 'some' }, ['a']],
    [{ intent: null, name: ' weir', good: 'any' }, ['b']],
    [{ intent: 'passingCandid', name: 'HALL', good: 'half' }, ['a']],
    [{ intent: 'silhouette', name: '', good: 'any' }, []],
  ] as const)('is found by %j', (wanted, ids) => {
    const all = placesWorked([{ log: LOG, placed: frames }]);
    expect(all.filter((place) => isWanted(place, wanted)).map(({ stopId }) => stopId)).toEqual(ids);
  });
});
