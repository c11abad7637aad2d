export { ceilingByPatches } from './ceiling.js';
export { type NoiseCurve, noiseCurve } from './noiseCurve.js';
export { type PatchProblem, type PatchReading, problemOfPatch, readPatch } from './patch.js';
