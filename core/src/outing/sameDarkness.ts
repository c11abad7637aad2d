import { MINUTES_PER_DAY, type Place, sunPosition, walkClock } from '../light/index.js';

/** Below this night is night (s): the end of astronomical twilight. */
const NIGHT_DEG = -18;
/** The sun moves by less than this in a minute. */
const NEAR_DEG = 0.3;
const LOOK_MIN = 5;

/**
 * The minute of a walk on another day (0..2159) at which the sun stands as far below the horizon as it did, and goes the same way, down or
 * up. In the night it is the same minute. Null where the sun does not come there, or the zone skips a day.
 * @throws TypeError, RangeError for a malformed day or zone.
 */
export function sameDarkness(
  { latitude, longitude, timeZone }: Place & { readonly timeZone: string },
  { day, minuteOfDay }: { readonly day: string; readonly minuteOfDay: number },
  onDay: string,
): number | null {
  const [clock, there] = [walkClock(day, timeZone), walkClock(onDay, timeZone)];
  if (clock === null || there === null) return null;
  const altitudeAt = ({ msAt }: typeof clock, minute: number): number =>
    sunPosition({ time: new Date(msAt(minute)), latitude, longitude, refraction: 'none' }).altitudeDeg;
  const then = altitudeAt(clock, minuteOfDay);
  if (then < NIGHT_DEG) return altitudeAt(there, minuteOfDay) < NIGHT_DEG ? minuteOfDay : null;
  const isFalling = altitudeAt(clock, minuteOfDay + LOOK_MIN) < then;
  let best: { minute: number; apart: number } | null = null;
  // After midnight it is the night of the same evening that is looked through, noon to noon.
  const firstMin = minuteOfDay < MINUTES_PER_DAY ? 0 : MINUTES_PER_DAY / 2;
  for (let minute = firstMin; minute < firstMin + MINUTES_PER_DAY; minute++) {
    const altitude = altitudeAt(there, minute);
    const apart = Math.abs(altitude - then);
    if (apart > NEAR_DEG || altitudeAt(there, minute + LOOK_MIN) < altitude !== isFalling) continue;
    if (best === null || apart < best.apart) best = { minute, apart };
  }
  return best?.minute ?? null;
}
