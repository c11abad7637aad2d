import { planInOrder } from './search/chain.js';
import { bestStart, type DayOnGrid, dayOnGrid, type DayTable, dayTableSteps } from './search/dayTable.js';
import { NEVER } from './search/grid.js';
import { manyVisitsSteps } from './search/manyVisits.js';
import type { DayPlan } from './plan.js';
import { finish } from '../units/index.js';
import { checkDayQuestion, type DayQuestion } from './question.js';
import { planFrom } from './search/readBack.js';

/** How good a plan is known to be: nothing is better on a grid of so many minutes, or nothing is by more than a share. */
export type Proof =
  | { readonly kind: 'best'; readonly stepMin: number }
  | { readonly kind: 'within'; readonly share: number; readonly stepMin: number };

export interface PlannedDay {
  /** Null: the musts cannot all be had. */
  readonly plan: DayPlan | null;
  readonly proof: Proof;
  /**
   * By visit, what the best plan is worth that does without it; null where there is none. Of more visits than a table holds
   * those of the plan are left out of its own order, the others change nothing.
   */
  readonly without: readonly (number | null)[];
}

export interface PlanProgress {
  /** 0 to 1. */
  readonly share: number;
  /** The best so far, once there is one. */
  readonly soFar: PlannedDay | null;
}

/** More visits than this are planned by a bound and a search. */
export const MOST_EXACT = 12;
/** So many are planned by the minute outright. */
const MOST_BY_THE_MINUTE = 10;
/** Fewer need no quick answer before it. */
const AT_ONCE = 4;
export const QUICK_STEP_MIN = 5;

/** A generator's steps, told on as a part of a longer work; gives back what it returns. */
export function* partOf<Result>(
  steps: Generator<number, Result>,
  soFar: PlannedDay | null,
  from: number,
  to: number,
): Generator<PlanProgress, Result> {
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
    yield { share: from + (to - from) * step.value, soFar };
  }
}

/** What the best plans without each visit are worth, out of the same table. */
function withoutEach(table: DayTable): readonly (number | null)[] {
  const all = 2 ** table.count - 1;
  return table.question.visits.map((_, k) => bestStart(table, all & ~(1 << k))?.value ?? null);
}

export function plannedFrom(table: DayTable): PlannedDay {
  return { plan: planFrom(table), proof: { kind: 'best', stepMin: table.grid.stepMin }, without: withoutEach(table) };
}

/** The order of a plan and all its visits kept, solved again by the minute. */
function toTheMinute(question: DayQuestion, planned: PlannedDay): PlannedDay {
  const { plan } = planned;
  if (plan === null || plan.visits.length === 0) return planned;
  const finer = planInOrder(
    dayOnGrid(question, 1),
    plan.visits.map(({ visit }) => visit),
    'all',
  );
  return finer === null || finer.value < plan.value ? planned : { ...planned, plan: finer };
}

function shareShort(bound: number, value: number): number {
  return bound <= 0 ? 0 : Math.max(0, (bound - value) / bound);
}

function* byBound(question: DayQuestion): Generator<PlanProgress, PlannedDay> {
  const day = dayOnGrid(question, QUICK_STEP_MIN);
  const steps = manyVisitsSteps(day);
  const plannedOf = ({ order, value, bound }: { order: readonly number[]; value: number; bound: number }): PlannedDay => {
    const share = shareShort(bound, value);
    const proof: Proof =
      share === 0 ? { kind: 'best', stepMin: QUICK_STEP_MIN } : { kind: 'within', share, stepMin: QUICK_STEP_MIN };
    const plan = value === NEVER ? null : planInOrder(day, order);
    return { plan, proof, without: plan === null ? question.visits.map(() => null) : withoutInOrder(day, plan) };
  };
  let last = NEVER;
  let soFar = null as PlannedDay | null;
  for (;;) {
    const step = steps.next();
    if (step.done === true) return toTheMinute(question, plannedOf(step.value));
    const { value, bound } = step.value;
    if (value > last) soFar = plannedOf(step.value);
    else if (soFar !== null)
      soFar = { ...soFar, proof: { kind: 'within', share: shareShort(bound, value), stepMin: QUICK_STEP_MIN } };
    last = value;
    yield { share: Math.max(0, Math.min(1, 1 - 10 * shareShort(bound, value))), soFar };
  }
}

function withoutInOrder(day: DayOnGrid, { visits, value }: DayPlan): readonly (number | null)[] {
  return day.question.visits.map((_, k) => {
    if (!visits.some(({ visit }) => visit === k)) return value;
    return (
      planInOrder(
        day,
        visits.map(({ visit }) => visit).filter((visit) => visit !== k),
      )?.value ?? null
    );
  });
}

/**
 * The best day, in steps: exact by the table up to twelve visits (to the minute up to ten; the order of five-minute steps
 * solved again by the minute at eleven and twelve), beyond that the best found with a bound. The caller may stop at any step
 * and keep what there is. @throws TypeError, RangeError for a question out of range.
 */
export function* planDaySteps(question: DayQuestion): Generator<PlanProgress, PlannedDay> {
  checkDayQuestion(question);
  const count = question.visits.length;
  if (count > MOST_EXACT) return yield* byBound(question);
  if (count <= AT_ONCE) return plannedFrom(yield* partOf(dayTableSteps(dayOnGrid(question, 1)), null, 0, 1));
  const isByTheMinute = count <= MOST_BY_THE_MINUTE;
  const quickShare = isByTheMinute ? 0.15 : 1;
  const quick = toTheMinute(
    question,
    plannedFrom(yield* partOf(dayTableSteps(dayOnGrid(question, QUICK_STEP_MIN)), null, 0, quickShare)),
  );
  if (!isByTheMinute) return quick;
  yield { share: quickShare, soFar: quick };
  return plannedFrom(yield* partOf(dayTableSteps(dayOnGrid(question, 1)), quick, quickShare, 1));
}

/** The same in one go. Throws as `planDaySteps`. */
export function planDay(question: DayQuestion): PlannedDay {
  return finish(planDaySteps(question));
}
