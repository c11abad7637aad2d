import { BODY, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { seeded } from '../../metering/index.js';
import { frameFacts, type LogFrame, type PlacedFrame, type Verdict, type WalkLog } from '../frames/index.js';
import { handsLesson, isoLesson, type LessonQuestion, toleranceOf, trialsOf } from './index.js';

/** Frames of a person who holds four of five at `limit`, with the shake curve's own spread. */
function drawn(random: () => number, count: number, limit: number, spread: number) {
  return Array.from({ length: count }, () => {
    const measure = limit * 2 ** (5 * random() - 2.5);
    const chance = 1 / (1 + Math.exp((Math.log2(measure / limit) - spread * Math.log(4)) / spread));
    return { measure, isFine: random() < chance };
  });
}

describe('how much is still fine', () => {
  it.each([20, 100, 500])('is found within its band in ninety of a hundred runs of %d frames', (count) => {
    const random = seeded(count);
    let within = 0;
    for (let run = 0; run < 100; run++) {
      // Expected at 1; really somebody else every time, up to two stops either way.
      const trueStops = 4 * random() - 2;
      const { lowStops, highStops } = toleranceOf(trialsOf(drawn(random, count, 2 ** trueStops, 0.5)), 1);
      if (trueStops >= lowStops && trueStops <= highStops) within += 1;
    }
    expect(within).toBeGreaterThanOrEqual(90);
  });

  it('changes little by three frames, and is decided by three hundred', () => {
    const three = toleranceOf([{ measure: 1, tried: 3, fine: 2 }], 1);
    expect(Math.abs(three.stops)).toBeLessThan(0.5);
    expect(three.highStops - three.lowStops).toBeGreaterThan(2);
    const many = toleranceOf(trialsOf(drawn(seeded(7), 300, 2 ** 1.5, 0.5)), 1);
    expect(Math.abs(many.stops - 1.5)).toBeLessThan(0.35);
    expect(many.highStops - many.lowStops).toBeLessThan(1);
  });

  it('gathers frames by thirds of a stop', () => {
    const frames = [1, 1.05, 2, 4].map((measure, k) => ({ measure, isFine: k < 3 }));
    expect(trialsOf(frames)).toEqual([
      { measure: 1, tried: 2, fine: 2 },
      { measure: 2, tried: 1, fine: 1 },
      { measure: 4, tried: 1, fine: 0 },
    ]);
  });
});

let count = 0;
function placed(verdict: Verdict | null, over: Partial<LogFrame> = {}): PlacedFrame {
  const frame: LogFrame = {
    ...frameFacts({}),
    id: `f${count++}`,
    logId: 'log',
    source: { kind: 'file', name: 'A.JPG', bytes: 1 },
    bodyName: 'One',
    focalLengthMm: 28,
    placedByHand: null,
    sight: null,
    subjectAt: null,
    ...over,
    verdict,
  };
  return { frame, atMs: 0, stay: null, by: null };
}

const log = (bodyId: string | null): WalkLog => ({
  id: 'log',
  walkId: 'walk',
  name: '',
  day: '2027-03-13',
  timeZone: 'UTC',
  stays: [],
  cameras: [{ name: 'One', bodyId, shiftS: 0, shiftBy: 'frames' }],
  lenses: [],
  rolls: [],
});
const asked = (frames: readonly PlacedFrame[], bodyId: string | null = BODY.id): LessonQuestion => ({
  walked: [{ log: log(bodyId), placed: frames }],
  kit: [BODY, LENS_28],
  standard: STANDARD,
});
const many = (times: number, verdict: Verdict | null, over: Partial<LogFrame>): PlacedFrame[] =>
  Array.from({ length: times }, () => placed(verdict, over));

describe('what frames say of hands', () => {
  it('is told from frames that were decided of, whatever else spoilt them', () => {
    const frames = [
      ...many(10, 'moved', { shutterS: 1 / 30 }),
      ...many(6, 'good', { shutterS: 1 / 15 }),
      ...many(6, 'shake', { shutterS: 1 / 8 }),
      ...many(9, null, { shutterS: 4 }),
    ];
    const found = handsLesson(asked(frames));
    expect(found).toMatchObject({ kind: 'found', today: STANDARD.steadinessStops, frames: 22, spoilt: 6 });
    if (found.kind !== 'found') return;
    expect(found.low).toBeLessThan(found.found);
    expect(found.takes.handTests?.reduce((sum, { frames: tried }) => sum + tried, 0)).toBe(22);
    // Taken over, the same frames do not count a second time.
    const again = handsLesson({ ...asked(frames), standard: { ...STANDARD, ...found.takes } });
    expect(again).toMatchObject({ today: found.takes.steadinessStops, found: found.found, low: found.low });
    // A figure of one's own, typed after that, is what frames start from.
    const typed = handsLesson({ ...asked(frames), standard: { ...STANDARD, ...found.takes, steadinessStops: 0.5 } });
    expect(typed.kind === 'found' && typed.found).not.toBe(found.found);
  });

  it.each([
    ['nothing, of a body that nobody has named', asked(many(20, 'shake', { shutterS: 1 / 8 }), null), 'none'],
    ['nothing yet, by a few', asked(many(5, 'shake', { shutterS: 1 / 8 })), 'few'],
    ['no limit, where all were steady', asked(many(20, 'good', { shutterS: 1 / 8 })), 'allFine'],
    [
      'no figure, where frames lie too far from the limit',
      asked([...many(20, 'good', { shutterS: 1 / 2000 }), ...many(1, 'shake', { shutterS: 8 })]),
      'wide',
    ],
    ['no limit, where none was', asked(many(20, 'shake', { shutterS: 1 / 8 })), 'noneFine'],
  ] as const)('is %s', (_, question, why) => {
    expect(handsLesson(question)).toMatchObject({ kind: 'notYet', why });
  });
});

describe('what frames say of noise', () => {
  it('is the ISO up to which four of five are taken, never beyond the body', () => {
    const frames = [...many(30, 'good', { iso: 800 }), ...many(30, 'noise', { iso: 12_800 })];
    const found = isoLesson(asked(frames), BODY);
    expect(found).toMatchObject({ kind: 'found', frames: 60, spoilt: 30 });
    if (found.kind !== 'found') return;
    // Between the two, about the middle of 800 and 12,800: 3,200.
    expect(found.found).toBeGreaterThan(1000);
    expect(found.found).toBeLessThan(6400);
    expect(found.takes.isoCeilingByBody?.[BODY.id]).toBe(Math.round(found.found));
    expect(found.takes.isoCeilingByBody?.[BODY.id]).toBeLessThanOrEqual(BODY.highestIso);
  });
});
