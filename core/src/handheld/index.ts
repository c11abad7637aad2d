export { motionShutterLimitS } from './motion.js';
export { shakeSharpProbability, shakeShutterLimitS } from './shake.js';
