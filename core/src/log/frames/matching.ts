import type { Place } from '../../light/index.js';
import { distanceBetweenM } from '../../walk/index.js';
import type { LogFrame } from './frame.js';
import { frameMs } from './frameTime.js';
import type { LogStay, WalkLog } from './walkLog.js';

/** How a frame came to its stop. */
export type PlacedBy = 'position' | 'time' | 'hand';

export interface PlacedFrame {
  readonly frame: LogFrame;
  readonly atMs: number | null;
  /** Null between the stops. */
  readonly stay: LogStay | null;
  /** Null for a frame that belongs nowhere. */
  readonly by: PlacedBy | null;
}

/** A frame taken so near to a stop was taken there: what a phone's position is off by between houses, and some steps (s). */
export const NEAR_STOP_M = 60;
/** So long before and after a stay a frame without a position still counts for it, ms (s). */
export const STAY_GRACE_MS = 3 * 60_000;

/** How long an instant lies outside of a stay, ms. */
export function outsideMs({ fromMs, toMs }: Pick<LogStay, 'fromMs' | 'toMs'>, atMs: number): number {
  return Math.max(0, fromMs - atMs, atMs - toMs);
}

/** The stop that stands nearest to a position; of two stays at one place, or places close by, the one nearer in time. */
function byPosition(stays: readonly LogStay[], position: Place, atMs: number | null): LogStay | null {
  const near = stays.flatMap((stay) => {
    const awayM = stay.position === null ? Infinity : distanceBetweenM(stay.position, position);
    return awayM <= NEAR_STOP_M ? [{ stay, awayM, awayMs: atMs === null ? 0 : outsideMs(stay, atMs) }] : [];
  });
  return near.sort((a, b) => a.awayMs - b.awayMs || a.awayM - b.awayM)[0]?.stay ?? null;
}

function byTime(stays: readonly LogStay[], atMs: number): LogStay | null {
  const around = stays.filter((stay) => outsideMs(stay, atMs) <= STAY_GRACE_MS);
  return around.sort((a, b) => outsideMs(a, atMs) - outsideMs(b, atMs))[0] ?? null;
}

/**
 * Where a frame belongs: where the person put it; by its position, if a stop stands within 60 m of it (one that has a position
 * and is near none was taken between them); by its time, in a stay or within three minutes of it. Source: docs/log.md#matching.
 */
export function placedFrame(log: WalkLog, frame: LogFrame): PlacedFrame {
  const atMs = frameMs(log, frame);
  const { placedByHand, position } = frame;
  const found = (stay: LogStay | null, by: PlacedBy): PlacedFrame => ({ frame, atMs, stay, by: stay === null ? null : by });
  if (placedByHand !== null) {
    const stay = log.stays.find(({ stopId }) => stopId === placedByHand.stopId) ?? null;
    return { frame, atMs, stay, by: 'hand' };
  }
  if (position !== null && log.stays.some((stay) => stay.position !== null)) {
    const stay = byPosition(log.stays, position, atMs);
    const isUnplaced = (one: LogStay): boolean => one.position === null;
    // A stop that stands nowhere may still have been where it was taken.
    if (stay !== null || atMs === null || !log.stays.some(isUnplaced)) return found(stay, 'position');
    return found(byTime(log.stays.filter(isUnplaced), atMs), 'time');
  }
  return found(atMs === null ? null : byTime(log.stays, atMs), 'time');
}

/** All frames of a log in the order of their taking; those without a time at the end, by their names. */
export function placedFrames(log: WalkLog, frames: readonly LogFrame[]): readonly PlacedFrame[] {
  return inOrderOfTaking(frames.map((frame) => placedFrame(log, frame)));
}

export function inOrderOfTaking(placed: readonly PlacedFrame[]): readonly PlacedFrame[] {
  const nameOf = ({ source }: LogFrame): string => (source.kind === 'file' ? source.name : String(source.number).padStart(4, '0'));
  return [...placed].sort((a, b) => (a.atMs ?? Infinity) - (b.atMs ?? Infinity) || nameOf(a.frame).localeCompare(nameOf(b.frame)));
}
