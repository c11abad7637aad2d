/** What tests, the demo, a rehearsal and the server pretend; no room of the core knows of it. */
export { type Fault, faultyShot, type FaultyShot } from './camera/faultyShot.js';
export { type HandsPath, type StandInPicture, type StandInShot, takeStandIn } from './camera/standInCamera.js';
export { simulatedCloud } from './cloud.js';
export { type HandReading, handReadingAt, READS_EVERY_MS } from './meter.js';
export { simulatedPicture } from './walkersPicture.js';
