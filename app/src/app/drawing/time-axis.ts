import type { HandleStep } from './handle';
import type { Tick } from './plot-frame';
import { MINUTES_PER_DAY } from '@roam-dial/core/light';
import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** Minutes of the walk that its charts share. */
export interface TimeDomain {
  readonly fromMin: number;
  readonly toMin: number;
  /** What the day that begins at midnight is called, where the axis goes on past it. */
  readonly nextDay?: string;
}

/** For signals: a new object with the same ends must not redraw a chart. */
export function isSameDomain(a: TimeDomain, b: TimeDomain): boolean {
  return a.fromMin === b.fromMin && a.toMin === b.toMin && a.nextDay === b.nextDay;
}

const HOUR_MIN = 60;
const MARGIN_MIN = 40;

/** How far an axis may go on past midnight, what the day is called that begins there, and a minute that has to be on it. */
export interface PastMidnight {
  readonly minutes: number;
  readonly nextDay: string;
  readonly shownMin: number;
}

const WITHIN_THE_DAY: PastMidnight = { minutes: MINUTES_PER_DAY, nextDay: '', shownMin: 0 };

/**
 * Whole hours round all stays, with room at both ends, and round the light of the day if given; else a whole day. A walk over
 * midnight that begins after dark has no use for the day before.
 */
export function timeDomain(
  stays: readonly { readonly arriveMin: number; readonly leaveMin: number }[],
  light: TimeDomain | null = null,
  past: PastMidnight = WITHIN_THE_DAY,
): TimeDomain {
  if (stays.length === 0 && light === null) return { fromMin: 0, toMin: MINUTES_PER_DAY };
  const isNight = past.minutes > MINUTES_PER_DAY && stays.length > 0;
  const isAfterDark = isNight && light !== null && stays.every(({ arriveMin }) => arriveMin > light.toMin);
  const lit = light === null || isAfterDark ? [] : [light];
  const first = Math.min(...stays.map(({ arriveMin }) => arriveMin - MARGIN_MIN), ...lit.map(({ fromMin }) => fromMin));
  const shown = past.shownMin < MINUTES_PER_DAY ? 0 : past.shownMin;
  const last = Math.max(shown, ...stays.map(({ leaveMin }) => leaveMin + MARGIN_MIN), ...lit.map(({ toMin }) => toMin));
  const fromMin = Math.max(0, Math.floor(first / HOUR_MIN) * HOUR_MIN);
  const toMin = Math.min(past.minutes, Math.ceil(last / HOUR_MIN) * HOUR_MIN);
  const ends = { fromMin: Math.min(fromMin, toMin - 2 * HOUR_MIN), toMin };
  return toMin > MINUTES_PER_DAY ? { ...ends, nextDay: past.nextDay } : ends;
}

export function timeScale({ fromMin, toMin }: TimeDomain, left: number, right: number): ScaleLinear<number, number> {
  return scaleLinear([fromMin, toMin], [left, right]).clamp(true);
}

/** Hours to label, as many as there is room for. */
export function hourTicks({ fromMin, toMin }: TimeDomain, widthPx: number, labelPx = 46): readonly number[] {
  const hours = (toMin - fromMin) / HOUR_MIN;
  const every = [1, 2, 3, 4, 6, 12].find((step) => (widthPx / hours) * step >= labelPx) ?? 24;
  const first = Math.ceil(fromMin / HOUR_MIN / every) * every;
  const ticks: number[] = [];
  for (let hour = first; hour * HOUR_MIN <= toMin; hour += every) ticks.push(hour * HOUR_MIN);
  return ticks;
}

/** The hours of an axis as ticks, midnight by the name of the day that begins there. */
export function timeTicks(
  domain: TimeDomain,
  x: ScaleLinear<number, number>,
  sayHour: (minute: number) => string,
): readonly Tick[] {
  const [left = 0, right = 0] = x.range();
  const midnight = midnightOn(domain);
  return hourTicks(domain, right - left).map((minute) => ({
    at: x(minute),
    text: minute === midnight?.minute ? midnight.name : sayHour(minute),
  }));
}

/** Where a minute stands on an axis; null beyond its ends. */
export function placeOn({ fromMin, toMin }: TimeDomain, x: ScaleLinear<number, number>, minute: number): number | null {
  return minute < fromMin || minute > toMin ? null : x(minute);
}

/** Where midnight is drawn on an axis that goes on past it, and what the day is called that begins there; else null. */
export function midnightOn({ fromMin, toMin, nextDay }: TimeDomain): { readonly minute: number; readonly name: string } | null {
  const isOn = fromMin < MINUTES_PER_DAY && toMin > MINUTES_PER_DAY;
  return isOn ? { minute: MINUTES_PER_DAY, name: nextDay ?? '' } : null;
}

const STEP_MIN = { fine: 1, usual: 5, large: 60 } as const;

/** Minutes that a step of the keyboard moves. */
export function minutesForStep({ by, size }: HandleStep): number {
  return by * STEP_MIN[size];
}
