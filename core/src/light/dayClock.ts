import { DateTime } from 'luxon';
import { remembered } from '../units/index.js';
import { checkTimeZone, type DaySpan, localDaySpan, MOST_DAYS } from './localDay.js';

const MINUTE_MS = 60_000;
export const MINUTES_PER_DAY = 1440;
/** Minutes of the day run from 0 to this. */
export const LAST_MINUTE = MINUTES_PER_DAY - 1;

/** A calendar day whose minutes are those of the clock on the wall, 0..1439, whatever the zone does that day. */
export interface DayClock {
  readonly span: DaySpan;
  /**
   * The instant at which the wall clock shows this minute: the first of two, and for one that the clock skips the instant at
   * which it goes on. Before 0 and from 1440 on as many minutes run before and after the day.
   */
  readonly msAt: (minuteOfDay: number) => number;
  /** What the wall shows at an instant, with the fraction of the minute; before and after the day by the clock of its ends. */
  readonly minuteAt: (timeMs: number) => number;
}

/** First minute that has run by the time the wall shows at least each minute of the day, where the zone changes that day. */
function firstRun(minutes: number, minuteAt: (elapsedMin: number) => number): Float64Array {
  const runs = new Float64Array(MINUTES_PER_DAY).fill(minutes);
  for (let elapsed = 0, wall = 0; elapsed < minutes; elapsed++) {
    const shown = minuteAt(elapsed);
    for (; wall < MINUTES_PER_DAY && wall <= shown; wall++) runs[wall] = elapsed;
  }
  return runs;
}

const clockOf = remembered<DayClock | null>(MOST_DAYS);

/** Null for a day that the zone skipped. @throws TypeError, RangeError for a malformed day or an unknown zone. */
export function dayClock(day: string, timeZone: string): DayClock | null {
  return clockOf(`${timeZone}/${day}`, () => newDayClock(day, timeZone));
}

function newDayClock(day: string, timeZone: string): DayClock | null {
  const span = localDaySpan(day, timeZone);
  if (span === null) return null;
  const { startMs, endMs } = span;
  const zone = checkTimeZone(timeZone);
  const midnight = DateTime.fromISO(day, { zone: 'utc' }).toMillis();
  const wallMinuteAt = (timeMs: number): number => (timeMs - midnight) / MINUTE_MS + zone.offset(timeMs);
  const [first, last] = [zone.offset(startMs), zone.offset(endMs - 1)];
  const minuteAt = (timeMs: number): number => {
    if (timeMs < startMs) return (timeMs - midnight) / MINUTE_MS + first;
    return timeMs < endMs ? wallMinuteAt(timeMs) : (timeMs - midnight) / MINUTE_MS + last;
  };
  const isSteady = endMs - startMs === MINUTES_PER_DAY * MINUTE_MS && first === last;
  // Asking the zone is slow; on all but a few days a year one answer serves the whole day.
  if (isSteady) return { span, msAt: (minuteOfDay) => startMs + minuteOfDay * MINUTE_MS, minuteAt };
  const runs = firstRun(Math.round((endMs - startMs) / MINUTE_MS), (elapsed) => wallMinuteAt(startMs + elapsed * MINUTE_MS));
  return {
    span,
    minuteAt,
    msAt(minuteOfDay) {
      if (minuteOfDay < 0) return startMs + minuteOfDay * MINUTE_MS;
      if (minuteOfDay >= MINUTES_PER_DAY) return endMs + (minuteOfDay - MINUTES_PER_DAY) * MINUTE_MS;
      const whole = Math.floor(minuteOfDay);
      return startMs + ((runs[whole] as number) + minuteOfDay - whole) * MINUTE_MS;
    },
  };
}

/** Day of the year of a calendar day `YYYY-MM-DD`, 1 on the first of January. */
export function dayOfYear(day: string): number {
  return DateTime.fromISO(day, { zone: 'utc' }).ordinal;
}
