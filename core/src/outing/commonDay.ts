import type { SameLight } from '../stop/index.js';

/** When a return has its light again: runs of days, or any day. */
export type ReturnDays = { readonly kind: 'runs'; readonly runs: readonly SameLight[] } | { readonly kind: 'anyDay' };

export interface CommonDay {
  readonly day: string;
  /** By return, whether it has its light on that day. */
  readonly has: readonly boolean[];
}

/** The run that a day lies in. */
export function runOn(days: ReturnDays, day: string): SameLight | null {
  return days.kind === 'anyDay' ? null : (days.runs.find(({ fromDay, toDay }) => fromDay <= day && day <= toDay) ?? null);
}

/**
 * The day from `fromDay` on, `YYYY-MM-DD`, on which most returns have their light, the first of such days: it is the first of
 * all, or some run begins on it.
 */
export function commonDay(all: readonly ReturnDays[], fromDay: string): CommonDay {
  const begins = all.flatMap((days) => (days.kind === 'anyDay' ? [] : days.runs.map((run) => run.fromDay)));
  const candidates = [fromDay, ...begins.filter((day) => day > fromDay)].sort();
  const hasOn = (day: string): readonly boolean[] => all.map((days) => days.kind === 'anyDay' || runOn(days, day) !== null);
  return candidates
    .map((day) => ({ day, has: hasOn(day) }))
    .reduce((best, one) => (one.has.filter(Boolean).length > best.has.filter(Boolean).length ? one : best));
}
