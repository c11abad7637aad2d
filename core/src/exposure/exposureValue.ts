import { checkOptions, checkPositive } from '../units/index.js';

/** EV at ISO 100 from log₂ quantities; unchecked, for use inside the core. */
export function exposureValueOf(fNumber: number, shutterS: number, iso: number): number {
  return 2 * Math.log2(fNumber) - Math.log2(shutterS) - Math.log2(iso / 100);
}

/**
 * EV at ISO 100 of a set-up: log2(N²/t) − log2(iso/100).
 * Source: ISO 2720 exposure value, docs/formulas.md#exposure-value.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 * @example exposureValue100({ fNumber: 8, shutterS: 1 / 125, iso: 100 }) // 12.966
 */
export function exposureValue100(options: { readonly fNumber: number; readonly shutterS: number; readonly iso: number }): number {
  checkOptions('options', options);
  const { fNumber, shutterS, iso } = options;
  checkPositive('fNumber', fNumber);
  checkPositive('shutterS', shutterS);
  checkPositive('iso', iso);
  return exposureValueOf(fNumber, shutterS, iso);
}
