import { type DayClock, dayClock, dayOfYear, MINUTES_PER_DAY, type Place, sunPosition, sunTrack } from '../light/index.js';
import { type LightWindow, lightWindows, WINDOW_RULES } from './lightWindows.js';
import { candidRamps, intentRamps, type QualityInput, type SiteOfDay } from './quality.js';
import { type StopLight, stopLightAt } from './stopLight.js';

/** A stop's day by the minutes of the wall clock, 0..1439; plain arrays, so that a worker can hand them over. */
export interface StopDay {
  /** EV100 of the metered surface. */
  readonly keyEv100: Float32Array;
  /** 1 where the sun reaches the spot. */
  readonly isLit: Uint8Array;
  /** Geometric. */
  readonly sunAltitudeDeg: Float32Array;
  /** Ascending. */
  readonly windows: readonly LightWindow[];
}

export interface SiteDay extends Place {
  readonly site: SiteOfDay;
  readonly day: string;
  readonly timeZone: string;
  /** 0 clear, 0.5 hazy, 1 overcast. */
  readonly cloud: number;
}

export interface StopDayInput extends SiteDay {
  /** Half of the lens's horizontal field. */
  readonly halfFieldDeg: number;
}

const SHORTEST_CANDID_MIN = 10;
const SHORTEST_INTO_THE_SUN_MIN = 3;

function windowsOf(inputs: readonly QualityInput[], { intent }: SiteOfDay): readonly LightWindow[] {
  if (intent.kind !== 'passingCandid') {
    const shortestMin = intent.kind === 'intoTheSun' ? SHORTEST_INTO_THE_SUN_MIN : WINDOW_RULES.shortestMin;
    return lightWindows(inputs.map(intentRamps), { ...WINDOW_RULES, shortestMin });
  }
  const rules = { ...WINDOW_RULES, shortestMin: SHORTEST_CANDID_MIN };
  const sides = (['sun', 'shade'] as const).filter((side) => intent.light === 'either' || intent.light === side);
  return sides
    .flatMap((side) =>
      lightWindows(
        inputs.map((input) => candidRamps(input, side)),
        rules,
        side,
      ),
    )
    .sort((a, b) => a.fromMin - b.fromMin);
}

function minuteInputs({ site, day, cloud, halfFieldDeg, latitude, longitude }: StopDayInput, clock: DayClock): QualityInput[] {
  const { startMs, endMs } = clock.span;
  const { timesMs, azimuthDeg, altitudeDeg } = sunTrack({
    start: new Date(startMs),
    end: new Date(endMs),
    stepS: 60,
    latitude,
    longitude,
    refraction: 'none',
  });
  const yearDay = dayOfYear(day);
  return Array.from({ length: MINUTES_PER_DAY }, (_, minuteOfDay) => {
    const elapsed = Math.round((clock.msAt(minuteOfDay) - startMs) / 60_000);
    const sample = Math.min(timesMs.length - 1, Math.max(0, elapsed));
    const sun = { azimuthDeg: azimuthDeg[sample] as number, altitudeDeg: altitudeDeg[sample] as number };
    const instant = { site, sun, cloud, dayOfYear: yearDay, minuteOfDay };
    return { instant, light: stopLightAt(instant), halfFieldDeg };
  });
}

/**
 * A stop's light minute by minute and the windows of its intent, from sun position, bearings and hour alone.
 * Null on a day that the zone skipped. @throws TypeError, RangeError for a malformed day, zone or place.
 */
export function stopDay(input: StopDayInput): StopDay | null {
  const clock = dayClock(input.day, input.timeZone);
  if (clock === null) return null;
  const inputs = minuteInputs(input, clock);
  return {
    keyEv100: Float32Array.from(inputs, ({ light }) => light.keyEv100),
    isLit: Uint8Array.from(inputs, ({ light }) => Number(light.isLit)),
    sunAltitudeDeg: Float32Array.from(inputs, ({ light }) => light.sun.altitudeDeg),
    windows: windowsOf(inputs, input.site),
  };
}

/** The light at one minute of the wall clock; null on a day that the zone skipped. Throws as `stopDay` does. */
export function stopLightOn(input: SiteDay & { readonly minuteOfDay: number }): StopLight | null {
  const { site, day, timeZone, cloud, latitude, longitude, minuteOfDay } = input;
  const clock = dayClock(day, timeZone);
  if (clock === null) return null;
  const sun = sunPosition({ time: new Date(clock.msAt(minuteOfDay)), latitude, longitude, refraction: 'none' });
  return stopLightAt({ site, sun, cloud, dayOfYear: dayOfYear(day), minuteOfDay });
}
