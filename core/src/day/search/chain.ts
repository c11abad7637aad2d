import { arrivalRow, type DayOnGrid } from './dayTable.js';
import { isNever, minuteOfSlot, NEVER } from './grid.js';
import { AT_HOME, type DayPlan, type PlannedVisit, walkHomeMin } from '../plan.js';
import type { Visit } from '../question.js';
import { plannedVisit, readStay } from './readBack.js';
import type { Stays } from './stays.js';

/** Which visits of an order have to be had: its musts, or all of it. */
export type Keeps = 'musts' | 'all';

/**
 * The best times for visits in a given order, of which those that need not be kept may be left out: the day's recursion along
 * a chain, exact on its grid. Row `number * (count + 1) + place` of `leaves` is the best of leaving a place with the visits
 * from that number on still to come; only rows that are needed are there. Source: docs/formulas.md#day.
 */
export interface Chain {
  readonly day: DayOnGrid;
  readonly order: readonly number[];
  readonly keeps: Keeps;
  readonly leaves: Map<number, Int32Array>;
  readonly arrivals: Map<number, Int32Array>;
  /** Another chain whose order is the same from a number on: its rows serve again. */
  readonly alike: { readonly chain: Chain; readonly fromNumber: number } | null;
}

function isKept({ day, keeps }: Chain, visit: number): boolean {
  return keeps === 'all' || (day.question.visits[visit] as Visit).isMust === true;
}

function isHere({ question }: DayOnGrid, visit: number, place: number): boolean {
  const isStart = place === question.visits.length;
  return question.visits[visit]?.isAnywhere === true && (!isStart || question.setsOff === 'now');
}

/** By slot, what it is worth to leave a place with the order's visits from a number on still to come. */
function leavesOf(chain: Chain, number: number, place: number): Int32Array {
  const { day, order, leaves, alike } = chain;
  if (alike !== null && number >= alike.fromNumber) return leavesOf(alike.chain, number, place);
  const key = number * (day.question.visits.length + 1) + place;
  const known = leaves.get(key);
  if (known !== undefined) return known;
  const { slots } = day.grid;
  let row: Int32Array;
  if (number === order.length) {
    row = new Int32Array(slots).fill(NEVER);
    const last = Math.min(slots - 1, day.walks.lastHomeSlot[place] as number);
    row.fill(-(day.walks.homeCost[place] as number), 0, Math.max(0, last + 1));
  } else {
    const visit = order[number] as number;
    row = isKept(chain, visit) ? new Int32Array(slots).fill(NEVER) : leavesOf(chain, number + 1, place).slice();
    const arrivals = arrivalsOf(chain, number, place);
    const isOnTheSpot = day.question.visits[visit]?.isAnywhere === true;
    const [ahead, cost] = isOnTheSpot ? [0, 0] : walkTo(day, place, visit);
    for (let slot = 0; arrivals !== null && slot + ahead < slots; slot++) {
      const value = (arrivals[slot + ahead] as number) - cost;
      if (value > (row[slot] as number)) row[slot] = value;
    }
  }
  leaves.set(key, row);
  return row;
}

function walkTo({ walks, question }: DayOnGrid, place: number, visit: number): readonly [number, number] {
  const at = place * question.visits.length + visit;
  return [walks.slots[at] as number, walks.cost[at] as number];
}

/** By slot, what it is worth to come to the order's visit of a number; where one is had anywhere, from a place. */
function arrivalsOf(chain: Chain, number: number, place: number): Int32Array | null {
  const { day, order, arrivals } = chain;
  const visit = order[number] as number;
  const isOnTheSpot = day.question.visits[visit]?.isAnywhere === true;
  if (isOnTheSpot && !isHere(day, visit, place)) return null;
  const key = number * (day.question.visits.length + 1) + (isOnTheSpot ? place : visit);
  const known = arrivals.get(key);
  if (known !== undefined) return known;
  const row = new Int32Array(day.grid.slots);
  arrivalRow(day, visit, leavesOf(chain, number + 1, isOnTheSpot ? place : visit), row);
  arrivals.set(key, row);
  return row;
}

function startOf({ question, grid }: DayOnGrid, row: Int32Array): number | null {
  if (grid.slots === 0) return null;
  let best = 0;
  if (question.setsOff !== 'now')
    for (let slot = 1; slot < row.length; slot++) if ((row[slot] as number) >= (row[best] as number)) best = slot;
  return isNever(row[best] as number) ? null : best;
}

export function chainOf(
  day: DayOnGrid,
  order: readonly number[],
  { keeps = 'musts', alike = null }: { readonly keeps?: Keeps; readonly alike?: Chain['alike'] } = {},
): Chain {
  return { day, order, keeps, leaves: new Map(), arrivals: new Map(), alike };
}

/** What the best times of an order are worth, millionths; null where it cannot be walked. */
export function valueOfChain(chain: Chain): number | null {
  const row = leavesOf(chain, 0, chain.day.question.visits.length);
  const start = startOf(chain.day, row);
  return start === null ? null : (row[start] as number);
}

/** The best times of an order, as a plan; null where it cannot be walked. */
export function planInOrder(day: DayOnGrid, order: readonly number[], keeps: Keeps = 'musts'): DayPlan | null {
  const chain = chainOf(day, order, { keeps });
  const home = day.question.visits.length;
  const first = leavesOf(chain, 0, home);
  const start = startOf(day, first);
  if (start === null) return null;
  const visits: PlannedVisit[] = [];
  let [slot, place] = [start, home];
  order.forEach((visit, number) => {
    const value = leavesOf(chain, number, place)[slot] as number;
    const isSkipped = !isKept(chain, visit) && leavesOf(chain, number + 1, place)[slot] === value;
    if (isSkipped) return;
    const isOnTheSpot = day.question.visits[visit]?.isAnywhere === true;
    const arriveSlot = slot + (isOnTheSpot ? 0 : walkTo(day, place, visit)[0]);
    const leave = leavesOf(chain, number + 1, isOnTheSpot ? place : visit);
    const { beginSlot, stay } = readStay(day, visit, arriveSlot, leave);
    visits.push(plannedVisit(day, { visit, fromPlace: place, arriveSlot, beginSlot, stay }));
    slot = (day.stays[visit] as Stays).leaveSlot[stay] as number;
    if (!isOnTheSpot) place = visit;
  });
  if (visits.length === 0 && day.question.setsOff !== 'now') return AT_HOME;
  const homeMin = walkHomeMin(day.question, place);
  return {
    value: first[start] as number,
    setsOffMin: minuteOfSlot(day.grid, start),
    homeMin: minuteOfSlot(day.grid, slot) + homeMin,
    visits,
  };
}
