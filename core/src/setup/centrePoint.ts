import { type Crowd, type DepthAndMotion, HALF_EXTENT_M } from './crowd.js';
import { scoreOf } from './distances.js';
import { normalBelowFast } from './normalTable.js';
import { log2TimeOf, type TimeGrid } from './timeGrid.js';

/** How the centre point is used: locked at u, turned by an angle, and late. */
export interface CentrePoint {
  readonly offsetDeg: number;
  readonly delayS: number;
}

const SPEED_NODES = 25;
const SPEED_REACH = 3.5;
const RAD = Math.PI / 180;

interface Way {
  readonly speedMps: number;
  readonly radians: number;
  readonly weight: number;
}

/** Every speed (standing for those below 0) with every direction, weights summing to 1. */
function ways({ speeds, angles }: Crowd): readonly Way[] {
  const scores = Array.from({ length: SPEED_NODES }, (_, k) => ((2 * k) / (SPEED_NODES - 1) - 1) * SPEED_REACH);
  const weights = scores.map((score) => Math.exp(-(score ** 2) / 2));
  const sum = weights.reduce((a, b) => a + b);
  return scores.flatMap((score, k) =>
    Array.from(angles.radians, (radians, j) => ({
      speedMps: Math.max(0, speeds.meanMps + score * speeds.spreadMps),
      radians,
      weight: ((weights[k] as number) / sum) * (angles.weights[j] as number),
    })),
  );
}

/** Roots of a·u² + b·u + c, ascending; none where it has none. */
function roots(a: number, b: number, c: number): readonly number[] {
  const squared = b * b - 4 * a * c;
  if (squared <= 0) return [];
  const root = Math.sqrt(squared);
  return [(-b - root) / (2 * a), (-b + root) / (2 * a)];
}

/**
 * The lock distances u at which a subject is sharp after recomposing and moving on: with x = u·cos φ − d, d = v·cos θ·τ,
 * near(u) ≤ x ≤ far(u) where near, far = u/(1 ± κ(u − f)), κ = N·c/f². Both ends are quadratics in u, so that the answer
 * is a few intervals between their roots.
 */
export function lockIntervalsM(zone: {
  readonly perM: number;
  readonly focalM: number;
  readonly cosOffset: number;
  readonly shiftM: number;
}): readonly (readonly [number, number])[] {
  const { perM, focalM, cosOffset, shiftM } = zone;
  const isSharp = (u: number): boolean => {
    const x = u * cosOffset - shiftM;
    const k = perM * (u - focalM);
    return x > 0 && x * (1 + k) >= u && x * (1 - k) <= u;
  };
  const a = cosOffset * perM;
  const ends = [
    ...roots(a, cosOffset * (1 - perM * focalM) - shiftM * perM - 1, -shiftM * (1 - perM * focalM)),
    ...roots(a, 1 - cosOffset * (1 + perM * focalM) - shiftM * perM, shiftM * (1 + perM * focalM)),
    shiftM / cosOffset,
  ].filter((u) => u > focalM);
  const edges = [focalM, ...ends.sort((p, q) => p - q), Infinity];
  return edges.slice(1).flatMap((to, k) => {
    const from = edges[k] as number;
    const middle = to === Infinity ? from * 2 + 1 : (from + to) / 2;
    return to > from && isSharp(middle) ? [[from, to] as const] : [];
  });
}

/** The distance beyond which a walker's smear stays under a limit: image speed x time = limit, solved for u. */
export function smearDistanceM(
  focalLengthMm: number,
  { speedMps, radians }: Omit<Way, 'weight'>,
  limitMm: number,
  shutterS: number,
): number {
  const drawn = focalLengthMm * speedMps * shutterS;
  if (drawn === 0) return 0;
  const perM = limitMm / drawn;
  const [across, along] = [Math.sin(radians) ** 2, (HALF_EXTENT_M * Math.cos(radians)) ** 2];
  const focalM = focalLengthMm / 1000;
  const first = Math.sqrt((across + Math.sqrt(across ** 2 + 4 * perM ** 2 * along)) / 2) / perM;
  const second = Math.sqrt(across + along / (first + focalM) ** 2) / perM;
  return focalM + Math.sqrt(first * second);
}

/**
 * The table for the centre point, where the sharp zone goes with the distance locked at: for every speed and direction
 * the distances that are sharp and smeared as is wanted are intervals, whose shares the law of distances gives at once.
 * One zone an aperture; `allowancesMm` is the geometric blur that each aperture may have (null: diffraction exceeds c).
 */
export function centrePointTable(
  crowd: Crowd,
  { offsetDeg, delayS }: CentrePoint,
  apertures: readonly { readonly fNumber: number; readonly allowanceMm: number | null }[],
  grid: TimeGrid,
): DepthAndMotion {
  const { distances, focalLengthMm, smear } = crowd;
  const cosOffset = Math.cos(offsetDeg * RAD);
  const shareBelow = (distanceM: number): number => normalBelowFast(scoreOf(distances, distanceM));
  const joint = new Float64Array(apertures.length * grid.count);
  const depth = new Float64Array(apertures.length);
  const motion = new Float64Array(grid.count);
  const [from, to] = [new Float64Array(grid.count), new Float64Array(grid.count)];

  for (const way of ways(crowd)) {
    const flat = smear.kind === 'panned' ? { ...way, radians: (Math.sign(Math.sin(way.radians)) * Math.PI) / 2 } : way;
    const speedMps = smear.kind === 'panned' ? way.speedMps * Math.abs(Math.sin(way.radians)) : way.speedMps;
    for (let time = 0; time < grid.count; time++) {
      const shutterS = 2 ** log2TimeOf(grid, time);
      const edge = (limitMm: number): number => shareBelow(smearDistanceM(focalLengthMm, { ...flat, speedMps }, limitMm, shutterS));
      from[time] = smear.kind === 'nothingMoves' ? 0 : edge(smear.toMm);
      to[time] = smear.kind === 'nothingMoves' || smear.fromMm === 0 ? 1 : edge(smear.fromMm);
      motion[time] = (motion[time] as number) + way.weight * Math.max(0, (to[time] as number) - (from[time] as number));
    }
    const shiftM = way.speedMps * Math.cos(way.radians) * delayS;
    apertures.forEach(({ fNumber, allowanceMm }, zone) => {
      if (allowanceMm === null) return;
      const perM = (1000 * fNumber * allowanceMm) / focalLengthMm ** 2;
      for (const [nearest, farthest] of lockIntervalsM({ perM, focalM: focalLengthMm / 1000, cosOffset, shiftM })) {
        const [low, high] = [shareBelow(nearest), shareBelow(farthest)];
        depth[zone] = (depth[zone] as number) + way.weight * (high - low);
        // The longer the time, the farther away all smear too much: past the far end nobody is left.
        for (let time = 0; time < grid.count && (from[time] as number) < high; time++) {
          const share = Math.min(high, to[time] as number) - Math.max(low, from[time] as number);
          if (share > 0) joint[zone * grid.count + time] = (joint[zone * grid.count + time] as number) + way.weight * share;
        }
      }
    });
  }
  return { grid, joint, depth, motion };
}
