import { DateTime } from 'luxon';
import {
  checkTimeZone,
  dayClock,
  dayOfYear,
  MINUTES_PER_DAY,
  type Place,
  type SunPosition,
  sunTrack,
  type SunTrack,
} from '../../light/index.js';
import { areTreesInLeaf, isSpotInSun, type SiteScene } from '../../streets/index.js';
import { bestOf, intentWays } from './quality.js';
import { isSpotSunlit } from './stopLight.js';
import { dayFrame, instantOf, type StopDayInput } from './stopDay.js';

/** A year of one stop in cells of ten minutes of the wall clock, a row of 144 a day. */
export const CARPET_STEP_MIN = 10;
export const CARPET_ROWS = MINUTES_PER_DAY / CARPET_STEP_MIN;

/**
 * Where a column of the carpet begins: at midnight, or at noon, so that the night of a date is one piece. Cells of a year follow
 * one another, so minute `m` of a walk on day `k` is cell `144 k + ⌊m / 10⌋` in both.
 */
export const CARPET_STARTS = [0, MINUTES_PER_DAY / 2] as const;

export const CARPET_STATES = ['night', 'shade', 'sun'] as const;
export type CarpetState = (typeof CARPET_STATES)[number];

export interface YearOfSun {
  /** Calendar days, in order. */
  readonly days: readonly string[];
  /** Numbers of CARPET_STATES at the subject's spot, 144 a day. */
  readonly states: Uint8Array;
}

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

/** `count` calendar days from `day` on. */
export function daysFrom(day: string, count: number): string[] {
  const start = DateTime.fromISO(day, { zone: 'utc' });
  return Array.from({ length: count }, (_, k) => start.plus({ days: k }).toFormat('yyyy-MM-dd'));
}

/** Instants of the wall clock's minutes on many days: the zone is asked twice a day, and minute by minute on odd ones only. */
export function wallClocks(days: readonly string[], timeZone: string): (day: number, minuteOfDay: number) => number {
  const zone = checkTimeZone(timeZone);
  const clocks = days.map((day) => {
    const midnightMs = Date.parse(`${day}T00:00:00Z`);
    const early = zone.offset(midnightMs - DAY_MS / 2);
    const late = zone.offset(midnightMs + 1.5 * DAY_MS);
    if (early === late) return (minuteOfDay: number) => midnightMs + (minuteOfDay - early) * MINUTE_MS;
    const clock = dayClock(day, timeZone);
    return (minuteOfDay: number) => clock?.msAt(minuteOfDay) ?? NaN;
  });
  return (day, minuteOfDay) => (clocks[day] as (minuteOfDay: number) => number)(minuteOfDay);
}

interface SunOfYear {
  readonly days: readonly string[];
  /** The sun in cell `row` of day `day`; null on a day that the zone skipped. */
  readonly at: (day: number, row: number) => SunPosition | null;
}

function sunOfYear({ latitude, longitude }: Place, days: readonly string[], timeZone: string): SunOfYear {
  const msAt = wallClocks(days, timeZone);
  const startMs = Date.parse(`${days[0] ?? ''}T00:00:00Z`) - DAY_MS;
  const stepMs = CARPET_STEP_MIN * MINUTE_MS;
  const track: SunTrack = sunTrack({
    start: new Date(startMs),
    end: new Date(startMs + (days.length + 3) * DAY_MS),
    stepS: stepMs / 1000,
    latitude,
    longitude,
    refraction: 'none',
  });
  return {
    days,
    at(day, row) {
      const ms = msAt(day, row * CARPET_STEP_MIN);
      if (Number.isNaN(ms)) return null;
      const sample = Math.round((ms - startMs) / stepMs);
      return { azimuthDeg: track.azimuthDeg[sample] as number, altitudeDeg: track.altitudeDeg[sample] as number };
    },
  };
}

export interface YearInput extends Omit<StopDayInput, 'cloud' | 'day'> {
  /** The first of its days. */
  readonly fromDay: string;
  readonly days?: number;
}

const DAYS_OF_YEAR = 365;

/** Night, shade or sun at the subject's spot through a year: look-ups along one track of the sun. */
export function yearOfSun(scene: SiteScene | null, input: YearInput): YearOfSun {
  const { fromDay, timeZone, latitude, site } = input;
  const days = daysFrom(fromDay, input.days ?? DAYS_OF_YEAR);
  const sun = sunOfYear(input, days, timeZone);
  const states = new Uint8Array(days.length * CARPET_ROWS);
  days.forEach((day, k) => {
    const isInLeaf = areTreesInLeaf(dayOfYear(day), latitude);
    for (let row = 0; row < CARPET_ROWS; row++) {
      const now = sun.at(k, row);
      if (now === null || now.altitudeDeg <= 0) continue;
      const isLit = scene === null ? isSpotSunlit(site.sunGap, now) : isSpotInSun(scene, now, isInLeaf);
      states[k * CARPET_ROWS + row] = isLit ? 2 : 1;
    }
  });
  return { days, states };
}

/** Qualities of some days of a year, as they come. */
export interface YearOfQuality {
  readonly days: readonly string[];
  /** 0..255 for 0..1, 144 a day; days that are still to come are 0. */
  readonly quality: Uint8Array;
  readonly daysDone: number;
}

/** Days after which a year of quality reports. */
const DAYS_AT_ONCE = 7;

/** How well the light suits the intent through a year under a clear sky, in steps of a week. */
export function* yearOfQualitySteps(scene: SiteScene | null, input: YearInput): Generator<YearOfQuality, YearOfQuality> {
  const days = daysFrom(input.fromDay, input.days ?? DAYS_OF_YEAR);
  const sun = sunOfYear(input, days, input.timeZone);
  const quality = new Uint8Array(days.length * CARPET_ROWS);
  const groundLit = new Uint8Array(24 * 24);
  for (let k = 0; k < days.length; k++) {
    const frame = dayFrame(scene, { ...input, cloud: 0, day: days[k] as string });
    for (let row = 0; row < CARPET_ROWS; row++) {
      const now = sun.at(k, row);
      if (now === null) continue;
      const ways = intentWays(instantOf(frame, now, row * CARPET_STEP_MIN, groundLit));
      quality[k * CARPET_ROWS + row] = Math.round(255 * bestOf(ways));
    }
    if (k % DAYS_AT_ONCE === DAYS_AT_ONCE - 1) yield { days, quality, daysDone: k + 1 };
  }
  return { days, quality, daysDone: days.length };
}

export interface BestDay {
  readonly day: string;
  /** Minutes of good light, each weighted by its quality. */
  readonly goodMinutes: number;
  /** The best stretch of an hour, by its middle, in minutes of a walk of that day: from 1440 on the next day's. */
  readonly bestMin: number;
}

/**
 * The days of a year on which an intent has most light, best first; days that are within a week of a better one left out.
 * With `fromMin` 720 a day runs from its noon to the next, so that its night is one: the last of `days` has no such night.
 */
export function bestDays(
  { days, quality }: Pick<YearOfQuality, 'days' | 'quality'>,
  count = 5,
  fromMin: (typeof CARPET_STARTS)[number] = 0,
): readonly BestDay[] {
  const first = fromMin / CARPET_STEP_MIN;
  const whole = fromMin === 0 ? days : days.slice(0, -1);
  const all = whole.map((day, k): BestDay => {
    const from = first + k * CARPET_ROWS;
    const row = Array.from(quality.subarray(from, from + CARPET_ROWS), (value) => value / 255);
    const good = row.map((value) => (value >= 0.25 ? value : 0));
    let best = { sum: 0, from: 0 };
    for (let from = 0; from + 6 <= CARPET_ROWS; from++) {
      const sum = good.slice(from, from + 6).reduce((a, b) => a + b, 0);
      if (sum > best.sum + 1e-9) best = { sum, from };
    }
    const bestMin = fromMin + (best.from + 3) * CARPET_STEP_MIN;
    return { day, goodMinutes: CARPET_STEP_MIN * good.reduce((a, b) => a + b, 0), bestMin };
  });
  const ranked = all
    .filter(({ goodMinutes }) => goodMinutes > 0)
    .sort((a, b) => b.goodMinutes - a.goodMinutes || (a.day < b.day ? -1 : 1));
  const apartDays = (a: string, b: string): number => Math.abs(Date.parse(a) - Date.parse(b)) / DAY_MS;
  return ranked.reduce<BestDay[]>(
    (kept, next) => (kept.length < count && kept.every(({ day }) => apartDays(day, next.day) > 7) ? [...kept, next] : kept),
    [],
  );
}
