import { describeValue, rangeError } from '../units/index.js';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;

export interface DaySpan {
  readonly startMs: number;
  /** First instant of the next local day. */
  readonly endMs: number;
}

/** A zone's clock against UTC, from the runtime's own IANA data. */
export interface ZoneClock {
  /** Minutes that the zone's clock is ahead of UTC at an instant. */
  readonly offset: (timeMs: number) => number;
}

const clocks = new Map<string, ZoneClock>();

function createClock(timeZone: string): ZoneClock {
  const format = new Intl.DateTimeFormat('en-US', {
    timeZone,
    calendar: 'gregory',
    hourCycle: 'h23',
    era: 'short',
    year: 'numeric',
    month: 'numeric',
    day: 'numeric',
    hour: 'numeric',
    minute: 'numeric',
    second: 'numeric',
  });
  return {
    offset(timeMs) {
      const parts = Object.fromEntries(format.formatToParts(timeMs).map(({ type, value }) => [type, value]));
      const year = parts['era'] === 'BC' ? 1 - Number(parts['year']) : Number(parts['year']);
      const wall = new Date(0);
      wall.setUTCFullYear(year, Number(parts['month']) - 1, Number(parts['day']));
      wall.setUTCHours(Number(parts['hour']), Number(parts['minute']), Number(parts['second']));
      return (wall.getTime() - Math.floor(timeMs / 1000) * 1000) / MINUTE_MS;
    },
  };
}

/** The clock of a named zone. @throws TypeError for what is no string, RangeError for an unknown zone or a bare offset. */
export function checkTimeZone(timeZone: unknown): ZoneClock {
  if (typeof timeZone !== 'string') throw new TypeError(`timeZone must be an IANA zone name, got ${describeValue(timeZone)}`);
  const known = clocks.get(timeZone);
  if (known !== undefined) return known;
  if (timeZone === '' || /^[+-]/.test(timeZone)) throw rangeError('timeZone', 'an IANA zone name', timeZone);
  try {
    const clock = createClock(timeZone);
    clocks.set(timeZone, clock);
    return clock;
  } catch {
    throw rangeError('timeZone', 'an IANA zone name', timeZone);
  }
}

/** Days since 1970-01-01 of a calendar day, read as a bare date. */
function checkDay(day: unknown): number {
  if (typeof day !== 'string') throw new TypeError(`day must be a string 'YYYY-MM-DD', got ${describeValue(day)}`);
  const [year = 0, month = 0, date = 0] = /^\d{4}-\d{2}-\d{2}$/.test(day) ? day.split('-').map(Number) : [];
  const midnight = new Date(0);
  midnight.setUTCFullYear(year, month - 1, date);
  if (midnight.toISOString().slice(0, 10) !== day) throw rangeError('day', "a calendar day 'YYYY-MM-DD'", day);
  return Math.round(midnight.getTime() / DAY_MS);
}

/** First instant at which the zone's calendar shows day number `dayNumber` or a later one. */
function firstInstantOf(dayNumber: number, zone: ZoneClock): number {
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

/** A day's ends cost a millisecond to find, and one day is asked for at every minute of it. */
const spans = new Map<string, DaySpan | null>();
const MOST_SPANS = 64;

/**
 * The instants of a calendar day as its IANA zone keeps it (23, 24 or 25 hours, or others);
 * null for a day that the zone skipped.
 * @throws TypeError, RangeError for a malformed day or an unknown zone.
 */
export function localDaySpan(day: string, timeZone: string): DaySpan | null {
  const dayNumber = checkDay(day);
  const zone = checkTimeZone(timeZone);
  const key = `${timeZone}/${day}`;
  const known = spans.get(key);
  if (known !== undefined) return known;
  const startMs = firstInstantOf(dayNumber, zone);
  const endMs = firstInstantOf(dayNumber + 1, zone);
  const span = endMs > startMs ? { startMs, endMs } : null;
  if (spans.size >= MOST_SPANS) spans.clear();
  spans.set(key, span);
  return span;
}
