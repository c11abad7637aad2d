import type { Place } from '../light/index.js';
import { metresFrom } from '../streets/index.js';

/** Of a longer track every second, third… point is looked at: the time grows with the square of their number at the worst. */
const MOST_LOOKED_AT = 20_000;

/** Squared distance of point `p` from the line between points `a` and `b` of flat coordinates, two a point. */
function squaredOff(flat: Float64Array, a: number, b: number, p: number): number {
  const [ax, ay] = [flat[2 * a] as number, flat[2 * a + 1] as number];
  const [dx, dy] = [(flat[2 * b] as number) - ax, (flat[2 * b + 1] as number) - ay];
  const [px, py] = [(flat[2 * p] as number) - ax, (flat[2 * p + 1] as number) - ay];
  const square = dx * dx + dy * dy;
  const along = square === 0 ? 0 : Math.min(1, Math.max(0, (px * dx + py * dy) / square));
  return (px - along * dx) ** 2 + (py - along * dy) ** 2;
}

/** Numbers of the points that stay at a tolerance. */
function keptAt(flat: Float64Array, withinM: number): readonly number[] {
  const last = flat.length / 2 - 1;
  const kept = [0, last];
  const spans: (readonly [number, number])[] = [[0, last]];
  for (let span = spans.pop(); span !== undefined; span = spans.pop()) {
    const [a, b] = span;
    let [at, off] = [-1, withinM * withinM];
    for (let p = a + 1; p < b; p++) {
      const its = squaredOff(flat, a, b, p);
      if (its > off) [at, off] = [p, its];
    }
    if (at === -1) continue;
    kept.push(at);
    spans.push([a, at], [at, b]);
  }
  return kept;
}

/**
 * A track without the points that lie within `withinM` metres of the line of the others (Douglas and Peucker 1973); where more
 * than `most` are left, at twice the tolerance, and so on. Both ends stay.
 */
export function thinnedTrack(track: readonly Place[], withinM: number, most: number): readonly Place[] {
  const [origin] = track;
  if (origin === undefined || track.length <= 2) return track;
  const stride = Math.ceil(track.length / MOST_LOOKED_AT);
  const looked = track.filter((_, k) => k % stride === 0 || k === track.length - 1);
  const flat = Float64Array.from(
    looked.flatMap((place) => {
      const { eastM, northM } = metresFrom(origin, place);
      return [eastM, northM];
    }),
  );
  for (let tolerance = withinM; ; tolerance *= 2) {
    const kept = new Set(keptAt(flat, tolerance));
    if (kept.size <= Math.max(2, most)) return looked.filter((_, k) => kept.has(k));
  }
}
