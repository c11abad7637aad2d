import { DateTime } from 'luxon';
import { proposeClock } from './cameraClock.js';
import type { LogFrame } from './frame.js';
import { clockMs } from './frameTime.js';
import type { WalkLog } from './walkLog.js';

/** A walk on a day, as frames may have been taken on it. */
export type WalkCandidate = Pick<WalkLog, 'walkId' | 'day' | 'timeZone' | 'stays'>;

export interface WalkFit<Walked extends WalkCandidate> {
  readonly walked: Walked;
  /** Frames that lie in its stays, clocks put right, of how many with a time. */
  readonly inStays: number;
  readonly frames: number;
}

/** So many of the frames, spread evenly, tell which walk all of them belong to. */
const MOST_ASKED = 90;
/** One or two frames lie in some stay of some day by chance. */
const LEAST_FRAMES = 3;
/** A walk must take so many more of them, or a clock that is so much nearer to right, before others give way to it (s). */
const LEAST_GAIN_SHARE = 0.25;
const NEARER_S = 12 * 3600;
/** A clock further off than any zone from the next day's is none that was set wrong: that day is asked itself. */
const FURTHEST_SHIFT_S = 14 * 3600;
/** Few frames fit many a day with the clock for it: one that needs none counts for so many of them more (s). */
const SHIFT_COSTS_SHARE = 0.35;

function spread<One>(all: readonly One[], most: number): readonly One[] {
  const step = Math.max(1, all.length / most);
  return Array.from({ length: Math.min(all.length, most) }, (_, k) => all[Math.floor(k * step)] as One);
}

/** The days that clocks showed when frames were taken, and those about them: a clock may be half a day off. */
export function daysOfFrames(frames: readonly LogFrame[], timeZone: string): readonly string[] {
  const days = new Set(
    frames.flatMap((frame) => {
      const ms = clockMs(frame, timeZone);
      if (ms === null) return [];
      const day = DateTime.fromMillis(ms, { zone: timeZone });
      return [-1, 0, 1].map((by) => day.plus({ days: by }).toISODate() ?? '');
    }),
  );
  return [...days].filter((day) => day !== '').sort();
}

interface Fit {
  readonly inStays: number;
  /** What clocks would be off by, the mean of their sizes, seconds. */
  readonly offS: number;
}

function fitOf(walked: WalkCandidate, frames: readonly LogFrame[], furthestS: number): Fit {
  const names = [...new Set(frames.map(({ bodyName }) => bodyName))];
  const found = names.map((name) => {
    const own = frames.filter(({ bodyName }) => bodyName === name);
    const { shiftS = 0, inStays = 0, inStaysNow = 0 } = proposeClock(walked, own) ?? {};
    return Math.abs(shiftS) <= furthestS ? { inStays, offS: own.length * Math.abs(shiftS) } : { inStays: inStaysNow, offS: 0 };
  });
  return {
    inStays: found.reduce((sum, { inStays }) => sum + inStays, 0),
    offS: found.reduce((sum, { offS }) => sum + offS, 0) / Math.max(1, frames.length),
  };
}

/**
 * Of other walks and days the one that frames were rather taken on than on the walk that they were read for: at least half of them lie
 * in its stays, and a quarter (s) more than here, or as many with clocks that are half a day (s) nearer to right. Null where there is
 * none.
 * @param furthestS how far off their clocks may be found to be; 0 where they are known to be right. Source: docs/log.md#which-walk.
 */
export function fittingWalk<Walked extends WalkCandidate>(
  here: WalkCandidate,
  others: readonly Walked[],
  frames: readonly LogFrame[],
  furthestS = FURTHEST_SHIFT_S,
): WalkFit<Walked> | null {
  const timed = frames.filter((frame) => frame.source.kind === 'file' && clockMs(frame, here.timeZone) !== null);
  const asked = spread(timed, MOST_ASKED);
  if (asked.length < LEAST_FRAMES) return null;
  const now = fitOf(here, asked, Infinity);
  const isRather = ({ inStays, offS }: Fit): boolean =>
    inStays - now.inStays >= Math.max(1, LEAST_GAIN_SHARE * asked.length) ||
    (inStays >= now.inStays && now.offS - offS >= NEARER_S);
  const worth = ({ inStays, offS }: Fit): number => inStays - (offS > 0 ? SHIFT_COSTS_SHARE * asked.length : 0);
  const fits = others
    .map((walked) => ({ walked, fit: fitOf(walked, asked, furthestS) }))
    .filter(({ fit }) => fit.inStays >= asked.length / 2 && isRather(fit))
    .sort((a, b) => worth(b.fit) - worth(a.fit) || a.fit.offS - b.fit.offS);
  const [best] = fits;
  if (best === undefined) return null;
  return { walked: best.walked, inStays: fitOf(best.walked, timed, furthestS).inStays, frames: timed.length };
}
