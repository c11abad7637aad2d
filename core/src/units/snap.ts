import { isSameValue } from './marks.js';

export type SnapDirection = 'up' | 'down' | 'nearest';

/**
 * The marked value next to an exact one, counted in stops (ratios). `up` is the smallest mark that is not below
 * the value, `down` the largest that is not above it. Null where there is none that way.
 * @param marks exact values, ascending
 */
export function snapToMark({
  value,
  marks,
  direction,
}: {
  readonly value: number;
  readonly marks: readonly number[];
  readonly direction: SnapDirection;
}): number | null {
  const above = marks.find((mark) => mark > value || isSameValue(mark, value)) ?? null;
  const below = marks.filter((mark) => mark < value || isSameValue(mark, value)).at(-1) ?? null;
  if (direction === 'up') return above;
  if (direction === 'down') return below;
  if (above === null || below === null) return above ?? below;
  return Math.log(above / value) < Math.log(value / below) ? above : below;
}

/** Compensation snapped to whole fractions of a stop: the nearest k/perStop. */
export function snapStops(stops: number, perStop: number): number {
  const steps = Math.round(stops * perStop);
  return steps === 0 ? 0 : steps / perStop;
}
