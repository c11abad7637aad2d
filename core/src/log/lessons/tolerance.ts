import { fitSteadiness } from '../../handheld/index.js';

/** Frames at one measure (a time, an ISO), and how many of them were still fine. */
export interface Trial {
  readonly measure: number;
  readonly tried: number;
  readonly fine: number;
}

/** Where four of five are fine, in stops of the measure from what was expected. */
export interface Tolerance {
  readonly stops: number;
  /** Nineteen times of twenty it lies between these. */
  readonly lowStops: number;
  readonly highStops: number;
  /** How gradually it goes, stops. */
  readonly spreadStops: number;
  readonly tried: number;
  readonly fine: number;
}

/** Standard deviations to either side that hold 95 % of a normal curve. */
const BAND = 1.96;

/** How well the measure of a frame is known. */
export interface MeasureDoubt {
  /** Of so many frames it may be wildly off. */
  readonly lapseShares: readonly number[];
  /** How far that of all may be off alike, stops. */
  readonly commonStops: number;
}

const EXACT: MeasureDoubt = { lapseShares: [0], commonStops: 0 };

/** The logarithm of how likely frames came out as they did. */
function likelihoodOf(trials: readonly Trial[], chanceAt: (measure: number) => number): number {
  return trials.reduce((sum, { measure, tried, fine }) => {
    const chance = Math.min(1 - 1e-9, Math.max(1e-9, chanceAt(measure)));
    return sum + fine * Math.log(chance) + (tried - fine) * Math.log(1 - chance);
  }, 0);
}

/**
 * How much of a measure is still fine, by frames that were fine and frames that were not: the logistic of the shake curve, its
 * middle expected within two stops and its spread near a half, both of which many frames overrule and few do not. Of the shares of
 * frames whose measure may be wildly off, the one by which the frames are likeliest.
 * Source: docs/log.md#lessons.
 */
export function toleranceOf(
  trials: readonly Trial[],
  expected: number,
  { lapseShares, commonStops }: MeasureDoubt = EXACT,
): Tolerance {
  const tests = trials.map(({ measure, tried, fine }) => ({ shutterS: measure, frames: tried, sharp: fine }));
  const tried = lapseShares.map((lapseShare) => {
    const fit = fitSteadiness(tests, expected, lapseShare);
    return { fit, likelihood: likelihoodOf(trials, (measure) => lapseShare / 2 + (1 - lapseShare) * fit.at(measure).chance) };
  });
  const { fit } = tried.reduce((best, one) => (one.likelihood > best.likelihood ? one : best));
  const stops = Math.log2(fit.limitS / expected);
  const errorStops = Math.hypot(fit.limitErrorStops, commonStops);
  const sum = (of: (one: Trial) => number): number => trials.reduce((all, one) => all + of(one), 0);
  return {
    stops,
    lowStops: stops - BAND * errorStops,
    highStops: stops + BAND * errorStops,
    spreadStops: fit.spreadStops,
    tried: sum(({ tried: of }) => of),
    fine: sum(({ fine }) => fine),
  };
}

/** Alike within a third of a stop is one measure. */
const PER_STOP = 3;

/** Frames gathered by thirds of a stop of their measure, from the least. */
export function trialsOf(frames: readonly { readonly measure: number; readonly isFine: boolean }[]): readonly Trial[] {
  const byThird = new Map<number, { tried: number; fine: number }>();
  for (const { measure, isFine } of frames) {
    const third = Math.round(PER_STOP * Math.log2(measure));
    const { tried, fine } = byThird.get(third) ?? { tried: 0, fine: 0 };
    byThird.set(third, { tried: tried + 1, fine: fine + (isFine ? 1 : 0) });
  }
  return [...byThird].sort(([a], [b]) => a - b).map(([third, counts]) => ({ measure: 2 ** (third / PER_STOP), ...counts }));
}
