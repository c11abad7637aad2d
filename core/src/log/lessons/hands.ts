import type { Standard } from '../../kit/index.js';
import { cropFactor } from '../../optics/index.js';
import { shakeShutterLimitS } from '../../handheld/index.js';
import { bodyOf, lensOf, type PlacedFrame, type WalkLog } from '../frames/index.js';
import {
  clamped,
  cardOf,
  expectedOf,
  framesOf,
  hundredths,
  type Lesson,
  type LessonQuestion,
  taughtBy,
  toleranceLesson,
} from './lesson.js';

/** The slowest time by the person's rule for the body and lens of a frame, seconds, their steadiness left out. */
function ruleLimitS(question: LessonQuestion, log: WalkLog, one: PlacedFrame): number | null {
  const { shakeRule } = question.standard;
  if (shakeRule.kind === 'floor') return shakeRule.floorS;
  const [body, lens, focalLengthMm] = [bodyOf(question, log, one), lensOf(question, log, one), one.frame.focalLengthMm];
  if (body === null || focalLengthMm === null) return null;
  return shakeShutterLimitS({
    focalLengthMm,
    cropFactor: shakeRule.kind === 'reciprocal' ? 1 : cropFactor(body),
    ruleFactor: shakeRule.kind === 'halfReciprocalCrop' ? 0.5 : 1,
    stabiliserStops: Math.max(body.stabiliserStops, lens?.stabiliserStops ?? 0),
  });
}

function isByHand(one: PlacedFrame): boolean {
  const card = cardOf(one);
  return card === null || card.support === 'handheld';
}

/** The standard holds no spread beyond these, stops. */
const SPREADS = [0.05, 5] as const;
const MOST_STOPS = [-20, 20] as const;

/**
 * How steady a person's hands are against their rule, stops: by frames by hand that somebody decided of; what is spoilt by
 * anything else than shake shows steady hands too. Source: docs/log.md#lessons.
 */
export function handsLesson(question: LessonQuestion): Lesson<Partial<Standard>> {
  const { standard } = question;
  const today = standard.steadinessStops;
  const expected = expectedOf(standard, 'steadinessStops', today);
  const frames = framesOf(question, (one, log) => {
    const { verdict, shutterS } = one.frame;
    if (verdict === null || verdict === 'no' || shutterS === null || !isByHand(one)) return [];
    const limitS = ruleLimitS(question, log, one);
    return limitS === null ? [] : [{ measure: shutterS / limitS, isFine: verdict !== 'shake' }];
  });
  return toleranceLesson(frames, 2 ** expected, {
    today,
    value: (stops) => expected + stops,
    takes: ({ stops, spreadStops }, trials) => {
      const steadinessStops = hundredths(clamped(expected + stops, MOST_STOPS));
      return {
        steadinessStops,
        steadinessSpreadStops: hundredths(clamped(spreadStops, SPREADS)),
        handTests: trials.map(({ measure, tried, fine }) => ({ againstRule: measure, frames: tried, sharp: fine })),
        ...taughtBy(standard, { steadinessStops: { today, taken: steadinessStops } }),
      };
    },
  });
}
