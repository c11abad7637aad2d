/** Maps and forecasts: an entry of their own, because their parsers are only needed when a file is read. */
export { DEFAULT_DISTRICT_OPTIONS, type DistrictFound, type DistrictOptions, type DistrictReport } from './districtFeatures.js';
export { LEFT_OUT_REASONS, type LeftOut, type LeftOutReason } from './leftOut.js';
export { type ReadDistrict, readDistrictSteps, type ReadingProgress } from './readDistrict.js';
export { readForecast, type ReadForecast } from './readForecast.js';
export { writeDistrict } from './writeDistrict.js';
