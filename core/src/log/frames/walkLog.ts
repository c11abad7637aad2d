import type { Place } from '../../light/index.js';
import type { Moment } from '../../outing/index.js';
import type { Approach, Intent } from '../../stop/index.js';

/** A card as it stood at an instant. */
export interface PlannedMoment {
  readonly atMs: number;
  readonly moment: Moment;
}

/** A stay at a stop, as planned or as walked, with the cards that were asked for there. */
export interface LogStay {
  readonly stopId: string;
  readonly name: string;
  readonly intent: Intent;
  readonly position: Place | null;
  readonly fromMs: number;
  readonly toMs: number;
  readonly cards: readonly PlannedMoment[];
  /** How one meant to work there. Absent: of a log that did not keep it. */
  readonly approach?: Approach;
}

/** How the clock of a camera was put right. */
export const SHIFTS_BY = ['frames', 'pair', 'typed'] as const;
export type ShiftBy = (typeof SHIFTS_BY)[number];

/** A camera that frames of a log were taken with. */
export interface LogCamera {
  /** In the files' words. */
  readonly name: string;
  /** Which of the kit it is; null while nobody has said. */
  readonly bodyId: string | null;
  /** Seconds to be added to its clock. */
  readonly shiftS: number;
  readonly shiftBy: ShiftBy;
}

export interface LogLens {
  readonly name: string;
  readonly lensId: string | null;
}

/** A roll of film that was exposed on a walk. One that goes on to another walk stands in the logs of both, under one id. */
export interface LogRoll {
  readonly id: string;
  /** The body that it lies in, and what it is; null for those that the kit has not. */
  readonly bodyId: string | null;
  readonly filmId: string | null;
  readonly exposureIndex: number;
  readonly pushStops: number;
  /** How many frames it has. */
  readonly frames: number;
}

/** What a receiver wrote down of a walk: how far one went, and the time of it that one really went, standing left out. */
export interface LogTrack {
  readonly lengthM: number;
  readonly walkingS: number;
}

/**
 * What a walk is held against afterwards: its stays with their cards, copied when the first frame comes, so that later changes
 * of walk, kit or standard do not rewrite what was planned.
 */
export interface WalkLog {
  readonly id: string;
  readonly walkId: string;
  readonly name: string;
  readonly day: string;
  readonly timeZone: string;
  readonly stays: readonly LogStay[];
  readonly cameras: readonly LogCamera[];
  readonly lenses: readonly LogLens[];
  readonly rolls: readonly LogRoll[];
  /** Absent: no track was read. */
  readonly track?: LogTrack;
}

/** The card of a stay that stood nearest to an instant; the first one for a frame without a time. */
export function momentOfStayAt({ cards }: LogStay, atMs: number | null): Moment | null {
  const [first, ...others] = cards;
  if (first === undefined) return null;
  if (atMs === null) return first.moment;
  const away = (one: PlannedMoment): number => Math.abs(one.atMs - atMs);
  return others.reduce((nearest, one) => (away(one) < away(nearest) ? one : nearest), first).moment;
}
