import { DateTime } from 'luxon';
import type { LogFrame } from './frame.js';
import type { LogCamera, WalkLog } from './walkLog.js';

const MINUTE_MS = 60_000;

/** The instant of a clock without an offset of its own, if it went by the walk's zone. */
function instantThere(wallMs: number, timeZone: string): number {
  return DateTime.fromMillis(wallMs, { zone: 'utc' }).setZone(timeZone, { keepLocalTime: true }).toMillis();
}

/** The instant that a camera's clock showed, before it is put right; null for a frame without a time. */
export function clockMs({ wallMs, offsetMin }: Pick<LogFrame, 'wallMs' | 'offsetMin'>, timeZone: string): number | null {
  if (wallMs === null) return null;
  return offsetMin === null ? instantThere(wallMs, timeZone) : wallMs - offsetMin * MINUTE_MS;
}

export function cameraOf({ cameras }: Pick<WalkLog, 'cameras'>, { bodyName }: Pick<LogFrame, 'bodyName'>): LogCamera | null {
  return cameras.find(({ name }) => name === bodyName) ?? null;
}

/** The instant of a frame, milliseconds since 1970, its camera's clock put right; null where it has no time. */
export function frameMs(log: Pick<WalkLog, 'cameras' | 'timeZone'>, frame: LogFrame): number | null {
  const ms = clockMs(frame, log.timeZone);
  return ms === null ? null : ms + (cameraOf(log, frame)?.shiftS ?? 0) * 1000;
}
