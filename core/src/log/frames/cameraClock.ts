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
const FURTHEST_MS = 26 * 3_600_000;
/** What people set clocks wrong by is mostly whole half hours: one is taken where the frames allow it. */
const HALF_HOUR_MS = 30 * 60_000;
/** So many more frames must lie in stays before a clock is called wrong: some of all, and never one alone (s). */
const LEAST_GAIN = 3;
const LEAST_GAIN_SHARE = 0.1;

/** A shift at which a frame comes into a stay, or leaves it. */
interface Turn {
  readonly atMs: number;
  readonly by: 1 | -1;
}

/** A frame that says where it was taken only counts at the stops that stand there. */
function staysOf(stays: readonly LogStay[], { position }: LogFrame): readonly LogStay[] {
  if (position === null) return stays;
  return stays.filter((stay) => stay.position !== null && distanceBetweenM(stay.position, position) <= NEAR_STOP_M);
}

/** Overlapping stays count a frame once. */
function turnsOf(stays: readonly LogStay[], ms: number): readonly Turn[] {
  const spans = stays
    .map(({ fromMs, toMs }) => [Math.max(-FURTHEST_MS, fromMs - ms), Math.min(FURTHEST_MS, toMs - ms)] as const)
    .filter(([from, to]) => from <= to)
    .sort(([a], [b]) => a - b);
  const merged: [number, number][] = [];
  for (const [from, to] of spans) {
    const last = merged.at(-1);
    if (last !== undefined && from <= last[1]) last[1] = Math.max(last[1], to);
    else merged.push([from, to]);
  }
  return merged.flatMap(([from, to]): Turn[] => [
    { atMs: from, by: 1 },
    { atMs: to, by: -1 },
  ]);
}

/** In a span of shifts: none where that lies in it, else the smallest whole half hours, else its middle. */
function roundestIn(fromMs: number, toMs: number): number {
  if (fromMs <= 0 && toMs >= 0) return 0;
  const toward = fromMs > 0 ? Math.ceil(fromMs / HALF_HOUR_MS) * HALF_HOUR_MS : Math.floor(toMs / HALF_HOUR_MS) * HALF_HOUR_MS;
  return toward >= fromMs && toward <= toMs ? toward : Math.round((fromMs + toMs) / 2000) * 1000;
}

/**
 * The shift of a camera's clock that puts most of its frames into stays of the walk: all shifts within 26 hours are gone through
 * by the instants at which some frame enters or leaves a stay. Of equal spans the one nearest to no shift; within one, whole half
 * hours. The clock is left alone unless at least three frames, and a tenth of all, are gained. Source: docs/log.md#clock.
 * @returns null where no frame has a time, or no stay is known.
 */
export function proposeClock(log: Pick<WalkLog, 'stays' | 'timeZone'>, frames: readonly LogFrame[]): ClockProposal | null {
  const timed = frames.flatMap((frame) => {
    const ms = clockMs(frame, log.timeZone);
    return ms === null ? [] : [{ frame, ms }];
  });
  if (timed.length === 0 || log.stays.length === 0) return null;
  const turns = timed
    .flatMap(({ frame, ms }) => turnsOf(staysOf(log.stays, frame), ms))
    // Where one leaves as another enters both are in.
    .sort((a, b) => a.atMs - b.atMs || b.by - a.by);
  const isInNow = ({ frame, ms }: (typeof timed)[number]): boolean =>
    staysOf(log.stays, frame).some(({ fromMs, toMs }) => ms >= fromMs && ms <= toMs);
  const inStaysNow = timed.filter(isInNow).length;
  let best = { count: inStaysNow, shiftMs: 0 };
  let count = 0;
  turns.forEach(({ atMs, by }, k) => {
    count += by;
    const shiftMs = roundestIn(atMs, turns[k + 1]?.atMs ?? atMs);
    const isBetter = count > best.count || (count === best.count && Math.abs(shiftMs) < Math.abs(best.shiftMs));
    if (by === 1 && isBetter) best = { count, shiftMs };
  });
  const needed = Math.max(LEAST_GAIN, LEAST_GAIN_SHARE * timed.length);
  const isWrong = best.count - inStaysNow >= needed;
  return {
    shiftS: isWrong ? best.shiftMs / 1000 : 0,
    inStays: isWrong ? best.count : inStaysNow,
    inStaysNow,
    frames: timed.length,
  };
}

/** The shift that one known pair gives: a frame, and the instant that it was really taken at. Null for a frame without a time. */
export function clockOfPair(log: Pick<WalkLog, 'timeZone'>, frame: LogFrame, reallyMs: number): number | null {
  const ms = clockMs(frame, log.timeZone);
  return ms === null ? null : Math.round((reallyMs - ms) / 1000);
}
