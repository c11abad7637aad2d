import { type Body, isoCeilingOf, type KitItem, type Lens, type Standard, type StoredHandTest } from '../../kit/index.js';
import { cropFactor } from '../../optics/index.js';
import { shakeShutterLimitS } from '../../handheld/index.js';
import { cameraOf, cardAt, type PlacedFrame, type WalkLog } from '../frames/index.js';
import { type Tolerance, toleranceOf, type Trial, trialsOf } from './tolerance.js';

/** Why frames say nothing of a figure yet. */
export type NoLesson = 'none' | 'few' | 'allFine' | 'noneFine' | 'wide';

/** What frames say of one of a person's figures. */
export type Lesson<Takes> =
  | {
      readonly kind: 'found';
      readonly today: number;
      readonly found: number;
      readonly low: number;
      readonly high: number;
      readonly frames: number;
      readonly spoilt: number;
      readonly takes: Takes;
    }
  | { readonly kind: 'notYet'; readonly today: number; readonly why: NoLesson; readonly frames: number };

/** The frames of one walk. */
export interface WalkedFrames {
  readonly log: WalkLog;
  readonly placed: readonly PlacedFrame[];
}

export interface LessonQuestion {
  readonly walked: readonly WalkedFrames[];
  readonly kit: readonly KitItem[];
  readonly standard: Standard;
}

/** Fewer frames are not asked. */
const LEAST_FRAMES = 8;
/** A band wider than this is no figure, stops. */
const WIDEST_STOPS = 3;

function bodyOf({ kit }: LessonQuestion, log: WalkLog, { frame }: PlacedFrame): Body | null {
  const bodyId = cameraOf(log, frame)?.bodyId ?? null;
  return kit.find((item): item is Body => item.kind === 'body' && item.id === bodyId) ?? null;
}

function lensOf({ kit }: LessonQuestion, log: WalkLog, { frame }: PlacedFrame): Lens | null {
  const lensId = log.lenses.find(({ name }) => name === frame.lensName)?.lensId ?? null;
  return kit.find((item): item is Lens => item.kind === 'lens' && item.id === lensId) ?? null;
}

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

function isByHand({ stay, atMs }: PlacedFrame): boolean {
  const card = stay === null ? null : cardAt(stay, atMs);
  return card === null || card.support === 'handheld';
}

/** Frames by hand that somebody decided of: what is spoilt by anything else than shake shows steady hands too. */
function handFrames(question: LessonQuestion): readonly { readonly measure: number; readonly isFine: boolean }[] {
  return question.walked.flatMap(({ log, placed }) =>
    placed.flatMap((one) => {
      const { verdict, shutterS } = one.frame;
      if (verdict === null || verdict === 'no' || shutterS === null || !isByHand(one)) return [];
      const limitS = ruleLimitS(question, log, one);
      return limitS === null ? [] : [{ measure: shutterS / limitS, isFine: verdict !== 'shake' }];
    }),
  );
}

function lesson<Takes>(
  frames: readonly { readonly measure: number; readonly isFine: boolean }[],
  expected: number,
  of: {
    readonly today: number;
    readonly value: (stops: number) => number;
    readonly takes: (found: Tolerance, trials: readonly Trial[]) => Takes;
  },
): Lesson<Takes> {
  const fine = frames.filter(({ isFine }) => isFine).length;
  const notYet = (why: NoLesson): Lesson<Takes> => ({ kind: 'notYet', today: of.today, why, frames: frames.length });
  if (frames.length === 0) return notYet('none');
  if (frames.length < LEAST_FRAMES) return notYet('few');
  if (fine === frames.length) return notYet('allFine');
  if (fine === 0) return notYet('noneFine');
  const trials = trialsOf(frames);
  const found = toleranceOf(trials, expected);
  if (found.highStops - found.lowStops > WIDEST_STOPS) return notYet('wide');
  return {
    kind: 'found',
    today: of.today,
    found: of.value(found.stops),
    low: of.value(found.lowStops),
    high: of.value(found.highStops),
    frames: frames.length,
    spoilt: frames.length - fine,
    takes: of.takes(found, trials),
  };
}

/** Of the standard, what frames of shake change. */
export interface HandsTaken {
  readonly steadinessStops: number;
  readonly steadinessSpreadStops: number;
  readonly handTests: readonly StoredHandTest[];
}

const hundredths = (value: number): number => Math.round(value * 100) / 100;
/** The standard holds no spread beyond these, stops. */
const SPREADS = { low: 0.05, high: 5 };
const MOST_STOPS = 20;

/** How steady a person's hands are against their rule, stops. Source: docs/log.md#lessons. */
export function handsLesson(question: LessonQuestion): Lesson<HandsTaken> {
  const { steadinessStops: today } = question.standard;
  return lesson(handFrames(question), 2 ** today, {
    today,
    value: (stops) => today + stops,
    takes: ({ stops, spreadStops }, trials) => ({
      steadinessStops: hundredths(Math.max(-MOST_STOPS, Math.min(MOST_STOPS, today + stops))),
      steadinessSpreadStops: hundredths(Math.max(SPREADS.low, Math.min(SPREADS.high, spreadStops))),
      handTests: trials.map(({ measure, tried, fine }) => ({ againstRule: measure, frames: tried, sharp: fine })),
    }),
  });
}

/** The ISO up to which a person takes a body's noise, four frames of five. Source: docs/log.md#lessons. */
export function isoLesson(question: LessonQuestion, body: Body): Lesson<number> {
  const today = isoCeilingOf(body, question.standard);
  const frames = question.walked.flatMap(({ log, placed }) =>
    placed.flatMap((one) => {
      const { verdict, iso } = one.frame;
      const isIts = bodyOf(question, log, one)?.id === body.id;
      return verdict === null || verdict === 'no' || iso === null || !isIts ? [] : [{ measure: iso, isFine: verdict !== 'noise' }];
    }),
  );
  return lesson(frames, today, {
    today,
    value: (stops) => today * 2 ** stops,
    takes: ({ stops }) => Math.round(Math.min(body.highestIso, Math.max(body.lowestIso, today * 2 ** stops))),
  });
}
