import { RAD_PER_DEG } from '../units/index.js';
import {
  angleBetweenDeg,
  apparentSun,
  castsShadows,
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
export const LEAST_LUX = 1e-6;

export interface LookLight {
  /** Geometric. */
  readonly sun: SunPosition;
  readonly sky: OpenSky;
  readonly street: StreetLight;
  /** Of the lamps that are on; walls have them as the ground and people do. */
  readonly lampsLux: number;
  readonly cloud: number;
}

/** Cosine of incidence on what a look meets, of a sun that throws shadows. */
function litCosine(ray: ViewRay, { places }: View, { sun, cloud }: Pick<LookLight, 'sun' | 'cloud'>): number {
  return castsShadows(cloud) ? incidenceOn(ray, places, sun, skyDirection(apparentSun(sun))) : 0;
}

/** The light on a wall, lux: the sun's by its incidence, its own share of the sky's, and the lamps'. */
function wallLux(cosine: number, skyShare: number, { sky, lampsLux }: Pick<LookLight, 'sky' | 'lampsLux'>): number {
  return Math.max(LEAST_LUX, cosine * sky.directNormalLux + skyShare * sky.diffuseLux + lampsLux);
}

/** What a meter reads off that which a look meets: docs/formulas.md#luminance. */
function readingOf(ray: ViewRay, view: View, light: LookLight): { ev100: number; kind: BackgroundKind } {
  const { sun, sky, street, cloud } = light;
  if (ray.hit.kind === 'sky' || ray.hit.kind === 'water') {
    const look = { azimuthDeg: ray.bearingDeg, altitudeDeg: Math.abs(ray.elevationDeg) };
    const fromSunDeg = angleBetweenDeg(look, sun);
    return { ev100: skyLuminanceEv({ diffuseLux: sky.diffuseLux, cloud, altitudeDeg: sun.altitudeDeg, fromSunDeg }), kind: 'sky' };
  }
  const cosine = litCosine(ray, view, light);
  if (ray.hit.kind === 'ground') {
    const lux = street.shadeLux + cosine * sky.directNormalLux;
    return { ev100: evOfLux(lux) + WALL_OVER_GREY_EV, kind: cosine > 0 ? 'litGround' : 'shadedGround' };
  }
  const skyShare = ray.hit.kind === 'wall' ? (view.places.skyShares[ray.place] as number) : 0;
  return { ev100: evOfLux(wallLux(cosine, skyShare, light)) + WALL_OVER_GREY_EV, kind: cosine > 0 ? 'litWall' : 'shadedWall' };
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

/** The wall before the camera: how much of it is lit, how the sun meets it, and the light on it. */
export interface Face {
  readonly litShare: number;
  /** EV of the light on its lit part; on all of it where none is lit. */
  readonly wallEv: number;
  /** Angle of the sun to the wall's square-on look; over 90° it comes from behind. */
  readonly incidenceDeg: number;
  readonly normalDeg: number;
}

export function faceAt(view: View, light: Omit<LookLight, 'street'>): Face | null {
  const first = view.rays[0];
  if (first?.hit.kind !== 'wall') return null;
  const { normalDeg } = first.hit;
  const { sun } = light;
  const cosines = view.rays.map((ray) => litCosine(ray, view, light));
  const litCount = cosines.filter((cosine) => cosine > 0).length;
  let lux = 0;
  view.rays.forEach(({ place }, k) => {
    const cosine = cosines[k] as number;
    if (litCount === 0 || cosine > 0) lux += wallLux(cosine, view.places.skyShares[place] as number, light);
  });
  const cosine = Math.cos(sun.altitudeDeg * RAD_PER_DEG) * Math.cos((sun.azimuthDeg - normalDeg) * RAD_PER_DEG);
  return {
    litShare: litCount / view.rays.length,
    wallEv: evOfLux(lux / (litCount === 0 ? view.rays.length : litCount)),
    incidenceDeg: Math.acos(Math.min(1, Math.max(-1, cosine))) / RAD_PER_DEG,
    normalDeg,
  };
}
