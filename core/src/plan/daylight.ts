import { dayClock, MINUTES_PER_DAY, sunEvents, sunPosition } from '../light/index.js';

import type { Walk } from '../walk/index.js';

const CIVIL_DEG = -6;

/**
 * First and last light of a walk's day as minutes of its clock: the sun six degrees under. The whole day where it does not go
 * so low, null where it does not rise so high or the zone skips the day.
 */
export function daylightOf({
  day,
  place,
}: Pick<Walk, 'day' | 'place'>): { readonly fromMin: number; readonly toMin: number } | null {
  const clock = dayClock(day, place.timeZone);
  if (clock === null) return null;
  const { civilDawn, civilDusk, solarNoon } = sunEvents({ ...place, day });
  const minuteOf = (time: Date): number => Math.round(clock.minuteAt(time.getTime()));
  if (civilDawn === null && civilDusk === null) {
    if (solarNoon === null || sunPosition({ ...place, time: solarNoon }).altitudeDeg < CIVIL_DEG) return null;
    return { fromMin: 0, toMin: MINUTES_PER_DAY };
  }
  const fromMin = civilDawn === null ? 0 : minuteOf(civilDawn);
  const toMin = civilDusk === null ? MINUTES_PER_DAY : minuteOf(civilDusk);
  // Where clocks and sun are half a day apart the light goes over midnight.
  return fromMin < toMin ? { fromMin, toMin } : { fromMin: 0, toMin: MINUTES_PER_DAY };
}
