import type { AutoExposure } from '../exposure/index.js';
import type { Body, Film, Flash, Lens, MeterPattern, Standard } from '../kit/index.js';
import type { Approach, Intent, Movers, StopLight, Subject } from '../stop/index.js';
import type { EntryKind } from '../units/index.js';

/** Everything that a set-up is worked out from. */
export interface SetUpInput {
  readonly intent: Intent;
  readonly subject: Subject;
  readonly movers: Movers;
  readonly light: Pick<StopLight, 'keyEv100' | 'contrastEv' | 'surface'>;
  readonly body: Body;
  readonly lens: Lens;
  readonly focalLengthMm: number;
  readonly film: Film | null;
  readonly flash: Flash | null;
  readonly standard: Standard;
  readonly approach: Approach;
}

/** The limit that decides a value; the sentences are the interface's. */
export type ApertureLimit =
  | 'zoneNeedsIt'
  | 'preferred'
  | 'openedForLight'
  | 'depthGivenUp'
  | 'lensWidest'
  | 'lensSmallest'
  | 'tooBright'
  | 'zoneOutOfReach'
  | 'wantedSeconds';
export type FocusLimit = 'preset' | 'spot' | 'autofocusOnSpot' | 'focusByWire' | 'infinity';
export type ShutterLimit =
  'subjectMoves' | 'shake' | 'slowedForLight' | 'bodyOffersNoFaster' | 'sync' | 'metered' | 'wantedSeconds' | 'nothingMoves';
export type IsoLimit = 'ownCeiling' | 'bodyCeiling' | 'roll' | 'base' | 'setForShutter';
export type MeterLimit = 'keyTone' | 'byHand';

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

export interface SharpZone {
  readonly nearM: number;
  readonly farM: number;
}

export interface SetUp {
  readonly aperture: { readonly fNumber: number; readonly limit: ApertureLimit; readonly why: Why };
  readonly focus: {
    readonly distanceM: number;
    readonly limit: FocusLimit;
    /** By the total blur; null where diffraction alone exceeds the standard. */
    readonly sharp: SharpZone | null;
    readonly sharpGeometric: SharpZone;
    /** Whether the whole zone asked for is sharp. */
    readonly coversZone: boolean;
    /** Chance that whoever is shot is within the sharp zone. */
    readonly zoneChance: number;
    readonly why: Why;
  };
  readonly shutter: {
    /** The slowest that the camera may use, the time set by hand, or what the camera will take. */
    readonly seconds: number;
    readonly role: 'slowestAuto' | 'set' | 'camera';
    readonly limit: ShutterLimit;
    /** The two limits unrounded, seconds; `Infinity` where there is none. */
    readonly motionLimitS: number;
    readonly shakeLimitS: number;
    /** Chance that one frame at `seconds` is free of shake. */
    readonly steadyChance: number;
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
    /** In the body's marks. */
    readonly compensationEv: number;
    readonly keyPlacementEv: number;
    readonly limit: MeterLimit;
    readonly why: Why;
  };
  readonly flash: { readonly compensationEv: number; readonly reachM: number; readonly reaches: boolean } | null;
  /** What the camera makes of it in this light. */
  readonly exposure: AutoExposure;
  readonly support: Approach['support'];
}

/** What is given up, in the order in which it went. */
export type Sacrifice =
  | { readonly kind: 'slowerThanWanted'; readonly wantedS: number; readonly leastS: number }
  | { readonly kind: 'depth'; readonly wantedFNumber: number; readonly zoneChance: number };

/** Why the picture cannot be had with this kit in this light, and by how many stops. */
export type Obstacle =
  | { readonly kind: 'tooDark'; readonly stops: number }
  | { readonly kind: 'tooBright'; readonly stops: number }
  | { readonly kind: 'zoneTooDeep'; readonly zoneChance: number }
  | { readonly kind: 'needsTripod'; readonly wantedS: number; readonly longestS: number }
  | { readonly kind: 'noFlash' }
  | { readonly kind: 'flashTooWeak'; readonly reachM: number; readonly subjectM: number };

export type SetUpResult =
  | { readonly kind: 'ready'; readonly setUp: SetUp; readonly sacrifices: readonly Sacrifice[] }
  | {
      readonly kind: 'cannot';
      readonly obstacle: Obstacle;
      /** The least bad. */
      readonly setUp: SetUp;
      readonly sacrifices: readonly Sacrifice[];
    };
