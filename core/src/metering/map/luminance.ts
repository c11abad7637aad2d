/** Luminances by a 1024th of a stop from −16 to 36 EV: a look-up instead of a power for each cell, within 0.0005 EV. */
const A_STOP = 1024;
const LOWEST_EV = -16;
const TABLE = Float64Array.from({ length: 52 * A_STOP }, (_, k) => 2 ** (LOWEST_EV + (k + 0.5) / A_STOP));

/** 2^EV; at either end of the table what it has there. */
export function luminanceAt(ev: number): number {
  const k = Math.floor((ev - LOWEST_EV) * A_STOP);
  return TABLE[k < 0 ? 0 : k >= TABLE.length ? TABLE.length - 1 : k] as number;
}
