import { BODY, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { seeded } from '../../metering/index.js';
import { circleOfConfusionMm, sharpZone } from '../../optics/index.js';
import type { Outing } from '../../outing/index.js';
import type { Movers, Subject } from '../../stop/index.js';
import { frameFacts, type LogFrame, type LogStay, type PlacedFrame, type Verdict, type WalkLog } from '../frames/index.js';
import {
  guessLesson,
  legsWalked,
  type Lesson,
  type LessonQuestion,
  paceLesson,
  smearLesson,
  speedLesson,
  stepsLesson,
} from './index.js';

/** People whose figures are known, and who take frames with them. */

const CIRCLE_MM = circleOfConfusionMm(STANDARD.sharpness, BODY);
const DIAGONAL_MM = Math.hypot(36, 24);

function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}

const CARD = { focusM: 3, support: 'handheld' } as const;
const STAY = { stopId: 'stop', cards: [{ atMs: 0, moment: CARD }] } as unknown as LogStay;

let count = 0;
function taken(verdict: Verdict, over: Partial<LogFrame>): PlacedFrame {
  const frame: LogFrame = {
    ...frameFacts({}),
    id: `p${count++}`,
    logId: 'log',
    source: { kind: 'file', name: 'A.JPG', bytes: 1 },
    bodyName: 'One',
    lensName: 'Twenty-eight',
    focalLengthMm: 28,
    fNumber: 8,
    placedByHand: null,
    sight: null,
    subjectAt: null,
    ...over,
    verdict,
  };
  return { frame, atMs: 0, stay: STAY, by: 'time' };
}

const LOG = {
  id: 'log',
  timeZone: 'UTC',
  stays: [STAY],
  cameras: [{ name: 'One', bodyId: BODY.id, shiftS: 0, shiftBy: 'frames' }],
  lenses: [{ name: 'Twenty-eight', lensId: LENS_28.id }],
  rolls: [],
} as unknown as WalkLog;

function asked(frames: readonly PlacedFrame[]): LessonQuestion {
  return { walked: [{ log: LOG, placed: frames }], kit: [BODY, LENS_28], standard: STANDARD };
}

/** A frame of a subject at a distance, the lens at another: sharp or not by the depth there. */
function focusedFrame(trueM: number, lensM: number, fNumber: number): PlacedFrame {
  const zone = sharpZone({ focalLengthMm: 28, fNumber, circleOfConfusionMm: CIRCLE_MM, focusDistanceM: lensM });
  const isSharp = zone !== null && trueM >= zone.nearM && trueM <= zone.farM;
  return taken(isSharp ? 'good' : 'focus', { focusM: lensM, fNumber });
}

const RUNS = 100;
const COUNTS = [20, 100, 500];

/** In how many of a hundred runs the true figure lies within what was found. */
function within(count: number, run: (random: () => number) => { readonly truth: number; readonly found: Lesson<unknown> }): number {
  const random = seeded(1000 + count);
  let hits = 0;
  for (let k = 0; k < RUNS; k++) {
    const { truth, found } = run(random);
    // What the frames cannot carry is said, and is no wrong figure.
    if (found.kind === 'notYet' ? found.why === 'wide' || found.why === 'few' : truth >= found.low && truth <= found.high)
      hits += 1;
  }
  return hits;
}

describe('how far off a person guesses', () => {
  it.each(COUNTS)('is found within its band in ninety of a hundred runs of %d frames', (frames) => {
    let told = 0;
    const hits = within(frames, (random) => {
      const truth = Math.exp(0.15 * normal(random)) - 1;
      const spread = STANDARD.guessSpread * Math.exp(0.3 * normal(random));
      const all = Array.from({ length: frames }, () => {
        // As the program reckons: of a distance that was meant, the true one is log-normal about g/(1 + bias).
        const meantM = 1.5 + 4 * random();
        return focusedFrame((meantM / (1 + truth)) * Math.exp(spread * normal(random)), meantM, 2.8);
      });
      const found = guessLesson(asked(all));
      if (found.kind === 'found') told += 1;
      return { truth, found };
    });
    expect(hits).toBeGreaterThanOrEqual(90);
    // Of a hundred most runs say it, of five hundred nearly all.
    expect(told).toBeGreaterThanOrEqual(frames >= 500 ? 90 : frames >= 100 ? 60 : 0);
  });

  it('is not told by a lens that focuses by itself, nor by the zone', () => {
    const byItself = { ...LENS_28, engravedDistancesM: [] };
    const frames = Array.from({ length: 30 }, () => taken('good', { focusM: 1 }));
    expect(guessLesson({ ...asked(frames), kit: [BODY, byItself] })).toMatchObject({ kind: 'notYet', why: 'none' });
    const zone = Array.from({ length: 30 }, () => taken('focus', { focusM: 3 }));
    expect(guessLesson(asked(zone))).toMatchObject({ kind: 'notYet', why: 'none' });
  });
});

describe('where people step', () => {
  const subject: Subject = { nearM: 2, farM: 5, medianM: 3, spread: 0.25 };

  it.each(COUNTS)('is found within its band in ninety of a hundred runs of %d frames', (frames) => {
    let told = 0;
    const hits = within(frames, (random) => {
      const truth = 3 * Math.exp(0.35 * normal(random));
      const spread = 0.25 * Math.exp(0.4 * normal(random));
      // Into the zone, at the apertures of an evening: what is sharp is now wider, now narrower than where they step.
      const all = Array.from({ length: frames }, () =>
        focusedFrame(truth * Math.exp(spread * normal(random)), 3, [2.8, 4, 5.6, 8][Math.floor(4 * random())] as number),
      );
      const found = stepsLesson(asked(all), { id: 'stop', subject });
      if (found.kind === 'found') told += 1;
      return { truth, found };
    });
    expect(hits).toBeGreaterThanOrEqual(90);
    expect(told).toBeGreaterThanOrEqual(frames >= 100 ? 90 : 0);
  });

  it('goes to the stop as what it was: median, spread and the ends that follow', () => {
    const frames = Array.from({ length: 40 }, (_, k) => taken(k < 20 ? 'good' : 'focus', { focusM: 3, fNumber: 4 }));
    const found = stepsLesson(asked(frames), { id: 'stop', subject });
    if (found.kind !== 'found') throw new Error(found.why);
    expect(found.takes.spread).toBeGreaterThan(subject.spread);
    expect(found.takes.nearM).toBeLessThan(found.takes.medianM);
    expect(stepsLesson(asked(frames), { id: 'another', subject })).toMatchObject({ why: 'none' });
  });
});

/** A subject smeared over so many millimetres of the sensor. */
const smeared = (verdict: Verdict, smearMm: number, over: Partial<LogFrame> = {}): PlacedFrame =>
  taken(verdict, {
    ...over,
    sight: { looksLike: verdict as 'good', confidence: 1, midToneEv: 0, smearShare: smearMm / DIAGONAL_MM },
  });

describe('the smear of people', () => {
  it.each(COUNTS)('that is still taken is found within its band in ninety of a hundred runs of %d frames', (frames) => {
    const hits = within(frames, (random) => {
      const truth = 2 * 2 ** (3 * random() - 1.5);
      const all = Array.from({ length: frames }, () => {
        const circles = truth * 2 ** (4 * random() - 2);
        const chance = 1 / (1 + Math.exp((Math.log2(circles / truth) - 0.5 * Math.log(4)) / 0.5));
        return smeared(random() < chance ? 'good' : 'moved', circles * CIRCLE_MM);
      });
      return { truth, found: smearLesson(asked(all)) };
    });
    expect(hits).toBeGreaterThanOrEqual(90);
  });

  it('is taken over as the limit of the card of people', () => {
    const all = Array.from({ length: 40 }, (_, k) => smeared(k < 20 ? 'good' : 'moved', (k < 20 ? 3 : 7) * CIRCLE_MM));
    const found = smearLesson(asked(all));
    if (found.kind !== 'found') throw new Error(found.why);
    expect(found.takes.figures?.candidSmear).toBeGreaterThan(2.5);
    expect(found.takes.figures?.candidSmear).toBeLessThan(6);
  });
});

describe('how fast people walk', () => {
  const movers = { speedMps: 1.4, travelAngleDeg: 90, travelSpreadDeg: 0 } as Movers;
  const subject = { medianM: 3 } as Subject;

  it('is a smear by distance over focal length and time, by hand', () => {
    // 1.4 m/s across at 3 m, 28 mm, 1/60 s: 28·1.4/3/60 = 0.2178 mm.
    const all = Array.from({ length: 400 }, () => smeared('moved', 0.2178, { shutterS: 1 / 60, focusM: 3 }));
    const found = speedLesson(asked(all), { id: 'stop', movers, subject });
    expect(found.kind === 'found' && found.found).toBeCloseTo(1.4, 2);
  });

  it.each(COUNTS)('is found within its band in ninety of a hundred runs of %d frames', (frames) => {
    const hits = within(frames, (random) => {
      const truth = 1.4 * Math.exp(0.5 * normal(random));
      const all = Array.from({ length: frames }, () => {
        // Everybody at their own speed and distance, and a smear that is read a fourth off.
        const speed = truth * Math.exp(0.25 * normal(random));
        const distance = 3 * Math.exp(0.2 * normal(random));
        const smearMm = ((28 * speed) / distance / 60) * Math.exp(0.25 * normal(random));
        return smeared('moved', smearMm, { shutterS: 1 / 60, focusM: 3 });
      });
      return { truth, found: speedLesson(asked(all), { id: 'stop', movers, subject }) };
    });
    expect(hits).toBeGreaterThanOrEqual(90);
  });

  it('is not told by times at which nobody smears, nor where nobody walks', () => {
    const fast = Array.from({ length: 50 }, () => smeared('good', 0.001, { shutterS: 1 / 2000, focusM: 3 }));
    expect(speedLesson(asked(fast), { id: 'stop', movers, subject })).toMatchObject({ kind: 'notYet', frames: 0 });
    const still = { ...movers, speedMps: 0 };
    expect(speedLesson(asked(fast), { id: 'stop', movers: still, subject })).toMatchObject({ kind: 'notYet', why: 'none' });
  });
});

describe('a person’s pace', () => {
  it.each(COUNTS)('is found within its band in ninety of a hundred runs of %d legs', (legs) => {
    const hits = within(legs, (random) => {
      const truth = 1.2 * Math.exp(0.25 * normal(random));
      const all = Array.from({ length: legs }, () => ({
        lengthM: 300,
        seconds: 300 / (truth * Math.exp(0.15 * normal(random))),
      }));
      return { truth, found: paceLesson(all, STANDARD) };
    });
    expect(hits).toBeGreaterThanOrEqual(90);
  });

  it('is by what was tapped from going on to being there, and not by a simulated walker', () => {
    const at = (minutes: number) => minutes * 60_000;
    const stops = [
      { id: 'a', position: { latitude: 0, longitude: 0 } },
      { id: 'b', position: { latitude: 0, longitude: 0.002 } },
    ];
    const happenings = [
      { stopId: 'a', atMs: 0, event: { kind: 'arrived' } },
      { stopId: 'a', atMs: at(5), event: { kind: 'wentOn' } },
      { stopId: 'b', atMs: at(9), event: { kind: 'arrived' } },
    ];
    const outing = { clock: { kind: 'own' }, happenings } as unknown as Outing;
    // 0.002° of the equator are 222.39 m, a detour of 1.3 makes 289.1 m.
    expect(legsWalked(outing, stops)).toEqual([{ lengthM: expect.closeTo(289.1, 1), seconds: 240 }]);
    expect(legsWalked({ ...outing, clock: { kind: 'simulated' } as Outing['clock'] }, stops)).toEqual([]);
    expect(paceLesson([{ lengthM: 289, seconds: 240 }], STANDARD)).toMatchObject({ kind: 'notYet', why: 'few' });
    // Who stands about is no walker.
    expect(
      paceLesson(
        Array.from({ length: 9 }, () => ({ lengthM: 300, seconds: 3000 })),
        STANDARD,
      ),
    ).toMatchObject({ why: 'none' });
  });
});
