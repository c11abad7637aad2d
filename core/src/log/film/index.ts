export {
  type ExposedAt,
  exposedAt,
  type ExposedWith,
  exposedByCard,
  frameCounter,
  loadedRoll,
  MOST_ROLL_FRAMES,
  ROLL_PUSHES,
  rollFrame,
  rollIn,
} from './rolls.js';
export { framesOfRoll, framesToScan, inCountedOrder, isScan, shiftedScans } from './scans.js';
