import { DateTime, IANAZone } from 'luxon';
import { describeValue, rangeError, remembered } from '../units/index.js';

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

/** The clock of a named zone. @throws TypeError for what is no string, RangeError for an unknown zone or a bare offset. */
export function checkTimeZone(timeZone: unknown): ZoneClock {
  if (typeof timeZone !== 'string') throw new TypeError(`timeZone must be an IANA zone name, got ${describeValue(timeZone)}`);
  const known = clocks.get(timeZone);
  if (known !== undefined) return known;
  if (timeZone === '' || /^[+-]/.test(timeZone) || !IANAZone.isValidZone(timeZone)) {
    throw rangeError('timeZone', 'an IANA zone name', timeZone);
  }
  const zone = IANAZone.create(timeZone);
  const clock: ZoneClock = { offset: (timeMs) => zone.offset(timeMs) };
  clocks.set(timeZone, clock);
  return clock;
}

/** Midnight UTC of a calendar day, read as a bare date. */
function checkDay(day: unknown): DateTime {
  if (typeof day !== 'string') throw new TypeError(`day must be a string 'YYYY-MM-DD', got ${describeValue(day)}`);
  const midnight = DateTime.fromFormat(day, 'yyyy-MM-dd', { zone: 'utc' });
  if (!midnight.isValid) throw rangeError('day', "a calendar day 'YYYY-MM-DD'", day);
  return midnight;
}

/** The first instant at which the zone's calendar shows this day or a later one. */
function firstInstantOf({ year, month, day }: DateTime, zone: string): DateTime {
  // Noon is on the day wherever the zone has it; on a skipped one it falls on the next.
  const noon = DateTime.fromObject({ year, month, day, hour: 12 }, { zone });
  const first = noon.startOf('day');
  // Where the clock goes back over midnight the day begins twice: the first time by the clock of the day before.
  const { offset } = noon.minus({ days: 1 });
  const byOldClock = DateTime.fromMillis(Date.UTC(year, month - 1, day) - offset * 60_000, { zone });
  return byOldClock < first && byOldClock.hasSame(first, 'day') ? byOldClock : first;
}

/** A day's ends cost a millisecond to find, and one day is asked for at every minute of it. */
export const MOST_DAYS = 64;
const spanOf = remembered<DaySpan | null>(MOST_DAYS);

/**
 * The instants of a calendar day as its IANA zone keeps it (23, 24 or 25 hours, or others);
 * null for a day that the zone skipped.
 * @throws TypeError, RangeError for a malformed day or an unknown zone.
 */
export function localDaySpan(day: string, timeZone: string): DaySpan | null {
  const midnight = checkDay(day);
  checkTimeZone(timeZone);
  return spanOf(`${timeZone}/${day}`, () => {
    const startMs = firstInstantOf(midnight, timeZone).toMillis();
    const endMs = firstInstantOf(midnight.plus({ days: 1 }), timeZone).toMillis();
    return endMs > startMs ? { startMs, endMs } : null;
  });
}
