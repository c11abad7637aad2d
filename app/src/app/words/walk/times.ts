import { dayOfMinute, MINUTES_PER_DAY } from '@roam-dial/core/light';
import type { Walk } from '@roam-dial/core/walk';
import type { Wording } from '../wording';

type OnDays = Pick<Walk, 'day' | 'place'>;

function withWeekday({ day, place }: OnDays, minute: number, wording: Wording): string {
  return `${wording.weekday(dayOfMinute(day, place.timeZone, minute))} ${wording.clock(minute)}`;
}

/** `23:50`, and past midnight `Sun 00:40`: a walk carries its own date. */
export function timeOn(walk: OnDays, minute: number, wording: Wording): string {
  return minute < MINUTES_PER_DAY ? wording.clock(minute) : withWeekday(walk, minute, wording);
}

/** `14:50 to 15:50`, `Sat 23:50 to Sun 01:30`, `Sun 00:10 to 01:00`: the weekday where two days meet. */
export function spanOn(
  walk: OnDays,
  { fromMin, toMin }: { readonly fromMin: number; readonly toMin: number },
  wording: Wording,
): string {
  const isOver = fromMin < MINUTES_PER_DAY && toMin >= MINUTES_PER_DAY;
  const from = isOver ? withWeekday(walk, fromMin, wording) : timeOn(walk, fromMin, wording);
  return `${from} to ${isOver ? withWeekday(walk, toMin, wording) : wording.clock(toMin)}`;
}

/** The same of a stay. */
export function stayOn(walk: OnDays, stop: { readonly arriveMin: number; readonly leaveMin: number }, wording: Wording): string {
  return spanOn(walk, { fromMin: stop.arriveMin, toMin: stop.leaveMin }, wording);
}
