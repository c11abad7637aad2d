import { checkAtLeast, checkBeyondFocalLength, checkFinite, checkOptions, checkPositive } from '../units/index.js';

/** Folds any travel angle into 0 (straight at or away from the camera) .. 90 (straight across). */
function foldTravelAngleDeg(angleDeg: number): number {
  const half = Math.abs(angleDeg) % 180;
  return half > 90 ? 180 - half : half;
}

/**
 * The exposure in which a walker's image smears by blurLimitMm, seconds, to first order:
 * across a = f·v·sin θ/(u − f); growth at the upper and lower edge g = f·h·v·cos θ/((u − f)·u);
 * limit = blurLimitMm/√(a² + g²), `Infinity` for a subject that stands still.
 * travelAngleDeg: 0 straight at the camera, 90 straight across. halfExtentM: half the subject's height, 0.9 m.
 * Source: docs/formulas.md#motion.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function motionShutterLimitS(options: {
  readonly focalLengthMm: number;
  readonly subjectDistanceM: number;
  readonly speedMps: number;
  readonly travelAngleDeg: number;
  readonly blurLimitMm: number;
  readonly halfExtentM?: number;
}): number {
  checkOptions('options', options);
  const { focalLengthMm, subjectDistanceM, speedMps, travelAngleDeg, blurLimitMm, halfExtentM = 0.9 } = options;
  checkPositive('focalLengthMm', focalLengthMm);
  checkBeyondFocalLength('subjectDistanceM', subjectDistanceM, focalLengthMm);
  checkAtLeast('speedMps', speedMps, 0);
  checkFinite('travelAngleDeg', travelAngleDeg);
  checkPositive('blurLimitMm', blurLimitMm);
  checkPositive('halfExtentM', halfExtentM);

  const angle = (foldTravelAngleDeg(travelAngleDeg) * Math.PI) / 180;
  const imageSpeed = focalLengthMm * (speedMps / (subjectDistanceM - focalLengthMm / 1000));
  if (imageSpeed === 0) return Infinity;
  const perImageSpeed = Math.hypot(Math.sin(angle), (halfExtentM / subjectDistanceM) * Math.cos(angle));
  const smearSpeed = imageSpeed * perImageSpeed;
  return smearSpeed === 0 ? Infinity : blurLimitMm / smearSpeed;
}
