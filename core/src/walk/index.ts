export { type ReadPlace, readPlace } from './coordinates.js';
export {
  distanceBetweenM,
  footLengthM,
  type Leg,
  legBetween,
  type LegCourse,
  type WayBetween,
  minutesOnFoot,
  walkLegs,
} from './legs.js';
export {
  type CloudForecast,
  cloudOf,
  type Pause,
  stopBefore,
  stopsInOrder,
  stopsToday,
  type Walk,
  type WalkPlace,
} from './walk.js';
export { dayOutOf, endOfDayMin, endOfDayPlace, goesPastMidnight, isOfWalk, minutesMeasured } from './dayOut.js';
export { type LastRide, leaveForRideMin, RIDE_MARGIN_MIN } from './lastRide.js';
export { DAY_OUT_FIELDS, LAST_RIDE_FIELDS, PAUSE_FIELDS, PLACE_FIELDS, WALK_FIELDS } from './fields.js';
