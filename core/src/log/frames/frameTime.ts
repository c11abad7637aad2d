import { DateTime } from 'luxon';
import type { LogFrame } from './frame.js';
import type { LogCamera, WalkLog } from './walkLog.js';

const MINUTE_MS = 60_000;

const QUARTER_MS = 15 * MINUTE_MS;
/** A frame's quarter hour is asked for again and again; so many are kept before all are forgotten. */
const MOST_KEPT = 5000;
const offsets = new Map<string, number | null>();

function askedOf(wallMs: number, timeZone: string): number {
  return DateTime.fromMillis(wallMs, { zone: 'utc' }).setZone(timeZone, { keepLocalTime: true }).toMillis();
}

/** What a zone's clocks are ahead by through a quarter hour of theirs, ms; null where they are put forward or back in it. */
function offsetThrough(quarter: number, timeZone: string): number | null {
  const key = `${timeZone} ${quarter}`;
  const known = offsets.get(key);
  if (known !== undefined) return known;
  const [from, to] = [quarter * QUARTER_MS, (quarter + 1) * QUARTER_MS - 1];
  const [atFrom, atTo] = [from - askedOf(from, timeZone), to - askedOf(to, timeZone)];
  if (offsets.size >= MOST_KEPT) offsets.clear();
  const offset = atFrom === atTo ? atFrom : null;
  offsets.set(key, offset);
  return offset;
}

/** The instant of a clock without an offset of its own, if it went by the walk's zone. */
function instantThere(wallMs: number, timeZone: string): number {
  const offset = offsetThrough(Math.floor(wallMs / QUARTER_MS), timeZone);
  return offset === null ? askedOf(wallMs, timeZone) : wallMs - offset;
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
