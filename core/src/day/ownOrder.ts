import { chainOf, planInOrder, valueOfChain } from './search/chain.js';
import { dayOnGrid } from './search/dayTable.js';
import { exchanged } from './search/orders.js';
import type { DayPlan } from './plan.js';
import { checkDayQuestion, type DayQuestion } from './question.js';

export interface OwnOrder {
  /** The best times in the order given; null where it cannot be walked even without its musts. */
  readonly plan: DayPlan | null;
  /** Left out because their light is gone by then, or does not pay for the time. */
  readonly skipped: readonly number[];
  /** Musts left out, only where the order cannot be walked otherwise. */
  readonly mustsSkipped: readonly number[];
  /** Exchanging these two neighbours gains the most; null where no exchange gains anything. */
  readonly repair: { readonly order: readonly number[]; readonly gain: number } | null;
}

/** The order with as few of its musts given up as it takes: one at a time, the one that leaves most. */
function walkable(
  question: DayQuestion,
  order: readonly number[],
): { readonly question: DayQuestion; readonly given: readonly number[] } {
  let now = question;
  const given: number[] = [];
  while (valueOfChain(chainOf(dayOnGrid(now, 1), order)) === null) {
    const musts = order.filter((k) => now.visits[k]?.isMust === true);
    if (musts.length === 0) break;
    const tries = musts.map((k) => {
      const freed = { ...now, visits: now.visits.map((visit, other) => (other === k ? { ...visit, isMust: false } : visit)) };
      return { k, freed, value: valueOfChain(chainOf(dayOnGrid(freed, 1), order)) ?? -Infinity };
    });
    const best = tries.reduce((most, one) => (one.value > most.value ? one : most));
    given.push(best.k);
    now = best.freed;
  }
  return { question: now, given };
}

/** The best times with an order of one's own, to the minute. @throws as `planDay`; RangeError for an order of other visits. */
export function keepOrder(question: DayQuestion, order: readonly number[]): OwnOrder {
  checkDayQuestion(question);
  const isOrder = order.length === question.visits.length && question.visits.every((_, k) => order.includes(k));
  if (!isOrder) throw new RangeError(`order must name each of ${question.visits.length} visits once, got ${order.join(', ')}`);
  const { question: walked } = walkable(question, order);
  const day = dayOnGrid(walked, 1);
  const plan = planInOrder(day, order);
  const had = new Set(plan?.visits.map(({ visit }) => visit));
  const skipped = order.filter((visit) => !had.has(visit));
  const isMust = (visit: number): boolean => question.visits[visit]?.isMust === true;
  return {
    plan,
    skipped: skipped.filter((visit) => !isMust(visit)),
    mustsSkipped: skipped.filter(isMust),
    repair: repairOf(question, order, plan?.value ?? -Infinity),
  };
}

function repairOf(question: DayQuestion, order: readonly number[], value: number): OwnOrder['repair'] {
  const day = dayOnGrid(question, 1);
  let best: OwnOrder['repair'] = null;
  for (let k = 0; k + 1 < order.length; k++) {
    const changed = exchanged(order, k, k + 1);
    const its = valueOfChain(chainOf(day, changed));
    const gain = its === null ? 0 : value === -Infinity ? its : its - value;
    if (gain > (best?.gain ?? 0)) best = { order: changed, gain };
  }
  return best;
}
