import { checkBeyondFocalLength, checkOptions, checkPositive, rangeError } from '../units/index.js';

export interface ZoneFocus {
  readonly focusDistanceM: number;
  /** Exact, unrounded; marks are chosen by `snapToMark`. */
  readonly fNumber: number;
}

/**
 * The one focus and the widest aperture whose depth of field spans nearM..farM:
 * u = 2·n·F/(n + F), N = f²·(F − n)/((F + n)·c·(u − f)), written with q = n/F so that F may be `Infinity`.
 * The inverse of `depthOfField`. Source: docs/formulas.md#focus-for-zone.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 * @example focusForZone({ focalLengthMm: 28, circleOfConfusionMm: 0.0288, nearM: 2.1, farM: 5.4 }) // 3.024 m, f/3.998
 */
export function focusForZone(options: {
  readonly focalLengthMm: number;
  readonly circleOfConfusionMm: number;
  readonly nearM: number;
  readonly farM: number;
}): ZoneFocus {
  checkOptions('options', options);
  const { focalLengthMm, circleOfConfusionMm, nearM, farM } = options;
  checkPositive('focalLengthMm', focalLengthMm);
  checkPositive('circleOfConfusionMm', circleOfConfusionMm);
  checkBeyondFocalLength('nearM', nearM, focalLengthMm);
  checkBeyondFocalLength('farM', farM, focalLengthMm, { orInfinity: true });
  if (farM <= nearM) throw rangeError('farM', `greater than nearM (${nearM})`, farM);

  const q = nearM / farM;
  const focusDistanceM = (2 * nearM) / (1 + q);
  const focalM = focalLengthMm / 1000;
  const spread = (farM === Infinity ? 1 : (farM - nearM) / farM) / (1 + q);
  return {
    focusDistanceM,
    fNumber: (focalLengthMm * spread * (focalM / (focusDistanceM - focalM))) / circleOfConfusionMm,
  };
}
