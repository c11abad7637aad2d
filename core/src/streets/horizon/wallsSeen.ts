import { RAD_PER_DEG } from '../../units/index.js';
import type { Prism, SunPosition } from '../../light/index.js';
import { castRay } from './castRay.js';
import {
  type BearingMask,
  EVERY_BEARING,
  HORIZON_BEARINGS,
  type Horizons,
  isOpen,
  type SkyDirection,
  type SpotPoint,
  uprightSkyShareOf,
} from './horizon.js';
import { horizonSteps } from './measureHorizon.js';
const RINGS = 6;
const SPOKES = 24;

/** Places on walls and on the ground, each with its horizon and its share of the sky. */
export interface Places {
  readonly horizons: Horizons;
  /** s_w: what an upright plate on the wall gets of the sky, 0..½; 0 for a place on the ground, which has the spot's own. */
  readonly skyShares: Float32Array;
}

/** Walls seen from a spot in 144 directions of equal light (6 rings x 24 bearings). */
export interface WallsSeen {
  /** The bearing that each wall met looks to. */
  readonly normalsDeg: Float32Array;
  readonly places: Places;
  /** Directions that meet something instead of sky, undersides included. */
  readonly metCount: number;
}

/** sin² of the ring's height is its share of what a level plate gets from an even sky. */
const ringDeg = (ring: number): number => Math.asin(Math.sqrt((ring + 0.5) / RINGS)) / RAD_PER_DEG;

/** The bearings that lie in front of a wall: of the others no light reaches it. One mask for all walls that face alike. */
function masksBefore(): (normalDeg: number) => BearingMask {
  const known = new Map<number, BearingMask>();
  return (normalDeg) => {
    const mask =
      known.get(normalDeg) ??
      EVERY_BEARING.map((_, bearing) => (Math.cos(((bearing * 360) / HORIZON_BEARINGS - normalDeg) * RAD_PER_DEG) > -0.01 ? 1 : 0));
    known.set(normalDeg, mask);
    return mask;
  };
}

interface PlaceMet {
  readonly point: SpotPoint;
  /** Null for the ground. */
  readonly normalDeg: number | null;
}

/**
 * Horizons of places: of a wall's, all in front of it, because its light is that of the sky before it as well as of the
 * sun; of the ground's, where the sun ever stands.
 */
export function* placeSteps(met: readonly PlaceMet[], prisms: readonly Prism[], sunMask: BearingMask): Generator<number, Places> {
  const before = masksBefore();
  const maskOf = (k: number): BearingMask => {
    const { normalDeg } = met[k] as PlaceMet;
    return normalDeg === null ? sunMask : before(normalDeg);
  };
  const horizons = yield* horizonSteps(
    met.map(({ point }) => point),
    prisms,
    maskOf,
  );
  const skyShares = Float32Array.from(met, ({ normalDeg }, k) =>
    normalDeg === null ? 0 : uprightSkyShareOf(horizons, k, normalDeg),
  );
  return { horizons, skyShares };
}

export function* wallsSeenSteps(
  from: SpotPoint,
  groundM: number,
  prisms: readonly Prism[],
  sunMask: BearingMask,
): Generator<number, WallsSeen> {
  const walls: { point: SpotPoint; normalDeg: number }[] = [];
  let metCount = 0;
  for (let ring = 0; ring < RINGS; ring++) {
    for (let spoke = 0; spoke < SPOKES; spoke++) {
      const bearingDeg = ((spoke + 0.5) * 360) / SPOKES;
      const hit = castRay({ from, bearingDeg, elevationDeg: ringDeg(ring), groundM, prisms });
      if (hit.kind === 'sky') continue;
      metCount++;
      if (hit.kind === 'wall') walls.push(hit);
    }
    yield ring / RINGS / 2;
  }
  const places = yield* placeSteps(walls, prisms, sunMask);
  return { normalsDeg: Float32Array.from(walls, ({ normalDeg }) => normalDeg), places, metCount };
}

/** Mean share of the sky of all that is met; undersides have none. */
export function meanWallSkyShare({ places, metCount }: WallsSeen): number {
  return metCount === 0 ? 0 : places.skyShares.reduce((sum, share) => sum + share, 0) / metCount;
}

/**
 * Of all that is met, the share that the sun reaches, and the mean of lit x cosine of incidence. `sun` is geometric and
 * tells how strongly, `direction` that of the apparent sun and tells whether.
 */
export function lightOnWalls(
  { normalsDeg, places, metCount }: WallsSeen,
  sun: SunPosition,
  direction: SkyDirection,
): { readonly litShare: number; readonly wallIncidence: number } {
  if (metCount === 0) return { litShare: 0, wallIncidence: 0 };
  const cosAltitude = Math.cos(sun.altitudeDeg * RAD_PER_DEG);
  let [lit, incidence] = [0, 0];
  for (let k = 0; k < normalsDeg.length; k++) {
    const cosine = cosAltitude * Math.cos((sun.azimuthDeg - (normalsDeg[k] as number)) * RAD_PER_DEG);
    if (cosine <= 0 || !isOpen(places.horizons, k, direction)) continue;
    lit++;
    incidence += cosine;
  }
  return { litShare: lit / metCount, wallIncidence: incidence / metCount };
}
