import { checkBeyondFocalLength, checkOptions, checkPositive, checkPositiveOrInfinity } from '../units/index.js';

/**
 * Diameter in mm on the sensor of the geometric blur disc of a point at objectDistanceM:
 * b = f²·|u − d| / (N·d·(u − f)), in the limit where u or d (or both: 0) is `Infinity`.
 * Source: thin lens, docs/formulas.md#blur-disc.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function blurDiscMm(options: {
  readonly focalLengthMm: number;
  readonly fNumber: number;
  readonly focusDistanceM: number;
  readonly objectDistanceM: number;
}): number {
  checkOptions('options', options);
  const { focalLengthMm, fNumber, focusDistanceM, objectDistanceM } = options;
  checkPositive('focalLengthMm', focalLengthMm);
  checkPositive('fNumber', fNumber);
  checkBeyondFocalLength('focusDistanceM', focusDistanceM, focalLengthMm, { orInfinity: true });
  checkPositiveOrInfinity('objectDistanceM', objectDistanceM);

  if (focusDistanceM === objectDistanceM) return 0;
  const apertureMm = focalLengthMm / fNumber;
  const focalM = focalLengthMm / 1000;
  if (focusDistanceM === Infinity) return (apertureMm * focalM) / objectDistanceM;
  const beyondFocalM = focusDistanceM - focalM;
  if (objectDistanceM === Infinity) return (apertureMm * focalM) / beyondFocalM;
  // |u − d|/(d·(u − f)), taken apart so that neither quotient can overflow.
  if (objectDistanceM > focusDistanceM) return (apertureMm * focalM * (1 - focusDistanceM / objectDistanceM)) / beyondFocalM;
  return (apertureMm * focalM * ((focusDistanceM - objectDistanceM) / beyondFocalM)) / objectDistanceM;
}

/**
 * Diameter in mm of the Airy disc to its first dark ring: 2.44·λ·N; λ is 550 nm by default.
 * Source: first zero of J1 at 1.2197π, docs/formulas.md#airy-disc.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 * @example airyDiscMm({ fNumber: 8 }) // 0.010736 mm
 */
export function airyDiscMm(options: { readonly fNumber: number; readonly wavelengthNm?: number }): number {
  checkOptions('options', options);
  const { fNumber, wavelengthNm = 550 } = options;
  checkPositive('fNumber', fNumber);
  checkPositive('wavelengthNm', wavelengthNm);
  return 2.44 * wavelengthNm * 1e-6 * fNumber;
}
