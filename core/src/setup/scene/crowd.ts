import type { AngleNodes, SpeedLaw } from './speeds.js';
import type { DistanceLaw } from './distances.js';
import type { SmearRule } from './smear.js';
import type { TimeGrid } from './timeGrid.js';

/**
 * The chance that whoever is shot is both within the sharp zone and smeared no more, or as much, as is wanted: integrated
 * together over distance, speed and direction, because the near ones smear more. Independent of the light.
 */
export interface DepthAndMotion {
  readonly grid: TimeGrid;
  /** By zone x time: `zone * grid.count + time`. */
  readonly joint: Float64Array;
  /** By zone: the chance to be within it, whatever the time. */
  readonly depth: Float64Array;
  /** By time: the chance to be smeared as is wanted, whatever the distance. */
  readonly motion: Float64Array;
}

export interface Crowd {
  readonly distances: DistanceLaw;
  readonly speeds: SpeedLaw;
  readonly angles: AngleNodes;
  readonly smear: SmearRule;
  readonly focalLengthMm: number;
}

/** Half of a standing person's height, metres: how fast its image grows. */
export const HALF_EXTENT_M = 0.9;
/** Nearer than this nobody can be photographed. */
const NEAREST_M = 0.05;

/** Image speed, mm/s for each m/s, of a walker at a distance and direction: docs/formulas.md#motion. */
export function imageSpeedPer({ focalLengthMm, smear }: Crowd, distanceM: number, radians: number): number {
  const scale = focalLengthMm / Math.max(NEAREST_M, distanceM - focalLengthMm / 1000);
  const across = Math.sin(radians);
  if (smear.kind === 'panned') return scale * Math.abs(across);
  return scale * Math.hypot(across, (HALF_EXTENT_M / Math.max(NEAREST_M, distanceM)) * Math.cos(radians));
}
