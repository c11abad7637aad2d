import type { Figures } from '../../kit/index.js';
import { normalBelowFast } from './normalTable.js';
import type { SetUpInput } from '../question/searchInput.js';

/** How far away whoever is shot really stands: normal in the distance itself or in its logarithm. */
export interface DistanceLaw {
  readonly kind: 'logNormal' | 'normal';
  /** Median, metres. */
  readonly medianM: number;
  /** Standard deviation of the logarithm, or metres. */
  readonly spread: number;
}

/** So narrow that it is a point for every purpose, and still a law. */
const POINT = 1e-5;

/**
 * - Fixed zone at whoever passes: the stop's own distances, log-normal.
 * - Fixed zone at an intended distance g (a stop without a spread): median g/(1 + bias), σ of the logarithm the spread of
 *   the person's guesses.
 * - Locked on the spot: a step either way, normal. Centre point: the stop's own distances.
 * Source: docs/formulas.md#distances.
 */
export function distanceLaw(
  { subject, standard, approach }: Pick<SetUpInput, 'subject' | 'standard' | 'approach'>,
  figures: Figures,
): DistanceLaw {
  const { medianM, spread } = subject;
  if (approach.focus === 'lockedOnSpot') return { kind: 'normal', medianM, spread: Math.max(figures.stepSpreadM, POINT) };
  if (approach.focus === 'fixedZone' && spread === 0) {
    return {
      kind: 'logNormal',
      medianM: medianM / (1 + standard.guessBias),
      spread: Math.max(standard.guessSpread, POINT),
    };
  }
  return { kind: 'logNormal', medianM, spread: Math.max(spread, POINT) };
}

/** Standard score of a distance; ±Infinity outside what can be. */
export function scoreOf({ kind, medianM, spread }: DistanceLaw, distanceM: number): number {
  if (distanceM === Infinity) return Infinity;
  if (kind === 'normal') return (distanceM - medianM) / spread;
  return distanceM <= 0 ? -Infinity : Math.log(distanceM / medianM) / spread;
}

export function distanceAt({ kind, medianM, spread }: DistanceLaw, score: number): number {
  return kind === 'normal' ? medianM + score * spread : medianM * Math.exp(score * spread);
}

const REACH = 4.5;
export const DISTANCE_BINS = 96;
const BIN = (2 * REACH) / DISTANCE_BINS;

/** Equal bins of the standard score over ±4.5, their middles and their shares of the people, which sum to 1. */
export const BIN_SCORES = Float64Array.from({ length: DISTANCE_BINS }, (_, k) => (k + 0.5) * BIN - REACH);
export const BIN_SHARES = Float64Array.from({ length: DISTANCE_BINS }, (_, k) => {
  const below = (edge: number): number => normalBelowFast(edge * BIN - REACH);
  return (below(k + 1) - below(k)) / (below(DISTANCE_BINS) - below(0));
});

/** Where a standard score lies among the bins' edges, 0..96, held at the ends. */
export function binEdgeOf(score: number): number {
  return Math.min(DISTANCE_BINS, Math.max(0, (score + REACH) / BIN));
}

/** A running integral given at the bins' edges, read between them by straight lines. */
export function runningAt(running: Float64Array, edge: number): number {
  const k = Math.min(DISTANCE_BINS - 1, Math.floor(edge));
  const from = running[k] as number;
  return from + (edge - k) * ((running[k + 1] as number) - from);
}
