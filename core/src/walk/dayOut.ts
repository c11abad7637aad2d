import { MINUTES_PER_DAY, MINUTES_PER_WALK, type Place } from '../light/index.js';
import { type HoursSpan, isOfTheDark, overMidnight, type Stop } from '../stop/index.js';
import { RIDE_MARGIN_MIN } from './lastRide.js';
import { stopsToday, type Walk } from './walk.js';

/** Five in the morning to eleven at night (s), with a stop in the dark to two (s). */
const OUT_AT_MIN = 300;
const HOME_BY_DAY_MIN = 1380;
const HOME_BY_NIGHT_MIN = 1560;

type Out = Pick<Walk, 'dayOut' | 'stops'>;

/** Out at the earliest and home at the latest, as somebody has said or as is usual for such a walk, in minutes of the walk. */
export function dayOutOf({ dayOut, stops }: Out): HoursSpan {
  if (dayOut !== undefined) return overMidnight(dayOut);
  const isNight = stopsToday({ stops }).some(({ intent }) => isOfTheDark(intent));
  return { fromMin: OUT_AT_MIN, toMin: isNight ? HOME_BY_NIGHT_MIN : HOME_BY_DAY_MIN };
}

/** By when the last stop has to be left behind, its way home done: home at the latest, or in time for the last ride. */
export function endOfDayMin(walk: Out & Pick<Walk, 'lastRide'>): number {
  const { toMin } = dayOutOf(walk);
  return walk.lastRide === undefined ? toMin : Math.min(toMin, walk.lastRide.atMin - RIDE_MARGIN_MIN);
}

/** Where the day ends: at the last ride, where it is known from where that goes; null: at the last stop. */
export function endOfDayPlace({ lastRide, endsAt }: Pick<Walk, 'lastRide' | 'endsAt'>): Place | null {
  return lastRide?.position ?? endsAt ?? null;
}

/** Whether any stay of the walk lies past midnight. */
export function goesPastMidnight({ stops }: Pick<Walk, 'stops'>): boolean {
  return stopsToday({ stops }).some(({ leaveMin }) => leaveMin >= MINUTES_PER_DAY);
}

/** Whether a minute is one of the walk's: of its day, and where it goes past midnight of the next until noon. */
export function isOfWalk(walk: Pick<Walk, 'stops'>, minute: number): boolean {
  return minute >= 0 && minute < (goesPastMidnight(walk) ? MINUTES_PER_WALK : MINUTES_PER_DAY);
}

/** The latest minute that a stop speaks of. */
function lastMinuteOf({ arriveMin, leaveMin, wishes }: Stop): number {
  const hours = (wishes?.open ?? []).map((span) => overMidnight(span).toMin);
  return Math.max(arriveMin, leaveMin, wishes?.fixedAtMin ?? 0, ...hours);
}

/**
 * Minutes of a walk whose light is measured: those of its day, or all to noon of the next day where a stay, a wish, a pause or the
 * way home lies past midnight, or somebody looks there (`minute`). A walk by day costs nothing more.
 */
export function minutesMeasured(walk: Out & Pick<Walk, 'pauses' | 'lastRide'>, minute = 0): number {
  const pauses = (walk.pauses ?? []).map((pause) => Math.max(overMidnight(pause).toMin, pause.atMin ?? 0));
  const last = Math.max(minute, endOfDayMin(walk), ...stopsToday(walk).map(lastMinuteOf), ...pauses);
  return last < MINUTES_PER_DAY ? MINUTES_PER_DAY : MINUTES_PER_WALK;
}
