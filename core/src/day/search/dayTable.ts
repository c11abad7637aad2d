import { type MinuteGrid, gridOf, isNever, NEVER, type Walks, walksOn } from './grid.js';
import type { DayQuestion } from '../question.js';
import { type Stays, staysOn } from './stays.js';

/** A question on a grid, with all that its recursions look up. */
export interface DayOnGrid {
  readonly question: DayQuestion;
  readonly grid: MinuteGrid;
  readonly walks: Walks;
  readonly stays: readonly Stays[];
  /** Visits as bits. */
  readonly musts: number;
  readonly anywheres: number;
}

function bitsOf(question: DayQuestion, is: (visit: DayQuestion['visits'][number]) => boolean): number {
  return question.visits.reduce((bits, visit, k) => (k < 31 && is(visit) ? bits | (1 << k) : bits), 0);
}

/** @param leastWorth by visit, what a stay has to be worth to be offered. */
export function dayOnGrid(question: DayQuestion, stepMin: number, leastWorth: readonly number[] = []): DayOnGrid {
  const grid = gridOf(question, stepMin);
  return {
    question,
    grid,
    walks: walksOn(question, grid),
    stays: question.visits.map((visit, k) => staysOn(question, visit, grid, leastWorth[k])),
    musts: bitsOf(question, ({ isMust }) => isMust === true),
    anywheres: bitsOf(question, ({ isAnywhere }) => isAnywhere === true),
  };
}

/** Most visits that a table of all sets is made for. */
export const MOST_IN_TABLE = 16;

/**
 * The exact plan of a day: the best that can still be had with a set of visits allowed, from arriving at one of them, by slot.
 * Bellman's recursion over sets (Held and Karp's, with time): docs/formulas.md#day, docs/day-plan.md.
 * Rows are kept for arrivals alone, and for leaving too where something is had anywhere; the rest is worked out again.
 */
export interface DayTable extends DayOnGrid {
  readonly count: number;
  /** Row `rowOf(set, visit)`: the best from arriving at the visit with the others of the set still allowed. */
  readonly arrivals: Int32Array;
  readonly departures: Int32Array | null;
}

/** Rows are numbered by visit and the set of the others without its bit. */
export function rowOf(count: number, set: number, visit: number): number {
  const below = (1 << visit) - 1;
  return visit * (1 << (count - 1)) + ((set & below) | ((set >> (visit + 1)) << visit));
}

/** The best of being done with all but a set at a place, by slot of leaving. The start is place `count`. */
export function leaveRow(
  table: DayTable,
  set: number,
  place: number,
  into: Int32Array = new Int32Array(table.grid.slots),
): Int32Array {
  const { count, grid, walks, musts, anywheres, arrivals, departures, question } = table;
  const { slots } = grid;
  const isStart = place === count;
  into.fill(NEVER);
  if ((set & musts) === 0) {
    const last = Math.min(slots - 1, walks.lastHomeSlot[place] as number);
    const home = -(walks.homeCost[place] as number);
    for (let slot = 0; slot <= last; slot++) into[slot] = home;
  }
  for (let next = 0; next < count; next++) {
    if ((set & (1 << next)) === 0) continue;
    const rest = set & ~(1 << next);
    if ((anywheres & (1 << next)) !== 0) {
      if (isStart && question.setsOff !== 'now') continue;
      const after =
        departures === null || isStart
          ? leaveRow(table, rest, place)
          : departures.subarray(rowOf(count, rest, place) * slots, (rowOf(count, rest, place) + 1) * slots);
      stayAnywhere(table, next, after, into);
      continue;
    }
    const first = rowOf(count, rest, next) * slots + (walks.slots[place * count + next] as number);
    const cost = walks.cost[place * count + next] as number;
    const reach = slots - (walks.slots[place * count + next] as number);
    for (let slot = 0; slot < reach; slot++) {
      const value = (arrivals[first + slot] as number) - cost;
      if (value > (into[slot] as number)) into[slot] = value;
    }
  }
  return into;
}

/** What is had where one is: begun now or later, the time till then at its price. */
function stayAnywhere({ stays, walks, grid }: DayTable, visit: number, after: Int32Array, into: Int32Array): void {
  const { first, leaveSlot, net } = stays[visit] as Stays;
  let later = NEVER;
  for (let slot = grid.slots - 1; slot >= 0; slot--) {
    let best = isNever(later) ? NEVER : later - walks.slotPrice;
    for (let stay = first[slot] as number; stay < (first[slot + 1] as number); stay++) {
      const value = (net[stay] as number) + (after[leaveSlot[stay] as number] as number);
      if (value > best) best = value;
    }
    later = best;
    if (best > (into[slot] as number)) into[slot] = best;
  }
}

/**
 * The best of beginning at a visit in a slot, from what leaving it is worth. Ends that add nothing are not among the stays;
 * to be left with less than is already had is the end of the search, because leaving later never gains what it costs.
 */
export function stayFrom({ stays, walks }: DayOnGrid, visit: number, slot: number, leave: Int32Array, atLeast = NEVER): number {
  const { first, leaveSlot, net, most } = stays[visit] as Stays;
  let best = atLeast;
  const last = first[slot + 1] as number;
  for (let stay = first[slot] as number; stay < last; stay++) {
    const end = leaveSlot[stay] as number;
    const after = leave[end] as number;
    if ((most[slot] as number) - walks.slotPrice * (end - slot) + after <= best) break;
    const value = (net[stay] as number) + after;
    if (value > best) best = value;
  }
  return best;
}

/** Worths of arriving at a visit by slot, from those of leaving it: wait, or begin as `stayFrom` does, written out here. */
export function arrivalRow({ stays, walks, grid }: DayOnGrid, visit: number, leave: Int32Array, into: Int32Array): void {
  const { first, leaveSlot, net, most } = stays[visit] as Stays;
  const { slotPrice } = walks;
  let best = NEVER;
  let end = first[grid.slots] as number;
  for (let slot = grid.slots - 1; slot >= 0; slot--) {
    best = isNever(best) ? NEVER : best - slotPrice;
    const begin = first[slot] as number;
    const bound = (most[slot] as number) + slotPrice * slot;
    for (let stay = begin; stay < end; stay++) {
      const leaves = leaveSlot[stay] as number;
      const after = leave[leaves] as number;
      if (bound - slotPrice * leaves + after <= best) break;
      const value = (net[stay] as number) + after;
      if (value > best) best = value;
    }
    end = begin;
    into[slot] = best;
  }
}

const SETS_A_STEP = 256;

/** The table, set by set; yields the share that is done. */
export function* dayTableSteps(day: DayOnGrid): Generator<number, DayTable> {
  const count = day.question.visits.length;
  if (count > MOST_IN_TABLE) throw new RangeError(`visits must be at most ${MOST_IN_TABLE} for a table, got ${count}`);
  const { slots } = day.grid;
  const rows = count === 0 ? 0 : count * 2 ** (count - 1);
  const table: DayTable = {
    ...day,
    count,
    arrivals: new Int32Array(rows * slots),
    departures: day.anywheres === 0 ? null : new Int32Array(rows * slots),
  };
  const leave = new Int32Array(slots);
  for (let set = 0; set < 2 ** count; set++) {
    for (let visit = 0; visit < count; visit++) {
      if ((set & (1 << visit)) !== 0 || (day.anywheres & (1 << visit)) !== 0) continue;
      const at = rowOf(count, set, visit) * slots;
      leaveRow(table, set, visit, leave);
      table.departures?.set(leave, at);
      arrivalRow(day, visit, leave, table.arrivals.subarray(at, at + slots));
    }
    if (set % SETS_A_STEP === SETS_A_STEP - 1) yield (set + 1) / 2 ** count;
  }
  return table;
}

/** Where a day with a set of visits allowed begins best, the latest of equals; null where its musts cannot all be had. */
export function bestStart(
  table: DayTable,
  set: number = 2 ** table.count - 1,
): { readonly slot: number; readonly value: number } | null {
  const row = leaveRow(table, set, table.count);
  if (table.question.setsOff === 'now')
    return row.length === 0 || isNever(row[0] as number) ? null : { slot: 0, value: row[0] as number };
  let best = -1;
  for (let slot = 0; slot < row.length; slot++) if (best === -1 || (row[slot] as number) >= (row[best] as number)) best = slot;
  return best === -1 || isNever(row[best] as number) ? null : { slot: best, value: row[best] as number };
}
