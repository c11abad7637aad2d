import { RAD_PER_DEG } from '../units/index.js';
import type { Place } from '../light/index.js';
import type { Stop } from '../stop/index.js';

const EARTH_RADIUS_M = 6_371_008.8;
/** Streets are longer than the crow flies: the usual factor in an old town. */
const DETOUR = 1.25;
/** A leg between stops of which one has no position yet. */
const UNKNOWN_LEG_M = 400;

/** Great-circle distance on the mean sphere, metres (haversine). */
export function distanceBetweenM(a: Place, b: Place): number {
  const half = (deg: number): number => Math.sin((deg * RAD_PER_DEG) / 2) ** 2;
  const chord =
    half(b.latitude - a.latitude) +
    Math.cos(a.latitude * RAD_PER_DEG) * Math.cos(b.latitude * RAD_PER_DEG) * half(b.longitude - a.longitude);
  return 2 * EARTH_RADIUS_M * Math.asin(Math.min(1, Math.sqrt(chord)));
}

export interface Leg {
  readonly distanceM: number;
  readonly isEstimated: boolean;
  /** The stop's own walking time where it has one, else distance over pace, in whole minutes up. */
  readonly walkMin: number;
  /** When one would be at the stop walking straight on. */
  readonly reachMin: number;
  /** Minutes to spare before the stop's arrival; negative is late. */
  readonly spareMin: number;
}

/** The leg from one stop to the next. */
export function legBetween(from: Stop, to: Stop, paceMps: number): Leg {
  const known = from.position !== null && to.position !== null;
  const distanceM = known ? DETOUR * distanceBetweenM(from.position as Place, to.position as Place) : UNKNOWN_LEG_M;
  const walkMin = to.walkMin ?? Math.max(1, Math.ceil(distanceM / paceMps / 60));
  const reachMin = from.leaveMin + walkMin;
  return { distanceM, isEstimated: !known, walkMin, reachMin, spareMin: to.arriveMin - reachMin };
}

/** Legs between consecutive stops: one fewer than stops. */
export function walkLegs(stops: readonly Stop[], paceMps: number): readonly Leg[] {
  return stops.slice(1).map((to, k) => legBetween(stops[k] as Stop, to, paceMps));
}
