import { replanFrom } from '../day/index.js';
import { type PlannableDay, type PlannedStay, staysOfPlan } from '../plan/index.js';

/** Where one is in a walk's day: stops and pauses by id, minutes by the clock on the wall. */
export interface WhereNow {
  readonly nowMin: number;
  /** Over: got, given up, or eaten. */
  readonly doneIds: readonly string[];
  readonly at: { readonly id: string; readonly servedMin: number } | null;
  /** Whole minutes on foot from here to each stop and pause, in the day's order, and to where it ends. */
  readonly walksMin: readonly number[];
  readonly homeMin: number;
}

/** The best that is left of the day. */
export interface RestFound {
  /** Millionths of a picture, from now on. */
  readonly value: number;
  readonly stays: readonly PlannedStay[];
  readonly leftOut: readonly string[];
  /** Musts that cannot be had any more. */
  readonly givenUp: readonly string[];
}

/** The rest of a walk from here and now. Throws as `planDay`. */
export function restOfWalk(day: PlannableDay, { nowMin, doneIds, at, walksMin, homeMin }: WhereNow): RestFound {
  const { question, clock } = day;
  const numberOf = (id: string): number => question.visits.findIndex((visit) => visit.id === id);
  const visit = at === null ? -1 : numberOf(at.id);
  const found = replanFrom(question, {
    nowMin: clock.elapsedAt(nowMin),
    done: doneIds.map(numberOf).filter((number) => number !== -1),
    at: at === null || visit === -1 ? null : { visit, servedMin: at.servedMin },
    walksMin,
    homeMin,
  });
  const idOf = (number: number): string => question.visits[number]?.id ?? '';
  const planned = new Set(found.plan.visits.map(({ id }) => id));
  const over = new Set(doneIds);
  return {
    value: found.plan.value,
    stays: staysOfPlan(day, found.plan),
    leftOut: question.visits.map(({ id }) => id).filter((id) => !planned.has(id) && !over.has(id)),
    givenUp: found.setAside.map(idOf),
  };
}
