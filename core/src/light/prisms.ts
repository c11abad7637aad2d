import { checkArray, checkAtLeast, checkFinite, checkOptions, checkPositive, describeValue, rangeError } from '../units/index.js';

export interface Building {
  /** Corners in metres, east and north of the origin; a simple polygon of either winding, closing point optional. */
  readonly footprint: readonly (readonly [eastM: number, northM: number])[];
  readonly heightM: number;
  /** Underside of an arch or overhang; 0 by default. */
  readonly baseM?: number;
  /** Holes of the footprint, open to the sky: simple polygons inside it. */
  readonly courtyards?: readonly (readonly (readonly [eastM: number, northM: number])[])[];
}

export interface Prism {
  /** The outline anticlockwise, then the courtyards clockwise: x0, y0, x1, y1, … each without its closing point. */
  readonly rings: readonly Float64Array[];
  readonly baseM: number;
  readonly heightM: number;
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
  /** A circle round the outline: what can be said of it can be said of the prism. */
  readonly midX: number;
  readonly midY: number;
  readonly radiusM: number;
}

/** The names that a message would say are only put together where there is something to say. */
function checkCorner(name: string, k: number, corner: unknown): asserts corner is readonly [number, number] {
  if (!Array.isArray(corner) || corner.length < 2) {
    throw new TypeError(`${name}[${k}] must be a pair [eastM, northM], got ${describeValue(corner)}`);
  }
  const [eastM, northM] = corner as unknown[];
  if (!Number.isFinite(eastM)) checkFinite(`${name}[${k}][0]`, eastM);
  if (!Number.isFinite(northM)) checkFinite(`${name}[${k}][1]`, northM);
}

const TOO_FEW = 'a polygon of at least three different corners';

/** Checks a ring as `readFootprint` reads it, and keeps nothing of it but its box. */
function checkedBox(name: string, footprint: unknown, box: Box): void {
  checkArray(name, footprint);
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  let [firstX, firstY, lastX, lastY, count] = [NaN, NaN, NaN, NaN, 0];
  for (let k = 0; k < footprint.length; k++) {
    const corner: unknown = footprint[k];
    checkCorner(name, k, corner);
    const x = corner[0];
    const y = corner[1];
    if (x === lastX && y === lastY) continue;
    if (count === 0) [firstX, firstY] = [x, y];
    [lastX, lastY] = [x, y];
    count += 1;
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  if (count > 1 && firstX === lastX && firstY === lastY) count -= 1;
  if (count < 3) throw rangeError(name, TOO_FEW, footprint);
  box.minX = minX;
  box.minY = minY;
  box.maxX = maxX;
  box.maxY = maxY;
}

interface Box {
  minX: number;
  minY: number;
  maxX: number;
  maxY: number;
}

/** Scratch of `readFacts`; a courtyard's box is of no use. */
const outer: Box = { minX: 0, minY: 0, maxX: 0, maxY: 0 };
const ofHole: Box = { ...outer };

/** What is asked of every prism, side by side: middle east and north, radius of the circle round it, base, height. */
export const PER_PRISM = 5;

/** The facts of a building, checked whole as `readPrism` checks it: for one question most buildings need no more. */
export function readFacts(building: unknown, name: string, facts: Float64Array, at: number): void {
  checkOptions(name, building);
  const { footprint, heightM, baseM = 0, courtyards } = building as Building;
  checkedBox(`${name}.footprint`, footprint, outer);
  if (courtyards !== undefined) {
    checkArray(`${name}.courtyards`, courtyards);
    courtyards.forEach((hole, k) => checkedBox(`${name}.courtyards[${k}]`, hole, ofHole));
  }
  checkHeights(name, heightM, baseM);
  facts[at] = (outer.minX + outer.maxX) / 2;
  facts[at + 1] = (outer.minY + outer.maxY) / 2;
  facts[at + 2] = Math.hypot(outer.maxX - outer.minX, outer.maxY - outer.minY) / 2;
  facts[at + 3] = baseM;
  facts[at + 4] = heightM;
}

function checkHeights(name: string, heightM: number, baseM: number): void {
  // The names that a message would say are only put together where there is something to say.
  if (!(Number.isFinite(heightM) && heightM > 0)) checkPositive(`${name}.heightM`, heightM);
  if (!(Number.isFinite(baseM) && baseM >= 0)) checkAtLeast(`${name}.baseM`, baseM, 0);
  if (heightM <= baseM) throw rangeError(`${name}.heightM`, `greater than baseM (${baseM})`, heightM);
}

/** Corners without repeats in a row, so that no edge has length zero. */
function readFootprint(name: string, footprint: unknown): Float64Array {
  checkArray(name, footprint);
  const flat: number[] = [];
  for (let k = 0; k < footprint.length; k++) {
    const corner: unknown = footprint[k];
    checkCorner(name, k, corner);
    const [x, y] = corner;
    if (flat.length === 0 || flat[flat.length - 2] !== x || flat[flat.length - 1] !== y) flat.push(x, y);
  }
  const closes = flat.length > 2 && flat[0] === flat[flat.length - 2] && flat[1] === flat[flat.length - 1];
  if (closes) flat.length -= 2;
  if (flat.length < 6) throw rangeError(name, TOO_FEW, footprint);
  return Float64Array.from(flat);
}

/** The ring turned so that the building lies to the left of each edge, or to the right. */
function turned(ring: Float64Array, way: 'anticlockwise' | 'clockwise'): Float64Array {
  let twiceArea = 0;
  for (let k = 0, before = ring.length - 2; k < ring.length; before = k, k += 2) {
    twiceArea += (ring[before] as number) * (ring[k + 1] as number) - (ring[k] as number) * (ring[before + 1] as number);
  }
  if (twiceArea > 0 === (way === 'anticlockwise')) return ring;
  const other = new Float64Array(ring.length);
  for (let k = 0; k < ring.length; k += 2) {
    other[k] = ring[ring.length - 2 - k] as number;
    other[k + 1] = ring[ring.length - 1 - k] as number;
  }
  return other;
}

export function readPrism(building: unknown, name: string): Prism {
  checkOptions(name, building);
  const { footprint, heightM, baseM = 0, courtyards = [] } = building as Building;
  const corners = readFootprint(`${name}.footprint`, footprint);
  checkArray(`${name}.courtyards`, courtyards);
  const holes = courtyards.map((hole, k) => readFootprint(`${name}.courtyards[${k}]`, hole));
  checkHeights(name, heightM, baseM);
  const box = boxOf(corners);
  const { minX, minY, maxX, maxY } = box;
  return {
    rings: [turned(corners, 'anticlockwise'), ...holes.map((hole) => turned(hole, 'clockwise'))],
    baseM,
    heightM,
    ...box,
    midX: (minX + maxX) / 2,
    midY: (minY + maxY) / 2,
    radiusM: Math.hypot(maxX - minX, maxY - minY) / 2,
  };
}

function boxOf(corners: Float64Array): Pick<Prism, 'minX' | 'minY' | 'maxX' | 'maxY'> {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (let k = 0; k < corners.length; k += 2) {
    const [x, y] = [corners[k] as number, corners[k + 1] as number];
    if (x < minX) minX = x;
    if (x > maxX) maxX = x;
    if (y < minY) minY = y;
    if (y > maxY) maxY = y;
  }
  return { minX, minY, maxX, maxY };
}

/** Lengths in metres below which two places are one: a wall's face, a roof's edge. */
const TOUCH_M = 1e-9;

function isOnEdge(px: number, py: number, ax: number, ay: number, bx: number, by: number): boolean {
  const [ex, ey] = [bx - ax, by - ay];
  const lengthSquared = ex * ex + ey * ey;
  const along = Math.min(1, Math.max(0, ((px - ax) * ex + (py - ay) * ey) / lengthSquared));
  return Math.hypot(ax + along * ex - px, ay + along * ey - py) <= TOUCH_M;
}

/** Strictly inside by the even-odd rule over all rings, so that a courtyard is outside; so is a point on an edge. */
export function isStrictlyInside({ rings }: Prism, px: number, py: number): boolean {
  let inside = false;
  for (const corners of rings) {
    const side = isInsideRing(corners, px, py);
    if (side === 'edge') return false;
    if (side === 'inside') inside = !inside;
  }
  return inside;
}

function isInsideRing(corners: Float64Array, px: number, py: number): 'inside' | 'outside' | 'edge' {
  let inside = false;
  let ax = corners[corners.length - 2] as number;
  let ay = corners[corners.length - 1] as number;
  for (let k = 0; k < corners.length; k += 2) {
    const bx = corners[k] as number;
    const by = corners[k + 1] as number;
    if (isOnEdge(px, py, ax, ay, bx, by)) return 'edge';
    if (ay > py !== by > py && px < ax + ((py - ay) / (by - ay)) * (bx - ax)) inside = !inside;
    ax = bx;
    ay = by;
  }
  return inside ? 'inside' : 'outside';
}

/** A level ray from (x, y) along the unit vector (dx, dy). */
export interface LevelRay {
  readonly x: number;
  readonly y: number;
  readonly dx: number;
  readonly dy: number;
}

/** Scratch space of `passesThrough`, kept so that a question allocates nothing. */
const crossings: number[] = [];

/** Level distances at which the ray's line meets or touches one ring of the footprint, unsorted, into `crossings`. */
function collectCrossings(corners: Float64Array, ray: LevelRay): boolean {
  let touches = false;
  let ax = (corners[corners.length - 2] as number) - ray.x;
  let ay = (corners[corners.length - 1] as number) - ray.y;
  let sideA = ray.dx * ay - ray.dy * ax;
  for (let k = 0; k < corners.length; k += 2) {
    const bx = (corners[k] as number) - ray.x;
    const by = (corners[k + 1] as number) - ray.y;
    const sideB = ray.dx * by - ray.dy * bx;
    if (Math.abs(sideB) <= TOUCH_M) {
      touches = true;
      crossings.push(bx * ray.dx + by * ray.dy);
    } else if (Math.abs(sideA) > TOUCH_M && sideA > 0 !== sideB > 0) {
      const share = sideA / (sideA - sideB);
      crossings.push((ax + share * (bx - ax)) * ray.dx + (ay + share * (by - ay)) * ray.dy);
    }
    ax = bx;
    ay = by;
    sideA = sideB;
  }
  return touches;
}

/**
 * Whether the ray passes through the footprint's interior between the level distances `from` and `to`.
 * Between two neighbouring crossings the ray is wholly in or out: alternately in the plain case, by a look at the
 * middle where the line touches a corner or runs along a wall.
 */
export function passesThrough(prism: Prism, ray: LevelRay, from: number, to: number): boolean {
  crossings.length = 0;
  let touches = false;
  for (const corners of prism.rings) touches = collectCrossings(corners, ray) || touches;
  if (crossings.length < 2) return false;
  crossings.sort((a, b) => a - b);
  for (let k = 1; k < crossings.length; k++) {
    if (!touches && k % 2 === 0) continue;
    const enter = Math.max(from, crossings[k - 1] as number);
    const leave = Math.min(to, crossings[k] as number);
    if (leave - enter <= TOUCH_M) continue;
    if (!touches) return true;
    const middle = (enter + leave) / 2;
    if (isStrictlyInside(prism, ray.x + middle * ray.dx, ray.y + middle * ray.dy)) return true;
  }
  return false;
}
