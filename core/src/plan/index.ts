export { filterFor, isWithinReach, type KitInHand, kitInHand, lensesInBag, ofKind, supportsInBag } from './bag.js';
export type { Holdings } from './holdings.js';
export { type HomeQuestion, homeQuestion, lightFor, setUpInputFor } from './setUpQuestion.js';
export { districtOf, halfFieldDeg, lightInputFor, reachOf, siteOf, type StopSite } from './site.js';
