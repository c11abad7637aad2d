import { RAD_PER_DEG } from '../../units/index.js';
/**
 * What stands round a point, by bearing: the altitudes at which a ray from it is blocked. Then sun or shade at a minute
 * is a look-up. Bearings 0.5° apart, altitudes in tenths of a degree; docs/formulas.md#horizon.
 */

export const HORIZON_BEARINGS = 720;
const PER_DEGREE = HORIZON_BEARINGS / 360;
/** Between two bearings, radians. */
export const STEP = RAD_PER_DEG / PER_DEGREE;
export const TENTHS_PER_RADIAN = 1800 / Math.PI;
/** Over the zenith: no sun gets past it. */
export const SHUT = 901;

export const SIN = Float64Array.from({ length: HORIZON_BEARINGS }, (_, k) => Math.sin(k * STEP));
export const COS = Float64Array.from({ length: HORIZON_BEARINGS }, (_, k) => Math.cos(k * STEP));

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
  const before = (bearing: number): number => Math.max(0, Math.cos(bearing * STEP - normalDeg * RAD_PER_DEG));
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
