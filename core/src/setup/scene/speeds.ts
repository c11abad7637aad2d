import { RAD_PER_DEG } from '../../units/index.js';
import type { Movers } from '../../stop/index.js';
import { normalBelowFast } from './normalTable.js';

/** Speed of whoever is shot: normal, and below 0 is standing. */
export interface SpeedLaw {
  readonly meanMps: number;
  readonly spreadMps: number;
}

const POINT_MPS = 1e-6;

export function speedLaw({ speedMps, speedSpreadMps }: Movers): SpeedLaw {
  return { meanMps: speedMps, spreadMps: Math.max(speedSpreadMps, POINT_MPS) };
}

/** Share of them no faster than a speed; nobody is slower than standing. */
export function slowerThan({ meanMps, spreadMps }: SpeedLaw, speedMps: number): number {
  return speedMps < 0 ? 0 : normalBelowFast((speedMps - meanMps) / spreadMps);
}

/** Share of them below a speed that must be reached: standing reaches none. */
export function belowWanted({ meanMps, spreadMps }: SpeedLaw, speedMps: number): number {
  return speedMps <= 0 ? 0 : normalBelowFast((speedMps - meanMps) / spreadMps);
}

export interface AngleNodes {
  readonly radians: Float64Array;
  readonly weights: Float64Array;
}

/** Gauss–Legendre on −1..1, eight nodes: Abramowitz & Stegun, table 25.4. */
const GAUSS_NODES = [0.1834346424956498, 0.525532409916329, 0.7966664774136267, 0.9602898564975363];
const GAUSS_WEIGHTS = [0.362683783378362, 0.3137066458778873, 0.2223810344533745, 0.1012285362903763];

/** A narrow law of speed makes steps of its curve, which many equal nodes follow better than eight well-placed ones. */
const NARROW = 0.15;
const MANY_NODES = 48;
/** A wider sector than this either way is integrated in two halves. */
const WIDE_DEG = 45;

function gauss(fromDeg: number, toDeg: number, share: number): { deg: number; weight: number }[] {
  const [middle, half] = [(fromDeg + toDeg) / 2, (toDeg - fromDeg) / 2];
  return GAUSS_NODES.flatMap((node, k) => {
    const weight = ((GAUSS_WEIGHTS[k] as number) / 2) * share;
    return [
      { deg: middle - half * node, weight },
      { deg: middle + half * node, weight },
    ];
  });
}

/** The directions of travel, even over their sector, as nodes and weights that sum to 1. */
export function angleNodes({ travelAngleDeg, travelSpreadDeg, speedMps, speedSpreadMps }: Movers): AngleNodes {
  const [from, to] = [travelAngleDeg - travelSpreadDeg, travelAngleDeg + travelSpreadDeg];
  const isNarrow = speedSpreadMps < NARROW * speedMps;
  const nodes =
    travelSpreadDeg === 0
      ? [{ deg: travelAngleDeg, weight: 1 }]
      : isNarrow
        ? Array.from({ length: MANY_NODES }, (_, k) => ({
            deg: from + ((k + 0.5) / MANY_NODES) * (to - from),
            weight: 1 / MANY_NODES,
          }))
        : travelSpreadDeg <= WIDE_DEG
          ? gauss(from, to, 1)
          : [...gauss(from, travelAngleDeg, 0.5), ...gauss(travelAngleDeg, to, 0.5)];
  return {
    radians: Float64Array.from(nodes, ({ deg }) => deg * RAD_PER_DEG),
    weights: Float64Array.from(nodes, ({ weight }) => weight),
  };
}
