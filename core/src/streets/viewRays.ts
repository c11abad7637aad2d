import type { Prism } from '../light/index.js';
import { castRay, type RayHit } from './castRay.js';
import { type Camera, STANDING_M } from './groundGrid.js';
import { type BearingMask, type Horizons, isOpen, type SkyDirection, type SpotPoint } from './horizon.js';
import { wallHorizonSteps } from './wallsSeen.js';

const RAD = Math.PI / 180;
/** Heights on the subject behind which the background is looked at. */
export const SUBJECT_HEIGHTS_M = [1.3, 1.45, 1.6, 1.75] as const;
/** Heights over the horizon at which a façade is looked at. */
const FACE_ELEVATIONS_DEG = [0, 4, 8, 12] as const;
const WIDEST_COLUMNS_DEG = 12;

/** One look from the eye; `horizon` numbers the place that it meets. */
export interface ViewRay {
  readonly bearingDeg: number;
  readonly elevationDeg: number;
  readonly hit: RayHit;
  readonly horizon: number;
}

/** What there is to be seen. */
export interface Around {
  readonly prisms: readonly Prism[];
  readonly waters: readonly Prism[];
}

export interface View {
  readonly rays: readonly ViewRay[];
  readonly horizons: Horizons;
}

/** Degrees off the middle of the frame, 1° apart over the middle half of the field. */
export function columnsOf(halfFieldDeg: number, widestDeg: number): number[] {
  const half = Math.floor(Math.min(widestDeg, halfFieldDeg / 2) + 1e-9);
  return Array.from({ length: 2 * half + 1 }, (_, k) => k - half);
}

function* lookSteps(
  camera: Camera,
  looks: readonly (readonly [bearingDeg: number, elevationDeg: number])[],
  { prisms, waters }: Around,
  mask: BearingMask,
): Generator<number, View> {
  const from: SpotPoint = { eastM: camera.eastM, northM: camera.northM, heightM: camera.groundM + STANDING_M };
  const places: { point: SpotPoint; normalDeg: number | null }[] = [];
  const rays = looks.map(([bearingDeg, elevationDeg]): ViewRay => {
    const hit = castRay({ from, bearingDeg, elevationDeg, groundM: camera.groundM, prisms, waters });
    if (hit.kind === 'wall') places.push({ point: hit.point, normalDeg: hit.normalDeg });
    if (hit.kind === 'ground') places.push({ point: hit.point, normalDeg: null });
    return { bearingDeg, elevationDeg, hit, horizon: places.length - 1 };
  });
  return { rays, horizons: yield* wallHorizonSteps(places, prisms, mask) };
}

/** What stands behind a person at `subjectM`: columns 1° apart, four heights each, column by column. */
export function backgroundSteps(camera: Camera, subjectM: number, around: Around, mask: BearingMask): Generator<number, View> {
  const looks = columnsOf(camera.halfFieldDeg, WIDEST_COLUMNS_DEG).flatMap((offDeg) =>
    SUBJECT_HEIGHTS_M.map(
      (heightM) => [camera.shootingBearingDeg + offDeg, Math.atan((heightM - STANDING_M) / subjectM) / RAD] as const,
    ),
  );
  return lookSteps(camera, looks, around, mask);
}

/** The wall met by most looks of the middle half of the frame, those looks alone; null where most meet none. */
export function* faceSteps(camera: Camera, prisms: readonly Prism[], mask: BearingMask): Generator<number, View | null> {
  const looks = columnsOf(camera.halfFieldDeg, Infinity).flatMap((offDeg) =>
    FACE_ELEVATIONS_DEG.map((elevationDeg) => [camera.shootingBearingDeg + offDeg, elevationDeg] as const),
  );
  const from: SpotPoint = { eastM: camera.eastM, northM: camera.northM, heightM: camera.groundM + STANDING_M };
  const byFace = new Map<string, (readonly [number, number])[]>();
  for (const look of looks) {
    const hit = castRay({ from, bearingDeg: look[0], elevationDeg: look[1], groundM: camera.groundM, prisms });
    if (hit.kind === 'wall') byFace.set(hit.face, [...(byFace.get(hit.face) ?? []), look]);
    yield 0;
  }
  const most = [...byFace.values()].sort((a, b) => b.length - a.length)[0];
  return most === undefined ? null : yield* lookSteps(camera, most, { prisms, waters: [] }, mask);
}

/** Cosine of the sun's incidence on what a look meets; 0 from behind, where it is shaded, and for sky and ceilings. */
export function incidenceOn(
  { hit, horizon }: ViewRay,
  horizons: Horizons,
  sun: { readonly azimuthDeg: number; readonly altitudeDeg: number },
  direction: SkyDirection,
): number {
  if (hit.kind !== 'wall' && hit.kind !== 'ground') return 0;
  const cosine =
    hit.kind === 'ground'
      ? Math.sin(sun.altitudeDeg * RAD)
      : Math.cos(sun.altitudeDeg * RAD) * Math.cos((sun.azimuthDeg - hit.normalDeg) * RAD);
  return cosine > 0 && isOpen(horizons, horizon, direction) ? cosine : 0;
}
