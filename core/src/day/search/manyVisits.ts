import { firstMemory, hadHere, relaxationOf, relaxedDay, withLoopsRemembered, type Relaxed, type Relaxation } from './bound.js';
import { chainOf, valueOfChain } from './chain.js';
import type { DayOnGrid } from './dayTable.js';
import { NEVER } from './grid.js';
import { completed, type FoundOrder, improveSteps, orderByLight, sumOfAlones } from './orders.js';

/** The best order found so far, and what no day on this grid can be worth more than. */
export interface FoundWithin extends FoundOrder {
  readonly bound: number;
}

/** Rounds that gain less than this share of the bound, together, are enough. */
const STALE_ROUNDS = 6;
const STALE_SHARE = 0.0005;
const THETA = { first: 1, remembering: 0.7, shrinks: 0.6, ends: 0.05 } as const;

/** How far the search for prices has come. */
interface Rounds {
  relaxation: Relaxation;
  prices: Int32Array;
  bestPrices: Int32Array;
  bestVisits: readonly number[];
  bound: number;
  theta: number;
  isFull: boolean;
  readonly bounds: number[];
}

function timesVisited({ visits }: Relaxed, count: number): Int32Array {
  const times = new Int32Array(count);
  for (const visit of visits) times[visit] = (times[visit] as number) + 1;
  return times;
}

/** Dearer where a visit is made again, cheaper where it is not made: λ + θ·gap/‖g‖²·g, never under nothing but for a must. */
function nextPrices(day: DayOnGrid, prices: Int32Array, relaxed: Relaxed, found: number, theta: number): Int32Array {
  const { visits } = day.question;
  const times = timesVisited(relaxed, visits.length);
  const mayFall = (visit: number): boolean => (prices[visit] as number) > 0 || visits[visit]?.isMust === true;
  const slopes = visits.map((visit, k) => {
    if (visit.isAnywhere === true) return 0;
    const slope = (times[k] as number) - 1;
    return slope < 0 && !mayFall(k) ? 0 : slope;
  });
  const length = slopes.reduce((sum, slope) => sum + slope ** 2, 0);
  if (length === 0) return prices;
  const step = (theta * (relaxed.bound - found)) / length;
  return prices.map((price, k) => {
    const moved = Math.round(price + step * (slopes[k] as number));
    return visits[k]?.isMust === true ? moved : Math.max(0, moved);
  });
}

function isStale({ bounds }: Rounds): boolean {
  const before = bounds.at(-1 - STALE_ROUNDS);
  const now = bounds.at(-1);
  return before !== undefined && now !== undefined && before - now < STALE_SHARE * Math.abs(now);
}

/** Remembers more where the best relaxed day went in a loop; smaller steps where no more can be remembered. */
function refine(rounds: Rounds): void {
  const memory = rounds.isFull ? null : withLoopsRemembered(rounds.relaxation, rounds.bestVisits);
  const relaxation = memory === null ? null : relaxationOf(rounds.relaxation.day, memory);
  rounds.prices = rounds.bestPrices;
  rounds.bounds.length = 0;
  if (relaxation === null) {
    rounds.isFull = true;
    rounds.theta *= THETA.shrinks;
  } else {
    rounds.relaxation = relaxation;
    rounds.theta = THETA.remembering;
  }
}

/**
 * A good order for more visits than a table holds, and how good it can be at the most: prices on visits against the relaxed
 * day, whose own orders the search begins from. Yields after every round; ended by rounds, so that the same day always plans
 * the same. Proven best where the bound is reached. Source: docs/formulas.md#day.
 */
export function* manyVisitsSteps(day: DayOnGrid): Generator<FoundWithin, FoundWithin> {
  const count = day.question.visits.length;
  let found: FoundOrder = { order: orderByLight(day), value: NEVER };
  let bound = sumOfAlones(day);
  const tried = new Set<string>();
  /** Searches on from an order that nothing has been tried from yet. */
  function* tryFrom(order: readonly number[]): Generator<FoundWithin> {
    if (tried.has(order.join())) return;
    tried.add(order.join());
    const search = improveSteps(day, order);
    for (;;) {
      const step = search.next();
      if (step.done === true) {
        if (step.value.value > found.value || found.value === NEVER) found = step.value;
        return;
      }
      yield { ...found, bound };
    }
  }
  yield* tryFrom(found.order);

  const relaxation = relaxationOf(day, firstMemory(day, hadHere(day))) ?? relaxationOf(day, firstMemory(day, []));
  if (relaxation === null) return { ...found, bound };
  const none = new Int32Array(count);
  const rounds: Rounds = {
    relaxation,
    prices: none,
    bestPrices: none,
    bestVisits: [],
    bound: Infinity,
    theta: THETA.first,
    isFull: false,
    bounds: [],
  };
  while (rounds.theta >= THETA.ends && bound > found.value) {
    const relaxed = relaxedDay(rounds.relaxation, rounds.prices);
    if (relaxed === null) return { order: found.order, value: NEVER, bound: NEVER };
    if (relaxed.bound < rounds.bound) {
      rounds.bound = relaxed.bound;
      rounds.bestPrices = rounds.prices;
      rounds.bestVisits = relaxed.visits;
      bound = Math.min(bound, relaxed.bound);
    }
    const order = completed(day, relaxed.visits);
    if ((valueOfChain(chainOf(day, order)) ?? NEVER) > found.value) yield* tryFrom(order);
    rounds.bounds.push(rounds.bound);
    yield { ...found, bound };
    if (isStale(rounds)) {
      yield* tryFrom(completed(day, rounds.bestVisits));
      refine(rounds);
    } else rounds.prices = nextPrices(day, rounds.prices, relaxed, found.value, rounds.theta);
  }
  return { ...found, bound };
}
