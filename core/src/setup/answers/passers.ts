import { RAD_PER_DEG } from '../../units/index.js';
import { blurDiscMm, diffractionBlurMm, normalBelow } from '../../optics/index.js';
import { imageSpeedPer } from '../scene/crowd.js';
import { distanceAt } from '../scene/distances.js';
import type { Evaluation } from '../search/evaluation.js';
import type { Scene } from '../scene/scene.js';

/** One of the people who pass, as the ground strip draws them. */
export interface Passer {
  readonly distanceM: number;
  /** Left (−) and right (+) of the middle, as a share of the half width of the ground. */
  readonly across: number;
  /** Diameters on the sensor, mm: what the lens leaves, what the movement leaves, and both. */
  readonly defocusMm: number;
  readonly smearMm: number;
  readonly blurMm: number;
  /** Within the zone, and smeared as is wanted. */
  readonly isGood: boolean;
}

/** Halton's sequence: spread evenly, and the same every time. */
function halton(index: number, base: number): number {
  let [value, share] = [0, 1 / base];
  for (let rest = index; rest > 0; rest = Math.floor(rest / base)) {
    value += (rest % base) * share;
    share /= base;
  }
  return value;
}

/** The standard score under which a share of all lies, by bisection. */
function scoreBelow(share: number): number {
  let [low, high] = [-8, 8];
  for (let k = 0; k < 48; k++) {
    const middle = (low + high) / 2;
    if (normalBelow(middle) < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/**
 * As many people as asked for, drawn from the stop's own laws of distance, speed and direction by an even sequence, each
 * with the blur that the set-up leaves on them. Nothing of the chance is worked out from them: they illustrate it.
 */
export function passersAt({ crowd, input, sharp, controls }: Scene, found: Evaluation, count: number): readonly Passer[] {
  const { smear, speeds, focalLengthMm } = crowd;
  const { fNumber, focusM } = found.hand;
  const zone = sharp[controls.fNumbers.indexOf(fNumber) * controls.focusM.length + controls.focusM.indexOf(focusM)] ?? null;
  const nearestM = (focalLengthMm / 1000) * 1.05;
  const { travelAngleDeg, travelSpreadDeg } = input.movers;
  return Array.from({ length: count }, (_, k) => {
    const index = k + 1;
    const distanceM = Math.max(nearestM, distanceAt(crowd.distances, scoreBelow(halton(index, 2))));
    const speedMps = Math.max(0, speeds.meanMps + speeds.spreadMps * scoreBelow(halton(index, 5)));
    const radians = (travelAngleDeg + travelSpreadDeg * (2 * halton(index, 7) - 1)) * RAD_PER_DEG;
    const defocus = blurDiscMm({ focalLengthMm, fNumber, focusDistanceM: focusM, objectDistanceM: distanceM });
    const defocusMm = Math.hypot(defocus, diffractionBlurMm(fNumber));
    const isStill = smear.kind === 'nothingMoves';
    const smearMm = isStill ? 0 : imageSpeedPer(crowd, distanceM, radians) * speedMps * found.camera.shutterS;
    const isInZone = zone !== null && distanceM >= zone.nearM && distanceM <= zone.farM;
    const isSmearedRight = isStill || (smearMm >= smear.fromMm && smearMm <= smear.toMm);
    return {
      distanceM,
      across: 2 * halton(index, 3) - 1,
      defocusMm,
      smearMm,
      blurMm: Math.hypot(defocusMm, smearMm),
      isGood: isInZone && isSmearedRight,
    };
  });
}
