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
  readonly hung: readonly (Int16Array | null)[];
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
export function isOpen({ groundTenths, hung }: Horizons, point: number, { bearing, tenths }: SkyDirection): boolean {
  if (tenths <= 0 || tenths < (groundTenths[point * HORIZON_BEARINGS + bearing] as number)) return false;
  const intervals = hung[point];
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
export function skyShareOf({ groundTenths, hung }: Horizons, point: number): number {
  const squared = (tenths: number): number => Math.sin(Math.min(900, tenths) / TENTHS_PER_RADIAN) ** 2;
  let blocked = 0;
  for (let k = 0; k < HORIZON_BEARINGS; k++) blocked += squared(groundTenths[point * HORIZON_BEARINGS + k] as number);
  const intervals = hung[point] ?? [];
  for (let k = 0; k < intervals.length; k += 3) {
    blocked += squared(intervals[k + 2] as number) - squared(intervals[k + 1] as number);
  }
  return Math.max(0, 1 - blocked / HORIZON_BEARINGS);
}

/** Scratch of one point: tangents of what stands on the ground, crossings of what hangs. Reused, never shared out. */
const MOST_CROSSINGS = 24;
const crossings = new Float64Array(HORIZON_BEARINGS * MOST_CROSSINGS);
const crossingCount = new Uint8Array(HORIZON_BEARINGS);
let angles = new Float64Array(256);

/** Nearer than this a point is on the wall itself. */
const TOUCH_M = 1e-7;

/** Calls back with each bearing at which a ray from (x, y) meets the ring, and how far away; true for a point on the ring. */
function eachCrossing(
  ring: Float64Array,
  x: number,
  y: number,
  mask: BearingMask,
  meets: (bearing: number, distanceM: number) => void,
): boolean {
  let touches = false;
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
      else touches = true;
    }
  }
  return touches;
}

function isInFootprint(prism: Prism, { eastM, northM }: SpotPoint): boolean {
  const { minX, minY, maxX, maxY } = prism;
  return eastM > minX && eastM < maxX && northM > minY && northM < maxY && isStrictlyInside(prism, eastM, northM);
}

/** Blocked intervals of a prism that hangs over the point's height, bearing by bearing, onto `list` as tangents. */
function hangOver(prism: Prism, point: SpotPoint, mask: BearingMask, list: number[]): void {
  const { eastM, northM, heightM } = point;
  const low = prism.baseM - heightM;
  const high = prism.heightM - heightM;
  const isUnder = isInFootprint(prism, point);
  crossingCount.fill(0);
  for (const ring of prism.rings) {
    eachCrossing(ring, eastM, northM, mask, (bearing, distanceM) => {
      const count = crossingCount[bearing] as number;
      if (count === MOST_CROSSINGS) return;
      crossings[bearing * MOST_CROSSINGS + count] = distanceM;
      crossingCount[bearing] = count + 1;
    });
  }
  for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
    const count = crossingCount[bearing] as number;
    if (count === 0) continue;
    const met = crossings.subarray(bearing * MOST_CROSSINGS, bearing * MOST_CROSSINGS + count).sort();
    for (let k = isUnder ? -1 : 0; k + 1 < count; k += 2) {
      const enter = k < 0 ? 0 : (met[k] as number);
      list.push(bearing, low / (met[k + 1] as number), enter === 0 ? Infinity : high / enter);
    }
  }
}

/** Sorted, joined where they touch, without what the ground already blocks. */
function toTenths(list: readonly number[], ground: Uint16Array): Int16Array | null {
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

/** Farther than this from the points' middle a prism is first asked whether any of them can see it over the near ones. */
const NEAR_M = 60;

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

/** Whether over all of its bearings, from every one of the points, the prism stays under what is blocked already. */
function isHidden(prism: Prism, points: Circle, lowestM: number, leastTangent: Float32Array): boolean {
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
    if ((leastTangent[bearing] as number) < highest) return false;
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
  const hung: (Int16Array | null)[] = points.map(() => null);
  if (points.length === 0 || prisms.length === 0) return { groundTenths, hung };
  const around = circleRound(points);
  const gapM = (prism: Prism): number => {
    const { eastM, northM, radiusM } = circleOf(prism);
    return Math.hypot(eastM - around.eastM, northM - around.northM) - radiusM - around.radiusM;
  };
  const near = prisms.filter((prism) => gapM(prism) <= NEAR_M);
  const far = prisms.filter((prism) => gapM(prism) > NEAR_M);

  const tangents = points.map(() => new Float32Array(HORIZON_BEARINGS));
  const hanging: number[][] = points.map(() => []);
  const passes = far.length === 0 ? 1 : 2;
  for (let pass = 0; pass < passes; pass++) {
    const these = pass === 0 ? near : visibleFrom(far, points, around, tangents, mask);
    for (let k = 0; k < points.length; k++) {
      for (const prism of these) block(prism, points[k] as SpotPoint, mask, tangents[k] as Float32Array, hanging[k] as number[]);
      if (k % AT_ONCE === AT_ONCE - 1) yield (pass + k / points.length) / passes;
    }
  }
  for (let k = 0; k < points.length; k++) {
    const ground = groundTenths.subarray(k * HORIZON_BEARINGS, (k + 1) * HORIZON_BEARINGS);
    const mine = tangents[k] as Float32Array;
    for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
      const tangent = mine[bearing] as number;
      if (tangent > 0) ground[bearing] = tangent === Infinity ? SHUT : Math.round(Math.atan(tangent) * TENTHS_PER_RADIAN);
    }
    hung[k] = toTenths(hanging[k] as number[], ground);
  }
  return { groundTenths, hung };
}

function visibleFrom(
  far: readonly Prism[],
  points: readonly SpotPoint[],
  around: Circle,
  tangents: readonly Float32Array[],
  mask: BearingMask,
): readonly Prism[] {
  const least = Float32Array.from({ length: HORIZON_BEARINGS }, (_, bearing) =>
    mask[bearing] === 0 ? Infinity : tangents.reduce((low, mine) => Math.min(low, mine[bearing] as number), Infinity),
  );
  const lowestM = points.reduce((low, { heightM }) => Math.min(low, heightM), Infinity);
  return far.filter((prism) => !isHidden(prism, around, lowestM, least));
}

/** Raises the point's tangents by a prism that stands on its level or below, lists the intervals of one that hangs above. */
function block(prism: Prism, point: SpotPoint, mask: BearingMask, tangents: Float32Array, hanging: number[]): void {
  const aboveM = prism.heightM - point.heightM;
  if (aboveM <= 0) return;
  if (prism.baseM > point.heightM) {
    hangOver(prism, point, mask, hanging);
    return;
  }
  if (isInFootprint(prism, point)) {
    tangents.fill(Infinity);
    return;
  }
  let touches = false;
  for (const ring of prism.rings) {
    touches =
      eachCrossing(ring, point.eastM, point.northM, mask, (bearing, distanceM) => {
        const tangent = aboveM / distanceM;
        if (tangent > (tangents[bearing] as number)) tangents[bearing] = tangent;
      }) || touches;
  }
  if (touches) blockInwards(prism, point, tangents);
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
export function finish<Result>(steps: Generator<number, Result>): Result {
  for (;;) {
    const { done, value } = steps.next();
    if (done === true) return value;
  }
}
