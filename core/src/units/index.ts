export { DEG_PER_RAD, RAD_PER_DEG, turnDeg } from './angle.js';
export {
  checkArray,
  checkAtLeast,
  checkBetween,
  checkBeyondFocalLength,
  checkFinite,
  checkInstant,
  checkOneOf,
  checkOptions,
  checkPositive,
  checkPositiveOrInfinity,
  describeValue,
  rangeError,
} from './check.js';
export { type EntryKind, type LengthUnit, type Parsed } from './entry.js';
export { formatEntry } from './formatEntry.js';
export {
  isSameValue,
  type Mark,
  markedBetween,
  type MarkedQuantity,
  marksOf,
  STEPS_PER_STOP,
  STOP_STEPS,
  type StopStep,
} from './marks.js';
export { parseEntry, withoutThousandsCommas } from './parseEntry.js';
export { type SnapDirection, snapStops, snapToMark } from './snap.js';
export { remembered } from './remembered.js';
export { runsWhere } from './spans.js';
export { finish } from './steps.js';
export {
  APERTURE_IN_FILES,
  BEARING_FIELD,
  CLOCK_FIELD,
  type FieldsOf,
  type FileBounds,
  firstOf,
  FOCAL_LENGTH_IN_FILES,
  ISO_IN_FILES,
  type NumberField,
  type NumberKind,
  SHARE_FIELD,
  SHUTTER_IN_FILES,
  STOPS_IN_FILES,
  WALK_CLOCK_FIELD,
} from './field.js';
