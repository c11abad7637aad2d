import type { Standard } from '../../kit/index.js';
import { circleOfConfusionMm, sharpZone } from '../../optics/index.js';
import { type Stop, type Subject, withPassers } from '../../stop/index.js';
import { bodyOf, lensOf, type PlacedFrame, type WalkLog } from '../frames/index.js';
import { fromIntervals, type IntervalTrial } from './interval.js';
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
} from './lesson.js';

/** How far today's figures are expected to be off (s): a bias in ln of the distance, a spread by a factor. */
const BIAS_SD = 0.15;
const MEDIAN_SD = 0.4;
const SPREAD_LOG_SD = 0.5;
/** A person without any spread is not believed. */
const LEAST_SPREAD = 0.05;
/** A band wider than this factor is no figure. */
const WIDEST_FACTOR = 3;
/** A lens within so many stops of the card's distance was set to the zone, not to a guess (s). */
const ZONE_STOPS = 0.25;

const BIASES = [-0.85, 5] as const;
const SPREADS = [0.01, 2] as const;

interface Focused {
  /** Where the lens stood, metres. */
  readonly atM: number;
  readonly isZone: boolean;
  readonly trial: IntervalTrial;
}

/** What a frame says of a distance: the subject lay where the lens was sharp, or elsewhere. Null where it says nothing of it. */
function focused(question: LessonQuestion, log: WalkLog, one: PlacedFrame): Focused | null {
  const { verdict, fNumber, focalLengthMm, focusM } = one.frame;
  // A smear or noise says nothing of where the lens stood; too little depth was sharp at the subject.
  if (verdict !== 'good' && verdict !== 'focus' && verdict !== 'depth') return null;
  const [body, card] = [bodyOf(question, log, one), cardOf(one)];
  const atM = focusM ?? card?.focusM ?? null;
  if (body === null || fNumber === null || focalLengthMm === null || atM === null || !(atM > focalLengthMm / 1000)) return null;
  const circleMm = circleOfConfusionMm(question.standard.sharpness, body);
  const zone = sharpZone({ focalLengthMm, fNumber, circleOfConfusionMm: circleMm, focusDistanceM: atM });
  if (zone === null) return null;
  const isZone = focusM === null || (card !== null && Math.abs(Math.log2(focusM / card.focusM)) < ZONE_STOPS);
  return { atM, isZone, trial: { low: Math.log(zone.nearM), high: Math.log(zone.farM), isIn: verdict !== 'focus' } };
}

/**
 * How far off a person guesses distances: by frames whose lens was set by the hand (it has engraved distances) to a distance that is
 * not the card's. A guess g stands for a true distance of ln g − ln(1 + bias), with the spread of guesses about it; the frame is good
 * where that lay within what was sharp. Source: docs/log.md#lessons.
 */
export function guessLesson(question: LessonQuestion): Lesson<Partial<Standard>> {
  const { standard } = question;
  const today = standard.guessBias;
  const trials = framesOf(question, (one, log) => {
    const found = focused(question, log, one);
    const isSetByHand = (lensOf(question, log, one)?.engravedDistancesM.length ?? 0) > 0;
    if (found === null || found.isZone || !isSetByHand) return [];
    const { low, high, isIn } = found.trial;
    return [{ low: low - Math.log(found.atM), high: high - Math.log(found.atM), isIn }];
  });
  const spoilt = trials.filter(({ isIn }) => !isIn).length;
  if (trials.length < LEAST_FRAMES)
    return { kind: 'notYet', today, why: trials.length === 0 ? 'none' : 'few', frames: trials.length };
  const expectedSpread = Math.max(LEAST_SPREAD, expectedOf(standard, 'guessSpread', standard.guessSpread));
  const found = fromIntervals(trials, {
    middle: -Math.log(1 + expectedOf(standard, 'guessBias', today)),
    middleSd: BIAS_SD,
    spread: expectedSpread,
    spreadLogSd: SPREAD_LOG_SD,
  });
  if (found.spread.high / found.spread.low > WIDEST_FACTOR) return { kind: 'notYet', today, why: 'wide', frames: trials.length };
  const bias = (middle: number): number => Math.exp(-middle) - 1;
  const guessBias = hundredths(clamped(bias(found.middle.value), BIASES));
  const guessSpread = hundredths(clamped(found.spread.value, SPREADS));
  return {
    kind: 'found',
    today,
    found: bias(found.middle.value),
    low: bias(found.middle.high),
    high: bias(found.middle.low),
    spread: { today: standard.guessSpread, found: found.spread.value, low: found.spread.low, high: found.spread.high },
    frames: trials.length,
    spoilt,
    takes: {
      guessBias,
      guessSpread,
      ...taughtBy(standard, {
        guessBias: { today, taken: guessBias },
        guessSpread: { today: standard.guessSpread, taken: guessSpread },
      }),
    },
  };
}

/**
 * Where people step at a stop: median and spread of their distances, by frames that were taken into the zone, and by those of a lens
 * that focuses by itself and says where it stood. Source: docs/log.md#lessons.
 */
export function stepsLesson(question: LessonQuestion, stop: Pick<Stop, 'id' | 'subject'>): Lesson<Subject> {
  const { medianM: today, spread } = stop.subject;
  const trials = framesOf(question, (one, log) => {
    if (one.stay?.stopId !== stop.id) return [];
    const found = focused(question, log, one);
    const isSetByHand = (lensOf(question, log, one)?.engravedDistancesM.length ?? 0) > 0;
    return found === null || (!found.isZone && isSetByHand) ? [] : [found.trial];
  });
  if (trials.length < LEAST_FRAMES)
    return { kind: 'notYet', today, why: trials.length === 0 ? 'none' : 'few', frames: trials.length };
  const found = fromIntervals(trials, {
    middle: Math.log(today),
    middleSd: MEDIAN_SD,
    spread: Math.max(LEAST_SPREAD, spread),
    spreadLogSd: SPREAD_LOG_SD,
  });
  if (Math.exp(found.middle.high - found.middle.low) > WIDEST_FACTOR)
    return { kind: 'notYet', today, why: 'wide', frames: trials.length };
  const medianM = Math.exp(found.middle.value);
  return {
    kind: 'found',
    today,
    found: medianM,
    low: Math.exp(found.middle.low),
    high: Math.exp(found.middle.high),
    spread: { today: spread, found: found.spread.value, low: found.spread.low, high: found.spread.high },
    frames: trials.length,
    spoilt: trials.filter(({ isIn }) => !isIn).length,
    takes: withPassers(stop.subject, {
      medianM: Number(medianM.toPrecision(2)),
      spread: hundredths(clamped(found.spread.value, SPREADS)),
    }),
  };
}
