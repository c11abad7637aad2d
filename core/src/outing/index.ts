export { momentOf, type StandingCard } from './moment.js';
export {
  FIELD_CHECKS,
  type FieldCheck,
  type Happening,
  MISS_REASONS,
  type MissReason,
  type Moment,
  type Outing,
  type OutingClock,
  type OutingEvent,
} from './outing.js';
export { atSpeed, instantAt, minuteAt, shownMs, wallMinuteAt } from './clock.js';
export { isGot, nextAfter, type Standing, standingOf } from './standing.js';
export { behindMin, leaveByMin, ON_TIME_MIN } from './late.js';
export { type Course, courseLengthM, type OnCourse, onCourse, placeAlong } from './onTheWay.js';
export { type LightAhead, lightAhead } from './lightAhead.js';
export { type WaitHere, waitHere } from './waitHere.js';
export { type RestFound, restOfWalk, type WhereNow } from './restOfWalk.js';
export { minuteToComeBack, type Return, RETURN_CROWDS, type ReturnCrowd } from './returns.js';
export { type CommonDay, commonDay, type ReturnDays, runOn } from './commonDay.js';
export { sameDarkness } from './sameDarkness.js';
export { thinnedTrack } from './thinned.js';
export { type StopSummary, walkSummary } from './summary.js';
