export { type Care, type CareOfDay, CARES, caresAt, caresOf, caresOfLook } from './care.js';
export { isIndoors } from './indoors.js';
export { daylightOf } from './daylight.js';
export { isStreetOf, type Street, streetAt, withStreet } from './streetAt.js';
export { placedStop } from './placedStop.js';
export { filterFor, isWithinReach, type KitInHand, kitInHand, lensesInBag, ofKind, supportsInBag } from './bag.js';
export { type Apart, apartIn, DAY_ON_FOOT_M, districtOf, metresOutside, middleOfDistrict, placeOf, roundedPlace } from './place.js';
export type { PlanningData } from './holdings.js';
export { type FilmQuestion, filmQuestion, filmStopsOf, type StopForFilm } from './filmOfWalk.js';
export { type HomeQuestion, homeQuestion, lightFor, setUpInputFor } from './setUpQuestion.js';
export { screenShareOf, sightFrameOf, sightInstantOf, sightKeyOf, sightSiteOf, sightTakenBy } from './sightOfStop.js';
export { halfFieldDeg, lightInputFor, lightSiteOf, reachOf, siteOf, type StopSite } from './site.js';
export { chanceAt, chancesByLight, type ChancesByLight } from './chances.js';
export { dayOfWalk, goodFramesAt, type PlannableDay, type StopOfDay, suitableAt, type PlannableWalk } from './dayOfWalk.js';
export { cutBetweenPasses, hoursOfPasses } from './secondPass.js';
export {
  type DayFound,
  dayFound,
  type Misfit,
  misfitFound,
  type OrderFound,
  orderFound,
  type PlannedStay,
  type ProfileFound,
  profileFound,
  staysOfPlan,
  type TimeFound,
} from './dayFindings.js';
export {
  NIGHT_SCHOOLS,
  type NightSchool,
  nightSchools,
  type Overtaking,
  type SchoolByLight,
  schoolsOfNight,
  type SchoolsOfNight,
} from './nightSchools.js';
