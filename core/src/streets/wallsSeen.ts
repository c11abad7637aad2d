import type { Prism } from '../light/index.js';
import { castRay } from './castRay.js';
import {
  type BearingMask,
  HORIZON_BEARINGS,
  type Horizons,
  horizonSteps,
  isOpen,
  skyDirection,
  type SpotPoint,
} from './horizon.js';

const RAD = Math.PI / 180;
const RINGS = 6;
const SPOKES = 24;

/** A wall met by a look, with the bearing that it faces and a number for its horizon. */
export interface WallPoint {
  readonly normalDeg: number;
  readonly face: string;
}

/** Walls seen from a spot in 144 directions of equal light (6 rings x 24 bearings), each with its own horizon. */
export interface WallsSeen {
  readonly walls: readonly WallPoint[];
  readonly horizons: Horizons;
  /** Directions that meet something instead of sky, undersides included. */
  readonly metCount: number;
}

/** sin² of the ring's height is its share of what a level plate gets from an even sky. */
const ringDeg = (ring: number): number => Math.asin(Math.sqrt((ring + 0.5) / RINGS)) / RAD;

/** The bearings from which the sun reaches a wall at all: in front of it. */
export function maskBefore(normalDeg: number, mask: BearingMask): BearingMask {
  return mask.map((matters, bearing) =>
    matters === 1 && Math.cos(((bearing * 360) / HORIZON_BEARINGS - normalDeg) * RAD) > -0.01 ? 1 : 0,
  );
}

/** Horizons of wall points, each looked for only in front of its wall. */
export function* wallHorizonSteps(
  points: readonly { readonly point: SpotPoint; readonly normalDeg: number | null }[],
  prisms: readonly Prism[],
  mask: BearingMask,
): Generator<number, Horizons> {
  const groundTenths = new Uint16Array(points.length * HORIZON_BEARINGS);
  const hung: (Int16Array | null)[] = [];
  for (let k = 0; k < points.length; k++) {
    const { point, normalDeg } = points[k] as { point: SpotPoint; normalDeg: number | null };
    const own = normalDeg === null ? mask : maskBefore(normalDeg, mask);
    const one = yield* horizonSteps([point], prisms, own);
    groundTenths.set(one.groundTenths, k * HORIZON_BEARINGS);
    hung.push(one.hung[0] ?? null);
    if (k % 16 === 15) yield k / points.length;
  }
  return { groundTenths, hung };
}

export function* wallsSeenSteps(
  from: SpotPoint,
  groundM: number,
  prisms: readonly Prism[],
  mask: BearingMask,
): Generator<number, WallsSeen> {
  const found: { point: SpotPoint; normalDeg: number; face: string }[] = [];
  let metCount = 0;
  for (let ring = 0; ring < RINGS; ring++) {
    for (let spoke = 0; spoke < SPOKES; spoke++) {
      const bearingDeg = ((spoke + 0.5) * 360) / SPOKES;
      const hit = castRay({ from, bearingDeg, elevationDeg: ringDeg(ring), groundM, prisms });
      if (hit.kind === 'sky') continue;
      metCount++;
      if (hit.kind === 'wall') found.push(hit);
    }
    yield ring / RINGS / 2;
  }
  const horizons = yield* wallHorizonSteps(found, prisms, mask);
  return { walls: found.map(({ normalDeg, face }) => ({ normalDeg, face })), horizons, metCount };
}

/** ℓ and w of the sky model at one place of the sun. */
export function lightOnWalls(
  { walls, horizons, metCount }: WallsSeen,
  sun: { readonly azimuthDeg: number; readonly altitudeDeg: number },
): { readonly litShare: number; readonly wallIncidence: number } {
  if (metCount === 0) return { litShare: 0, wallIncidence: 0 };
  const direction = skyDirection(sun);
  const cosAltitude = Math.cos(sun.altitudeDeg * RAD);
  let [lit, incidence] = [0, 0];
  for (let k = 0; k < walls.length; k++) {
    const { normalDeg } = walls[k] as WallPoint;
    const cosine = cosAltitude * Math.cos((sun.azimuthDeg - normalDeg) * RAD);
    if (cosine <= 0 || !isOpen(horizons, k, direction)) continue;
    lit++;
    incidence += cosine;
  }
  return { litShare: lit / metCount, wallIncidence: incidence / metCount };
}
