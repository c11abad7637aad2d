import type { LogFrame } from './frame.js';
import { clockMs } from './frameTime.js';
import { NEAR_STOP_M } from './matching.js';
import { distanceBetweenM } from '../../walk/index.js';
import type { LogStay, WalkLog } from './walkLog.js';

/** What a camera's clock seems to be off by. */
export interface ClockProposal {
  /** Seconds to be added to it. */
  readonly shiftS: number;
  /** Frames that lie in stays with it, and as the clock is. */
  readonly inStays: number;
  readonly inStaysNow: number;
  /** Frames with a time. */
  readonly frames: number;
}

/** A clock is looked for no further off: a zone forgotten, half a day mistaken, summer time (s). */
const FURTHEST_S = 26 * 3600;
/** What people set clocks wrong by is mostly whole half hours: one is taken where the frames allow it. */
const HALF_HOUR_S = 30 * 60;
/** So many more frames must lie in stays before a clock is called wrong: some of all, and never one alone (s). */
const LEAST_GAIN = 3;
const LEAST_GAIN_SHARE = 0.1;

/** From and to, ms. */
type Span = readonly [number, number];

interface TimedFrame {
  readonly frame: LogFrame;
  readonly ms: number;
}

/** When somebody stood at one of some stops: overlapping stays are one span, so that a frame counts once. */
function spansOf(stays: readonly LogStay[]): readonly Span[] {
  const merged: [number, number][] = [];
  for (const { fromMs, toMs } of [...stays].sort((a, b) => a.fromMs - b.fromMs)) {
    const last = merged.at(-1);
    if (last !== undefined && fromMs <= last[1]) last[1] = Math.max(last[1], toMs);
    else merged.push([fromMs, toMs]);
  }
  return merged;
}

/** When a frame may have been taken: one that says where it was counts only at the stops that stand there. */
function spansFor(stays: readonly LogStay[]): (frame: LogFrame) => readonly Span[] {
  const all = spansOf(stays);
  return ({ position }) =>
    position === null
      ? all
      : spansOf(stays.filter((stay) => stay.position !== null && distanceBetweenM(stay.position, position) <= NEAR_STOP_M));
}

/** Frames in stays at each whole second of shift, from the furthest back to the furthest on. */
function countByShift(timed: readonly TimedFrame[], spansOfFrame: (frame: LogFrame) => readonly Span[]): Int32Array {
  const counts = new Int32Array(2 * FURTHEST_S + 2);
  const add = (at: number, by: number): void => {
    counts[at] = (counts[at] as number) + by;
  };
  for (const { frame, ms } of timed) {
    for (const [fromMs, toMs] of spansOfFrame(frame)) {
      const enters = Math.max(-FURTHEST_S, Math.ceil((fromMs - ms) / 1000));
      const leaves = Math.min(FURTHEST_S, Math.floor((toMs - ms) / 1000)) + 1;
      if (enters >= leaves) continue;
      add(enters + FURTHEST_S, 1);
      add(leaves + FURTHEST_S, -1);
    }
  }
  for (let k = 1; k < counts.length; k++) add(k, counts[k - 1] as number);
  return counts;
}

/** In a span of shifts: none where that lies in it, else the smallest whole half hours, else its middle, seconds. */
function roundestIn(fromS: number, toS: number): number {
  if (fromS <= 0 && toS >= 0) return 0;
  const toward = fromS > 0 ? Math.ceil(fromS / HALF_HOUR_S) * HALF_HOUR_S : Math.floor(toS / HALF_HOUR_S) * HALF_HOUR_S;
  return toward >= fromS && toward <= toS ? toward : Math.round((fromS + toS) / 2);
}

/** Of the spans of shifts in which most frames lie in stays, the shift nearest to none, seconds. */
function bestShift(counts: Int32Array, most: number): number {
  let best = Infinity;
  for (let k = 0; k < counts.length; k++) {
    if (counts[k] !== most) continue;
    const from = k;
    while (counts[k + 1] === most) k++;
    const shiftS = roundestIn(from - FURTHEST_S, k - FURTHEST_S);
    if (Math.abs(shiftS) < Math.abs(best)) best = shiftS;
  }
  return best;
}

/**
 * The shift of a camera's clock, in whole seconds, that puts most of its frames into stays of the walk, of all shifts within 26
 * hours. Of equal spans the one nearest to no shift; within one, whole half hours. The clock is left alone unless at least three
 * frames, and a tenth of all, are gained. Source: docs/log.md#clock.
 * @returns null where no frame has a time, or no stay is known.
 */
export function proposeClock(log: Pick<WalkLog, 'stays' | 'timeZone'>, frames: readonly LogFrame[]): ClockProposal | null {
  const timed = frames.flatMap((frame): readonly TimedFrame[] => {
    const ms = clockMs(frame, log.timeZone);
    return ms === null ? [] : [{ frame, ms }];
  });
  if (timed.length === 0 || log.stays.length === 0) return null;
  const spansOfFrame = spansFor(log.stays);
  const inStaysNow = timed.filter(({ frame, ms }) => spansOfFrame(frame).some(([from, to]) => ms >= from && ms <= to)).length;
  const counts = countByShift(timed, spansOfFrame);
  const most = counts.reduce((best, count) => Math.max(best, count), 0);
  const needed = Math.max(LEAST_GAIN, LEAST_GAIN_SHARE * timed.length);
  const isWrong = most - inStaysNow >= needed;
  return {
    shiftS: isWrong ? bestShift(counts, most) : 0,
    inStays: isWrong ? most : inStaysNow,
    inStaysNow,
    frames: timed.length,
  };
}

/** The shift that one known pair gives: a frame, and the instant that it was really taken at. Null for a frame without a time. */
export function clockOfPair(log: Pick<WalkLog, 'timeZone'>, frame: LogFrame, reallyMs: number): number | null {
  const ms = clockMs(frame, log.timeZone);
  return ms === null ? null : Math.round((reallyMs - ms) / 1000);
}
