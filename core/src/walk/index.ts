export { type ReadPlace, readPlace } from './coordinates.js';
export { distanceBetweenM, type Leg, legBetween, type LegCourse, type WayBetween, walkLegs } from './legs.js';
export { type CloudForecast, cloudOf, type Walk, type WalkPlace } from './walk.js';
