import type { CeilingBehaviour } from '../exposure/index.js';
import type { StopStep } from '../units/index.js';

/** Everything that can lie in the bag. Lengths in mm unless the name says otherwise; shutters in exact seconds. */

export type ControlKind = 'ring' | 'dial' | 'button' | 'menu';
export const CONTROL_KINDS = ['ring', 'dial', 'button', 'menu'] as const satisfies readonly ControlKind[];

export type MeterPattern = 'wholeFrame' | 'centreWeighted' | 'spot' | 'highlightWeighted' | 'multiZone';
export const METER_PATTERNS = [
  'wholeFrame',
  'centreWeighted',
  'spot',
  'highlightWeighted',
  'multiZone',
] as const satisfies readonly MeterPattern[];

interface Item {
  readonly id: string;
  readonly name: string;
  /** In the bag today: only these are offered to a walk. */
  readonly inBag: boolean;
}

export interface Body extends Item {
  readonly kind: 'body';
  readonly medium: 'digital' | 'film';
  readonly sensorWidthMm: number;
  readonly sensorHeightMm: number;
  /** Null for film. */
  readonly pixelsAcross: number | null;
  readonly markStep: StopStep;
  readonly baseIso: number;
  readonly lowestIso: number;
  readonly highestIso: number;
  /** The slowest-auto-shutter values that the body offers, seconds; empty where automatic ISO has none. */
  readonly slowestAutoShuttersS: readonly number[];
  readonly compensationWhenBothHeld: boolean;
  readonly autofocusDelayS: number;
  /** Light at which autofocus still locks half of the time, EV100. */
  readonly autofocusLimitEv: number;
  readonly controls: Readonly<Record<'aperture' | 'shutter' | 'iso' | 'compensation', ControlKind>>;
  readonly fastestShutterS: number;
  readonly slowestShutterS: number;
  /** Time of the electronic shutter to read the sensor from top to bottom; null where it has none. */
  readonly readoutS: number | null;
  readonly flashSyncS: number;
  readonly stabiliserStops: number;
  readonly atCeiling: CeilingBehaviour;
  /** Smallest aperture that the magnified live view really shows; null where it shows all. */
  readonly liveViewSmallestFNumber: number | null;
  /** Stops above mid-grey before highlights go, at base ISO. */
  readonly headroomEv: number;
  /** Usable stops below mid-grey at base ISO; one less per stop of ISO. */
  readonly shadowRangeEv: number;
  /** What a picture straight out of it holds over and under mid-grey, stops; a highlight pattern goes by the first. */
  readonly straightOverEv: number;
  readonly straightUnderEv: number;
  readonly meterPatterns: readonly MeterPattern[];
  /** The roll in a film body. */
  readonly filmId: string | null;
}

export interface Lens extends Item {
  readonly kind: 'lens';
  readonly shortestMm: number;
  readonly longestMm: number;
  /** Widest aperture over focal length, ascending; one row for a prime or a constant zoom. */
  readonly widest: readonly { readonly focalLengthMm: number; readonly fNumber: number }[];
  readonly smallestFNumber: number;
  readonly clickStep: StopStep;
  readonly closestFocusM: number;
  /** Engraved distances, metres, ascending, `Infinity` allowed; empty for focus by wire. */
  readonly engravedDistancesM: readonly number[];
  readonly stabiliserStops: number;
  readonly ringDiameterMm: number | null;
  readonly turnToInfinity: 'clockwise' | 'anticlockwise' | null;
  /** Measured points of the focus throw. */
  readonly throwPoints: readonly { readonly distanceM: number; readonly degrees: number }[];
}

export type FilmKind = 'blackAndWhiteNegative' | 'colourNegative' | 'slide';
export const FILM_KINDS = ['blackAndWhiteNegative', 'colourNegative', 'slide'] as const satisfies readonly FilmKind[];

export interface Film extends Item {
  readonly kind: 'film';
  readonly boxIso: number;
  readonly exposureIndex: number;
  readonly filmKind: FilmKind;
  readonly latitudeOverEv: number;
  readonly latitudeUnderEv: number;
  /** What a frame holds over and under mid-grey, exposed at box speed: not how far it may be off, which is its latitude. */
  readonly holdsOverEv: number;
  readonly holdsUnderEv: number;
  readonly reciprocityExponent: number;
  readonly reciprocityThresholdS: number;
  readonly pushStops: number;
}

export interface Flash extends Item {
  readonly kind: 'flash';
  /** Metres at ISO 100. */
  readonly guideNumberM: number;
  readonly compensationRangeEv: number;
  readonly recycleS: number;
}

export type FilterKind = 'polariser' | 'neutralDensity' | 'colour';
export const FILTER_KINDS = ['polariser', 'neutralDensity', 'colour'] as const satisfies readonly FilterKind[];

export interface Filter extends Item {
  readonly kind: 'filter';
  readonly filterKind: FilterKind;
  /** Stops of light that it takes. */
  readonly stops: number;
}

export type SupportKind = 'wall' | 'tripod';
export const SUPPORT_KINDS = ['wall', 'tripod'] as const satisfies readonly SupportKind[];

export interface Support extends Item {
  readonly kind: 'support';
  readonly supportKind: SupportKind;
  /** Stops that bracing gains; a tripod has no shake limit at all. */
  readonly gainStops: number;
}

export type KitItem = Body | Lens | Film | Flash | Filter | Support;
export type KitKind = KitItem['kind'];
export const KIT_KINDS = ['body', 'lens', 'film', 'flash', 'filter', 'support'] as const satisfies readonly KitKind[];
