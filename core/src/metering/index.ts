export { compensationFor, type Placement, placementOf } from './placement.js';
export { flashAtEv, flashEv, fNumberForBoth, frameEv, incidentEv, MEAN_REFLECTANCE, reflectedOverIncidentEv } from './reading.js';
export { digitalMedium, FILM_HOLDS, filmMedium, isNegative, type Medium, type MediumKind, SLOPES } from './medium.js';
export { type FallsAt, type KeyOfReadings, keyOf, type KeyPlacement, placeKey, type Room } from './keyPlacement.js';
export { type Bracket, bracketFor, type Dialled, dialled } from './dial.js';
export { MID_GREY, toneOf } from './curve.js';
export {
  crossingTrailMm,
  type Crowd,
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
  type Vanishing,
  walkersVanish,
  WATER_LOOKS,
  WATER_MEMORY_S,
  type Water,
} from './night.js';
export { type FrameTyped, readFrame, type ReadTyped, readTyped } from './typedReading.js';
export { isoFor } from './isoFor.js';
