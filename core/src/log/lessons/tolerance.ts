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

/**
 * How much of a measure is still fine, by frames that were fine and frames that were not: the logistic of the shake curve, its
 * middle expected within two stops and its spread near a half, both of which many frames overrule and few do not.
 * Source: docs/log.md#lessons.
 */
export function toleranceOf(trials: readonly Trial[], expected: number): Tolerance {
  const fit = fitSteadiness(
    trials.map(({ measure, tried, fine }) => ({ shutterS: measure, frames: tried, sharp: fine })),
    expected,
  );
  const stops = Math.log2(fit.limitS / expected);
  const sum = (of: (one: Trial) => number): number => trials.reduce((all, one) => all + of(one), 0);
  return {
    stops,
    lowStops: stops - BAND * fit.limitErrorStops,
    highStops: stops + BAND * fit.limitErrorStops,
    spreadStops: fit.spreadStops,
    tried: sum(({ tried }) => tried),
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
