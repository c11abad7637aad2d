import { HIGHEST_M } from './limits.js';

/** The least and the most of a number. */
export interface FieldRange {
  readonly low: number;
  readonly high: number;
}

/**
 * What a field takes is what a file may hold: both read it here, so that nothing comes in from a file that a press of "more"
 * would make less. Only where files hold smaller lengths than anybody types is the schema's own end lower (above 0).
 */
export const FIELD_RANGES = {
  speedMps: { low: 0, high: 100 },
  passersPerMinute: { low: 0, high: 1000 },
  streetWidthM: { low: 0.5, high: 1000 },
  /** σ of the logarithm of distances. */
  spread: { low: 0, high: 3 },
  walkMin: { low: 0, high: 1440 },
  weight: { low: 0.01, high: 100 },
  pauseMin: { low: 1, high: 1439 },
  farM: { low: 1, high: 100_000 },
  groundMarkM: { low: 0.1, high: 100_000 },
  groundM: { low: -1000, high: 5000 },
  wallM: { low: 0, high: 1000 },
  buildingM: { low: 2, high: HIGHEST_M },
  closestFocusM: { low: 0.01, high: 100 },
  holdsOverEv: { low: 0, high: 14 },
  reciprocityExponent: { low: 1, high: 3 },
  reciprocityThresholdS: { low: 0.01, high: 1000 },
  guideNumberM: { low: 0.5, high: 500 },
  recycleS: { low: 0, high: 120 },
} as const satisfies Readonly<Record<string, FieldRange>>;
