import { checkFinite, checkOptions, checkPositive } from '../units/index.js';

/**
 * Slowest shutter by the shake rule, seconds:
 * min(longestS, ruleFactor/(f·crop) · 2^(stabiliserStops + steadinessStops)).
 * Source: the working rule 1/f and its variants, docs/formulas.md#shake.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function shakeShutterLimitS(options: {
  readonly focalLengthMm: number;
  readonly cropFactor: number;
  readonly ruleFactor?: number;
  readonly stabiliserStops?: number;
  readonly steadinessStops?: number;
  readonly longestS?: number;
}): number {
  checkOptions('options', options);
  const { focalLengthMm, cropFactor, ruleFactor = 1, stabiliserStops = 0, steadinessStops = 0, longestS } = options;
  checkPositive('focalLengthMm', focalLengthMm);
  checkPositive('cropFactor', cropFactor);
  checkPositive('ruleFactor', ruleFactor);
  checkFinite('stabiliserStops', stabiliserStops);
  checkFinite('steadinessStops', steadinessStops);
  if (longestS !== undefined) checkPositive('longestS', longestS);

  const steadyS = 2 ** (Math.log2(ruleFactor / focalLengthMm / cropFactor) + stabiliserStops + steadinessStops);
  return Math.min(longestS ?? Infinity, steadyS);
}

/**
 * Chance that one handheld frame is free of shake:
 * 1/(1 + exp((log2(t/limit) − s·ln 4)/s)): 80 % at the limit, more when faster. `spreadStops` is s.
 * Source: docs/formulas.md#shake-curve.
 */
export function shakeSharpProbability({
  shutterS,
  limitS,
  spreadStops = 0.5,
}: {
  readonly shutterS: number;
  readonly limitS: number;
  readonly spreadStops?: number;
}): number {
  if (limitS === Infinity) return 1;
  return 1 / (1 + Math.exp((Math.log2(shutterS / limitS) - spreadStops * Math.log(4)) / spreadStops));
}

/**
 * Chance of at least one in a burst of n: 1 − (1 − P)^m with m = 1 + (n − 1)·independence, because the frames of one
 * press share their hands (0.5: m = (n + 1)/2). Source: docs/formulas.md#burst.
 */
export function burstChance({
  chance,
  frames,
  independence = 0.5,
}: {
  readonly chance: number;
  readonly frames: number;
  readonly independence?: number;
}): number {
  return frames === 1 ? chance : 1 - (1 - chance) ** (1 + (frames - 1) * independence);
}
