export { DEG_PER_RAD, RAD_PER_DEG } from './angle.js';
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
export { finish } from './steps.js';
