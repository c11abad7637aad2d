/**
 * Abramowitz & Stegun 7.1.26: erf to 1.5e-7, which is far below the 0.005 that any probability here may err.
 */
function erf(x: number): number {
  const t = 1 / (1 + 0.3275911 * Math.abs(x));
  const polynomial = ((((1.061405429 * t - 1.453152027) * t + 1.421413741) * t - 0.284496736) * t + 0.254829592) * t;
  return Math.sign(x) * (1 - polynomial * Math.exp(-x * x));
}

/** Standard normal distribution function. */
export function normalBelow(z: number): number {
  return 0.5 * (1 + erf(z / Math.SQRT2));
}

/**
 * Chance that a log-normal distance lies between near and far.
 * With spread 0 everybody stands at the median.
 */
export function logNormalBetween({
  medianM,
  spread,
  nearM,
  farM,
}: {
  readonly medianM: number;
  /** Standard deviation of the natural logarithm. */
  readonly spread: number;
  readonly nearM: number;
  readonly farM: number;
}): number {
  if (spread === 0) return medianM >= nearM && medianM <= farM ? 1 : 0;
  const upTo = (distanceM: number): number => (distanceM === Infinity ? 1 : normalBelow(Math.log(distanceM / medianM) / spread));
  return Math.max(0, upTo(farM) - upTo(nearM));
}

/**
 * Chance that a person is in the sharp zone when the photographer shoots at a guessed distance g:
 * the true distance is log-normal with median g/(1 + bias) (bias +0.10: guesses come out 10 % long)
 * and the guess spread as σ of its logarithm. Source: docs/formulas.md#distances.
 */
export function inZoneProbability({
  intendedM,
  guessBias,
  guessSpread,
  nearM,
  farM,
}: {
  readonly intendedM: number;
  readonly guessBias: number;
  readonly guessSpread: number;
  readonly nearM: number;
  readonly farM: number;
}): number {
  return logNormalBetween({ medianM: intendedM / (1 + guessBias), spread: guessSpread, nearM, farM });
}

/** Chance that a normal quantity lies between low and high. */
export function normalBetween({
  mean,
  spread,
  low,
  high,
}: {
  readonly mean: number;
  readonly spread: number;
  readonly low: number;
  readonly high: number;
}): number {
  const upTo = (value: number): number => (value === Infinity ? 1 : normalBelow((value - mean) / spread));
  return Math.max(0, upTo(high) - upTo(low));
}
