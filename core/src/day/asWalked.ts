import { DEFAULT_PRICE_PER_MIN, type DayQuestion, MILLION, type MinuteSpan, type Visit } from './question.js';
import type { DayPlan, PlannedVisit } from './plan.js';

/** Minutes that one is early at the next beginning where there is time (s). */
export const EARLY_MIN = 10;

/** A planned visit as it is walked: what of it is solid, and when to go on. */
export interface WalkedVisit extends PlannedVisit {
  /** From the first minute with light in the stay to the last that still pays; the whole of a flat or fixed one. */
  readonly solid: MinuteSpan;
  /** When to set off from here; in time for the next beginning with some minutes in hand. */
  readonly setOffMin: number;
  /** Time to spare from the last solid minute till then. */
  readonly spareMin: number;
}

function isFixed({ worth, shortestMin, longestMin }: Visit): boolean {
  return worth.kind === 'flat' || shortestMin === longestMin;
}

/** The last minute that adds the price is part of it; never shorter than the shortest stay. */
function solidOf(visit: Visit, { fromMin, toMin }: MinuteSpan, price: number): MinuteSpan {
  const { worth } = visit;
  if (worth.kind === 'flat' || isFixed(visit)) return { fromMin, toMin };
  const framesAt = (minute: number): number => worth.goodFramesPerMin[minute - worth.fromMin] ?? 0;
  const share = 1 - (worth.repeatShare ?? 0);
  let from = fromMin;
  while (from < toMin && framesAt(from) === 0) from++;
  if (from === toMin) return { fromMin, toMin };
  let frames = 0;
  let to = from;
  for (let minute = from; minute < toMin; minute++) {
    const before = Math.exp(-share * frames);
    frames += framesAt(minute);
    if (MILLION * worth.weight * (before - Math.exp(-share * frames)) >= price) to = minute + 1;
  }
  const shortest = visit.shortestMin;
  to = Math.max(to, Math.min(toMin, from + shortest));
  return { fromMin: Math.max(fromMin, Math.min(from, to - shortest)), toMin: to };
}

/** Minutes in hand belong to a walk between places; what is had anywhere begins where one is. */
function earlyMin({ visits }: DayQuestion, { visit }: PlannedVisit): number {
  return visits[visit]?.isAnywhere === true ? 0 : EARLY_MIN;
}

/** A plan trimmed as it is walked: the light first, the time to spare where one is, on in time. Source: docs/day-plan.md. */
export function walkedPlan(question: DayQuestion, plan: DayPlan): readonly WalkedVisit[] {
  const price = question.pricePerMin ?? DEFAULT_PRICE_PER_MIN;
  const solids = plan.visits.map((planned) => solidOf(question.visits[planned.visit] as Visit, planned, price));
  return plan.visits.map((planned, k) => {
    const solid = solids[k] as MinuteSpan;
    const next = plan.visits[k + 1];
    const nextSolid = solids[k + 1];
    const setOffMin =
      next === undefined || nextSolid === undefined
        ? solid.toMin
        : Math.max(solid.toMin, nextSolid.fromMin - earlyMin(question, next) - next.walkMin);
    return { ...planned, solid, setOffMin, spareMin: setOffMin - solid.toMin };
  });
}
