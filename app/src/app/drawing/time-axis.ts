import type { HandleStep } from './handle';
import { MINUTES_PER_DAY } from '@roam-dial/core/light';
import { scaleLinear, type ScaleLinear } from 'd3-scale';

/** Minutes of the day that the charts of one walk share. */
export interface TimeDomain {
  readonly fromMin: number;
  readonly toMin: number;
}

/** For signals: a new object with the same ends must not redraw a chart. */
export function isSameDomain(a: TimeDomain, b: TimeDomain): boolean {
  return a.fromMin === b.fromMin && a.toMin === b.toMin;
}

const HOUR_MIN = 60;
const MARGIN_MIN = 40;

/** Whole hours round all stays, with room at both ends, and round the light of the day if given; else a whole day. */
export function timeDomain(
  stays: readonly { readonly arriveMin: number; readonly leaveMin: number }[],
  light: TimeDomain | null = null,
): TimeDomain {
  if (stays.length === 0 && light === null) return { fromMin: 0, toMin: MINUTES_PER_DAY };
  const lit = light === null ? [] : [light];
  const first = Math.min(...stays.map(({ arriveMin }) => arriveMin - MARGIN_MIN), ...lit.map(({ fromMin }) => fromMin));
  const last = Math.max(...stays.map(({ leaveMin }) => leaveMin + MARGIN_MIN), ...lit.map(({ toMin }) => toMin));
  const fromMin = Math.max(0, Math.floor(first / HOUR_MIN) * HOUR_MIN);
  const toMin = Math.min(MINUTES_PER_DAY, Math.ceil(last / HOUR_MIN) * HOUR_MIN);
  return { fromMin: Math.min(fromMin, toMin - 2 * HOUR_MIN), toMin };
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

const STEP_MIN = { fine: 1, usual: 5, large: 60 } as const;

/** Minutes that a step of the keyboard moves. */
export function minutesForStep({ by, size }: HandleStep): number {
  return by * STEP_MIN[size];
}
