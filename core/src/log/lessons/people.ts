import { DEFAULT_FIGURES, FIGURE_RANGES, type Standard } from '../../kit/index.js';
import { circleOfConfusionMm } from '../../optics/index.js';
import type { Movers, Stop } from '../../stop/index.js';
import { bodyOf, type PlacedFrame, type WalkLog } from '../frames/index.js';
import {
  clamped,
  cardOf,
  expectedOf,
  framesOf,
  hundredths,
  LEAST_FRAMES,
  type Lesson,
  type LessonQuestion,
  taughtBy,
  toleranceLesson,
} from './lesson.js';
import { logMiddle } from './logMiddle.js';

/** A smear under so many circles counts as one so long: nothing is told apart there. */
const LEAST_SMEAR = 0.25;

/** How smears are read in pictures: some wildly off, and all of them a little the same way (s). */
const SMEAR_READING = { lapseShares: [0, 0.03, 0.06, 0.1, 0.15], commonStops: 0.1 };

interface Smeared {
  /** On the sensor, millimetres. */
  readonly smearMm: number;
  readonly circleMm: number;
}

/**
 * How far the subject of a frame is smeared, as measured in its picture. Null where it was not, or its body is not known; and where a
 * person says that somebody moved in what was measured as sharp: the smear was not found.
 */
function smearOf(question: LessonQuestion, log: WalkLog, one: PlacedFrame): Smeared | null {
  const { sight, verdict } = one.frame;
  const [body, share] = [bodyOf(question, log, one), sight?.smearShare];
  if (body === null || share === undefined || (verdict === 'moved' && sight?.looksLike === 'good')) return null;
  return {
    smearMm: share * Math.hypot(body.sensorWidthMm, body.sensorHeightMm),
    circleMm: circleOfConfusionMm(question.standard.sharpness, body),
  };
}

/** The smear of people that a person still takes, in circles of confusion, four frames of five. Source: docs/log.md#lessons. */
export function smearLesson(question: LessonQuestion): Lesson<Partial<Standard>> {
  const { standard } = question;
  const today = standard.figures?.candidSmear ?? DEFAULT_FIGURES.candidSmear;
  const expected = expectedOf(standard, 'candidSmear', today);
  const frames = framesOf(question, (one, log) => {
    const { verdict } = one.frame;
    const smear = smearOf(question, log, one);
    if (smear === null || (verdict !== 'good' && verdict !== 'moved')) return [];
    return [{ measure: Math.max(LEAST_SMEAR, smear.smearMm / smear.circleMm), isFine: verdict === 'good' }];
  });
  return toleranceLesson(frames, expected, {
    today,
    reading: SMEAR_READING,
    value: (stops) => expected * 2 ** stops,
    takes: ({ stops }) => {
      const candidSmear = Number(clamped(expected * 2 ** stops, FIGURE_RANGES.candidSmear).toPrecision(2));
      return {
        figures: { ...standard.figures, candidSmear },
        ...taughtBy(standard, { candidSmear: { today, taken: candidSmear } }),
      };
    },
  });
}

/** How far walkers are expected to be off today's figure, ln (s); of a single one at least, direction and distance being unknown. */
const SPEED_SD = 0.5;
const LEAST_SPEED_SPREAD = 0.35;
/** Smears that are not read, or far too short, are more of the long than of the short ones: the middle of all is off by that, ln (s). */
const SPEED_READING_SD = 0.03;
/** Only times at which today's walkers would smear so many circles are asked: the faster ones tell only of the fastest people. */
const TELLS_FROM_CIRCLES = 2;
const SPEEDS = [0.05, 15] as const;

/** Mean sine of the angles to the camera at which they walk, over their sector. */
function acrossShare({ travelAngleDeg, travelSpreadDeg }: Movers): number {
  const STEPS = 36;
  const angles = Array.from({ length: STEPS }, (_, k) => travelAngleDeg + travelSpreadDeg * ((2 * (k + 0.5)) / STEPS - 1));
  return angles.reduce((sum, deg) => sum + Math.abs(Math.sin((deg * Math.PI) / 180)), 0) / STEPS;
}

/**
 * How fast people walk at a stop, m/s: the smear of the subject on the sensor by its distance over focal length and time is its speed
 * across. The middle of the frames, about today's figure. Source: docs/log.md#lessons.
 */
export function speedLesson(question: LessonQuestion, stop: Pick<Stop, 'id' | 'movers' | 'subject'>): Lesson<Movers> {
  const { movers, subject } = stop;
  const today = movers.speedMps;
  const across = acrossShare(movers);
  const notYet = (why: 'none' | 'few' | 'wide', frames: number): Lesson<Movers> => ({ kind: 'notYet', today, why, frames });
  if (!(today > 0 && across > 0.05)) return notYet('none', 0);
  const speeds = framesOf(question, (one, log) => {
    const { verdict, shutterS, focalLengthMm, focusM } = one.frame;
    const isAsked = one.stay?.stopId === stop.id && (verdict === 'moved' || verdict === 'good');
    const smear = isAsked ? smearOf(question, log, one) : null;
    if (smear === null || shutterS === null || focalLengthMm === null) return [];
    const card = cardOf(one);
    const distanceM = focusM ?? (card !== null && Number.isFinite(card.focusM) ? card.focusM : subject.medianM);
    const perSpeed = (focalLengthMm * shutterS) / distanceM;
    if (today * across * perSpeed < TELLS_FROM_CIRCLES * smear.circleMm) return [];
    return [Math.max(LEAST_SMEAR * smear.circleMm, smear.smearMm) / perSpeed / across];
  });
  if (speeds.length < LEAST_FRAMES) return notYet(speeds.length === 0 ? 'none' : 'few', speeds.length);
  const found = logMiddle(speeds, {
    expected: today,
    expectedSd: SPEED_SD,
    leastSpread: LEAST_SPEED_SPREAD,
    commonSd: SPEED_READING_SD,
  });
  return {
    kind: 'found',
    today,
    found: found.value,
    low: found.low,
    high: found.high,
    frames: speeds.length,
    spoilt: 0,
    takes: { ...movers, speedMps: hundredths(clamped(found.value, SPEEDS)) },
  };
}
