export {
  type BarrelTape,
  barrelTape,
  type MeasuredThrow,
  type MissingMeasurement,
  type TapeDepth,
  type TapeDistance,
} from './barrelTape.js';
export { airyDiscMm, blurDiscMm } from './blurDiscs.js';
export { type DepthOfField, depthOfField, hyperfocalDistance, type LensSetting } from './depthOfField.js';
export { cropFactor, fieldAtDistance, type FieldOfView } from './field.js';
export {
  cameraHeightForLevelM,
  distanceForPersonShareM,
  edgeLeanDeg,
  EYE_HEIGHT_M,
  type Frame,
  heightRatio,
  type LevelFacade,
  levelFacade,
  PERSON_HEIGHT_M,
  personHeightShare,
  standForRatioM,
  standWhereTopsMeetM,
  type TiltedFacade,
  tiltForFacade,
  type TwoThings,
} from './framing.js';
export { focusForZone, type ZoneFocus } from './focusForZone.js';
export { type PresetZone, presetZones } from './presetZones.js';
export {
  circleOfConfusionMm,
  diffractionBlurMm,
  diffractionLimitFNumber,
  geometricAllowanceMm,
  type SensorSize,
  type SharpnessStandard,
  sharpZone,
} from './sharpness.js';
export { inZoneProbability, logNormalBetween, normalBelow, normalBetween } from './zoneProbability.js';
