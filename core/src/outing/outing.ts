import type { MeterPattern } from '../kit/index.js';
import type { ManualSettings } from '../stop/index.js';

/** Why a picture got away, as one says it in the street. */
export const MISS_REASONS = ['notReady', 'shake', 'smear', 'focus', 'light', 'blocked', 'nobody'] as const;
export type MissReason = (typeof MISS_REASONS)[number];

/** What is looked at on the spot, where practitioners look: at the first frames, and before the light changes. */
export const FIELD_CHECKS = ['sharp', 'highlights', 'change'] as const;
export type FieldCheck = (typeof FIELD_CHECKS)[number];

/** The card and the light of a moment, in marked values: what a frame taken then is held against later. */
export interface Moment {
  /** Of the metered surface: as it was reckoned with, and of it what a look at the camera had put onto the model. */
  readonly keyEv100: number;
  readonly readingOffsetEv: number;
  readonly fNumber: number;
  readonly focusM: number;
  /** The slowest that the camera might use, the time set by hand, or what it took. */
  readonly shutterS: number;
  readonly iso: number;
  readonly pattern: MeterPattern;
  /** Null where the dial did not go so far: held by hand. */
  readonly compensationEv: number | null;
  readonly support: ManualSettings['support'];
  readonly lensId: string | null;
  readonly focalLengthMm: number;
  /** Of a good frame, 0..1. */
  readonly chance: number;
}

/** What may happen at a stop, or on the way there. */
export type OutingEvent =
  | { readonly kind: 'arrived' }
  | { readonly kind: 'wentOn' }
  | { readonly kind: 'got' }
  | { readonly kind: 'missed'; readonly why: MissReason }
  | { readonly kind: 'note'; readonly text: string }
  | { readonly kind: 'comeBack'; readonly returnId: string }
  | { readonly kind: 'notToday' }
  | { readonly kind: 'checked'; readonly check: FieldCheck; readonly isFine: boolean }
  /** The rest of the day was planned anew. */
  | { readonly kind: 'replanned' };

export interface Happening {
  readonly id: string;
  readonly stopId: string;
  /** The instant, milliseconds since 1970. */
  readonly atMs: number;
  readonly event: OutingEvent;
  /** Null where no card stood for the stop. */
  readonly moment: Moment | null;
}

/** The time that a walk runs by: the device's own, or one that a simulated walker hurries along. */
export type OutingClock =
  | { readonly kind: 'own' }
  /** `shownMs` was shown when the device showed `deviceMs`; from then on it runs `speed` times as fast. 0 stands still. */
  | { readonly kind: 'simulated'; readonly shownMs: number; readonly deviceMs: number; readonly speed: number };

/** A walk as it was really walked, for a log: it stays when its walk is changed or removed. */
export interface Outing {
  readonly id: string;
  readonly walkId: string;
  readonly startedMs: number;
  /** Null while it goes on. */
  readonly endedMs: number | null;
  readonly clock: OutingClock;
  readonly happenings: readonly Happening[];
}
