export {
  ARTIFICIAL_LIGHT,
  ARTIFICIAL_LIGHTS,
  ARTIFICIAL_SPREAD_EV,
  type ArtificialLight,
  LAMPS_ON_BELOW_DEG,
} from './artificial.js';
export { moonLux } from './moonLight.js';
export { type DayClock, dayClock, dayOfYear, LAST_MINUTE, MINUTES_PER_DAY } from './dayClock.js';
export { dayOfMinute, LAST_WALK_MINUTE, MINUTES_PER_WALK, type WalkClock, walkClock } from './walkClock.js';
export { type CloudByHour, cloudAt } from './forecast.js';
export { checkTimeZone, type DaySpan, localDaySpan } from './localDay.js';
export { type MoonName, moonName, moonView, type MoonView } from './moon.js';
export { angleBetweenDeg, glareAngleDeg, POLARISER_PRICE_EV, polariserView, type PolariserView } from './polariser.js';
export { type Building, isStrictlyInside, type LevelRay, passesThrough, type Prism, readPrism } from './prisms.js';
export { type Boxed, type PrismGrid, prismGrid, walkGrid } from './prismGrid.js';
export { type Refraction } from './refraction.js';
export { isSunlit, type ScenePoint, type ShadowScene, shadowScene } from './shadowScene.js';
export {
  castsShadows,
  DEFAULT_SKY_SETTINGS,
  evOfLux,
  luxOfEv,
  OPEN_GROUND,
  type OpenSky,
  openSky,
  PLACE_WITHOUT_FOOTPRINTS,
  skyLuminanceEv,
  type SkySettings,
  type StreetLight,
  streetLight,
  type Surroundings,
  WALL_OVER_GREY_EV,
  yearlyTerm,
} from './sky.js';
export { type SunEvents, sunEvents } from './sunEvents.js';
export { sunlitWindows, type TimeSpan } from './sunlitWindows.js';
export { cieSky, type SkyLuminance } from './cieSky.js';
export { apparentSun, foldBearingDeg, type Place, type SunPosition, sunPosition } from './sunPosition.js';
export { type SunTrack, sunTrack } from './sunTrack.js';
