import { LAST_WALK_MINUTE, MINUTES_PER_DAY } from '../light/index.js';

/** Minutes from midnight, town time: of every day where they are a place's hours, of a walk (0..2159) where they are a plan's. */
export interface HoursSpan {
  readonly fromMin: number;
  readonly toMin: number;
}

/** Whether hours that are kept every day have a minute of a walk in them; those that run past midnight end before they start. */
export function isWithinHours({ fromMin, toMin }: HoursSpan, minute: number): boolean {
  const time = minute % MINUTES_PER_DAY;
  return fromMin <= toMin ? time >= fromMin && time <= toMin : time >= fromMin || time <= toMin;
}

/** A span of a walk in ascending minutes: one that ends before it begins ends on the next day, at its last minute at the latest. */
export function overMidnight({ fromMin, toMin }: HoursSpan): HoursSpan {
  return { fromMin, toMin: toMin < fromMin ? Math.min(LAST_WALK_MINUTE, toMin + MINUTES_PER_DAY) : toMin };
}
