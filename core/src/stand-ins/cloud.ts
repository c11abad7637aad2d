import { type CloudByHour, localDaySpan } from '../light/index.js';
import { checkFinite, checkOptions } from '../units/index.js';

/** A stream of even random numbers in [0, 1) from a seed: the splitmix of 32 bits. */
function stream(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x9e3779b9) >>> 0;
    let mixed = state;
    mixed = Math.imul(mixed ^ (mixed >>> 16), 0x21f0aaad);
    mixed = Math.imul(mixed ^ (mixed >>> 15), 0x735a2d97);
    return ((mixed ^ (mixed >>> 15)) >>> 0) / 2 ** 32;
  };
}

const KNOT_HOURS = 6;
const DAY_HOURS = 24;
const MORNING_HOURS = 12;

/**
 * A made-up day of cloud and the morning after, 36 hours, the same for the same day and seed: a level for the day, a wander over six-hourly knots, a little
 * unrest by the hour. A stand-in for a forecast, simulated, and to be labelled so.
 * @throws TypeError, RangeError for a malformed day or a seed that is no number.
 */
export function simulatedCloud(options: { readonly day: string; readonly seed: number }): CloudByHour {
  checkOptions('options', options);
  const { day, seed } = options;
  localDaySpan(day, 'UTC');
  checkFinite('seed', seed);
  const next = stream(Number(day.replaceAll('-', '')) * 31 + Math.floor(seed));
  const level = next();
  const drawKnots = (count: number): number[] => Array.from({ length: count }, () => level + (next() - 0.5) * 0.7);
  const hoursAlong = (knots: readonly number[], count: number): number[] =>
    Array.from({ length: count }, (_, hour) => {
      const knot = Math.floor(hour / KNOT_HOURS);
      const share = (hour % KNOT_HOURS) / KNOT_HOURS;
      const wander = (1 - share) * (knots[knot] as number) + share * (knots[knot + 1] as number);
      const cloud = wander + (next() - 0.5) * 0.15;
      return Math.round(Math.min(1, Math.max(0, cloud)) * 100) / 100;
    });
  const knots = drawKnots(DAY_HOURS / KNOT_HOURS + 1);
  const today = hoursAlong(knots, DAY_HOURS);
  const onwards = [...knots.slice(-1), ...drawKnots(MORNING_HOURS / KNOT_HOURS)];
  return [...today, ...hoursAlong(onwards, MORNING_HOURS)];
}
