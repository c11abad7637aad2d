import { DateTime } from 'luxon';
import { checkTimeZone, type DaySpan, localDaySpan } from './localDay.js';

const MINUTE_MS = 60_000;
export const MINUTES_PER_DAY = 1440;
/** Minutes of the day run from 0 to this. */
export const LAST_MINUTE = MINUTES_PER_DAY - 1;

/** A calendar day whose minutes are those of the clock on the wall, 0..1439, whatever the zone does that day. */
export interface DayClock {
  readonly span: DaySpan;
  /** The instant at which the wall clock shows this minute (the first of two; the hour after a skipped one). */
  readonly msAt: (minuteOfDay: number) => number;
}

/** Null for a day that the zone skipped. @throws TypeError, RangeError for a malformed day or an unknown zone. */
export function dayClock(day: string, timeZone: string): DayClock | null {
  const span = localDaySpan(day, timeZone);
  if (span === null) return null;
  const zone = checkTimeZone(timeZone);
  const offsetMs = (timeMs: number): number => zone.offset(timeMs) * MINUTE_MS;
  const atStartMs = offsetMs(span.startMs);
  const dayMs = MINUTES_PER_DAY * MINUTE_MS;
  const midnight = Math.floor((span.startMs + atStartMs) / dayMs) * dayMs;
  // Asking the zone is slow; on all but a few days a year one answer serves the whole day.
  const isSteady = span.endMs - span.startMs === dayMs && offsetMs(span.endMs - 1) === atStartMs;
  return {
    span,
    msAt(minuteOfDay) {
      const wall = midnight + minuteOfDay * MINUTE_MS;
      return isSteady ? wall - atStartMs : wall - offsetMs(wall - atStartMs);
    },
  };
}

/** Day of the year of a calendar day `YYYY-MM-DD`, 1 on the first of January. */
export function dayOfYear(day: string): number {
  return DateTime.fromISO(day, { zone: 'utc' }).ordinal;
}
