import {
  angleBetweenDeg,
  evOfLux,
  type OpenSky,
  skyLuminanceEv,
  type StreetLight,
  type SunPosition,
  WALL_OVER_GREY_EV,
} from '../light/index.js';
import { incidenceOn, skyDirection, SUBJECT_HEIGHTS_M, type View, type ViewRay } from '../streets/index.js';

/** What stands behind a silhouette, by what it is. */
export type BackgroundKind = 'sky' | 'litWall' | 'shadedWall' | 'litGround' | 'shadedGround' | 'screen';

export interface Background {
  /** What a meter reads off it. */
  readonly ev100: number;
  readonly kind: BackgroundKind;
  /** Where in the frame, degrees to the right of its middle. */
  readonly offDeg: number;
}

/** A share of the sky that nothing is darker than: a passage's inside. */
const LEAST_LUX = 1e-6;

export interface LookLight {
  readonly sun: SunPosition;
  readonly sky: OpenSky;
  readonly street: StreetLight;
  readonly skyShare: number;
  readonly cloud: number;
}

/** What a meter reads off that which a look meets: docs/formulas.md#luminance. */
function readingOf(
  ray: ViewRay,
  view: View,
  { sun, sky, street, skyShare, cloud }: LookLight,
): { ev100: number; kind: BackgroundKind } {
  if (ray.hit.kind === 'sky' || ray.hit.kind === 'water') {
    const look = { azimuthDeg: ray.bearingDeg, altitudeDeg: Math.abs(ray.elevationDeg) };
    const fromSunDeg = angleBetweenDeg(look, sun);
    return { ev100: skyLuminanceEv({ diffuseLux: sky.diffuseLux, cloud, altitudeDeg: sun.altitudeDeg, fromSunDeg }), kind: 'sky' };
  }
  const cosine = sun.altitudeDeg > 0 ? incidenceOn(ray, view.horizons, sun, skyDirection(sun)) : 0;
  const isGround = ray.hit.kind === 'ground';
  const withoutSun = isGround ? street.shadeLux : (cosine > 0 ? 0.5 : skyShare) * sky.diffuseLux;
  const lux = Math.max(LEAST_LUX, withoutSun + cosine * sky.directNormalLux);
  const kind = isGround ? (cosine > 0 ? 'litGround' : 'shadedGround') : cosine > 0 ? 'litWall' : 'shadedWall';
  return { ev100: evOfLux(lux) + WALL_OVER_GREY_EV, kind };
}

const NEIGHBOURS = 5;
/** Of the four heights in a column, this many have to be that bright. */
const BRIGHT_OF_FOUR = 3;

/**
 * The brightest background that a person would stand before: three of the four heights at least that bright, over five
 * neighbouring columns (all of them where there are fewer).
 */
export function brightestBackground(view: View, light: LookLight, shootingBearingDeg: number): Background | null {
  const perColumn = SUBJECT_HEIGHTS_M.length;
  const columns = Array.from({ length: view.rays.length / perColumn }, (_, column) => {
    const readings = view.rays.slice(column * perColumn, (column + 1) * perColumn).map((ray) => readingOf(ray, view, light));
    return readings.sort((a, b) => b.ev100 - a.ev100)[BRIGHT_OF_FOUR - 1] as { ev100: number; kind: BackgroundKind };
  });
  if (columns.length === 0) return null;
  const width = Math.min(NEIGHBOURS, columns.length);
  let best: Background | null = null;
  for (let from = 0; from + width <= columns.length; from++) {
    const these = columns.slice(from, from + width);
    const ev100 = Math.min(...these.map((column) => column.ev100));
    if (best !== null && ev100 <= best.ev100 + 1e-9) continue;
    const middle = from + Math.floor(width / 2);
    const bearing = (view.rays[middle * perColumn] as ViewRay).bearingDeg;
    best = { ev100, kind: (columns[middle] as { kind: BackgroundKind }).kind, offDeg: bearing - shootingBearingDeg };
  }
  return best;
}

/** The wall before the camera: how much of it is lit, and how the sun meets it. */
export interface Face {
  readonly litShare: number;
  /** Angle of the sun to the wall's square-on look; over 90° it comes from behind. */
  readonly incidenceDeg: number;
  readonly normalDeg: number;
}

const RAD = Math.PI / 180;

export function faceAt(view: View, sun: SunPosition, isSunOut: boolean): Face | null {
  const first = view.rays[0];
  if (first?.hit.kind !== 'wall') return null;
  const { normalDeg } = first.hit;
  const direction = skyDirection(sun);
  const lit =
    isSunOut && sun.altitudeDeg > 0 ? view.rays.filter((ray) => incidenceOn(ray, view.horizons, sun, direction) > 0).length : 0;
  const cosine = Math.cos(sun.altitudeDeg * RAD) * Math.cos((sun.azimuthDeg - normalDeg) * RAD);
  return { litShare: lit / view.rays.length, incidenceDeg: Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD, normalDeg };
}
