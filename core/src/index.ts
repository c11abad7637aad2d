/** What scripts may rely on: the functions of docs/core.md keep their names, parameters, units and results. Each room has a door of its own. */
export { formatEntry, markedBetween, marksOf, parseEntry, snapToMark } from './units/index.js';
export {
  airyDiscMm,
  barrelTape,
  blurDiscMm,
  cameraHeightForLevelM,
  cropFactor,
  depthOfField,
  edgeLeanDeg,
  fieldAtDistance,
  focusForZone,
  heightRatio,
  hyperfocalDistance,
  levelFacade,
  personHeightShare,
  presetZones,
  sharpZone,
  standForRatioM,
  standWhereTopsMeetM,
  tiltForFacade,
} from './optics/index.js';
export { burstChance, fitSteadiness, motionShutterLimitS, rippleAfter, shakeShutterLimitS } from './handheld/index.js';
export { autoExposure, exposureValue100, flashReachM, reciprocityCorrectedS } from './exposure/index.js';
export {
  isSunlit,
  moonView,
  openSky,
  polariserView,
  shadowScene,
  streetLight,
  sunEvents,
  sunlitWindows,
  sunPosition,
  sunTrack,
} from './light/index.js';
export { sectionBuildings, shadowPolygons, sightAt, siteScene, streetCut, streetShape } from './streets/index.js';
export {
  bestDays,
  sameLightAgain,
  siteLookOf,
  stopDay,
  stopDayIn,
  stopLightOn,
  yearOfQualitySteps,
  yearOfSun,
} from './stop/index.js';
export { frameSeenAt, measureLight, measureView } from './sight/index.js';
export { compareApproaches, dialCard, evaluateSetUp, homeState, lightLadder, searchSetUp, waysOut } from './setup/index.js';
export {
  behindMin,
  commonDay,
  leaveByMin,
  lightAhead,
  minuteToComeBack,
  onCourse,
  placeAlong,
  restOfWalk,
  sameDarkness,
  standingOf,
  waitHere,
} from './outing/index.js';
export { frameFacts, placedFrames, proposeClock, staysOf } from './log/index.js';
export { writeArchive } from './formats/archive/index.js';
export { simulatedCloud } from './stand-ins/index.js';
