export {
  type AutoExposure,
  autoExposure,
  type AutoExposureMode,
  type AutoExposureOptions,
  type CeilingBehaviour,
  type ExposureBody,
  type ExposureLimit,
} from './autoExposure.js';
export { type ExposureTolerance, exposureWorth } from './exposureTolerance.js';
export { exposureValue100 } from './exposureValue.js';
export { flashReachM, reciprocityCorrectedS, reciprocityMeteredS } from './filmAndFlash.js';
