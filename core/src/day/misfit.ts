import { planInOrder } from './search/chain.js';
import { dayOnGrid, dayTableSteps } from './search/dayTable.js';
import { type DayPlan, renumbered } from './plan.js';
import { MOST_EXACT, planDay, QUICK_STEP_MIN } from './planDay.js';
import { type DayQuestion, LATEST_MIN, subset } from './question.js';
import { planFrom } from './search/readBack.js';
import { finish } from '../units/index.js';

/** What would make a visit fit that a plan has left out. Costs are in millionths of a picture. */
export type MisfitAnswer =
  | { readonly kind: 'fitsAtACost'; readonly cost: number; readonly plan: DayPlan }
  | {
      readonly kind: 'needs';
      /** Minutes, in steps of five; null where three hours do not help. */
      readonly earlierStart: { readonly minutes: number; readonly plan: DayPlan } | null;
      readonly laterEnd: { readonly minutes: number; readonly plan: DayPlan } | null;
      readonly leaveOut: { readonly visit: number; readonly cost: number; readonly plan: DayPlan } | null;
    }
  /** Nothing to give alone, neither in the day as it is nor in one three hours longer at both ends. */
  | { readonly kind: 'noLight' };

const MOST_LONGER_MIN = 180;
/** Of what it could give alone, or gives now. */
const ENOUGH = 0.5;

/** A day longer at either end. */
function longer(question: DayQuestion, earlierMin: number, laterMin: number): DayQuestion {
  return {
    ...question,
    earliestMin: Math.max(0, question.earliestMin - earlierMin),
    latestMin: Math.min(LATEST_MIN, question.latestMin + laterMin),
  };
}

/** A question with some of its visits alone, all of them musts. */
interface Together {
  readonly question: DayQuestion;
  readonly numbers: readonly number[];
  readonly leastWorth: readonly number[];
}

function together(question: DayQuestion, numbers: readonly number[], leastWorth: readonly number[]): Together {
  const some = subset(question, numbers);
  return { numbers, leastWorth, question: { ...some, visits: some.visits.map((visit) => ({ ...visit, isMust: true })) } };
}

/** One plan that holds them all, none of its stays worth less than its least; of many visits, put into the plan's own order. */
function planTogether({ question, numbers, leastWorth }: Together): DayPlan | null {
  const day = dayOnGrid(question, QUICK_STEP_MIN, leastWorth);
  if (numbers.length <= MOST_EXACT) return renumbered(planFrom(finish(dayTableSteps(day))), numbers);
  const last = numbers.length - 1;
  const others = numbers.map((_, k) => k).slice(0, -1);
  let best: DayPlan | null = null;
  for (let at = 0; at <= last; at++) {
    const plan = planInOrder(day, [...others.slice(0, at), last, ...others.slice(at)]);
    if (plan !== null && (best === null || plan.value > best.value)) best = plan;
  }
  return renumbered(best, numbers);
}

/** The smallest number of five-minute steps with which there is a plan, by halving: a longer day never fits less. */
function smallest(planWith: (minutes: number) => DayPlan | null): { readonly minutes: number; readonly plan: DayPlan } | null {
  let plan = planWith(MOST_LONGER_MIN);
  if (plan === null) return null;
  let [low, high] = [0, MOST_LONGER_MIN / QUICK_STEP_MIN];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    const its = planWith(middle * QUICK_STEP_MIN);
    if (its === null) low = middle;
    else [high, plan] = [middle, its];
  }
  return { minutes: high * QUICK_STEP_MIN, plan };
}

/**
 * Why a visit is not in a plan, and the smallest change with which it is: it fits where one plan holds it at half or more of
 * what it could give alone in the day as it is (where that is nothing, in one three hours longer at both ends), and every planned
 * visit at half or more of what it gives now. One threshold for every remedy. Source: docs/formulas.md#day, docs/day-plan.md.
 */
export function misfitOf(question: DayQuestion, plan: DayPlan, visit: number): MisfitAnswer {
  const aloneIn = (day: DayQuestion): number => planDay(together(day, [visit], []).question).plan?.visits[0]?.worth ?? 0;
  const inTheDay = aloneIn(question);
  const alone = inTheDay > 0 ? inTheDay : aloneIn(longer(question, MOST_LONGER_MIN, MOST_LONGER_MIN));
  const isFlat = question.visits[visit]?.worth.kind === 'flat';
  if (alone === 0 && !isFlat) return { kind: 'noLight' };
  const worthOf = new Map(plan.visits.map((planned) => [planned.visit, planned.worth]));
  const fits = (day: DayQuestion, planned: readonly number[]): DayPlan | null => {
    const numbers = [...planned, visit];
    const leastWorth = numbers.map((k) => ENOUGH * (k === visit ? alone : (worthOf.get(k) ?? 0)));
    return planTogether(together(day, numbers, leastWorth));
  };
  const planned = plan.visits.map((one) => one.visit);
  const now = fits(question, planned);
  if (now !== null) return { kind: 'fitsAtACost', cost: plan.value - now.value, plan: now };
  const without = planned
    .filter((k) => question.visits[k]?.isMust !== true)
    .flatMap((k) => {
      const smaller = fits(
        question,
        planned.filter((other) => other !== k),
      );
      return smaller === null ? [] : [{ visit: k, cost: plan.value - smaller.value, plan: smaller }];
    })
    .sort((a, b) => a.cost - b.cost);
  return {
    kind: 'needs',
    earlierStart: smallest((minutes) => fits(longer(question, minutes, 0), planned)),
    laterEnd: smallest((minutes) => fits(longer(question, 0, minutes), planned)),
    leaveOut: without[0] ?? null,
  };
}
