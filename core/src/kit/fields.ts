import {
  APERTURE_IN_FILES,
  type FieldsOf,
  FOCAL_LENGTH_IN_FILES,
  ISO_IN_FILES,
  type NumberField,
  SHUTTER_IN_FILES,
  STOPS_IN_FILES,
} from '../units/index.js';
import type { Body, Film, Filter, Flash, Lens, Support } from './items.js';
import type { Standard } from './standard.js';

/** The stored numbers of the kit and of a person's standard, a row each. */

const STOP_COUNT = { kind: 'number', low: 0, high: 12, step: 0.5, unit: 'stops' } as const satisfies NumberField;
const HELD_STOPS = { kind: 'number', low: 0, high: 14, step: 0.5, unit: 'stops' } as const satisfies NumberField;
const ISO = { kind: 'iso', low: 1, high: 1_000_000, inFiles: ISO_IN_FILES } as const satisfies NumberField;
const SHUTTER = { kind: 'shutter', low: 1e-5, high: 3600, inFiles: SHUTTER_IN_FILES } as const satisfies NumberField;
const APERTURE = { kind: 'aperture', low: 0.7, high: 64, inFiles: APERTURE_IN_FILES } as const satisfies NumberField;
const FRAME_SIDE = {
  kind: 'number',
  low: 0.5,
  high: 200,
  step: 1,
  unit: 'mm',
  inFiles: { above: 0, high: 1000 },
} as const satisfies NumberField;

export const BODY_FIELDS = {
  sensorWidthMm: FRAME_SIDE,
  sensorHeightMm: FRAME_SIDE,
  pixelsAcross: { kind: 'number', low: 100, high: 100_000, decimals: 0, step: 100, isWhole: true, inFiles: { low: 1 } },
  baseIso: ISO,
  lowestIso: ISO,
  highestIso: ISO,
  autofocusDelayS: { kind: 'number', low: 0, high: 5, step: 0.1, unit: 's', inFiles: { high: 10 } },
  autofocusLimitEv: { kind: 'ev', low: -10, high: 15, inFiles: STOPS_IN_FILES },
  fastestShutterS: SHUTTER,
  slowestShutterS: SHUTTER,
  readoutS: { ...SHUTTER, high: 10, inFiles: { above: 0 } },
  flashSyncS: SHUTTER,
  stabiliserStops: STOP_COUNT,
  liveViewSmallestFNumber: APERTURE,
  headroomEv: { kind: 'number', low: 0, high: 10, step: 0.5, unit: 'stops', inFiles: STOPS_IN_FILES },
  shadowRangeEv: { kind: 'number', low: 0, high: 14, step: 0.5, unit: 'stops', inFiles: STOPS_IN_FILES },
  straightOverEv: { kind: 'number', low: 0, high: 10, step: 0.1, unit: 'stops', inFiles: { high: 14 } },
  straightUnderEv: HELD_STOPS,
} as const satisfies FieldsOf<Body>;

const LENS_END = {
  kind: 'number',
  low: 1,
  high: 2000,
  step: 1,
  unit: 'mm',
  inFiles: FOCAL_LENGTH_IN_FILES,
} as const satisfies NumberField;

export const LENS_FIELDS = {
  shortestMm: LENS_END,
  longestMm: LENS_END,
  smallestFNumber: { kind: 'aperture', low: 1, high: 90, inFiles: APERTURE_IN_FILES },
  closestFocusM: { kind: 'distance', low: 0.01, high: 100, inFiles: { above: 0 } },
  stabiliserStops: STOP_COUNT,
  ringDiameterMm: { kind: 'number', low: 0.5, high: 300, step: 1, unit: 'mm', inFiles: { above: 0, high: 500 } },
} as const satisfies FieldsOf<Lens>;

const FILM_ISO = { kind: 'iso', low: 1, high: 25_600, inFiles: ISO_IN_FILES } as const satisfies NumberField;
const LATITUDE = { ...STOP_COUNT, high: 10 } as const satisfies NumberField;

export const FILM_FIELDS = {
  boxIso: FILM_ISO,
  exposureIndex: FILM_ISO,
  latitudeOverEv: LATITUDE,
  latitudeUnderEv: LATITUDE,
  holdsOverEv: HELD_STOPS,
  holdsUnderEv: HELD_STOPS,
  reciprocityExponent: { kind: 'number', low: 1, high: 3, step: 0.05 },
  reciprocityThresholdS: { kind: 'number', low: 0.01, high: 1000, step: 0.5, unit: 's', inFiles: { above: 0 } },
  pushStops: { kind: 'stops', low: -3, high: 4, inFiles: STOPS_IN_FILES },
} as const satisfies FieldsOf<Film>;

export const FLASH_FIELDS = {
  guideNumberM: { kind: 'number', low: 0.5, high: 500, step: 1, unit: 'm', inFiles: { above: 0 } },
  compensationRangeEv: { ...STOP_COUNT, high: 10 },
  recycleS: { kind: 'number', low: 0, high: 120, step: 0.5, unit: 's' },
} as const satisfies FieldsOf<Flash>;

export const FILTER_FIELDS = {
  stops: { kind: 'number', low: 0, high: 20, step: 1 / 3, unit: 'stops', inFiles: { high: 30 } },
} as const satisfies FieldsOf<Filter>;

export const SUPPORT_FIELDS = { gainStops: STOP_COUNT } as const satisfies FieldsOf<Support>;

export const STANDARD_FIELDS = {
  steadinessStops: { kind: 'number', low: -4, high: 6, step: 0.5, unit: 'stops', inFiles: STOPS_IN_FILES },
  steadinessSpreadStops: { kind: 'number', low: 0.1, high: 3, step: 0.1, unit: 'stops', inFiles: { above: 0, high: 5 } },
  guessSpread: { kind: 'share', low: 0, high: 1, inFiles: { high: 2 } },
  guessBias: { kind: 'share', low: -0.5, high: 1, inFiles: { above: -0.9, high: 5 } },
  paceMps: { kind: 'number', low: 0.2, high: 4, step: 0.1, unit: 'm/s', inFiles: { above: 0, high: 10 } },
  strideM: { kind: 'distance', low: 0.2, high: 2, inFiles: { above: 0, high: 3 } },
  reactionS: { kind: 'number', low: 0, high: 10, step: 0.1, unit: 's', inFiles: { high: 60 } },
} as const satisfies FieldsOf<Standard>;

/** Of "own circle of confusion", and of "a fixed floor". */
export const OWN_CIRCLE_FIELD = {
  kind: 'number',
  low: 0.001,
  high: 0.2,
  decimals: 4,
  step: 0.001,
  unit: 'mm',
  first: 0.025,
  inFiles: { above: 0, high: 1 },
} as const satisfies NumberField;
export const SHUTTER_FLOOR_FIELD = {
  kind: 'shutter',
  low: 1 / 8000,
  high: 1,
  first: 2 ** -7,
  inFiles: SHUTTER_IN_FILES,
} as const satisfies NumberField;
