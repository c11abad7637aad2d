/** Exposure times a twelfth of a stop apart, so that every mark in thirds and halves is one of them. */
export interface TimeGrid {
  /** log2 of the first, in seconds. */
  readonly firstLog2: number;
  readonly count: number;
}

export const TIMES_PER_STOP = 12;

export function timeGrid(fastestS: number, slowestS: number): TimeGrid {
  const first = Math.floor(Math.log2(fastestS) * TIMES_PER_STOP + 1e-6);
  const last = Math.ceil(Math.log2(slowestS) * TIMES_PER_STOP - 1e-6);
  return { firstLog2: first / TIMES_PER_STOP, count: last - first + 2 };
}

export function log2TimeOf({ firstLog2 }: TimeGrid, index: number): number {
  return firstLog2 + index / TIMES_PER_STOP;
}

/** Place of an exposure time on the grid, held to its ends; the whole part is an index, the rest the share of the next. */
export function placeOnGrid({ firstLog2, count }: TimeGrid, log2S: number): number {
  const place = (log2S - firstLog2) * TIMES_PER_STOP;
  const nearest = Math.round(place);
  const exact = Math.abs(place - nearest) < 1e-6 ? nearest : place;
  return Math.min(count - 2, Math.max(0, exact));
}
