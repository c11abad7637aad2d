import { normalBelow } from '../../optics/index.js';

const REACH = 6;
const PER_UNIT = 256;

const VALUES = Float64Array.from({ length: 2 * REACH * PER_UNIT + 1 }, (_, k) => normalBelow(k / PER_UNIT - REACH));

/** Φ(z) from a table, by straight lines: within 5e-7, and some ten times faster than the exponential. */
export function normalBelowFast(z: number): number {
  if (z <= -REACH) return 0;
  if (z >= REACH) return 1;
  const x = (z + REACH) * PER_UNIT;
  const k = Math.floor(x);
  const from = VALUES[k] as number;
  return from + (x - k) * ((VALUES[k + 1] as number) - from);
}
