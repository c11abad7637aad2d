import { normalBelow } from '../../optics/index.js';

/** A quantity seen to lie within bounds, or outside of them; natural logarithms, infinite ones allowed. */
export interface IntervalTrial {
  readonly low: number;
  readonly high: number;
  readonly isIn: boolean;
}

/** What is expected of a normal quantity: its middle and its spread, each with how far off that may be. */
export interface Expected {
  readonly middle: number;
  readonly middleSd: number;
  readonly spread: number;
  /** Of its natural logarithm. */
  readonly spreadLogSd: number;
}

export interface Estimate {
  readonly value: number;
  /** Nineteen times of twenty it lies between these. */
  readonly low: number;
  readonly high: number;
}

/** Values tried for the middle and for the spread, over so many deviations of what is expected either way. */
const MIDDLES = 97;
const SPREADS = 49;
const REACH_SD = 4;
const TAIL = 0.025;
/** Bounds that agree to this are one. */
const ALIKE = 0.01;
/** Nothing is certain of a frame: a chance of less than this is not believed. */
const LEAST_CHANCE = 1e-4;

interface Counted extends IntervalTrial {
  readonly times: number;
}

function gathered(trials: readonly IntervalTrial[]): readonly Counted[] {
  const rounded = (value: number): number => (Number.isFinite(value) ? Math.round(value / ALIKE) * ALIKE : value);
  const byBounds = new Map<string, Counted>();
  for (const { low, high, isIn } of trials) {
    const [from, to] = [rounded(low), rounded(high)];
    const key = `${from}/${to}/${isIn}`;
    byBounds.set(key, { low: from, high: to, isIn, times: (byBounds.get(key)?.times ?? 0) + 1 });
  }
  return [...byBounds.values()];
}

/** Value of a weighted list below which a share of its weight lies, between two of them by their weights. */
function quantile(values: readonly number[], weights: readonly number[], share: number): number {
  const all = weights.reduce((sum, one) => sum + one, 0);
  let below = 0;
  for (let k = 0; k < values.length; k++) {
    const next = below + (weights[k] as number) / all;
    if (next >= share) {
      const [from, to] = [values[Math.max(0, k - 1)] as number, values[k] as number];
      return from + ((to - from) * (share - below)) / Math.max(1e-12, next - below);
    }
    below = next;
  }
  return values.at(-1) as number;
}

function estimateOf(values: readonly number[], weights: readonly number[]): Estimate {
  return {
    value: quantile(values, weights, 0.5),
    low: quantile(values, weights, TAIL),
    high: quantile(values, weights, 1 - TAIL),
  };
}

/**
 * Middle and spread of a normal quantity of which nothing is seen but whether it lay between bounds: Bayes over a grid of both,
 * each expected with a normal error (the spread in its logarithm). Source: docs/log.md#lessons.
 */
export function fromIntervals(
  trials: readonly IntervalTrial[],
  { middle, middleSd, spread, spreadLogSd }: Expected,
): { readonly middle: Estimate; readonly spread: Estimate } {
  const step = (k: number, count: number): number => REACH_SD * ((2 * k) / (count - 1) - 1);
  const middles = Array.from({ length: MIDDLES }, (_, k) => middle + middleSd * step(k, MIDDLES));
  const spreads = Array.from({ length: SPREADS }, (_, k) => spread * Math.exp(spreadLogSd * step(k, SPREADS)));
  const counted = gathered(trials);
  const logs = middles.map((m, i) =>
    spreads.map((s, k) => {
      const prior = -(step(i, MIDDLES) ** 2 + step(k, SPREADS) ** 2) / 2;
      return counted.reduce((sum, { low, high, isIn, times }) => {
        const within = normalBelow((high - m) / s) - normalBelow((low - m) / s);
        return sum + times * Math.log(Math.max(LEAST_CHANCE, isIn ? within : 1 - within));
      }, prior);
    }),
  );
  const most = Math.max(...logs.map((row) => Math.max(...row)));
  const weights = logs.map((row) => row.map((log) => Math.exp(log - most)));
  const byMiddle = weights.map((row) => row.reduce((sum, one) => sum + one, 0));
  const bySpread = spreads.map((_, k) => weights.reduce((sum, row) => sum + (row[k] as number), 0));
  return { middle: estimateOf(middles, byMiddle), spread: estimateOf(spreads, bySpread) };
}
