import { checkOptions } from '../units/index.js';
import { type DaySpan, localDaySpan } from './localDay.js';
import { sunEphemeris, type SunFromPlace, sunFromPlace } from './sunEphemeris.js';
import { checkPlace, type Place } from './sunPosition.js';

const CROSSINGS = {
  sunrise: { altitudeDeg: -0.8333, rising: true },
  sunset: { altitudeDeg: -0.8333, rising: false },
  civilDawn: { altitudeDeg: -6, rising: true },
  civilDusk: { altitudeDeg: -6, rising: false },
  nauticalDawn: { altitudeDeg: -12, rising: true },
  nauticalDusk: { altitudeDeg: -12, rising: false },
  astronomicalDawn: { altitudeDeg: -18, rising: true },
  astronomicalDusk: { altitudeDeg: -18, rising: false },
  lowSunMorningEnd: { altitudeDeg: 6, rising: true },
  lowSunEveningStart: { altitudeDeg: 6, rising: false },
} as const;

type Crossing = keyof typeof CROSSINGS;

export type SunEvents = Readonly<Record<Crossing | 'solarNoon', Date | null>>;

const STEP_MS = 4 * 60_000;
const EXACT_MS = 50;

/** Root of a function that changes sign between the two instants, by bisection. */
function bisect(sign: (timeMs: number) => boolean, fromMs: number, toMs: number): number {
  const atStart = sign(fromMs);
  let low = fromMs;
  let high = toMs;
  while (high - low > EXACT_MS) {
    const middle = (low + high) / 2;
    if (sign(middle) === atStart) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

/** Top or bottom of the sun's arc between two instants, by golden section. */
function extremum(altitude: (timeMs: number) => number, fromMs: number, toMs: number, top: boolean): number {
  const GOLDEN = 0.6180339887498949;
  const better = (a: number, b: number): boolean => (top ? altitude(a) > altitude(b) : altitude(a) < altitude(b));
  let low = fromMs;
  let high = toMs;
  while (high - low > 1000) {
    const left = high - GOLDEN * (high - low);
    const right = low + GOLDEN * (high - low);
    if (better(left, right)) high = right;
    else low = left;
  }
  return (low + high) / 2;
}

/** Sample instants of the day, with the turning points of the arc among them, so that no grazing crossing hides. */
function instantsOf({ startMs, endMs }: DaySpan, altitude: (timeMs: number) => number): number[] {
  const instants: number[] = [];
  for (let timeMs = startMs; timeMs < endMs; timeMs += STEP_MS) instants.push(timeMs);
  instants.push(endMs);
  const heights = instants.map(altitude);
  const turning: number[] = [];
  for (let k = 1; k < instants.length - 1; k++) {
    const [before, here, after] = [heights[k - 1] as number, heights[k] as number, heights[k + 1] as number];
    const isTop = here >= before && here >= after;
    const isBottom = here <= before && here <= after;
    if (isTop || isBottom) turning.push(extremum(altitude, instants[k - 1] as number, instants[k + 1] as number, isTop));
  }
  return [...instants, ...turning].sort((a, b) => a - b);
}

function firstCrossing(
  sun: SunFromPlace,
  instants: readonly number[],
  endMs: number,
  { altitudeDeg, rising }: { readonly altitudeDeg: number; readonly rising: boolean },
): Date | null {
  const isUp = (timeMs: number): boolean => sun.altitudeDeg(timeMs) >= altitudeDeg;
  for (let k = 1; k < instants.length; k++) {
    const [from, to] = [instants[k - 1] as number, instants[k] as number];
    const [upBefore, upAfter] = [isUp(from), isUp(to)];
    if (upBefore === upAfter || upAfter !== rising) continue;
    const crossingMs = bisect(isUp, from, to);
    return crossingMs < endMs ? new Date(Math.round(crossingMs)) : null;
  }
  return null;
}

function meridianPassage(sun: SunFromPlace, { startMs, endMs }: DaySpan): Date | null {
  const isPast = (timeMs: number): boolean => sun.hourAngleDeg(timeMs) >= 0;
  const HOUR_MS = 3_600_000;
  for (let from = startMs; from < endMs; from += HOUR_MS) {
    const to = Math.min(endMs, from + HOUR_MS);
    const [before, after] = [sun.hourAngleDeg(from), sun.hourAngleDeg(to)];
    if (before < 0 && after >= 0 && after - before < 180) return new Date(Math.round(bisect(isPast, from, to)));
    if (before === 0) return new Date(from);
  }
  return null;
}

/**
 * The sun's events of a local calendar day. Altitudes are geometric: rise and set at −0.8333°, twilights at −6, −12,
 * −18°, low sun at +6°; solarNoon is the meridian passage. Null where an event does not happen that day, the first
 * where it happens twice, all null on a day that the zone skipped. Within 30 s (60 s beyond 60° latitude).
 * @throws TypeError, RangeError as in docs/formulas.md#ranges.
 */
export function sunEvents(options: Place & { readonly day: string; readonly timeZone: string }): SunEvents {
  checkOptions('options', options);
  const { day, timeZone, latitude, longitude } = options;
  checkPlace(options);
  const span = localDaySpan(day, timeZone);
  const names = Object.keys(CROSSINGS) as Crossing[];
  if (span === null) {
    return { ...(Object.fromEntries(names.map((name) => [name, null])) as Record<Crossing, null>), solarNoon: null };
  }
  const sun = sunFromPlace(sunEphemeris(span.startMs, span.endMs), latitude, longitude);
  const instants = instantsOf(span, (timeMs) => sun.altitudeDeg(timeMs));
  const crossings = Object.fromEntries(
    names.map((name) => [name, firstCrossing(sun, instants, span.endMs, CROSSINGS[name])]),
  ) as Record<Crossing, Date | null>;
  return { ...crossings, solarNoon: meridianPassage(sun, span) };
}
