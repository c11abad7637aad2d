import { isStrictlyInside, type Prism } from '../../light/index.js';
import { type BearingMask, COS, HORIZON_BEARINGS, SHUT, SIN, type SpotPoint, STEP, TENTHS_PER_RADIAN } from './horizon.js';

/** One prism's part in the horizons of one place: what stands raises them, what hangs in the air blocks intervals over them. */

/** A place in plan with one or two heights over it, which see the same walls at the same bearings. */
export interface Station {
  readonly eastM: number;
  readonly northM: number;
  readonly lowM: number;
  /** Null where there is but one. */
  readonly highM: number | null;
  /** Tangents up to which whatever stands on the ground blocks, by bearing, from either height. */
  readonly low: Float32Array;
  readonly high: Float32Array;
  /** Intervals above open air, as tangents: bearing, low, high. */
  readonly overLow: number[];
  readonly overHigh: number[];
  readonly mask: BearingMask;
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

function isInFootprint(prism: Prism, { eastM, northM }: Pick<SpotPoint, 'eastM' | 'northM'>): boolean {
  const { minX, minY, maxX, maxY } = prism;
  return eastM > minX && eastM < maxX && northM > minY && northM < maxY && isStrictlyInside(prism, eastM, northM);
}

/** Bearings that one prism's crossings lie at. */
const touched = new Int16Array(HORIZON_BEARINGS);

/**
 * Blocked intervals of a prism that hangs over the point's height, bearing by bearing, onto `list` as tangents; without
 * those that lie under what the ground blocks already.
 */
function addOverhang(
  prism: Prism,
  station: Pick<SpotPoint, 'eastM' | 'northM'>,
  heightM: number,
  mask: BearingMask,
  tangents: Float32Array,
  list: number[],
): void {
  const { eastM, northM } = station;
  const low = prism.baseM - heightM;
  const high = prism.heightM - heightM;
  const isUnder = isInFootprint(prism, station);
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

const PACK = 1024;

/** Sorted, joined where they touch, without what the ground already blocks. Packed into numbers, which sort fast. */
export function bearingTenths(list: readonly number[], ground: Uint16Array): Int16Array | null {
  if (list.length === 0) return null;
  const packed = new Float64Array(list.length / 3);
  const tenths = (tangent: number): number => Math.round(Math.atan(tangent) * TENTHS_PER_RADIAN);
  for (let k = 0; k < list.length; k += 3) {
    const [bearing, low, high] = [list[k] as number, tenths(list[k + 1] as number), tenths(list[k + 2] as number)];
    packed[k / 3] = (bearing * PACK + low) * PACK + high;
  }
  packed.sort();
  const joined = new Int16Array(list.length);
  let count = 0;
  for (const one of packed) {
    const high = one % PACK;
    const rest = (one - high) / PACK;
    const low = rest % PACK;
    const bearing = (rest - low) / PACK;
    if (low <= (ground[bearing] as number)) ground[bearing] = Math.max(ground[bearing] as number, high >= 900 ? SHUT : high);
    else if (count > 0 && joined[count - 3] === bearing && low <= (joined[count - 1] as number))
      joined[count - 1] = Math.max(joined[count - 1] as number, high);
    else if (high > low) {
      joined[count] = bearing;
      joined[count + 1] = low;
      joined[count + 2] = high;
      count += 3;
    }
  }
  let kept = 0;
  for (let k = 0; k < count; k += 3) {
    if ((joined[k + 2] as number) <= (ground[joined[k] as number] as number)) continue;
    joined.copyWithin(kept, k, k + 3);
    kept += 3;
  }
  return kept === 0 ? null : joined.slice(0, kept);
}

/** Raises the station's tangents by a prism that stands on its level or below, lists the intervals of one that hangs above. */
export function blockSpan(prism: Prism, station: Station, mask: BearingMask, seesLow: boolean, seesHigh: boolean): void {
  const { lowM, low, high, overLow, overHigh } = station;
  const highM = station.highM ?? lowM;
  const [hangsLow, hangsHigh] = [seesLow && prism.baseM > lowM, seesHigh && prism.baseM > highM];
  if (hangsLow) addOverhang(prism, station, lowM, mask, low, overLow);
  if (hangsHigh) addOverhang(prism, station, highM, mask, high, overHigh);
  const [standsLow, standsHigh] = [seesLow && !hangsLow, seesHigh && !hangsHigh];
  if (!standsLow && !standsHigh) return;
  if (isInFootprint(prism, station)) {
    if (standsLow) low.fill(Infinity);
    if (standsHigh) high.fill(Infinity);
    return;
  }
  const [aboveLowM, aboveHighM] = [standsLow ? prism.heightM - lowM : 0, standsHigh ? prism.heightM - highM : 0];
  let touches = false;
  for (const ring of prism.rings) touches = raiseHorizonBy(ring, station, aboveLowM, aboveHighM, mask) || touches;
  if (touches && standsLow) blockInwards(prism, station, low);
  if (touches && standsHigh) blockInwards(prism, station, high);
}

/**
 * Raises the tangents to the top of a ring's walls, so far over the station's heights: height ÷ distance along each bearing.
 * Only walls that face the station count, because a ray meets one of those first. True for a point on the ring itself.
 */
function raiseHorizonBy(ring: Float64Array, station: Station, aboveLowM: number, aboveHighM: number, mask: BearingMask): boolean {
  const { eastM, northM, low, high } = station;
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
    const lowX = (aboveLowM / area) * ey;
    const lowY = (aboveLowM / area) * ex;
    const highX = (aboveHighM / area) * ey;
    const highY = (aboveHighM / area) * ex;
    const last = Math.floor(to + 1e-7);
    for (let turn = Math.ceil(from - 1e-7); turn <= last; turn++) {
      const bearing = turn < 0 ? turn + HORIZON_BEARINGS : turn >= HORIZON_BEARINGS ? turn - HORIZON_BEARINGS : turn;
      if (mask[bearing] === 0) continue;
      const sin = SIN[bearing] as number;
      const cos = COS[bearing] as number;
      const fromLow = sin * lowX - cos * lowY;
      if (fromLow > (low[bearing] as number)) low[bearing] = fromLow;
      const fromHigh = sin * highX - cos * highY;
      if (fromHigh > (high[bearing] as number)) high[bearing] = fromHigh;
    }
  }
  return touches;
}

/** From a point on a wall nothing is seen into the building, and everything out of it. */
function blockInwards(prism: Prism, { eastM, northM }: Pick<SpotPoint, 'eastM' | 'northM'>, tangents: Float32Array): void {
  const stepM = 1e-5;
  for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
    const [dx, dy] = [(SIN[bearing] as number) * stepM, (COS[bearing] as number) * stepM];
    if (isStrictlyInside(prism, eastM + dx, northM + dy)) tangents[bearing] = Infinity;
  }
}
