import { checkArray, checkBetween, checkFinite, checkOptions, RAD_PER_DEG } from '../units/index.js';
import { type Building, isStrictlyInside, passesThrough, PER_PRISM, type Prism, readFacts, readPrism } from './prisms.js';
import { type PrismGrid, prismGrid, walkGrid } from './prismGrid.js';
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
/** Above this the sun is overhead for every purpose: over 100 m of height the ray moves by less than a micrometre. */
const OVERHEAD_COS = 1e-8;
/** Keeps a sun at 10⁻³⁰⁰ degrees from dividing by zero. */
const LEAST_SLOPE = 1e-12;
/** Room for a wall that the ray only touches. */
const TOUCH_M = 1e-6;

/** Checks a point and gives its height. */
function checkPoint(point: ScenePoint): number {
  checkOptions('point', point);
  const { eastM, northM, heightM = 0 } = point;
  checkFinite('point.eastM', eastM);
  checkFinite('point.northM', northM);
  checkFinite('point.heightM', heightM);
  return heightM;
}

function checkSun(sun: SunPosition): SunPosition {
  checkOptions('sun', sun);
  checkFinite('sun.azimuthDeg', sun.azimuthDeg);
  checkBetween('sun.altitudeDeg', sun.altitudeDeg, -90, 90);
  return sun;
}

/** So many questions are answered by a look at every building before a grid is worth its making. */
const WITHOUT_GRID = 16;

interface Prepared {
  readonly count: number;
  readonly facts: Float64Array;
  readonly tallestM: number;
  readonly prismAt: (k: number) => Prism;
}

function factsOf(buildings: readonly Building[]): Float64Array {
  const facts = new Float64Array(buildings.length * PER_PRISM);
  for (let k = 0; k < buildings.length; k++) readFacts(buildings[k], `buildings[${k}]`, facts, k * PER_PRISM);
  return facts;
}

function prepared(facts: Float64Array, prismAt: (k: number) => Prism): Prepared {
  const count = facts.length / PER_PRISM;
  let tallestM = 0;
  for (let k = 0; k < count; k++) tallestM = Math.max(tallestM, facts[k * PER_PRISM + 4] as number);
  return { count, facts, tallestM, prismAt };
}

/** Whether the sun reaches a point, by a look at every prism, or at those of a grid. */
function reaches(scene: Prepared, point: ScenePoint, sun: SunPosition, gridOf: () => PrismGrid | null): boolean {
  const heightM = checkPoint(point);
  checkSun(sun);
  const { eastM, northM } = point;
  const { azimuthDeg, altitudeDeg } = sun;
  if (altitudeDeg <= 0) return false;
  if (heightM >= scene.tallestM) return true;

  const cosAltitude = Math.cos(altitudeDeg * RAD_PER_DEG);
  if (cosAltitude < OVERHEAD_COS) return !isRoofed(scene, eastM, northM, heightM);
  const azimuth = (azimuthDeg % 360) * RAD_PER_DEG;
  ray.x = eastM;
  ray.y = northM;
  ray.dx = Math.sin(azimuth);
  ray.dy = Math.cos(azimuth);
  const slope = Math.max(Math.sin(altitudeDeg * RAD_PER_DEG) / cosAltitude, LEAST_SLOPE);
  const grid = gridOf();
  if (grid !== null) return !walkGrid(grid, ray, (scene.tallestM - heightM) / slope, (k) => blocks(scene, k, heightM, slope));
  for (let k = 0; k < scene.count; k++) if (blocks(scene, k, heightM, slope)) return false;
  return true;
}

/**
 * Buildings prepared once (checks, and from the first few questions on a grid) for many questions of sun or shade.
 * Upright prisms on flat ground; a prism's inside is its open interior, so a point on a wall or roof is outside, and a
 * ray along a wall is not blocked by it. Source: docs/formulas.md#shadows.
 * @throws TypeError, RangeError that name the building and the corner.
 */
export function shadowScene(options: { readonly buildings: readonly Building[] }): ShadowScene {
  checkOptions('options', options);
  checkArray('buildings', options.buildings);
  const prisms = options.buildings.map((building, k) => readPrism(building, `buildings[${k}]`));
  const scene = prepared(factsOf(options.buildings), (k) => prisms[k] as Prism);
  let grid: PrismGrid | null = null;
  let asked = 0;
  const gridOf = (): PrismGrid | null => (grid ??= asked++ < WITHOUT_GRID ? null : prismGrid(prisms));

  return {
    isSunlit(question) {
      checkOptions('options', question);
      return reaches(scene, question.point, question.sun, gridOf);
    },
  };
}

/** The ray of the question that is being answered. Scratch, never shared out. */
const ray = { x: 0, y: 0, dx: 0, dy: 0 };

function isRoofed({ count, facts, prismAt }: Prepared, x: number, y: number, heightM: number): boolean {
  for (let k = 0; k < count; k++) {
    if ((facts[k * PER_PRISM + 4] as number) > heightM && isStrictlyInside(prismAt(k), x, y)) return true;
  }
  return false;
}

/** Whether the ray runs through a prism between its base and its roof: by its circle first, which tells most. */
function blocks({ facts, prismAt }: Prepared, k: number, heightM: number, slope: number): boolean {
  const at = k * PER_PRISM;
  const mx = (facts[at] as number) - ray.x;
  const my = (facts[at + 1] as number) - ray.y;
  const radiusM = (facts[at + 2] as number) + TOUCH_M;
  if (Math.abs(mx * ray.dy - my * ray.dx) > radiusM) return false;
  const along = mx * ray.dx + my * ray.dy;
  const from = Math.max(0, ((facts[at + 3] as number) - heightM) / slope);
  const to = ((facts[at + 4] as number) - heightM) / slope;
  if (to <= from || along + radiusM < from || along - radiusM > to) return false;
  return passesThrough(prismAt(k), ray, from, to);
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
  const { buildings, point, sun } = options;
  checkArray('buildings', buildings);
  // Of most buildings their circle tells enough: only what the ray comes near is made a prism of.
  const scene = prepared(factsOf(buildings), (k) => readPrism(buildings[k], `buildings[${k}]`));
  return reaches(scene, point, sun, () => null);
}
