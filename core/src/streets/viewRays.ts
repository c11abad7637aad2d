import { EYE_HEIGHT_M } from '../optics/index.js';
import { RAD_PER_DEG } from '../units/index.js';
import type { Prism, SunPosition } from '../light/index.js';
import { castRay, type RayHit } from './horizon/castRay.js';
import { type Camera, eyeOf } from './groundGrid.js';
import { type BearingMask, isOpen, type SkyDirection, type SpotPoint } from './horizon/horizon.js';
import { type Places, placeSteps } from './horizon/wallsSeen.js';
/** Heights on the subject behind which the background is looked at. */
export const SUBJECT_HEIGHTS_M = [1.3, 1.45, 1.6, 1.75] as const;
const WIDEST_COLUMNS_DEG = 12;

/** One look from the eye; `place` numbers the wall or ground that it meets. */
export interface ViewRay {
  readonly bearingDeg: number;
  readonly elevationDeg: number;
  readonly hit: RayHit;
  readonly place: number;
}

/** What there is to be seen. */
export interface Around {
  readonly prisms: readonly Prism[];
  readonly waters: readonly Prism[];
}

export interface View {
  readonly rays: readonly ViewRay[];
  readonly places: Places;
}

/** A look to be taken: bearing and elevation. */
export type LookDirection = readonly [bearingDeg: number, elevationDeg: number];

/** Degrees off the middle of the frame, 1° apart over the middle half of the field. */
export function columnsOf(halfFieldDeg: number, widestDeg: number): number[] {
  const half = Math.floor(Math.min(widestDeg, halfFieldDeg / 2) + 1e-9);
  return Array.from({ length: 2 * half + 1 }, (_, k) => k - half);
}

/** Looks taken from the eye, with the horizons of what they meet. */
export function* lookSteps(
  camera: Camera,
  looks: readonly LookDirection[],
  { prisms, waters }: Around,
  sunMask: BearingMask,
): Generator<number, View> {
  const from = eyeOf(camera);
  const places: { point: SpotPoint; normalDeg: number | null }[] = [];
  const rays = looks.map(([bearingDeg, elevationDeg]): ViewRay => {
    const hit = castRay({ from, bearingDeg, elevationDeg, groundM: camera.groundM, prisms, waters });
    if (hit.kind === 'wall') places.push({ point: hit.point, normalDeg: hit.normalDeg });
    if (hit.kind === 'ground') places.push({ point: hit.point, normalDeg: null });
    return { bearingDeg, elevationDeg, hit, place: places.length - 1 };
  });
  return { rays, places: yield* placeSteps(places, prisms, sunMask) };
}

/** What stands behind a person at `subjectM`: columns 1° apart, four heights each, column by column. */
export function backgroundSteps(camera: Camera, subjectM: number, around: Around, sunMask: BearingMask): Generator<number, View> {
  const looks = columnsOf(camera.halfFieldDeg, WIDEST_COLUMNS_DEG).flatMap((offDeg) =>
    SUBJECT_HEIGHTS_M.map(
      (heightM) => [camera.shootingBearingDeg + offDeg, Math.atan((heightM - EYE_HEIGHT_M) / subjectM) / RAD_PER_DEG] as const,
    ),
  );
  return lookSteps(camera, looks, around, sunMask);
}

/**
 * Cosine of the sun's incidence on what a look meets; 0 from behind, where it is shaded, and for sky and ceilings. `sun` is
 * geometric, `direction` that of the apparent sun.
 */
export function incidenceOn({ hit, place }: ViewRay, places: Places, sun: SunPosition, direction: SkyDirection): number {
  if (hit.kind !== 'wall' && hit.kind !== 'ground') return 0;
  const cosine =
    hit.kind === 'ground'
      ? Math.sin(sun.altitudeDeg * RAD_PER_DEG)
      : Math.cos(sun.altitudeDeg * RAD_PER_DEG) * Math.cos((sun.azimuthDeg - hit.normalDeg) * RAD_PER_DEG);
  return cosine > 0 && isOpen(places.horizons, place, direction) ? cosine : 0;
}
