export { bandsAcross, dutyRipple, periodsSpanned, rippleAfter, unevennessEv } from './flicker.js';
export { motionShutterLimitS } from './motion.js';
export { burstChance, shakeSharpProbability, shakeShutterLimitS } from './shake.js';
