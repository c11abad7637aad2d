export { flashAtEv, flashEv, fNumberForBoth, frameEv, incidentEv, MEAN_REFLECTANCE, reflectedOverIncidentEv } from './reading.js';
export {
  digitalMedium,
  type DigitalKind,
  filmMedium,
  isNegative,
  type Medium,
  type MediumKind,
  rollMedium,
  SLOPES,
} from './medium.js';
export { type FallsAt, type KeyOfReadings, keyOf, type KeyPlacement, placeKey, type KeyRoom } from './keyPlacement.js';
export { type PlacedOnBody, placeOnBody } from './placeOnBody.js';
export { type Bracket, bracketFor, type Dialled, dialled } from './dial.js';
export { linearOfCode, MID_GREY, toneOf } from './curve.js';
export { type Photograph, photographMap, UNSAID_EV } from './map/photographMap.js';
export { seeded } from './map/noise.js';
export { FULL_MAP, type LuminanceMap, SMALL_MAP } from './map/luminanceMap.js';
export { type Layer, type SceneDescription, type SceneKey } from './map/scene.js';
export { person, type Shape, type Spot } from './map/shapes.js';
export { paintScene, type PaintOptions } from './map/paintScene.js';
export { prepareMap, type PreparedMap } from './patterns/prepareMap.js';
export {
  focusZones,
  PATTERN_FIGURES,
  type PatternFigures,
  patternEv,
  spotRadius,
  spotShareOf,
  zoneEvs,
  ZONES_ACROSS,
  ZONES_DOWN,
} from './patterns/patterns.js';
export { type KeyOnMap, keyOnMap, keyUnderSpot, spotOn } from './patterns/keyOnMap.js';
export { answerOf, DIAL_RANGE_EV, ENOUGH_OF_SPOT, type PatternAnswer } from './patterns/compensation.js';
export { DAYLIGHT_K, renderMap, type RenderOptions } from './picture/render.js';
export { castOf, chromaticityOf, warmthMired } from './picture/whiteBalance.js';
export { type ToneHistogram, toneHistogram } from './picture/toneHistogram.js';
export { BUILT_IN_SCENES } from './scenes/index.js';
export { keyToneOf } from './scenes/compositions.js';
export { type FrameLight, type FrameOfStop, mapSizeOf } from './scenes/frameOfStop.js';
export { sceneOfStop } from './scenes/ofStop.js';
export { type ExpectedKey, expectedTones } from './scenes/expectedTones.js';
export { meterFrame, type MeteredFrame } from './scenes/meteredFrame.js';
export {
  adviceOnKeeping,
  EXPOSURE_KEPT,
  type ExposureKept,
  type KeptWorth,
  keptWorth,
  type MixedLight,
} from './changing/keepingExposure.js';
export { mixedLightOf } from './changing/mixedLight.js';
export {
  exposedBy,
  type FilmAnswer,
  filmAt,
  filmsFor,
  indicesOf,
  type FilmStop,
  type FilmStopAnswer,
  filmStopAt,
  PUSHES,
} from './filmIndex.js';
export { rangeWaysOut, type RangeQuestion, type RangeWayOut } from './rangeWaysOut.js';
export {
  crossingTrailMm,
  type NightCrowd,
  type FireworkBrightness,
  fireworksPlan,
  type FireworksPlan,
  flashPower,
  gelMired,
  recedingTrailMm,
  rippleLeft,
  scaledFromTest,
  secondsForRipple,
  skyEvFor,
  standerGoneAfterS,
  type TestShot,
  UNSEEN,
  waitForFirstS,
  type Vanishing,
  walkersVanish,
  WATER_LOOKS,
  WATER_MEMORY_S,
  type Water,
} from './night.js';
export { type FrameTyped, readFrame, type ReadTyped, readTyped } from './typedReading.js';
export { isoFor, secondsFor, sideOfSchool } from './isoFor.js';
export { liftShutterS, type LiftQuestion, type LiftWindow, liftWindow, LOWEST_POWER, powerAt } from './flashLift.js';
