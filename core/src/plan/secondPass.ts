import { LAST_MINUTE } from '../light/index.js';
import { type HoursSpan, overMidnight, type StopDay } from '../stop/index.js';

const NOON = 720;

/** Where a day is cut between two passes of one place: the middle of the longest dark between two lights, else noon. */
export function cutBetweenPasses({ quality }: Pick<StopDay, 'quality'>): number {
  let [longest, cut] = [0, NOON];
  let lastLit: number | null = null;
  for (let minute = 0; minute < quality.length; minute++) {
    if ((quality[minute] as number) === 0) continue;
    if (lastLit !== null && minute - lastLit - 1 > longest)
      [longest, cut] = [minute - lastLit - 1, Math.round((lastLit + minute) / 2)];
    lastLit = minute;
  }
  return cut;
}

/**
 * The hours of the first and of the second pass on a walk up to its last minute: what was open before, cut in two; a span that is
 * cut off whole is left away.
 */
export function hoursOfPasses(
  open: readonly HoursSpan[] | undefined,
  cutMin: number,
  lastMin: number = LAST_MINUTE,
): readonly [readonly HoursSpan[], readonly HoursSpan[]] {
  const all = open === undefined || open.length === 0 ? [{ fromMin: 0, toMin: lastMin }] : open.map(overMidnight);
  const first = all.filter(({ fromMin }) => fromMin < cutMin).map((span) => ({ ...span, toMin: Math.min(span.toMin, cutMin) }));
  const second = all.filter(({ toMin }) => toMin > cutMin).map((span) => ({ ...span, fromMin: Math.max(span.fromMin, cutMin) }));
  return [first, second];
}
