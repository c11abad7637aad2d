import type { Building } from '../src/light/index.js';

/** A block between two corners, metres east and north; on an arch where `baseM` is above 0. */
export function block(fromE: number, fromN: number, toE: number, toN: number, heightM: number, baseM = 0): Building {
  const footprint = [
    [fromE, fromN],
    [toE, fromN],
    [toE, toN],
    [fromE, toN],
  ] as const;
  return { footprint, heightM, ...(baseM === 0 ? {} : { baseM }) };
}
