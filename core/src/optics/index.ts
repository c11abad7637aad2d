export { airyDiscMm, blurDiscMm } from './blurDiscs.js';
export { type DepthOfField, depthOfField, hyperfocalDistance, type LensSetting } from './depthOfField.js';
export { cropFactor, fieldAtDistance, type FieldOfView } from './field.js';
export { focusForZone, type ZoneFocus } from './focusForZone.js';
export {
  circleOfConfusionMm,
  diffractionBlurMm,
  diffractionLimitFNumber,
  geometricAllowanceMm,
  type SensorSize,
  type SharpnessStandard,
  sharpZone,
} from './sharpness.js';
export { inZoneProbability, logNormalBetween, normalBetween } from './zoneProbability.js';
