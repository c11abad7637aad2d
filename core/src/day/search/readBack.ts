import { minuteOfSlot } from './grid.js';
import { arrivalRow, bestStart, type DayOnGrid, type DayTable, leaveRow, rowOf, stayFrom } from './dayTable.js';
import { AT_HOME, type DayPlan, type PlannedVisit, walkHomeMin } from '../plan.js';
import { stayWithin, type Stays } from './stays.js';

/** Where a plan is while it is read back: done with all but a set, at a place, in a slot. */
interface Here {
  readonly set: number;
  readonly place: number;
  readonly slot: number;
}

/** The first stay from a slot that gives a value with what leaving is worth; null where waiting is better. */
function stayOf({ stays }: DayOnGrid, visit: number, slot: number, leave: Int32Array, value: number): number | null {
  const { first, leaveSlot, net } = stays[visit] as Stays;
  for (let stay = first[slot] as number; stay < (first[slot + 1] as number); stay++) {
    if ((net[stay] as number) + (leave[leaveSlot[stay] as number] as number) === value) return stay;
  }
  return null;
}

/** From coming to a visit: how long to wait, and which stay; the one that leaves earliest of equals. */
export function readStay(
  day: DayOnGrid,
  visit: number,
  arriveSlot: number,
  leave: Int32Array,
): { readonly beginSlot: number; readonly stay: number } {
  const values = new Int32Array(day.grid.slots);
  arrivalRow(day, visit, leave, values);
  let slot = arriveSlot;
  while (stayFrom(day, visit, slot, leave) < (values[slot] as number)) slot++;
  const stay = stayOf(day, visit, slot, leave, values[slot] as number);
  if (stay === null) throw new Error(`visit ${visit} has no stay from slot ${slot}`);
  return { beginSlot: slot, stay };
}

/** A stay as it stands in a plan. */
export function plannedVisit(
  { question, grid, stays, walks }: DayOnGrid,
  {
    visit,
    fromPlace,
    arriveSlot,
    beginSlot,
    stay,
  }: { visit: number; fromPlace: number; arriveSlot: number; beginSlot: number; stay: number },
): PlannedVisit {
  const { leaveSlot, worth } = stays[visit] as Stays;
  const one = question.visits[visit] as DayOnGrid['question']['visits'][number];
  const count = question.visits.length;
  const walkMin =
    one.isAnywhere === true ? 0 : ((fromPlace === count ? question.fromStartMin : question.walksMin[fromPlace])?.[visit] ?? 0);
  const reachMin =
    minuteOfSlot(grid, arriveSlot - (one.isAnywhere === true ? 0 : (walks.slots[fromPlace * count + visit] as number))) + walkMin;
  return {
    ...stayWithin(one, grid, minuteOfSlot(grid, beginSlot), minuteOfSlot(grid, leaveSlot[stay] as number)),
    visit,
    id: one.id,
    arriveMin: reachMin,
    walkMin,
    worth: worth[stay] as number,
  };
}

/** What is done next: go home, have something where one is, or walk on; in that order, and by the list, of equals. */
function nextOf(
  table: DayTable,
  { set, place, slot }: Here,
  value: number,
): { readonly visit: number; readonly isHere: boolean } | null {
  const { count, walks, musts, anywheres, arrivals, grid } = table;
  const isInTime = slot <= (walks.lastHomeSlot[place] as number);
  if ((set & musts) === 0 && isInTime && value === -(walks.homeCost[place] as number)) return null;
  for (let next = 0; next < count; next++) {
    if ((set & (1 << next)) === 0) continue;
    if ((anywheres & (1 << next)) !== 0) {
      if (place === count && table.question.setsOff !== 'now') continue;
      const leave = leaveRow(table, set & ~(1 << next), place);
      const values = new Int32Array(grid.slots);
      arrivalRow(table, next, leave, values);
      if (values[slot] === value) return { visit: next, isHere: true };
      continue;
    }
    const at = slot + (walks.slots[place * count + next] as number);
    if (at >= grid.slots) continue;
    const row = rowOf(count, set & ~(1 << next), next);
    if ((arrivals[row * grid.slots + at] as number) - (walks.cost[place * count + next] as number) === value)
      return { visit: next, isHere: false };
  }
  return null;
}

/**
 * The best plan with a set of visits allowed, out of the table. Of equals the one that sets off last, goes home rather than
 * on, takes the earlier in the list, leaves earlier. Null where its musts cannot all be had.
 */
export function planFrom(table: DayTable, allowed: number = 2 ** table.count - 1): DayPlan | null {
  const start = bestStart(table, allowed);
  if (start === null) return null;
  const { grid, walks, question } = table;
  const visits: PlannedVisit[] = [];
  let here: Here = { set: allowed, place: table.count, slot: start.slot };
  for (;;) {
    const row = leaveRow(table, here.set, here.place);
    const next = nextOf(table, here, row[here.slot] as number);
    if (next === null) break;
    const { visit, isHere } = next;
    const set = here.set & ~(1 << visit);
    const place = isHere ? here.place : visit;
    const arriveSlot = here.slot + (isHere ? 0 : (walks.slots[here.place * table.count + visit] as number));
    const { beginSlot, stay } = readStay(table, visit, arriveSlot, leaveRow(table, set, place));
    visits.push(plannedVisit(table, { visit, fromPlace: here.place, arriveSlot, beginSlot, stay }));
    here = { set, place, slot: (table.stays[visit] as Stays).leaveSlot[stay] as number };
  }
  if (visits.length === 0 && question.setsOff !== 'now') return AT_HOME;
  const homeMin = walkHomeMin(question, here.place);
  return {
    value: start.value,
    setsOffMin: minuteOfSlot(grid, start.slot),
    homeMin: minuteOfSlot(grid, here.slot) + homeMin,
    visits,
  };
}
