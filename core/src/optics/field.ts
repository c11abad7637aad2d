import { checkBeyondFocalLength, checkOptions, checkPositive } from '../units/index.js';

export interface FieldOfView {
  /** Size of the field at the distance, with the lens focused there, metres. */
  readonly widthM: number;
  readonly heightM: number;
  /** Angles of view with the lens focused at infinity, degrees. */
  readonly horizontalDeg: number;
  readonly verticalDeg: number;
  readonly diagonalDeg: number;
}

function angleOfViewDeg(sizeMm: number, focalLengthMm: number): number {
  return (2 * Math.atan2(sizeMm / 2, focalLengthMm) * 180) / Math.PI;
}

/**
 * What the frame takes in at a distance: sensor size ÷ magnification f/(u − f).
 * Source: thin lens, docs/formulas.md#field.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function fieldAtDistance(options: {
  readonly focalLengthMm: number;
  readonly sensorWidthMm: number;
  readonly sensorHeightMm: number;
  readonly distanceM: number;
}): FieldOfView {
  checkOptions('options', options);
  const { focalLengthMm, sensorWidthMm, sensorHeightMm, distanceM } = options;
  checkPositive('focalLengthMm', focalLengthMm);
  checkPositive('sensorWidthMm', sensorWidthMm);
  checkPositive('sensorHeightMm', sensorHeightMm);
  checkBeyondFocalLength('distanceM', distanceM, focalLengthMm);

  const metresPerSensorMm = (distanceM - focalLengthMm / 1000) / focalLengthMm;
  return {
    widthM: sensorWidthMm * metresPerSensorMm,
    heightM: sensorHeightMm * metresPerSensorMm,
    horizontalDeg: angleOfViewDeg(sensorWidthMm, focalLengthMm),
    verticalDeg: angleOfViewDeg(sensorHeightMm, focalLengthMm),
    diagonalDeg: angleOfViewDeg(Math.hypot(sensorWidthMm, sensorHeightMm), focalLengthMm),
  };
}

/** Diagonal of 36 x 24 mm over the sensor's own. @throws TypeError, RangeError as in docs/formulas.md#ranges. */
export function cropFactor(options: { readonly sensorWidthMm: number; readonly sensorHeightMm: number }): number {
  checkOptions('options', options);
  const { sensorWidthMm, sensorHeightMm } = options;
  checkPositive('sensorWidthMm', sensorWidthMm);
  checkPositive('sensorHeightMm', sensorHeightMm);
  return Math.hypot(36, 24) / Math.hypot(sensorWidthMm, sensorHeightMm);
}
