import type { Place } from '../../light/index.js';
import { distanceBetweenM } from '../../walk/index.js';
import type { LogFrame, LogTrack, WalkLog } from '../frames/index.js';
import { frameMs } from '../frames/index.js';

/** A place with its instant, as a receiver writes it down. */
export interface TrackPoint extends Place {
  readonly atMs: number;
}

/** Between two points farther apart in time nobody knows where one was, ms (s). */
const LONGEST_GAP_MS = 5 * 60_000;

/** In the order of time, whatever order the file has; of two at one instant the first. */
export function trackOf(points: readonly (Place & { readonly atMs: number | null })[]): readonly TrackPoint[] {
  const timed = points.flatMap(({ latitude, longitude, atMs }) => (atMs === null ? [] : [{ latitude, longitude, atMs }]));
  return timed.sort((a, b) => a.atMs - b.atMs).filter((point, k, all) => point.atMs !== all[k - 1]?.atMs);
}

/** Where one was at an instant: on the line between the points about it; null where none is near in time. */
export function placeOnTrack(track: readonly TrackPoint[], atMs: number): Place | null {
  let [low, high] = [0, track.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((track[middle] as TrackPoint).atMs < atMs) low = middle + 1;
    else high = middle;
  }
  const [before, after] = [track[low - 1], track[low]];
  if (after?.atMs === atMs) return { latitude: after.latitude, longitude: after.longitude };
  if (before === undefined || after === undefined || after.atMs - before.atMs > LONGEST_GAP_MS) return null;
  const share = (atMs - before.atMs) / (after.atMs - before.atMs);
  return {
    latitude: before.latitude + share * (after.latitude - before.latitude),
    longitude: foldedDeg(before.longitude + share * foldedDeg(after.longitude - before.longitude)),
  };
}

/** A longitude, or a difference of two the short way round, −180 to 180. */
function foldedDeg(degrees: number): number {
  return ((((degrees + 180) % 360) + 360) % 360) - 180;
}

/** Positions by the track for frames that have none, by the id of the frame. Their clocks are put right first: positions go by time. */
export function positionsBy(log: WalkLog, frames: readonly LogFrame[], track: readonly TrackPoint[]): ReadonlyMap<string, Place> {
  return new Map(
    frames.flatMap((frame) => {
      const atMs = frameMs(log, frame);
      const place = frame.position !== null || atMs === null ? null : placeOnTrack(track, atMs);
      return place === null ? [] : [[frame.id, place] as const];
    }),
  );
}

/** A receiver that stands still wanders about less than this, metres (s). */
const WANDER_M = 15;
/** Slower is standing about, faster is riding, m/s (s). */
const WALKING = [0.5, 3] as const;

/**
 * How far one walked and the time that took: by steps of 15 m, each from where the last ended; those slower than half a metre a second
 * are standing, those faster than three are no walking, and over a gap of more than five minutes nothing is known. Source: docs/log.md#track.
 */
export function walkedOf(track: readonly TrackPoint[]): LogTrack {
  let [lengthM, walkingS] = [0, 0];
  let from = track[0];
  for (const point of track) {
    if (from === undefined) break;
    const [away, seconds] = [distanceBetweenM(from, point), (point.atMs - from.atMs) / 1000];
    // Nobody knows how one came from there: two walks of one file, a receiver that was off, a flight.
    if (seconds * 1000 > LONGEST_GAP_MS) {
      from = point;
      continue;
    }
    if (away < WANDER_M) continue;
    const speed = away / seconds;
    if (speed >= WALKING[0] && speed <= WALKING[1]) [lengthM, walkingS] = [lengthM + away, walkingS + seconds];
    from = point;
  }
  return { lengthM, walkingS };
}
