import type { DayQuestion, MinuteSpan } from './question.js';

/** A visit as it is planned. */
export interface PlannedVisit extends MinuteSpan {
  /** Number in the question's list. */
  readonly visit: number;
  readonly id: string;
  /** When one comes there; `fromMin` is when the stay begins, which may be later. */
  readonly arriveMin: number;
  /** From the place before; 0 where it is had anywhere. */
  readonly walkMin: number;
  /** Millionths of a picture. */
  readonly worth: number;
}

/** A whole day. Without visits one stays at home. */
export interface DayPlan {
  /** Millionths of a picture: worths less the prices of time and walks. */
  readonly value: number;
  readonly setsOffMin: number | null;
  readonly homeMin: number | null;
  readonly visits: readonly PlannedVisit[];
}

export const AT_HOME: DayPlan = { value: 0, setsOffMin: null, homeMin: null, visits: [] };

/** Minutes on foot from a place to where the day ends; the start is the place after the last visit. */
export function walkHomeMin({ visits, toEndMin, homeFromStartMin }: DayQuestion, place: number): number {
  return (place === visits.length ? homeFromStartMin : toEndMin?.[place]) ?? 0;
}

/** A plan of some visits with the numbers that they have in the whole day. */
export function renumbered<Plan extends DayPlan | null>(plan: Plan, numbers: readonly number[]): Plan {
  if (plan === null) return plan;
  return { ...plan, visits: plan.visits.map((one) => ({ ...one, visit: numbers[one.visit] as number })) };
}
