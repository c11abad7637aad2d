import type { Walk } from '../walk/index.js';
import { DateTime } from 'luxon';
import { checkTimeZone, MINUTES_PER_DAY, walkClock } from '../light/index.js';
import type { OutingClock } from './outing.js';

/** The instant that an outing's clock shows when the device shows `deviceMs`, milliseconds since 1970. */
export function shownMs(clock: OutingClock, deviceMs: number): number {
  return clock.kind === 'own' ? deviceMs : clock.shownMs + (deviceMs - clock.deviceMs) * clock.speed;
}

/** The same time from now on, another speed. */
export function atSpeed(clock: OutingClock, deviceMs: number, speed: number): OutingClock {
  return { kind: 'simulated', shownMs: shownMs(clock, deviceMs), deviceMs, speed };
}

/**
 * What the clock on the wall shows at an instant, minutes with their fraction from midnight of a calendar day: negative the
 * day before, from 1440 the day after. @throws TypeError, RangeError for a malformed day or an unknown zone.
 */
export function wallMinuteAt(day: string, timeZone: string, atMs: number): number {
  checkTimeZone(timeZone);
  const there = DateTime.fromMillis(atMs, { zone: timeZone });
  const date = DateTime.fromISO(day, { zone: 'utc' });
  if (!date.isValid) throw new RangeError(`day must be a calendar day YYYY-MM-DD, not ${day}`);
  const today = DateTime.utc(there.year, there.month, there.day);
  const days = Math.round(today.diff(date, 'days').days);
  return days * MINUTES_PER_DAY + there.hour * 60 + there.minute + (there.second * 1000 + there.millisecond) / 60_000;
}

/**
 * The minute of a walk that the wall of its place shows at an instant: from 1440 on the next day's, below 0 before its day, from
 * 2160 when the walk is long over. On a day that its zone skipped it is the calendar's.
 */
export function minuteAt({ day, place }: Pick<Walk, 'day' | 'place'>, atMs: number): number {
  return walkClock(day, place.timeZone)?.minuteAt(atMs) ?? wallMinuteAt(day, place.timeZone, atMs);
}

/** The instant (ms) at which the wall of a walk's place shows a minute of it; 0 on a day that its zone skipped. */
export function instantAt({ day, place }: Pick<Walk, 'day' | 'place'>, minute: number): number {
  return walkClock(day, place.timeZone)?.msAt(minute) ?? 0;
}
