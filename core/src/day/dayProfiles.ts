import { dayOnGrid, dayTableSteps } from './search/dayTable.js';
import { type MinuteGrid, isNever, minuteOfSlot } from './search/grid.js';
import { MOST_EXACT, partOf, type PlanProgress, QUICK_STEP_MIN } from './planDay.js';
import { profileSteps } from './profiles.js';
import { checkDayQuestion, type DayQuestion, type Visit } from './question.js';

/** Up to so many visits a profile is by the minute. */
const MOST_BY_THE_MINUTE = 8;

/** What a day is worth by when one of its visits begins. */
export interface DayProfile {
  readonly fromMin: number;
  readonly stepMin: number;
  /** Millionths of a picture by step: the best plan in which the visit begins just then; null where none does. */
  readonly values: readonly (number | null)[];
  /** The best of them. */
  readonly best: { readonly beginMin: number; readonly value: number } | null;
  /** The best outside the unbroken light in which the best lies; null: only then. */
  readonly nextBest: { readonly beginMin: number; readonly value: number } | null;
}

/** The last of equals: to begin later costs nothing then. */
function bestWhere(values: readonly (number | null)[], may: (slot: number) => boolean): number | null {
  let best: number | null = null;
  values.forEach((value, slot) => {
    if (value !== null && may(slot) && (best === null || value >= (values[best] as number))) best = slot;
  });
  return best;
}

/** Whether there is light at a minute; a flat visit has it always. */
function hasLight({ worth }: Visit, minute: number): boolean {
  return worth.kind === 'flat' || (worth.goodFramesPerMin[minute - worth.fromMin] ?? 0) > 0;
}

/** The first minute of the unbroken light that a stay beginning at a minute comes to first; null where it comes to none. */
function lightComeTo(visit: Visit, beginMin: number): number | null {
  let at = beginMin;
  while (at < beginMin + visit.longestMin && !hasLight(visit, at)) at++;
  if (!hasLight(visit, at)) return null;
  while (at > 0 && hasLight(visit, at - 1)) at--;
  return at;
}

/** A visit's profile with its best and its next best time. */
function profileOf(visit: Visit, grid: MinuteGrid, row: Int32Array): DayProfile {
  const values = Array.from(row, (value) => (isNever(value) ? null : value));
  const at = (slot: number | null): DayProfile['best'] =>
    slot === null ? null : { beginMin: minuteOfSlot(grid, slot), value: values[slot] as number };
  const best = at(bestWhere(values, () => true));
  const light = best === null ? null : lightComeTo(visit, best.beginMin);
  const isElsewhere = (slot: number): boolean => {
    const other = lightComeTo(visit, minuteOfSlot(grid, slot));
    return other !== null && other !== light;
  };
  return { fromMin: grid.fromMin, stepMin: grid.stepMin, values, best, nextBest: at(bestWhere(values, isElsewhere)) };
}

/**
 * Of every visit, what the day is worth by when it begins: exact up to eight visits by the minute, up to twelve by five
 * minutes; null beyond. Throws as `planDay`.
 */
export function* dayProfileSteps(question: DayQuestion): Generator<PlanProgress, readonly DayProfile[] | null> {
  checkDayQuestion(question);
  const { visits } = question;
  if (visits.length > MOST_EXACT) return null;
  const day = dayOnGrid(question, visits.length <= MOST_BY_THE_MINUTE ? 1 : QUICK_STEP_MIN);
  const table = yield* partOf(dayTableSteps(day), null, 0, 0.3);
  const rows = yield* partOf(profileSteps(table), null, 0.3, 1);
  return visits.map((visit, k) => profileOf(visit, day.grid, rows[k] as Int32Array));
}
