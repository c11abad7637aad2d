import { DateTime } from 'luxon';
import { remembered } from '../units/index.js';
import { dayClock, LAST_MINUTE, MINUTES_PER_DAY } from './dayClock.js';
import { MOST_DAYS } from './localDay.js';

const MINUTE_MS = 60_000;
/** A walk runs from the midnight of its day to noon of the next: so many minutes of the wall. */
export const MINUTES_PER_WALK = 1.5 * MINUTES_PER_DAY;
/** Minutes of a walk run from 0 to this. */
export const LAST_WALK_MINUTE = MINUTES_PER_WALK - 1;

/**
 * The minutes of a walk as the wall clocks of its two days show them, 0..2159 (from 1440 on the next day's and 1440 more),
 * against those that run between midnight and noon of the next day, and against instants. A clock change lies in either day.
 * Source: docs/formulas.md#walk-clock.
 */
export interface WalkClock {
  /** The day after, `YYYY-MM-DD`: where the zone skips one, the day after that. */
  readonly nextDay: string;
  /** Minutes that run from midnight to noon of the next day: 2160, an hour fewer or more where the clock changes. */
  readonly minutes: number;
  /** The instant at which the wall shows a minute, the first of two; where it skips one, the instant at which it goes on. */
  readonly msAt: (minute: number) => number;
  /** What the wall shows at an instant, with the fraction of the minute; below 0 before the day, from 2160 after its next noon. */
  readonly minuteAt: (timeMs: number) => number;
  /** What the wall shows so many minutes after midnight, whole, 0..2159. */
  readonly wallAt: (elapsedMin: number) => number;
  /** Whole minutes run when the wall first shows one, 0..`minutes`. */
  readonly elapsedAt: (wallMin: number) => number;
}

const plusDays = (day: string, days: number): string => DateTime.fromISO(day, { zone: 'utc' }).plus({ days }).toISODate() as string;

/** The day of a walk `YYYY-MM-DD` on which a minute of it lies. */
export function dayOfMinute(day: string, timeZone: string, minute: number): string {
  return minute < MINUTES_PER_DAY ? day : (walkClock(day, timeZone)?.nextDay ?? plusDays(day, 1));
}

const clockOf = remembered<WalkClock | null>(MOST_DAYS);

/** Null for a day that the zone skipped. @throws as `dayClock`. */
export function walkClock(day: string, timeZone: string): WalkClock | null {
  return clockOf(`${timeZone}/${day}`, () => newWalkClock(day, timeZone));
}

function newWalkClock(day: string, timeZone: string): WalkClock | null {
  const first = dayClock(day, timeZone);
  if (first === null) return null;
  const nextDay = dayClock(plusDays(day, 1), timeZone) === null ? plusDays(day, 2) : plusDays(day, 1);
  const next = dayClock(nextDay, timeZone);
  // No zone has ever skipped two days running.
  if (next === null) return null;
  const { startMs, endMs } = first.span;
  const msAt = (minute: number): number => (minute < MINUTES_PER_DAY ? first.msAt(minute) : next.msAt(minute - MINUTES_PER_DAY));
  const minuteAt = (timeMs: number): number => (timeMs < endMs ? first.minuteAt(timeMs) : MINUTES_PER_DAY + next.minuteAt(timeMs));
  const runBy = (timeMs: number): number => Math.round((timeMs - startMs) / MINUTE_MS);
  const minutes = runBy(msAt(MINUTES_PER_WALK));
  return {
    nextDay,
    minutes,
    msAt,
    minuteAt,
    wallAt(elapsedMin) {
      const timeMs = startMs + Math.min(minutes - 1, Math.max(0, Math.round(elapsedMin))) * MINUTE_MS;
      const minute = Math.floor(minuteAt(timeMs));
      return timeMs < endMs
        ? Math.min(LAST_MINUTE, Math.max(0, minute))
        : Math.min(LAST_WALK_MINUTE, Math.max(MINUTES_PER_DAY, minute));
    },
    elapsedAt: (wallMin) => Math.min(minutes, Math.max(0, runBy(msAt(wallMin)))),
  };
}
