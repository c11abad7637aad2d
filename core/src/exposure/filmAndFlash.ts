import { checkAtLeast, checkOptions, checkPositive, rangeError } from '../units/index.js';

/**
 * Exposure corrected for a film's reciprocity failure, seconds: t up to the threshold (1 s by default),
 * threshold·(t/threshold)^exponent past it. Source: docs/formulas.md#reciprocity.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function reciprocityCorrectedS(options: {
  readonly meteredS: number;
  readonly exponent: number;
  readonly thresholdS?: number;
}): number {
  checkOptions('options', options);
  const { meteredS, exponent, thresholdS = 1 } = options;
  checkPositive('meteredS', meteredS);
  checkAtLeast('exponent', exponent, 1);
  checkPositive('thresholdS', thresholdS);
  return meteredS <= thresholdS ? meteredS : thresholdS * (meteredS / thresholdS) ** exponent;
}

/**
 * The metered time that an exposure of a film comes to, seconds: the inverse of `reciprocityCorrectedS`.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function reciprocityMeteredS(options: {
  readonly exposedS: number;
  readonly exponent: number;
  readonly thresholdS?: number;
}): number {
  checkOptions('options', options);
  const { exposedS, exponent, thresholdS = 1 } = options;
  checkPositive('exposedS', exposedS);
  checkAtLeast('exponent', exponent, 1);
  checkPositive('thresholdS', thresholdS);
  return exposedS <= thresholdS ? exposedS : thresholdS * (exposedS / thresholdS) ** (1 / exponent);
}

/**
 * How far a flash reaches, metres: GN·√(iso/100)·√power / N, guide number in metres at ISO 100; power 1 by default.
 * Source: definition of the guide number, docs/formulas.md#flash.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function flashReachM(options: {
  readonly guideNumberM: number;
  readonly iso: number;
  readonly fNumber: number;
  readonly powerFraction?: number;
}): number {
  checkOptions('options', options);
  const { guideNumberM, iso, fNumber, powerFraction = 1 } = options;
  checkPositive('guideNumberM', guideNumberM);
  checkPositive('iso', iso);
  checkPositive('fNumber', fNumber);
  checkPositive('powerFraction', powerFraction);
  if (powerFraction > 1) throw rangeError('powerFraction', 'greater than 0 and at most 1', powerFraction);
  return (guideNumberM * Math.sqrt(iso / 100) * Math.sqrt(powerFraction)) / fNumber;
}
