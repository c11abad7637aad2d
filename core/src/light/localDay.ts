import { DateTime, IANAZone } from 'luxon';
import { describeValue, rangeError } from '../units/index.js';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

export interface DaySpan {
  readonly startMs: number;
  /** First instant of the next local day. */
  readonly endMs: number;
}

export function checkTimeZone(timeZone: unknown): IANAZone {
  if (typeof timeZone !== 'string') throw new TypeError(`timeZone must be an IANA zone name, got ${describeValue(timeZone)}`);
  const isOffset = /^[+-]/.test(timeZone);
  if (isOffset || !IANAZone.isValidZone(timeZone)) throw rangeError('timeZone', 'an IANA zone name', timeZone);
  return IANAZone.create(timeZone);
}

/** Days since 1970-01-01 of a calendar day, read as a bare date. */
function checkDay(day: unknown): number {
  if (typeof day !== 'string') throw new TypeError(`day must be a string 'YYYY-MM-DD', got ${describeValue(day)}`);
  const parsed = /^\d{4}-\d{2}-\d{2}$/.test(day) ? DateTime.fromISO(day, { zone: 'utc' }) : null;
  if (parsed === null || !parsed.isValid) throw rangeError('day', "a calendar day 'YYYY-MM-DD'", day);
  return Math.round(parsed.toMillis() / DAY_MS);
}

/** First instant at which the zone's calendar shows day number `dayNumber` or a later one. */
function firstInstantOf(dayNumber: number, zone: IANAZone): number {
  const shows = (timeMs: number): boolean => Math.floor((timeMs + zone.offset(timeMs) * MINUTE_MS) / DAY_MS) >= dayNumber;
  let before = dayNumber * DAY_MS - 1.5 * DAY_MS;
  let after = dayNumber * DAY_MS + 1.5 * DAY_MS;
  while (after - before > 1) {
    const middle = Math.floor((before + after) / 2);
    if (shows(middle)) after = middle;
    else before = middle;
  }
  return after;
}

/**
 * The instants of a calendar day as its IANA zone keeps it (23, 24 or 25 hours, or others);
 * null for a day that the zone skipped.
 * @throws TypeError, RangeError for a malformed day or an unknown zone.
 */
export function localDaySpan(day: string, timeZone: string): DaySpan | null {
  const dayNumber = checkDay(day);
  const zone = checkTimeZone(timeZone);
  const startMs = firstInstantOf(dayNumber, zone);
  const endMs = firstInstantOf(dayNumber + 1, zone);
  return endMs > startMs ? { startMs, endMs } : null;
}
