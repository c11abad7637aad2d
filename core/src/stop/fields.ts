import {
  BEARING_FIELD,
  CLOCK_FIELD,
  type FieldsOf,
  FOCAL_LENGTH_IN_FILES,
  SHARE_FIELD,
  SHUTTER_IN_FILES,
  STOPS_IN_FILES,
  WALK_CLOCK_FIELD,
} from '../units/index.js';
import type { Framing } from './framing.js';
import type { GroundMark } from './ground.js';
import type { HoursSpan } from './hours.js';
import type { IntentAnswers } from './intents.js';
import type { LampsOut } from './lampsOut.js';
import type { Shooting } from './shooting.js';
import type { Movers, Stop, Subject, SunGap } from './stop.js';
import type { Wishes } from './wishes.js';

/** The stored numbers of a stop, a row each. */

const ABOVE_NOTHING = { above: 0 } as const;

export const STOP_FIELDS = {
  streetAxisDeg: BEARING_FIELD,
  streetWidthM: { kind: 'distance', low: 0.5, high: 1000, first: 8, inFiles: ABOVE_NOTHING },
  shootingBearingDeg: BEARING_FIELD,
  groundM: { kind: 'number', low: -1000, high: 5000, step: 0.5, decimals: 1, unit: 'm' },
  lightOffsetEv: { kind: 'stops', low: -20, high: 20, first: 0 },
  arriveMin: WALK_CLOCK_FIELD,
  leaveMin: WALK_CLOCK_FIELD,
  walkMin: { kind: 'number', low: 0, high: 1440, decimals: 0, unit: 'min' },
  focalLengthMm: { kind: 'number', ...FOCAL_LENGTH_IN_FILES, decimals: 1, unit: 'mm' },
} as const satisfies FieldsOf<Stop>;

export const SUBJECT_FIELDS = {
  nearM: { kind: 'distance', low: 0.2, high: 100_000, first: 2, inFiles: ABOVE_NOTHING },
  farM: { kind: 'distance', low: 0.2, high: Infinity, first: 5, inFiles: ABOVE_NOTHING },
  medianM: { kind: 'distance', low: 0.2, high: 100_000, first: 3, inFiles: ABOVE_NOTHING },
  /** σ of the logarithm of distances. */
  spread: { kind: 'share', low: 0, high: 3, first: 0.2 },
} as const satisfies FieldsOf<Subject>;

export const MOVERS_FIELDS = {
  speedMps: { kind: 'number', low: 0, high: 100, step: 0.1, unit: 'm/s', first: 1.4 },
  speedSpreadMps: { kind: 'number', low: 0, high: 100, step: 0.1, unit: 'm/s', first: 0.3 },
  travelAngleDeg: { kind: 'number', low: 0, high: 90, step: 5, unit: '°', first: 70 },
  travelSpreadDeg: { kind: 'number', low: 0, high: 90, step: 5, unit: '°', first: 20 },
  passersPerMinute: { kind: 'number', low: 0, high: 1000, step: 1, decimals: 1, first: 5 },
  suitableShare: { ...SHARE_FIELD, first: 0.2 },
} as const satisfies FieldsOf<Movers>;

export const SUN_GAP_FIELDS = {
  fromDeg: { ...BEARING_FIELD, first: 150 },
  toDeg: { ...BEARING_FIELD, first: 240 },
  aboveDeg: { kind: 'number', low: 0, high: 90, step: 5, unit: '°', first: 15 },
} as const satisfies FieldsOf<SunGap>;

/** Of hours in which something is on, every day. */
export const HOURS_FIELDS = { fromMin: CLOCK_FIELD, toMin: CLOCK_FIELD } as const satisfies FieldsOf<HoursSpan>;

/** Of hours in which one gets in, on the walk. */
export const OPEN_FIELDS = { fromMin: WALK_CLOCK_FIELD, toMin: WALK_CLOCK_FIELD } as const satisfies FieldsOf<HoursSpan>;

export const LAMPS_OUT_FIELDS = {
  fromMin: CLOCK_FIELD,
  toMin: CLOCK_FIELD,
  leftShare: { ...SHARE_FIELD, first: 0 },
} as const satisfies FieldsOf<LampsOut>;

const STAY = { kind: 'number', low: 1, high: 1439, decimals: 0, step: 5, unit: 'min', isWhole: true } as const;

export const WISHES_FIELDS = {
  weight: { kind: 'number', low: 0.01, high: 100, decimals: 2, step: 0.5 },
  shortestMin: STAY,
  longestMin: STAY,
  fixedAtMin: WALK_CLOCK_FIELD,
  usefulMin: { kind: 'number', low: 1, high: 1439, decimals: 0, step: 5, unit: 'min', inFiles: { low: 0.1 } },
} as const satisfies FieldsOf<Wishes>;

export const SHOOTING_FIELDS = {
  burstFrames: { kind: 'number', low: 1, high: 50, decimals: 0, isWhole: true },
} as const satisfies FieldsOf<Shooting>;

const SHARE_OF_FRAME = { kind: 'share', low: 0.01, high: 1, inFiles: { low: 0 } } as const;
const LONG_TIME = { kind: 'shutter', low: 1 / 60, high: 900, inFiles: SHUTTER_IN_FILES } as const;

/** Of each intent's own answers. */
export const INTENT_FIELDS = {
  passingCandid: {},
  lightPool: { brightShare: SHARE_OF_FRAME },
  silhouette: { brightShare: SHARE_OF_FRAME },
  intoTheSun: { brightShare: SHARE_OF_FRAME },
  brightBackdrop: { brightShare: SHARE_OF_FRAME },
  litStreet: {},
  flashLift: {
    flashEv: { kind: 'stops', low: -3, high: 3, inFiles: STOPS_IN_FILES },
    skyUnderEv: { kind: 'stops', low: -5, high: 5, inFiles: STOPS_IN_FILES },
  },
  longExposure: { wantedS: LONG_TIME },
  facade: {},
  reflection: {},
  compressedDistance: { farM: { kind: 'distance', low: 1, high: 100_000, inFiles: ABOVE_NOTHING } },
  fireworks: { bulbS: LONG_TIME },
} as const satisfies { readonly [Kind in keyof IntentAnswers]: FieldsOf<IntentAnswers[Kind]> };

export const GROUND_MARK_FIELDS = {
  distanceM: { kind: 'distance', low: 0.1, high: 100_000, inFiles: ABOVE_NOTHING },
} as const satisfies FieldsOf<GroundMark>;

const HEIGHT = { kind: 'distance', low: 0.3, high: 1000, inFiles: ABOVE_NOTHING } as const;
const LENGTH = { kind: 'distance', low: 0.3, high: 5000, inFiles: { above: 0, high: 10_000 } } as const;

export const FRAMING_FIELDS = {
  facadeHeightM: HEIGHT,
  facadeDistanceM: LENGTH,
  nearHeightM: HEIGHT,
  farHeightM: HEIGHT,
  gapM: LENGTH,
  nearDistanceM: LENGTH,
} as const satisfies FieldsOf<Framing>;
