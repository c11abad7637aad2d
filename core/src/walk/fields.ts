import { type FieldsOf, SHARE_FIELD, WALK_CLOCK_FIELD } from '../units/index.js';
import type { HoursSpan } from '../stop/index.js';
import type { LastRide } from './lastRide.js';
import type { Pause, Walk, WalkPlace } from './walk.js';

/** The stored numbers of a walk, a row each. */

export const WALK_FIELDS = { cloud: { ...SHARE_FIELD, first: 0 } } as const satisfies FieldsOf<Walk>;

export const PLACE_FIELDS = {
  latitude: { kind: 'number', low: -90, high: 90, decimals: 6, step: 0.0001 },
  longitude: { kind: 'number', low: -180, high: 180, decimals: 6, step: 0.0001 },
} as const satisfies FieldsOf<WalkPlace>;

export const PAUSE_FIELDS = {
  stayMin: { kind: 'number', low: 1, high: 1439, decimals: 0, step: 5, unit: 'min', isWhole: true },
  fromMin: WALK_CLOCK_FIELD,
  toMin: WALK_CLOCK_FIELD,
  atMin: WALK_CLOCK_FIELD,
} as const satisfies FieldsOf<Pause>;

export const DAY_OUT_FIELDS = { fromMin: WALK_CLOCK_FIELD, toMin: WALK_CLOCK_FIELD } as const satisfies FieldsOf<HoursSpan>;

export const LAST_RIDE_FIELDS = { atMin: WALK_CLOCK_FIELD } as const satisfies FieldsOf<LastRide>;
