import {
  walkedPlan,
  type DayPlan,
  type DayProfile,
  type MinuteSpan,
  type MisfitAnswer,
  type OwnOrder,
  type PlannedDay,
  type Proof,
} from '../day/index.js';
import type { PlannableDay } from './dayOfWalk.js';

/** What has been found out about a walk's day, in its own terms: stops and pauses by id, minutes by the clock on the wall. */

/** A stay of a planned day. */
export interface PlannedStay extends MinuteSpan {
  /** Of the stop or the pause. */
  readonly id: string;
  /** Millionths of a picture. */
  readonly worth: number;
  /** Minutes to spare behind it. */
  readonly spareMin: number;
}

/** A day as it would be walked. Values are in millionths of a picture. */
export interface DayFound {
  readonly value: number;
  /** Null for an order that somebody has kept. */
  readonly proof: Proof | null;
  readonly stays: readonly PlannedStay[];
  readonly leftOut: readonly string[];
  /** By id, what the day loses without it; null where it cannot do without. */
  readonly without: ReadonlyMap<string, number | null>;
}

/** An order of one's own: what it brings, and the exchange of neighbours that would bring most. */
export interface OrderFound extends DayFound {
  readonly best: DayFound | null;
  readonly repair: { readonly order: readonly string[]; readonly gain: number } | null;
}

/** A time of beginning, and what the day is then worth. */
export interface TimeFound {
  readonly atMin: number;
  readonly value: number;
}

/** When else a visit could be. */
export interface ProfileFound {
  readonly id: string;
  readonly fromMin: number;
  readonly stepMin: number;
  /** Millionths of a picture by step; null where no plan has it then. */
  readonly values: readonly (number | null)[];
  readonly best: TimeFound | null;
  readonly nextBest: TimeFound | null;
}

interface LongerDay {
  readonly minutes: number;
  readonly stays: readonly PlannedStay[];
}

/** What would make a visit fit. */
export type Misfit = { readonly id: string } & (
  | { readonly kind: 'fitsAtACost'; readonly cost: number; readonly stays: readonly PlannedStay[] }
  | {
      readonly kind: 'needs';
      readonly earlierStart: LongerDay | null;
      readonly laterEnd: LongerDay | null;
      readonly leaveOut: { readonly id: string; readonly cost: number; readonly stays: readonly PlannedStay[] } | null;
    }
  | { readonly kind: 'noLight' }
);

function idOf({ question }: PlannableDay, visit: number): string {
  return question.visits[visit]?.id ?? '';
}

/** The solid stays of a plan: what of each is light that pays; the rest of the day is time to spare. */
export function staysOfPlan({ question, clock }: PlannableDay, plan: DayPlan): readonly PlannedStay[] {
  return walkedPlan(question, plan).map(({ id, worth, solid, spareMin }) => ({
    id,
    fromMin: clock.wallAt(solid.fromMin),
    toMin: clock.wallAt(solid.toMin),
    worth,
    spareMin,
  }));
}

function found(day: PlannableDay, plan: DayPlan): Pick<DayFound, 'value' | 'stays' | 'leftOut'> {
  const planned = new Set(plan.visits.map(({ id }) => id));
  const leftOut = day.question.visits.filter(({ id }) => !planned.has(id)).map(({ id }) => id);
  return { value: plan.value, stays: staysOfPlan(day, plan), leftOut };
}

/** Null where the musts cannot all be had. */
export function dayFound(day: PlannableDay, { plan, proof, without }: PlannedDay): DayFound | null {
  if (plan === null) return null;
  const losses = day.question.visits.map(({ id }, k) => {
    const its = without[k] ?? null;
    return [id, its === null ? null : plan.value - its] as const;
  });
  return { ...found(day, plan), proof, without: new Map(losses) };
}

/** Null where the order cannot be walked at all. */
export function orderFound(day: PlannableDay, { plan, repair }: OwnOrder, best: DayFound | null): OrderFound | null {
  if (plan === null) return null;
  const repaired = repair === null ? null : { order: repair.order.map((visit) => idOf(day, visit)), gain: repair.gain };
  return { ...found(day, plan), proof: null, without: new Map(), best, repair: repaired };
}

export function profileFound(
  day: PlannableDay,
  { fromMin, stepMin, values, best, nextBest }: DayProfile,
  visit: number,
): ProfileFound {
  const { wallAt } = day.clock;
  const at = (time: DayProfile['best']): TimeFound | null =>
    time === null ? null : { atMin: wallAt(time.beginMin), value: time.value };
  return { id: idOf(day, visit), fromMin: wallAt(fromMin), stepMin, values, best: at(best), nextBest: at(nextBest) };
}

export function misfitFound(day: PlannableDay, answer: MisfitAnswer, visit: number): Misfit {
  const id = idOf(day, visit);
  switch (answer.kind) {
    case 'noLight':
      return { id, kind: answer.kind };
    case 'fitsAtACost':
      return { id, kind: answer.kind, cost: answer.cost, stays: staysOfPlan(day, answer.plan) };
    case 'needs': {
      const { earlierStart, kind, laterEnd, leaveOut } = answer;
      const longer = (change: typeof earlierStart): LongerDay | null =>
        change === null ? null : { minutes: change.minutes, stays: staysOfPlan(day, change.plan) };
      const without =
        leaveOut === null ? null : { id: idOf(day, leaveOut.visit), cost: leaveOut.cost, stays: staysOfPlan(day, leaveOut.plan) };
      return { id, kind, earlierStart: longer(earlierStart), laterEnd: longer(laterEnd), leaveOut: without };
    }
  }
}
