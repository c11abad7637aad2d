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
export { type CloudForecast, cloudOf, DAY_OUT, type Pause, stopsInOrder, stopsToday, type Walk, type WalkPlace } from './walk.js';
export { PAUSE_FIELDS, PLACE_FIELDS, WALK_FIELDS } from './fields.js';
