/**
 * Waiting for the right passer: arrivals are Poisson with the suitable passers' rate.
 * Source: docs/formulas.md#waiting.
 */
export function suitablePerMinute({
  passersPerMinute,
  suitableShare,
}: {
  readonly passersPerMinute: number;
  readonly suitableShare: number;
}): number {
  return passersPerMinute * suitableShare;
}

/** Chance of at least n suitable passers in so many minutes. */
export function chanceOfAtLeast(n: number, ratePerMinute: number, minutes: number): number {
  const expected = ratePerMinute * Math.max(0, minutes);
  let term = Math.exp(-expected);
  let fewer = 0;
  for (let k = 0; k < n; k++) {
    fewer += term;
    term *= expected / (k + 1);
  }
  return Math.min(1, Math.max(0, 1 - fewer));
}

/** Minutes to wait for one suitable passer with this chance; `Infinity` where none ever comes. */
export function waitForChanceMin(chance: number, ratePerMinute: number): number {
  return ratePerMinute > 0 ? -Math.log(1 - chance) / ratePerMinute : Infinity;
}
