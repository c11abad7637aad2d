/** The frames of a walk in open formats: an entry of its own, because it is only needed when a file is asked for. */
export { type FrameLine, readFramesCsv, type ReadFrameLines, withLines } from './readFramesCsv.js';
export { type FramesTable, writeFramesCsv } from './writeFramesCsv.js';
export { writeFramesGeoJson } from './writeFramesGeoJson.js';
export { sidecarNames, type SidecarFacts, writeXmp } from './writeXmp.js';
