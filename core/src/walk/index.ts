export { distanceBetweenM, type Leg, legBetween, walkLegs } from './legs.js';
export { chanceOfAtLeast, suitablePerMinute, waitForChanceMin } from './waiting.js';
export type { Walk, WalkPlace } from './walk.js';
