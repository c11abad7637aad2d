import { checkAtLeast, checkPositive } from '../units/index.js';

/** Frames of one shutter time that a person has looked through for shake. */
export interface HandTest {
  readonly shutterS: number;
  readonly frames: number;
  readonly sharp: number;
}

export interface SteadinessFit {
  /** The time held four times of five, seconds, and stops either way that it may be off (68 %). */
  readonly limitS: number;
  readonly limitErrorStops: number;
  /** Spread of the curve, stops. */
  readonly spreadStops: number;
  /** Share of sharp frames at a time, with its band (68 %). */
  readonly at: (shutterS: number) => { readonly low: number; readonly chance: number; readonly high: number };
}

/**
 * A prior of one person among many: spread near 0.5 stops, limit near the expected one within about two stops. Without it a
 * run of all sharp or all soft frames would have no answer.
 */
const PRIOR_SLOPE = 2;
const PRIOR_SLOPE_SD = 0.8;
const PRIOR_MIDDLE_SD = 2;
const STEPS = 60;

const logistic = (x: number): number => 1 / (1 + Math.exp(-x));

interface Fit {
  readonly a: number;
  readonly b: number;
  /** Covariance of a and b. */
  readonly aa: number;
  readonly ab: number;
  readonly bb: number;
}

interface Point {
  readonly x: number;
  readonly frames: number;
  readonly sharp: number;
}

/**
 * Fisher's scoring on the log posterior of P = λ/2 + (1 − λ)·logistic(a + b·x), x in stops faster than the expected middle, λ the
 * share of frames whose measure says nothing of them.
 */
function scored(points: readonly Point[], lapseShare: number): Fit {
  let [a, b] = [0, PRIOR_SLOPE];
  let inverse = { aa: 1, ab: 0, bb: 1 };
  for (let step = 0; step < STEPS; step++) {
    const priorA = 1 / (PRIOR_SLOPE * PRIOR_MIDDLE_SD) ** 2;
    const priorB = 1 / PRIOR_SLOPE_SD ** 2;
    let [ga, gb] = [-a * priorA, -(b - PRIOR_SLOPE) * priorB];
    let [haa, hab, hbb] = [priorA, 0, priorB];
    for (const { x, frames, sharp } of points) {
      const own = logistic(a + b * x);
      const p = lapseShare / 2 + (1 - lapseShare) * own;
      // How much of a frame's answer is its own: all of it without lapses.
      const told = p * (1 - p) === 0 ? 1 : ((1 - lapseShare) * own * (1 - own)) / (p * (1 - p));
      const weight = frames * told * told * p * (1 - p);
      ga += (sharp - frames * p) * told;
      gb += (sharp - frames * p) * told * x;
      haa += weight;
      hab += weight * x;
      hbb += weight * x * x;
    }
    const determinant = haa * hbb - hab * hab;
    inverse = { aa: hbb / determinant, ab: -hab / determinant, bb: haa / determinant };
    const [da, db] = [inverse.aa * ga + inverse.ab * gb, inverse.ab * ga + inverse.bb * gb];
    const size = Math.max(1, Math.abs(da), Math.abs(db));
    a += da / size;
    b = Math.max(0.2, b + db / size);
    if (Math.abs(da) + Math.abs(db) < 1e-10) break;
  }
  return { a, b, ...inverse };
}

/**
 * A person's shake curve from their own frames: the logistic of docs/formulas.md#shake-curve fitted by the most likely
 * limit and spread, with a weak prior round what was expected; the band is the fit's own error (68 %).
 * @param expectedLimitS the limit before the test; RangeError for counts that cannot be.
 * @param lapseShare of frames whose time says nothing of them, 0 to under 1: they answer as a coin does (Wichmann and Hill, 2001).
 */
export function fitSteadiness(tests: readonly HandTest[], expectedLimitS: number, lapseShare = 0): SteadinessFit {
  checkPositive('expectedLimitS', expectedLimitS);
  const priorSpread = 1 / PRIOR_SLOPE;
  const middle = Math.log2(expectedLimitS) + priorSpread * Math.log(4);
  const points = tests.map(({ shutterS, frames, sharp }) => {
    checkPositive('shutterS', shutterS);
    checkAtLeast('frames', frames, 0);
    checkAtLeast('sharp', sharp, 0);
    if (sharp > frames) throw new RangeError(`sharp must be at most frames (${frames}), got ${sharp}`);
    return { x: middle - Math.log2(shutterS), frames, sharp };
  });
  const fit = scored(points, lapseShare);
  const spreadStops = 1 / fit.b;
  // 80 % where a + b·x = ln 4.
  const x80 = (Math.log(4) - fit.a) / fit.b;
  const [byA, byB] = [-1 / fit.b, -x80 / fit.b];
  const variance = byA ** 2 * fit.aa + 2 * byA * byB * fit.ab + byB ** 2 * fit.bb;
  return {
    limitS: 2 ** (middle - x80),
    limitErrorStops: Math.sqrt(variance),
    spreadStops,
    at: (shutterS) => {
      const x = middle - Math.log2(shutterS);
      const score = fit.a + fit.b * x;
      const error = Math.sqrt(Math.max(0, fit.aa + 2 * x * fit.ab + x * x * fit.bb));
      return { low: logistic(score - error), chance: logistic(score), high: logistic(score + error) };
    },
  };
}
