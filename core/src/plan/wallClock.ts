import { dayClock, MINUTES_PER_DAY } from '../light/index.js';

/** A day's minutes as they run, against those on the wall: 1380 or 1500 of them where the clock changes. */
export interface RunningDay {
  readonly minutes: number;
  /** What the wall shows so many minutes after midnight, 0..1439. */
  readonly wallAt: (elapsedMin: number) => number;
  /** Minutes run when the wall first shows one; a skipped one is the minute after the gap. */
  readonly elapsedAt: (wallMin: number) => number;
}

/** Null for a day that the zone skipped. @throws as `dayClock`. */
export function runningDay(day: string, timeZone: string): RunningDay | null {
  const clock = dayClock(day, timeZone);
  if (clock === null) return null;
  const { startMs, endMs } = clock.span;
  const minutes = Math.round((endMs - startMs) / 60_000);
  const elapsedAt = (wallMin: number): number =>
    Math.min(minutes, Math.max(0, Math.round((clock.msAt(wallMin) - startMs) / 60_000)));
  const wall = new Int16Array(minutes + 1).fill(-1);
  for (let wallMin = 0; wallMin < MINUTES_PER_DAY; wallMin++) {
    // A skipped minute gives way to the one that the wall really shows.
    wall[elapsedAt(wallMin)] = wallMin;
  }
  // The hour that comes twice shows its minutes again.
  for (let at = 1; at <= minutes; at++) if (wall[at] === -1) wall[at] = wall[Math.max(0, at - 60)] as number;
  wall[minutes] = MINUTES_PER_DAY - 1;
  return { minutes, elapsedAt, wallAt: (elapsedMin) => wall[Math.min(minutes, Math.max(0, Math.round(elapsedMin)))] as number };
}
