import { isStrictlyInside, type Prism } from '../light/index.js';

/**
 * What stands round a point, by bearing: the altitudes at which a ray from it is blocked. Then sun or shade at a minute
 * is a look-up. Bearings 0.5° apart, altitudes in tenths of a degree; docs/formulas.md#horizon.
 */

export const HORIZON_BEARINGS = 720;
const PER_DEGREE = HORIZON_BEARINGS / 360;
const RAD = Math.PI / 180;
const STEP = RAD / PER_DEGREE;
const TENTHS_PER_RADIAN = 1800 / Math.PI;
/** Over the zenith: no sun gets past it. */
const SHUT = 901;

const SIN = Float64Array.from({ length: HORIZON_BEARINGS }, (_, k) => Math.sin(k * STEP));
const COS = Float64Array.from({ length: HORIZON_BEARINGS }, (_, k) => Math.cos(k * STEP));

export interface SpotPoint {
  readonly eastM: number;
  readonly northM: number;
  readonly heightM: number;
}

/** 1 for the bearings that matter, 0 for those at which nobody will ask. */
export type BearingMask = Uint8Array;
export const EVERY_BEARING: BearingMask = new Uint8Array(HORIZON_BEARINGS).fill(1);

/** Horizons of many points: plain arrays, so that a worker can keep or hand them over. */
export interface Horizons {
  /** Tenths of a degree up to which whatever stands on the ground blocks; 720 a point. */
  readonly groundTenths: Uint16Array;
  /** Blocked intervals above open air (arches, canopies): bearing, low, high in tenths, sorted; null for a point without. */
  readonly hanging: readonly (Int16Array | null)[];
}

/** A direction ready to be looked up. */
export interface SkyDirection {
  readonly bearing: number;
  readonly tenths: number;
}

export function skyDirection({ azimuthDeg, altitudeDeg }: { azimuthDeg: number; altitudeDeg: number }): SkyDirection {
  const bearing = Math.round(azimuthDeg * PER_DEGREE) % HORIZON_BEARINGS;
  return { bearing: bearing < 0 ? bearing + HORIZON_BEARINGS : bearing, tenths: altitudeDeg * 10 };
}

/** Whether a ray from point number `point` leaves in that direction; nothing comes from at or below the horizon. */
export function isOpen({ groundTenths, hanging }: Horizons, point: number, { bearing, tenths }: SkyDirection): boolean {
  if (tenths <= 0 || tenths < (groundTenths[point * HORIZON_BEARINGS + bearing] as number)) return false;
  const intervals = hanging[point];
  if (intervals === null || intervals === undefined) return true;
  for (let k = firstOfBearing(intervals, bearing); k < intervals.length && intervals[k] === bearing; k += 3) {
    if (tenths > (intervals[k + 1] as number) && tenths < (intervals[k + 2] as number)) return false;
  }
  return true;
}

function firstOfBearing(intervals: Int16Array, bearing: number): number {
  let [low, high] = [0, intervals.length / 3];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((intervals[middle * 3] as number) < bearing) low = middle + 1;
    else high = middle;
  }
  return low * 3;
}

/** Share of the sky seen by a level plate: 1 − the mean over bearings of Σ(sin² upper − sin² lower) of what is blocked. */
export function skyShareOf({ groundTenths, hanging }: Horizons, point: number): number {
  const squared = (tenths: number): number => Math.sin(Math.min(900, tenths) / TENTHS_PER_RADIAN) ** 2;
  let blocked = 0;
  for (let k = 0; k < HORIZON_BEARINGS; k++) blocked += squared(groundTenths[point * HORIZON_BEARINGS + k] as number);
  const intervals = hanging[point] ?? [];
  for (let k = 0; k < intervals.length; k += 3) {
    blocked += squared(intervals[k + 2] as number) - squared(intervals[k + 1] as number);
  }
  return Math.max(0, 1 - blocked / HORIZON_BEARINGS);
}

/** What an upright plate gets of the sky up to a height over the horizon, by bearing: ½(h + sin h·cos h), h in radians. */
function belowHeight(tenths: number): number {
  const h = Math.min(900, tenths) / TENTHS_PER_RADIAN;
  return (h + Math.sin(h) * Math.cos(h)) / 2;
}

/**
 * Share of the sky that an upright plate facing `normalDeg` gets: (1/π)·∫ over ±90° of cos δ · ½(h + sin h·cos h) over the
 * open altitudes; ½ in the open, and never more. The bearings before the plate must have been measured.
 */
export function uprightSkyShareOf({ groundTenths, hanging }: Horizons, point: number, normalDeg: number): number {
  let sum = 0;
  const before = (bearing: number): number => Math.max(0, Math.cos(bearing * STEP - normalDeg * RAD));
  for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
    const open = Math.PI / 4 - belowHeight(groundTenths[point * HORIZON_BEARINGS + bearing] as number);
    sum += before(bearing) * open;
  }
  const intervals = hanging[point] ?? [];
  for (let k = 0; k < intervals.length; k += 3) {
    const blocked = belowHeight(intervals[k + 2] as number) - belowHeight(intervals[k + 1] as number);
    sum -= before(intervals[k] as number) * blocked;
  }
  return Math.min(0.5, Math.max(0, (sum * STEP) / Math.PI));
}

/** Scratch of one point: tangents of what stands on the ground, crossings of what hangs. Reused, never shared out. */
const MOST_CROSSINGS = 24;
const crossings = new Float64Array(HORIZON_BEARINGS * MOST_CROSSINGS);
const crossingCount = new Uint8Array(HORIZON_BEARINGS);
let angles = new Float64Array(256);

/** Nearer than this a point is on the wall itself. */
const TOUCH_M = 1e-7;

/** Calls back with each bearing at which a ray from (x, y) meets the ring, and how far away. */
function eachCrossing(
  ring: Float64Array,
  x: number,
  y: number,
  mask: BearingMask,
  meets: (bearing: number, distanceM: number) => void,
): void {
  const count = ring.length / 2;
  if (angles.length < count) angles = new Float64Array(count * 2);
  for (let k = 0; k < count; k++) angles[k] = Math.atan2((ring[2 * k] as number) - x, (ring[2 * k + 1] as number) - y);
  for (let k = 0, before = count - 1; k < count; before = k++) {
    const ax = (ring[2 * before] as number) - x;
    const ay = (ring[2 * before + 1] as number) - y;
    const ex = (ring[2 * k] as number) - x - ax;
    const ey = (ring[2 * k + 1] as number) - y - ay;
    const area = ax * ey - ay * ex;
    if (area === 0) continue;
    let from = angles[before] as number;
    let to = angles[k] as number;
    if (to < from) [from, to] = [to, from];
    if (to - from > Math.PI) [from, to] = [to, from + 2 * Math.PI];
    const last = Math.floor(to / STEP + 1e-9);
    for (let turn = Math.ceil(from / STEP - 1e-9); turn <= last; turn++) {
      const bearing = turn < 0 ? turn + HORIZON_BEARINGS : turn >= HORIZON_BEARINGS ? turn - HORIZON_BEARINGS : turn;
      if (mask[bearing] === 0) continue;
      const distanceM = area / ((SIN[bearing] as number) * ey - (COS[bearing] as number) * ex);
      if (distanceM > TOUCH_M) meets(bearing, distanceM);
    }
  }
}

function isInFootprint(prism: Prism, { eastM, northM }: SpotPoint): boolean {
  const { minX, minY, maxX, maxY } = prism;
  return eastM > minX && eastM < maxX && northM > minY && northM < maxY && isStrictlyInside(prism, eastM, northM);
}

/** Bearings that one prism's crossings lie at. */
const touched = new Int16Array(HORIZON_BEARINGS);

/**
 * Blocked intervals of a prism that hangs over the point's height, bearing by bearing, onto `list` as tangents; without
 * those that lie under what the ground blocks already.
 */
function hangOver(prism: Prism, point: SpotPoint, mask: BearingMask, tangents: Float32Array, list: number[]): void {
  const { eastM, northM, heightM } = point;
  const low = prism.baseM - heightM;
  const high = prism.heightM - heightM;
  const isUnder = isInFootprint(prism, point);
  let touchedCount = 0;
  const meets = (bearing: number, distanceM: number): void => {
    const count = crossingCount[bearing] as number;
    if (count === MOST_CROSSINGS) return;
    if (count === 0) touched[touchedCount++] = bearing;
    crossings[bearing * MOST_CROSSINGS + count] = distanceM;
    crossingCount[bearing] = count + 1;
  };
  for (const ring of prism.rings) eachCrossing(ring, eastM, northM, mask, meets);
  for (let t = 0; t < touchedCount; t++) {
    const bearing = touched[t] as number;
    const count = crossingCount[bearing] as number;
    crossingCount[bearing] = 0;
    const first = bearing * MOST_CROSSINGS;
    if (count > 1) crossings.subarray(first, first + count).sort();
    for (let k = isUnder ? -1 : 0; k + 1 < count; k += 2) {
      const upper = k < 0 ? Infinity : high / (crossings[first + k] as number);
      if (upper > (tangents[bearing] as number)) list.push(bearing, low / (crossings[first + k + 1] as number), upper);
    }
  }
}

/** Sorted, joined where they touch, without what the ground already blocks. */
function toTenths(list: readonly number[], ground: Uint16Array): Int16Array | null {
  if (list.length === 0) return null;
  const intervals: [bearing: number, low: number, high: number][] = [];
  for (let k = 0; k < list.length; k += 3) {
    const tenths = (tangent: number): number => Math.round(Math.atan(tangent) * TENTHS_PER_RADIAN);
    intervals.push([list[k] as number, tenths(list[k + 1] as number), tenths(list[k + 2] as number)]);
  }
  intervals.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const joined: [number, number, number][] = [];
  for (const [bearing, low, high] of intervals) {
    const before = joined.at(-1);
    if (low <= (ground[bearing] as number)) ground[bearing] = Math.max(ground[bearing] as number, high >= 900 ? SHUT : high);
    else if (before?.[0] === bearing && low <= before[2]) before[2] = Math.max(before[2], high);
    else if (high > low) joined.push([bearing, low, high]);
  }
  const kept = joined.filter(([bearing, , high]) => high > (ground[bearing] as number));
  return kept.length === 0 ? null : Int16Array.from(kept.flat());
}

/** Prisms are taken in belts round the points: from the second on, only those that can be seen over what is nearer. */
const BELTS_M = [12, 50, Infinity] as const;

interface Circle {
  readonly eastM: number;
  readonly northM: number;
  readonly radiusM: number;
}

function circleRound(points: readonly SpotPoint[]): Circle {
  const easts = points.map(({ eastM }) => eastM);
  const norths = points.map(({ northM }) => northM);
  const middle = (values: readonly number[]): number =>
    (values.reduce((a, b) => Math.min(a, b)) + values.reduce((a, b) => Math.max(a, b))) / 2;
  const [eastM, northM] = [middle(easts), middle(norths)];
  const radiusM = points.reduce((most, point) => Math.max(most, Math.hypot(point.eastM - eastM, point.northM - northM)), 0);
  return { eastM, northM, radiusM };
}

function circleOf({ minX, minY, maxX, maxY }: Prism): Circle {
  return { eastM: (minX + maxX) / 2, northM: (minY + maxY) / 2, radiusM: Math.hypot(maxX - minX, maxY - minY) / 2 };
}

/** The belt that a prism's nearest point lies in. */
function beltOf({ minX, minY, maxX, maxY }: Prism, { eastM, northM, radiusM }: Circle): number {
  const gapM = Math.hypot(Math.max(minX - eastM, 0, eastM - maxX), Math.max(minY - northM, 0, northM - maxY)) - radiusM;
  return BELTS_M.findIndex((toM) => gapM <= toM);
}

/** Whether over all of its bearings that matter, from every one of the points, the prism stays under what is blocked already. */
function isHidden(prism: Prism, points: Circle, lowestM: number, leastTangent: Float32Array, mask: BearingMask): boolean {
  const circle = circleOf(prism);
  const [dx, dy] = [circle.eastM - points.eastM, circle.northM - points.northM];
  const apartM = Math.hypot(dx, dy);
  const reachM = circle.radiusM + points.radiusM;
  if (apartM <= reachM) return false;
  const highest = (prism.heightM - lowestM) / (apartM - reachM);
  const half = Math.asin(reachM / apartM) / STEP + 1;
  const middle = Math.atan2(dx, dy) / STEP;
  for (let turn = Math.floor(middle - half); turn <= middle + half; turn++) {
    const bearing = ((turn % HORIZON_BEARINGS) + HORIZON_BEARINGS) % HORIZON_BEARINGS;
    if (mask[bearing] === 1 && (leastTangent[bearing] as number) < highest) return false;
  }
  return true;
}

const AT_ONCE = 64;

/**
 * The horizons of points among prisms, in steps: yields the share that is done, so that a worker can say so and stop.
 * Bearings outside the mask are left open. Heights are above the same level as the prisms'.
 */
export function* horizonSteps(
  points: readonly SpotPoint[],
  prisms: readonly Prism[],
  mask: BearingMask = EVERY_BEARING,
): Generator<number, Horizons> {
  const groundTenths = new Uint16Array(points.length * HORIZON_BEARINGS);
  const hanging: (Int16Array | null)[] = points.map(() => null);
  if (points.length === 0 || prisms.length === 0) return { groundTenths, hanging };
  const around = circleRound(points);
  const belts: Prism[][] = BELTS_M.map(() => []);
  for (const prism of prisms) belts[beltOf(prism, around)]?.push(prism);
  const tangents = points.map(() => new Float32Array(HORIZON_BEARINGS));
  const overhead: number[][] = points.map(() => []);
  for (const [belt, inBelt] of belts.entries()) {
    const seen = belt === 0 ? inBelt : visibleFrom(inBelt, points, around, tangents, mask);
    for (let k = 0; k < points.length && seen.length > 0; k++) {
      const point = points[k] as SpotPoint;
      const own = { ...point, radiusM: 0 };
      const mine = tangents[k] as Float32Array;
      for (const prism of seen) {
        if (belt > 0 && isHidden(prism, own, point.heightM, mine, mask)) continue;
        block(prism, point, mask, mine, overhead[k] as number[]);
      }
      if (k % AT_ONCE === AT_ONCE - 1) yield (belt + k / points.length) / BELTS_M.length;
    }
  }
  for (let k = 0; k < points.length; k++) {
    const ground = groundTenths.subarray(k * HORIZON_BEARINGS, (k + 1) * HORIZON_BEARINGS);
    const mine = tangents[k] as Float32Array;
    for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
      const tangent = mine[bearing] as number;
      if (tangent > 0 && mask[bearing] === 1)
        ground[bearing] = tangent === Infinity ? SHUT : Math.round(Math.atan(tangent) * TENTHS_PER_RADIAN);
    }
    hanging[k] = toTenths(overhead[k] as number[], ground);
  }
  return { groundTenths, hanging };
}

/** The prisms that some point may see over what is nearer; those that hang in the air hide nothing and are always kept. */
function visibleFrom(
  prisms: readonly Prism[],
  points: readonly SpotPoint[],
  around: Circle,
  tangents: readonly Float32Array[],
  mask: BearingMask,
): readonly Prism[] {
  if (prisms.length === 0) return prisms;
  const least = new Float32Array(HORIZON_BEARINGS).fill(Infinity);
  for (const mine of tangents) {
    for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
      if (mask[bearing] === 1 && (mine[bearing] as number) < (least[bearing] as number)) least[bearing] = mine[bearing] as number;
    }
  }
  const lowestM = points.reduce((low, { heightM }) => Math.min(low, heightM), Infinity);
  return prisms.filter((prism) => !isHidden(prism, around, lowestM, least, mask));
}

/** Raises the point's tangents by a prism that stands on its level or below, lists the intervals of one that hangs above. */
function block(prism: Prism, point: SpotPoint, mask: BearingMask, tangents: Float32Array, hanging: number[]): void {
  const aboveM = prism.heightM - point.heightM;
  if (aboveM <= 0) return;
  if (prism.baseM > point.heightM) {
    hangOver(prism, point, mask, tangents, hanging);
    return;
  }
  if (isInFootprint(prism, point)) {
    tangents.fill(Infinity);
    return;
  }
  let touches = false;
  for (const ring of prism.rings) touches = raise(ring, point, aboveM, mask, tangents) || touches;
  if (touches) blockInwards(prism, point, tangents);
}

/**
 * Raises the tangents to the top of a ring's walls, `aboveM` over the point: height ÷ distance along each bearing. Only
 * walls that face the point count, because a ray meets one of those first. True for a point on the ring itself.
 */
function raise(
  ring: Float64Array,
  { eastM, northM }: SpotPoint,
  aboveM: number,
  mask: BearingMask,
  tangents: Float32Array,
): boolean {
  let touches = false;
  const count = ring.length / 2;
  if (angles.length < count) angles = new Float64Array(count * 2);
  for (let k = 0; k < count; k++) {
    angles[k] = Math.atan2((ring[2 * k] as number) - eastM, (ring[2 * k + 1] as number) - northM) / STEP;
  }
  for (let k = 0, before = count - 1; k < count; before = k++) {
    const ax = (ring[2 * before] as number) - eastM;
    const ay = (ring[2 * before + 1] as number) - northM;
    const ex = (ring[2 * k] as number) - eastM - ax;
    const ey = (ring[2 * k + 1] as number) - northM - ay;
    const area = ax * ey - ay * ex;
    if (Math.abs(area) < TOUCH_M * (Math.abs(ex) + Math.abs(ey))) {
      if (ax * (ax + ex) + ay * (ay + ey) <= 0) touches = true;
      continue;
    }
    if (area > 0) continue;
    let from = angles[before] as number;
    let to = angles[k] as number;
    if (to < from) [from, to] = [to, from];
    if (to - from > HORIZON_BEARINGS / 2) [from, to] = [to, from + HORIZON_BEARINGS];
    const [perX, perY] = [(aboveM / area) * ey, (aboveM / area) * ex];
    const last = Math.floor(to + 1e-7);
    for (let turn = Math.ceil(from - 1e-7); turn <= last; turn++) {
      const bearing = turn < 0 ? turn + HORIZON_BEARINGS : turn >= HORIZON_BEARINGS ? turn - HORIZON_BEARINGS : turn;
      if (mask[bearing] === 0) continue;
      const tangent = (SIN[bearing] as number) * perX - (COS[bearing] as number) * perY;
      if (tangent > (tangents[bearing] as number)) tangents[bearing] = tangent;
    }
  }
  return touches;
}

/** From a point on a wall nothing is seen into the building, and everything out of it. */
function blockInwards(prism: Prism, { eastM, northM }: SpotPoint, tangents: Float32Array): void {
  const stepM = 1e-5;
  for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
    const [dx, dy] = [(SIN[bearing] as number) * stepM, (COS[bearing] as number) * stepM];
    if (isStrictlyInside(prism, eastM + dx, northM + dy)) tangents[bearing] = Infinity;
  }
}

/** Runs steps to their end at once. */
export function finish<Result>(steps: Generator<unknown, Result>): Result {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
}
