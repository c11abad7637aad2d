/** The frames of a walk in open formats: an entry of its own, because it is only needed when a file is asked for. */
export { type FramesTable, writeFramesCsv } from './logFiles/writeFramesCsv.js';
