import type { DepthOfField } from './depthOfField.js';
import { depthOfField } from './depthOfField.js';

export type SharpnessStandard =
  | { readonly kind: 'armsLength' }
  | { readonly kind: 'strict' }
  | { readonly kind: 'twoPixels' }
  | { readonly kind: 'own'; readonly circleOfConfusionMm: number };

export interface SensorSize {
  readonly sensorWidthMm: number;
  readonly sensorHeightMm: number;
  /** Pixels along the width. A film body has none: two pixels then fall back to the strict standard. */
  readonly pixelsAcross: number | null;
}

/**
 * Circle of confusion of a sharpness standard, mm: diagonal/1500 (print at arm's length),
 * diagonal/3000 (strict), two pixels (at 100 %), or the person's own.
 * Source: docs/formulas.md#standards.
 */
export function circleOfConfusionMm(standard: SharpnessStandard, sensor: SensorSize): number {
  const diagonalMm = Math.hypot(sensor.sensorWidthMm, sensor.sensorHeightMm);
  switch (standard.kind) {
    case 'armsLength':
      return diagonalMm / 1500;
    case 'strict':
      return diagonalMm / 3000;
    case 'twoPixels':
      return sensor.pixelsAcross === null ? diagonalMm / 3000 : (2 * sensor.sensorWidthMm) / sensor.pixelsAcross;
    case 'own':
      return standard.circleOfConfusionMm;
  }
}

/** Spread of the Airy core taken as a disc: 1.7·λ·N, λ = 550 nm, mm. Source: docs/formulas.md#total-blur. */
export function diffractionBlurMm(fNumber: number): number {
  return 1.7 * 550e-6 * fNumber;
}

/**
 * The largest geometric blur that still leaves the total within c: √(c² − (1.7·λ·N)²), mm;
 * null where diffraction alone exceeds c.
 */
export function geometricAllowanceMm(fNumber: number, circleMm: number): number | null {
  const squared = circleMm ** 2 - diffractionBlurMm(fNumber) ** 2;
  return squared > 0 ? Math.sqrt(squared) : null;
}

/** The f-number at which diffraction alone uses up the whole circle of confusion. */
export function diffractionLimitFNumber(circleMm: number): number {
  return circleMm / diffractionBlurMm(1);
}

/**
 * Depth of field by the total blur (defocus and diffraction in quadrature), the one that card and charts show.
 * Null where diffraction alone exceeds c, so that no distance is sharp.
 */
export function sharpZone(setting: {
  readonly focalLengthMm: number;
  readonly fNumber: number;
  readonly circleOfConfusionMm: number;
  readonly focusDistanceM: number;
}): DepthOfField | null {
  const allowanceMm = geometricAllowanceMm(setting.fNumber, setting.circleOfConfusionMm);
  return allowanceMm === null ? null : depthOfField({ ...setting, circleOfConfusionMm: allowanceMm });
}
