import { type DayTable, leaveRow, rowOf, stayFrom } from './search/dayTable.js';
import { isNever, NEVER } from './search/grid.js';
import type { Stays } from './search/stays.js';

/** Of every visit, by slot: the worth of the best plan in which it begins just there; `NEVER` where none does. */
export type Profiles = readonly Int32Array[];

/**
 * One pass forward over the sets, as the table is one backward: `reaches` is the best of having done a set, none of it left
 * to do, by slot of being at a visit ready to begin. A profile joins the two: the most, over all sets done before, of
 * reach + (the best of beginning there with the others still allowed). Exact on the table's grid.
 */
export function* profileSteps(table: DayTable): Generator<number, Profiles> {
  const { count, grid, walks, anywheres, question } = table;
  const { slots } = grid;
  const all = 2 ** count - 1;
  const rows = count === 0 ? 0 : count * 2 ** (count - 1);
  const reaches = new Int32Array(rows * slots).fill(NEVER);
  const departures = anywheres === 0 ? null : new Int32Array(rows * slots).fill(NEVER);
  const profiles = Array.from({ length: count }, () => new Int32Array(slots).fill(NEVER));
  const departs = new Int32Array(slots);
  const leave = new Int32Array(slots);
  const rowIn = (all: Int32Array, set: number, visit: number): Int32Array => {
    const at = rowOf(count, set, visit) * slots;
    return all.subarray(at, at + slots);
  };
  const isAnywhere = (visit: number): boolean => (anywheres & (1 << visit)) !== 0;

  /** What leaving a place with a set done is worth, carried on to every visit that may come next. */
  const goOn = (done: number, place: number, worths: Int32Array): void => {
    let firstSlot = 0;
    while (firstSlot < slots && isNever(worths[firstSlot] as number)) firstSlot++;
    for (let next = 0; next < count; next++) {
      if ((done & (1 << next)) !== 0 || isAnywhere(next)) continue;
      const ahead = walks.slots[place * count + next] as number;
      const cost = walks.cost[place * count + next] as number;
      const at = rowOf(count, done, next) * slots + ahead;
      for (let slot = firstSlot; slot < slots - ahead; slot++) {
        const value = (worths[slot] as number) - cost;
        if (value > (reaches[at + slot] as number)) reaches[at + slot] = value;
      }
    }
  };

  /** Had where one is: its own profile, and what it leaves on. */
  const stayOn = (done: number, place: number, visit: number, worths: Int32Array, into: Int32Array | null): void => {
    const ready = waiting(worths, walks.slotPrice);
    leaveRow(table, all & ~done & ~(1 << visit), place, leave);
    profileOf(visit, ready, leave);
    if (into !== null) begin(table, visit, ready, into);
  };

  const profileOf = (visit: number, ready: Int32Array, after: Int32Array): void => {
    const profile = profiles[visit] as Int32Array;
    for (let slot = 0; slot < slots; slot++) {
      if (isNever(ready[slot] as number)) continue;
      const stay = stayFrom(table, visit, slot, after);
      if (!isNever(stay)) profile[slot] = Math.max(profile[slot] as number, (ready[slot] as number) + stay);
    }
  };

  const start = startWorths(table);
  goOn(0, count, start);
  if (question.setsOff === 'now') startAnywheres(table, start, goOn, stayOn);
  for (let done = 1; done <= all; done++) {
    for (let visit = 0; visit < count; visit++) {
      if ((done & (1 << visit)) === 0 || isAnywhere(visit)) continue;
      const before = done & ~(1 << visit);
      const ready = waiting(rowIn(reaches, before, visit), walks.slotPrice);
      leaveRow(table, all & ~done, visit, leave);
      profileOf(visit, ready, leave);
      departs.fill(NEVER);
      begin(table, visit, ready, departs);
      const kept = departures === null ? departs : rowIn(departures, before, visit);
      if (departures !== null)
        for (let slot = 0; slot < slots; slot++) kept[slot] = Math.max(kept[slot] as number, departs[slot] as number);
      goOn(done, visit, kept);
      for (let other = 0; other < count; other++) {
        if (!isAnywhere(other) || (done & (1 << other)) !== 0) continue;
        stayOn(done, visit, other, kept, departures === null ? null : rowIn(departures, before | (1 << other), visit));
      }
    }
    if (done % 256 === 255) yield (done + 1) / (all + 1);
  }
  return profiles;
}

function startWorths({ grid, question }: DayTable): Int32Array {
  const worths = new Int32Array(grid.slots);
  if (question.setsOff === 'now') worths.fill(NEVER, 1);
  return worths;
}

/** On a walk that runs already, what can be had where one is before the next stop, one thing or several. */
function startAnywheres(
  table: DayTable,
  start: Int32Array,
  goOn: (done: number, place: number, worths: Int32Array) => void,
  stayOn: (done: number, place: number, visit: number, worths: Int32Array, into: Int32Array) => void,
): void {
  const { count, anywheres, grid } = table;
  const reached = new Map<number, Int32Array>([[0, start]]);
  for (let done = 0; done < 2 ** count; done++) {
    const worths = reached.get(done);
    if (worths === undefined || (done & ~anywheres) !== 0) continue;
    if (done !== 0) goOn(done, count, worths);
    for (let visit = 0; visit < count; visit++) {
      if ((anywheres & (1 << visit)) === 0 || (done & (1 << visit)) !== 0) continue;
      const after = done | (1 << visit);
      const into = reached.get(after) ?? new Int32Array(grid.slots).fill(NEVER);
      reached.set(after, into);
      stayOn(done, count, visit, worths, into);
    }
  }
}

/** The best of having come in a slot or earlier and waited. */
function waiting(worths: Int32Array, slotPrice: number): Int32Array {
  const ready = worths.slice();
  for (let slot = 1; slot < ready.length; slot++) {
    const waited = (ready[slot - 1] as number) - slotPrice;
    if (!isNever(waited) && waited > (ready[slot] as number)) ready[slot] = waited;
  }
  return ready;
}

/** Every stay from every slot: the best of leaving, by slot. */
function begin({ stays, grid }: DayTable, visit: number, ready: Int32Array, into: Int32Array): void {
  const { first, leaveSlot, net } = stays[visit] as Stays;
  for (let slot = 0; slot < grid.slots; slot++) {
    if (isNever(ready[slot] as number)) continue;
    for (let stay = first[slot] as number; stay < (first[slot + 1] as number); stay++) {
      const end = leaveSlot[stay] as number;
      const value = (ready[slot] as number) + (net[stay] as number);
      if (value > (into[end] as number)) into[end] = value;
    }
  }
}

/** Kept apart from the search for it, so that a chart can be drawn of any one. */
export function bestOfProfile(profile: Int32Array): { readonly slot: number; readonly value: number } | null {
  let best = -1;
  for (let slot = 0; slot < profile.length; slot++) {
    if (!isNever(profile[slot] as number) && (best === -1 || (profile[slot] as number) > (profile[best] as number))) best = slot;
  }
  return best === -1 ? null : { slot: best, value: profile[best] as number };
}
