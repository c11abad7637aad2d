import { burstChance, shakeSharpProbability, shakeShutterLimitS } from '../../handheld/index.js';
import { cropFactor } from '../../optics/index.js';
import type { Approach } from '../../stop/index.js';
import { figuresOf, type SetUpInput, shootingOf } from '../question/searchInput.js';

/**
 * Slowest shutter that these hands hold four times of five, seconds: the person's rule, stabiliser and steadiness, with
 * a brace and walking counted in; never over the longest handheld; `Infinity` on a tripod. Source: docs/formulas.md#shake.
 */
export function shakeLimitS(input: SetUpInput, support: Approach['support']): number {
  if (support === 'tripod') return Infinity;
  const { body, lens, focalLengthMm, standard } = input;
  const { braceStops, walkingStops, longestHandheldS } = figuresOf(input);
  const extra = (support === 'braced' ? braceStops : 0) + (shootingOf(input).isWalking ? walkingStops : 0);
  const { shakeRule } = standard;
  if (shakeRule.kind === 'floor') return Math.min(longestHandheldS, shakeRule.floorS * 2 ** extra);
  return shakeShutterLimitS({
    focalLengthMm,
    cropFactor: shakeRule.kind === 'reciprocal' ? 1 : cropFactor(body),
    ruleFactor: shakeRule.kind === 'halfReciprocalCrop' ? 0.5 : 1,
    stabiliserStops: Math.max(body.stabiliserStops, lens.stabiliserStops),
    steadinessStops: standard.steadinessStops + extra,
    longestS: longestHandheldS,
  });
}

/** Chance, by exposure time, that at least one frame of the press is free of shake. */
export function steadyCurve(input: SetUpInput, support: Approach['support']): (shutterS: number) => number {
  const limitS = shakeLimitS(input, support);
  const spreadStops = input.standard.steadinessSpreadStops;
  const { burstFrames: frames } = shootingOf(input);
  const { burstIndependence: independence } = figuresOf(input);
  return (shutterS) => burstChance({ chance: shakeSharpProbability({ shutterS, limitS, spreadStops }), frames, independence });
}
