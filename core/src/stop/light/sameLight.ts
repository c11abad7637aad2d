import {
  angleBetweenDeg,
  dayClock,
  dayOfYear,
  type Place,
  type SunPosition,
  sunPosition,
  sunTrack,
  MINUTES_PER_DAY,
} from '../../light/index.js';
import { areTreesInLeaf, isSpotInSun, type SiteScene } from '../../streets/index.js';
import { checkPositive } from '../../units/index.js';
import { daysFrom, wallClocks } from './yearOfLight.js';

/** Days in a row on which the sun comes back to the same place. */
export interface SameLight {
  readonly fromDay: string;
  readonly toDay: string;
  /** The day of them on which it comes nearest, and when. */
  readonly day: string;
  readonly minuteOfDay: number;
  readonly apartDeg: number;
  /** Whether the walls let it in on that day; null where no walls are known. */
  readonly isLit: boolean | null;
}

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

interface Nearest {
  readonly apartDeg: number;
  readonly minuteOfDay: number;
  readonly sun: SunPosition;
}

/**
 * When the sun next stands within an angle of where it stood at a date and time that worked, in the `days` after it, runs
 * of days together. Sampled by the minute along one track. Null where the zone skipped that day or the sun was down then.
 * @throws TypeError, RangeError for a malformed day or zone, or an angle that is not above 0.
 */
export function sameLightAgain(
  scene: SiteScene | null,
  options: Place & {
    readonly timeZone: string;
    readonly day: string;
    readonly minuteOfDay: number;
    readonly withinDeg: number;
    readonly days?: number;
  },
): readonly SameLight[] | null {
  const { timeZone, latitude, longitude, day, minuteOfDay, withinDeg, days: count = 400 } = options;
  checkPositive('withinDeg', withinDeg);
  const clock = dayClock(day, timeZone);
  if (clock === null) return null;
  const then = sunPosition({ time: new Date(clock.msAt(minuteOfDay)), latitude, longitude, refraction: 'none' });
  if (then.altitudeDeg <= 0) return null;

  const days = daysFrom(day, count + 1).slice(1);
  const msAt = wallClocks(days, timeZone);
  const startMs = Date.parse(`${days[0] ?? ''}T00:00:00Z`) - DAY_MS;
  const track = sunTrack({
    start: new Date(startMs),
    end: new Date(startMs + (days.length + 3) * DAY_MS),
    stepS: 60,
    latitude,
    longitude,
    refraction: 'none',
  });
  const nearestOn = (k: number): Nearest | null => {
    let best: Nearest | null = null;
    const firstMs = msAt(k, 0);
    if (Number.isNaN(firstMs)) return null;
    for (let minute = 0; minute < MINUTES_PER_DAY; minute++) {
      const sample = Math.round((msAt(k, minute) - startMs) / MINUTE_MS);
      const sun = { azimuthDeg: track.azimuthDeg[sample] as number, altitudeDeg: track.altitudeDeg[sample] as number };
      // The height alone tells most minutes off, without a cosine.
      if (Math.abs(sun.altitudeDeg - then.altitudeDeg) > withinDeg) continue;
      const apartDeg = angleBetweenDeg(sun, then);
      if (apartDeg <= withinDeg && apartDeg < (best?.apartDeg ?? Infinity)) best = { apartDeg, minuteOfDay: minute, sun };
    }
    return best;
  };

  const runs: SameLight[] = [];
  let isRunning = false;
  days.forEach((date, k) => {
    const nearest = nearestOn(k);
    if (nearest === null) {
      isRunning = false;
      return;
    }
    const { sun, apartDeg } = nearest;
    const isLit = scene === null ? null : isSpotInSun(scene, sun, areTreesInLeaf(dayOfYear(date), latitude));
    const found: SameLight = { fromDay: date, toDay: date, day: date, minuteOfDay: nearest.minuteOfDay, apartDeg, isLit };
    const run = isRunning ? runs.pop() : undefined;
    if (run === undefined) runs.push(found);
    else runs.push(apartDeg < run.apartDeg ? { ...found, fromDay: run.fromDay } : { ...run, toDay: date });
    isRunning = true;
  });
  return runs;
}
