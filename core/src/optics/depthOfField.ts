import { checkBeyondFocalLength, checkOptions, checkPositive, rangeError } from '../units/index.js';

export interface LensSetting {
  readonly focalLengthMm: number;
  readonly fNumber: number;
  readonly circleOfConfusionMm: number;
}

export interface DepthOfField {
  /** Nearest distance whose blur disc is no larger than the circle of confusion, metres. */
  readonly nearM: number;
  /** Farthest such distance, metres; `Infinity` from the hyperfocal distance on. */
  readonly farM: number;
  readonly hyperfocalM: number;
}

/** c must be smaller than the aperture's own diameter f/N, or everything in the world is "sharp". */
function checkLensSetting({ focalLengthMm, fNumber, circleOfConfusionMm }: LensSetting): void {
  checkPositive('focalLengthMm', focalLengthMm);
  checkPositive('fNumber', fNumber);
  checkPositive('circleOfConfusionMm', circleOfConfusionMm);
  const apertureMm = focalLengthMm / fNumber;
  if (circleOfConfusionMm >= apertureMm) {
    throw rangeError('circleOfConfusionMm', `smaller than focalLengthMm / fNumber (${apertureMm} mm)`, circleOfConfusionMm);
  }
}

/** f²/(N·c) in metres: the near limit of a lens focused at infinity. */
function infinityReachM({ focalLengthMm, fNumber, circleOfConfusionMm }: LensSetting): number {
  return ((focalLengthMm / fNumber / circleOfConfusionMm) * focalLengthMm) / 1000;
}

/**
 * Hyperfocal distance H = f²/(N·c) + f, in metres from the front principal plane.
 * Source: thin lens, derived in docs/formulas.md#hyperfocal.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 * @example hyperfocalDistance({ focalLengthMm: 28, fNumber: 8, circleOfConfusionMm: 0.0288 }) // 3.4308 m
 */
export function hyperfocalDistance(setting: LensSetting): number {
  checkOptions('options', setting);
  checkLensSetting(setting);
  return infinityReachM(setting) + setting.focalLengthMm / 1000;
}

/**
 * The two distances at which the blur disc on the sensor is exactly c:
 * near = u / (1 + k), far = u / (1 − k) with k = c·N·(u − f)/f². From u = H on, far is `Infinity`;
 * focused at infinity, near is f²/(c·N) = H − f.
 * Source: thin lens, derived in docs/formulas.md#depth-of-field.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 * @example depthOfField({ focalLengthMm: 28, fNumber: 8, circleOfConfusionMm: 0.0288, focusDistanceM: 3 }) // 1.601 to 23.70 m
 */
export function depthOfField(setting: LensSetting & { readonly focusDistanceM: number }): DepthOfField {
  checkOptions('options', setting);
  checkLensSetting(setting);
  const { focalLengthMm, focusDistanceM } = setting;
  checkBeyondFocalLength('focusDistanceM', focusDistanceM, focalLengthMm, { orInfinity: true });

  const focalM = focalLengthMm / 1000;
  const reachM = infinityReachM(setting);
  const hyperfocalM = reachM + focalM;
  if (focusDistanceM === Infinity) return { nearM: reachM, farM: Infinity, hyperfocalM };

  const k = (focusDistanceM - focalM) / reachM;
  return {
    nearM: focusDistanceM / (1 + k),
    farM: focusDistanceM >= hyperfocalM || k >= 1 ? Infinity : focusDistanceM / (1 - k),
    hyperfocalM,
  };
}
