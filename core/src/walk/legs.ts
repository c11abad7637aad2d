import { RAD_PER_DEG } from '../units/index.js';
import type { Place } from '../light/index.js';
import type { Stop } from '../stop/index.js';
import { footMinutes, type FootWay } from '../streets/index.js';

const EARTH_RADIUS_M = 6_371_008.8;
/** Streets are longer than the crow flies: the usual factor in an old town (s). */
const DETOUR = 1.3;
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

/** How the length of a leg is known: along the map's streets, straight with a detour, or not at all yet. */
export type LegCourse =
  { readonly kind: 'streets'; readonly way: FootWay } | { readonly kind: 'straight' } | { readonly kind: 'unknown' };

export interface Leg {
  readonly course: LegCourse;
  readonly distanceM: number;
  /** The stop's own walking time where it has one, else by distance, steps and pace, in whole minutes up. */
  readonly walkMin: number;
  /** When one would be at the stop walking straight on. */
  readonly reachMin: number;
  /** Minutes to spare before the stop's arrival; negative is late. */
  readonly spareMin: number;
}

/** How one gets from a place to another, by a way that has been found or straight, and how long that is. */
function courseBetween(
  from: Place | null,
  to: Place | null,
  way: FootWay | null,
): { readonly course: LegCourse; readonly length: Pick<FootWay, 'lengthM' | 'stepsM'> } {
  if (from === null || to === null) return { course: { kind: 'unknown' }, length: { lengthM: UNKNOWN_LEG_M, stepsM: 0 } };
  if (way !== null) return { course: { kind: 'streets', way }, length: way };
  return { course: { kind: 'straight' }, length: { lengthM: DETOUR * distanceBetweenM(from, to), stepsM: 0 } };
}

/** How far it is on foot from one place to another where no way is known: straight, with a detour. */
export function footLengthM(from: Place, to: Place): number {
  return courseBetween(from, to, null).length.lengthM;
}

/** Whole minutes on foot, up, by distance, steps and pace; a minute at the least, but none to where one is. */
export function minutesOnFoot(from: Place | null, to: Place | null, paceMps: number, way: FootWay | null = null): number {
  const isHere = from !== null && to !== null && distanceBetweenM(from, to) === 0;
  return isHere ? 0 : Math.max(1, Math.ceil(footMinutes(courseBetween(from, to, way).length, paceMps)));
}

/** The leg from one stop to the next, along a way that has been found, or straight. */
export function legBetween(from: Stop, to: Stop, paceMps: number, way: FootWay | null = null): Leg {
  const { course, length } = courseBetween(from.position, to.position, way);
  const walkMin = to.walkMin ?? Math.max(1, Math.ceil(footMinutes(length, paceMps)));
  const reachMin = from.leaveMin + walkMin;
  return { course, distanceM: length.lengthM, walkMin, reachMin, spareMin: to.arriveMin - reachMin };
}

/** The way between two stops that follow one another, where one has been found. */
export type WayBetween = (from: Stop, to: Stop) => FootWay | null;

/** Legs between consecutive stops: one fewer than stops. */
export function walkLegs(stops: readonly Stop[], paceMps: number, wayBetween: WayBetween = () => null): readonly Leg[] {
  return stops.slice(1).map((to, k) => {
    const from = stops[k] as Stop;
    return legBetween(from, to, paceMps, wayBetween(from, to));
  });
}
