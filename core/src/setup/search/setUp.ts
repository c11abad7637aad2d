import type { MeterPattern } from '../../kit/index.js';
import type { EntryKind } from '../../units/index.js';
import type { Evaluation } from './evaluation.js';
import type { BrokenLimit, Limit } from './limits.js';
import type { SharpZone } from '../scene/sharpZone.js';
import type { Sides } from './sides.js';

/** How the focus is brought there. */
export type FocusWay = 'preset' | 'spot' | 'spotByEye' | 'autofocusOnSpot' | 'focusByWire' | 'infinity';
export type IsoLimit = 'ownCeiling' | 'usualCeiling' | 'bodyCeiling' | 'roll' | 'base' | 'setForShutter';
/** `byHand`: the body has no compensation there; `beyondDial`: the dial does not go so far. Then the exposure is held by hand. */
export type MeterLimit = 'keyTone' | 'byHand' | 'beyondDial';

/** The working behind a number, plain data: the interface writes each input in the person's units. */
export interface Why {
  readonly formula: string;
  readonly inputs: readonly WhyInput[];
  readonly source: string;
}

export type WhyUnit = EntryKind['kind'] | 'mm' | 'mps' | 'degrees' | 'percent' | 'number' | 'word';

export interface WhyInput {
  readonly label: string;
  readonly value: number | string;
  readonly unit: WhyUnit;
}

/** The dial card: what the hand sets and what the camera makes of it, in marked values. */
export interface SetUp {
  readonly aperture: { readonly fNumber: number; readonly why: Why };
  readonly focus: {
    readonly distanceM: number;
    readonly way: FocusWay;
    /** By the total blur; null where diffraction alone exceeds the standard. */
    readonly sharp: SharpZone | null;
    readonly sharpGeometric: SharpZone;
    /** The aperture at which diffraction alone uses up the standard. */
    readonly diffractionFNumber: number;
    readonly why: Why;
  };
  readonly shutter: {
    /** The slowest that the camera may use, the time set by hand, or what the camera will take. */
    readonly seconds: number;
    readonly role: 'slowestAuto' | 'set' | 'camera';
    /** The mean walker's and the hands' limits unrounded, seconds; `Infinity` where there is none. */
    readonly motionLimitS: number;
    readonly shakeLimitS: number;
    readonly why: Why;
  };
  readonly iso: {
    readonly lowest: number;
    readonly highest: number;
    /** Where it will sit in this light; a mark. */
    readonly expected: number;
    readonly limit: IsoLimit;
    readonly why: Why;
  };
  readonly meter: {
    readonly pattern: MeterPattern;
    /** In the body's marks; null where its dial does not go so far. */
    readonly compensationEv: number | null;
    readonly keyPlacementEv: number;
    /** False where nothing of what the picture is about is in the frame that stands there. */
    readonly isKeyInFrame: boolean;
    readonly limit: MeterLimit;
    readonly why: Why;
  };
  readonly flash: { readonly compensationEv: number; readonly reachM: number; readonly reaches: boolean } | null;
  /** Chance of a good frame, its factors, what it gives up, and what stops each control on either side. */
  readonly found: Evaluation;
  readonly sides: Sides;
  readonly support: Evaluation['hand']['support'];
}

/** Why the picture cannot be had with this kit in this light. */
export type Obstacle =
  /** Stops of light that are missing, or too many. */
  | { readonly kind: 'tooDark'; readonly stops: number }
  | { readonly kind: 'tooBright'; readonly stops: number }
  | { readonly kind: 'needsTripod'; readonly wantedS: number; readonly longestS: number }
  | { readonly kind: 'noFlash' }
  | { readonly kind: 'flashTooWeak'; readonly reachM: number; readonly subjectM: number }
  /** No light would help: the limit that leaves the least. */
  | { readonly kind: 'limit'; readonly limit: Limit; readonly left: number };

export type SetUpResult =
  ({ readonly kind: 'ready' } & CardOfSetUp) | ({ readonly kind: 'cannot'; readonly obstacle: Obstacle } & CardOfSetUp);

interface CardOfSetUp {
  /** The best, the least bad where there is none, or what the hand has chosen. */
  readonly setUp: SetUp;
  readonly sacrifices: readonly BrokenLimit[];
  /** What the search would set; `setUp.found` where the hand has not chosen otherwise. */
  readonly best: Evaluation;
  /** The best that needs two stops of ISO less; null where there is none, or the ISO is near its base anyway. */
  readonly cleaner: Evaluation | null;
}
