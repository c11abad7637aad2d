import type { Moment } from '../../outing/index.js';
import type { KitItem, Standard } from '../../kit/index.js';
import { momentOfStayAt, type PlacedFrame, type WalkLog } from '../frames/index.js';
import { type MeasureDoubt, toleranceOf, type Tolerance, type Trial, trialsOf } from './tolerance.js';

/** Why frames say nothing of a figure yet. */
export type NoLesson = 'none' | 'few' | 'allFine' | 'noneFine' | 'wide';

/** One of a person's figures: as it stands, as frames have it, and between what it lies nineteen times of twenty. */
export interface LessonFigure {
  readonly today: number;
  readonly found: number;
  readonly low: number;
  readonly high: number;
}

/** What frames say of one of a person's figures. */
export type Lesson<Takes> =
  | (LessonFigure & {
      readonly kind: 'found';
      readonly frames: number;
      readonly spoilt: number;
      /** Of distances: how far they lie about the figure, σ of their logarithm. */
      readonly spread?: LessonFigure;
      readonly takes: Takes;
    })
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
export const LEAST_FRAMES = 8;
/** A band wider than this is no figure, stops. */
const WIDEST_STOPS = 3;

export const cardOf = ({ stay, atMs }: PlacedFrame): Moment | null => (stay === null ? null : momentOfStayAt(stay, atMs));

/** Every frame of every walk. */
export function framesOf<Found>(
  { walked }: LessonQuestion,
  of: (one: PlacedFrame, log: WalkLog) => readonly Found[],
): readonly Found[] {
  return walked.flatMap(({ log, placed }) => placed.flatMap((one) => of(one, log)));
}

/** The same question asked of each stop alone: its own frames, so that many stops are not each asked of all frames. */
export function questionsOfStops(question: LessonQuestion): ReadonlyMap<string, LessonQuestion> {
  const byStop = new Map<string, WalkedFrames[]>();
  for (const { log, placed } of question.walked) {
    const here = new Map<string, PlacedFrame[]>();
    for (const one of placed) {
      if (one.stay === null) continue;
      const own = here.get(one.stay.stopId);
      if (own === undefined) here.set(one.stay.stopId, [one]);
      else own.push(one);
    }
    for (const [stopId, own] of here) byStop.set(stopId, [...(byStop.get(stopId) ?? []), { log, placed: own }]);
  }
  return new Map([...byStop].map(([stopId, walked]) => [stopId, { ...question, walked }]));
}

/**
 * What a figure is expected to be before frames say anything: the person's own, or, where that came from frames, what it was
 * before, so that the same frames do not count twice.
 */
export function expectedOf({ taught }: Pick<Standard, 'taught'>, key: string, today: number): number {
  const known = taught?.[key];
  return known !== undefined && known.taken === today ? known.before : today;
}

/** The same kept with a figure that is taken over. */
export function taughtBy(
  standard: Pick<Standard, 'taught'>,
  figures: Readonly<Record<string, { readonly today: number; readonly taken: number }>>,
): Pick<Standard, 'taught'> {
  const kept = Object.entries(figures).map(([key, { today, taken }]) => [key, { before: expectedOf(standard, key, today), taken }]);
  return { taught: { ...standard.taught, ...Object.fromEntries(kept) } };
}

/** A figure up to which frames are fine. */
export function toleranceLesson<Takes>(
  frames: readonly { readonly measure: number; readonly isFine: boolean }[],
  expected: number,
  of: {
    readonly today: number;
    readonly value: (stops: number) => number;
    readonly takes: (found: Tolerance, trials: readonly Trial[]) => Takes;
    /** Of a measure that is not exact. */
    readonly reading?: MeasureDoubt;
  },
): Lesson<Takes> {
  const fine = frames.filter(({ isFine }) => isFine).length;
  const notYet = (why: NoLesson): Lesson<Takes> => ({ kind: 'notYet', today: of.today, why, frames: frames.length });
  if (frames.length === 0) return notYet('none');
  if (frames.length < LEAST_FRAMES) return notYet('few');
  if (fine === frames.length) return notYet('allFine');
  if (fine === 0) return notYet('noneFine');
  const trials = trialsOf(frames);
  const found = toleranceOf(trials, expected, of.reading);
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

export const hundredths = (value: number): number => Math.round(value * 100) / 100;
export const clamped = (value: number, [low, high]: readonly [number, number]): number => Math.min(high, Math.max(low, value));
