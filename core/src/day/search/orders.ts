import { type Chain, chainOf, valueOfChain } from './chain.js';
import type { DayOnGrid } from './dayTable.js';
import { NEVER } from './grid.js';
import type { Visit } from '../question.js';
import type { Stays } from './stays.js';

/** An order of all visits with what its best times are worth. */
export interface FoundOrder {
  readonly order: readonly number[];
  readonly value: number;
}

/** Minute about which a visit has its light: the mean of its minutes, weighted; of a flat one the middle of its beginnings. */
function middleOf({ worth, beginnings }: Visit): number {
  if (worth.kind === 'flat') return ((beginnings?.fromMin ?? 0) + (beginnings?.toMin ?? 0)) / 2;
  let [sum, moment] = [0, 0];
  for (let k = 0; k < worth.goodFramesPerMin.length; k++) {
    const frames = worth.goodFramesPerMin[k] as number;
    sum += frames;
    moment += frames * (worth.fromMin + k);
  }
  return sum === 0 ? 0 : moment / sum;
}

/** All visits by the middle of their light: where a search begins. */
export function orderByLight({ question }: DayOnGrid): readonly number[] {
  const middles = question.visits.map(middleOf);
  return question.visits.map((_, k) => k).sort((a, b) => (middles[a] as number) - (middles[b] as number) || a - b);
}

/** An order of some visits, the others put in by the middle of their light. */
export function completed(day: DayOnGrid, some: readonly number[]): readonly number[] {
  const order = [...new Set(some)];
  const middles = day.question.visits.map(middleOf);
  for (const visit of orderByLight(day)) {
    if (order.includes(visit)) continue;
    const at = order.findIndex((other) => (middles[other] as number) > (middles[visit] as number));
    order.splice(at === -1 ? order.length : at, 0, visit);
  }
  return order;
}

/** A changed order, and the last number at which it differs. */
interface Changed {
  readonly order: readonly number[];
  readonly lastNumber: number;
}

/** Every order that comes of moving one or two neighbours elsewhere, or of exchanging two: always in the same sequence. */
export function* changesOf(order: readonly number[]): Generator<Changed> {
  for (const length of [1, 2]) {
    for (let from = 0; from + length <= order.length; from++) {
      const moved = order.slice(from, from + length);
      const others = [...order.slice(0, from), ...order.slice(from + length)];
      for (let to = 0; to <= others.length; to++) {
        if (to === from) continue;
        yield { order: [...others.slice(0, to), ...moved, ...others.slice(to)], lastNumber: Math.max(from, to) + length - 1 };
      }
    }
  }
  for (let a = 0; a < order.length; a++) {
    for (let b = a + 2; b < order.length; b++) yield { order: exchanged(order, a, b), lastNumber: b };
  }
}

/** An order with two of its numbers exchanged. */
export function exchanged(order: readonly number[], a: number, b: number): readonly number[] {
  const changed = [...order];
  changed[a] = order[b] as number;
  changed[b] = order[a] as number;
  return changed;
}

/**
 * Goes over to the first changed order that is worth more, until there is none: times exact, what need not be had may be
 * skipped. Yields the value so far.
 */
export function* improveSteps(day: DayOnGrid, from: readonly number[]): Generator<number, FoundOrder> {
  let base: Chain = chainOf(day, from);
  let value = valueOfChain(base) ?? NEVER;
  for (let isBetter = true; isBetter;) {
    isBetter = false;
    for (const { order, lastNumber } of changesOf(base.order)) {
      const chain = chainOf(day, order, { alike: { chain: base, fromNumber: lastNumber + 1 } });
      const its = valueOfChain(chain) ?? NEVER;
      if (its <= value) continue;
      value = its;
      base = chainOf(day, order);
      isBetter = true;
      yield value;
      break;
    }
  }
  return { order: base.order, value };
}

/** What every visit could give by itself, added up: no day is worth more. */
export function sumOfAlones(day: DayOnGrid): number {
  return day.stays.reduce(
    (sum, { net }: Stays) =>
      sum +
      Math.max(
        0,
        net.reduce((most, its) => Math.max(most, its), 0),
      ),
    0,
  );
}
