export { bandsAcross, dutyRipple, periodsSpanned, rippleAfter, unevennessEv } from './flicker.js';
export { fitSteadiness, type HandTest, type SteadinessFit } from './fitSteadiness.js';
export { motionShutterLimitS } from './motion.js';
export { burstChance, shakeSharpProbability, shakeShutterLimitS } from './shake.js';
