/** The frames of a walk in open formats: an entry of its own, because it is only needed when a file is asked for. */
export { type FrameLine, readFramesCsv, type ReadFrameLines, withLines } from './logFiles/readFramesCsv.js';
export { type FramesTable, writeFramesCsv } from './logFiles/writeFramesCsv.js';
export { writeFramesGeoJson } from './logFiles/writeFramesGeoJson.js';
export { sidecarNames, type SidecarFacts, writeXmp } from './logFiles/writeXmp.js';
