import Flatbush from 'flatbush';
import { checkArray, checkBetween, checkFinite, checkOptions } from '../units/index.js';
import { type Building, isStrictlyInside, type LevelRay, passesThrough, type Prism, readPrism } from './prisms.js';
import type { SunPosition } from './sunPosition.js';

export interface ScenePoint {
  readonly eastM: number;
  readonly northM: number;
  /** Above the ground; 0 by default. */
  readonly heightM?: number;
}

export interface ShadowScene {
  readonly isSunlit: (options: { readonly point: ScenePoint; readonly sun: SunPosition }) => boolean;
}

const RAD = Math.PI / 180;
/** Above this the sun is overhead for every purpose: over 100 m of height the ray moves by less than a micrometre. */
const OVERHEAD_COS = 1e-8;
/** Keeps a sun at 10⁻³⁰⁰ degrees from dividing by zero. */
const LEAST_SLOPE = 1e-12;
/** First stretch of the ray that is looked at; each further one doubles. Most shadows are cast by a near wall. */
const FIRST_STRETCH_M = 24;

function checkPoint(point: ScenePoint): Required<ScenePoint> {
  checkOptions('point', point);
  const { eastM, northM, heightM = 0 } = point;
  checkFinite('point.eastM', eastM);
  checkFinite('point.northM', northM);
  checkFinite('point.heightM', heightM);
  return { eastM, northM, heightM };
}

function checkSun(sun: SunPosition): SunPosition {
  checkOptions('sun', sun);
  checkFinite('sun.azimuthDeg', sun.azimuthDeg);
  checkBetween('sun.altitudeDeg', sun.altitudeDeg, -90, 90);
  return sun;
}

/**
 * Buildings prepared once (checks, spatial index) for many questions of sun or shade.
 * Upright prisms on flat ground; a prism's inside is its open interior, so a point on a wall or roof is outside, and a
 * ray along a wall is not blocked by it. Source: docs/formulas.md#shadows.
 * @throws TypeError, RangeError that name the building and the corner.
 */
export function shadowScene(options: { readonly buildings: readonly Building[] }): ShadowScene {
  checkOptions('options', options);
  checkArray('buildings', options.buildings);
  const prisms = options.buildings.map((building, k) => readPrism(building, `buildings[${k}]`));
  const tallestM = prisms.reduce((tallest, { heightM }) => Math.max(tallest, heightM), 0);
  const index = indexOf(prisms);

  return {
    isSunlit(question) {
      checkOptions('options', question);
      const { eastM, northM, heightM } = checkPoint(question.point);
      const { azimuthDeg, altitudeDeg } = checkSun(question.sun);
      if (altitudeDeg <= 0) return false;
      if (index === null || heightM >= tallestM) return true;

      const cosAltitude = Math.cos(altitudeDeg * RAD);
      if (cosAltitude < OVERHEAD_COS) return !isRoofed(prisms, index, eastM, northM, heightM);
      const azimuth = (azimuthDeg % 360) * RAD;
      const ray = { x: eastM, y: northM, dx: Math.sin(azimuth), dy: Math.cos(azimuth) };
      return !isBlocked(prisms, index, ray, heightM, Math.max(Math.sin(altitudeDeg * RAD) / cosAltitude, LEAST_SLOPE), tallestM);
    },
  };
}

function indexOf(prisms: readonly Prism[]): Flatbush | null {
  if (prisms.length === 0) return null;
  const index = new Flatbush(prisms.length, 8);
  for (const { minX, minY, maxX, maxY } of prisms) index.add(minX, minY, maxX, maxY);
  index.finish();
  return index;
}

function isRoofed(prisms: readonly Prism[], index: Flatbush, x: number, y: number, heightM: number): boolean {
  return index.search(x, y, x, y).some((k) => (prisms[k] as Prism).heightM > heightM && isStrictlyInside(prisms[k] as Prism, x, y));
}

/** No building is farther than the far corner of the box round all of them, however low the sun. */
function farthestCornerM({ minX, minY, maxX, maxY }: Flatbush, { x, y }: LevelRay): number {
  return Math.hypot(Math.max(x - minX, maxX - x), Math.max(y - minY, maxY - y));
}

/** Walks the ray outwards in doubling stretches until it is above every roof. */
function isBlocked(
  prisms: readonly Prism[],
  index: Flatbush,
  ray: LevelRay,
  heightM: number,
  slope: number,
  tallestM: number,
): boolean {
  const clearAtM = Math.min((tallestM - heightM) / slope, farthestCornerM(index, ray));
  let blocked = false;
  const blocks = (k: number): boolean => {
    if (blocked) return false;
    const prism = prisms[k] as Prism;
    const from = Math.max(0, (prism.baseM - heightM) / slope);
    const to = (prism.heightM - heightM) / slope;
    if (to > from && passesThrough(prism, ray, from, to)) blocked = true;
    return false;
  };
  for (let start = 0, length = FIRST_STRETCH_M; start < clearAtM && !blocked; start += length, length *= 2) {
    const end = Math.min(start + length, clearAtM);
    const [x0, y0] = [ray.x + start * ray.dx, ray.y + start * ray.dy];
    const [x1, y1] = [ray.x + end * ray.dx, ray.y + end * ray.dy];
    index.search(Math.min(x0, x1), Math.min(y0, y1), Math.max(x0, x1), Math.max(y0, y1), blocks);
  }
  return blocked;
}

/**
 * Whether the sun reaches a point: false at or below the horizon, and inside a prism. One question;
 * for many, prepare a `shadowScene`.
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function isSunlit(options: {
  readonly point: ScenePoint;
  readonly sun: SunPosition;
  readonly buildings: readonly Building[];
}): boolean {
  checkOptions('options', options);
  return shadowScene({ buildings: options.buildings }).isSunlit(options);
}
