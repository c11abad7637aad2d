import type { Estimate } from './interval.js';
import { medianOf } from '../middle.js';

/** Of a normal curve: a middle distance to its deviation, and what the middle of many scatters more than their mean. */
const PER_MIDDLE_DISTANCE = 1.4826;
const MIDDLE_OVER_MEAN = Math.sqrt(Math.PI / 2);
const BAND = 1.96;

/**
 * The middle of positive figures of which some are far off, about what was expected: a normal error of the logarithm expected, and
 * seen, weighed by their variances. Source: docs/log.md#lessons.
 */
export function logMiddle(
  values: readonly number[],
  {
    expected,
    expectedSd,
    leastSpread,
    commonSd = 0,
  }: {
    readonly expected: number;
    /** Of its natural logarithm, as is the least spread that one of the figures has. */
    readonly expectedSd: number;
    readonly leastSpread: number;
    /** How far all of them may be off alike, however many they are. */
    readonly commonSd?: number;
  },
): Estimate {
  const logs = values.map(Math.log);
  const seen = medianOf(logs);
  const spread = Math.max(leastSpread, PER_MIDDLE_DISTANCE * medianOf(logs.map((one) => Math.abs(one - seen))));
  const seenSd = Math.hypot((MIDDLE_OVER_MEAN * spread) / Math.sqrt(values.length), commonSd);
  const [byExpected, bySeen] = [expectedSd ** -2, seenSd ** -2];
  const log = (byExpected * Math.log(expected) + bySeen * seen) / (byExpected + bySeen);
  const sd = 1 / Math.sqrt(byExpected + bySeen);
  return { value: Math.exp(log), low: Math.exp(log - BAND * sd), high: Math.exp(log + BAND * sd) };
}
