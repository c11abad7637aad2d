import type { DayOnGrid } from './dayTable.js';
import { isNever, NEVER } from './grid.js';
import type { Stays } from './stays.js';

/**
 * A plan that may come to a place again once it has forgotten that it was there. At a place only the visits of its own
 * neighbourhood are remembered, and what has been had anywhere, a meal; every real plan is among those counted, so the best of them, with prices on visits given
 * back, is never under the best day. Source: docs/formulas.md#day (relaxation by neighbourhoods, Lagrange prices).
 */
export interface Memory {
  /** By visit, what is remembered there, itself among it, rising. */
  readonly remembered: readonly (readonly number[])[];
  /** What is had where one is, each remembered everywhere; what is had anywhere and not among these costs no time in the bound. */
  readonly here: readonly number[];
}

/** At most so many others are remembered at a place, and so many states in all. */
const MOST_REMEMBERED = 11;
export const MOST_STATES = 12_000;
const NEAREST = 4;
/** More musts than this are not remembered everywhere; a price holds them then. */
const MOST_MUSTS = 6;

function visitsOnFoot({ visits }: DayOnGrid['question']): readonly number[] {
  return visits.map((_, k) => k).filter((k) => visits[k]?.isAnywhere !== true);
}

/** Meals and rests whose time a bound counts: on a walk that runs already they may come before its first stop, which is left out. */
export function hadHere({ question }: DayOnGrid): readonly number[] {
  if (question.setsOff === 'now') return [];
  return question.visits.map((_, k) => k).filter((k) => question.visits[k]?.isAnywhere === true);
}

export function firstMemory({ question, walks }: DayOnGrid, here: readonly number[]): Memory {
  const count = question.visits.length;
  const onFoot = visitsOnFoot(question);
  const musts = onFoot.filter((k) => question.visits[k]?.isMust === true).slice(0, MOST_MUSTS);
  const remembered = question.visits.map((_, place) => {
    const near = onFoot
      .filter((k) => k !== place)
      .sort((a, b) => (walks.slots[place * count + a] as number) - (walks.slots[place * count + b] as number) || a - b)
      .slice(0, NEAREST);
    return [...new Set([place, ...musts, ...near, ...here])].sort((a, b) => a - b);
  });
  return { remembered, here };
}

/** Places and what is remembered at them, as far as they can be come to, with where each visit leads. */
interface States {
  readonly count: number;
  readonly visit: Int32Array;
  /** By state x visit: the state that the walk leads to; −1 where that is remembered. The start is the last row. */
  readonly next: Int32Array;
  /** By state x what is had here: the state with it had, at the same place; −1 where it has been. */
  readonly had: Int32Array;
  /** 1 where all remembered musts have been had. */
  readonly mayEnd: Uint8Array;
}

function statesOf({ question }: DayOnGrid, { remembered, here }: Memory): States | null {
  const count = question.visits.length;
  const musts = (remembered[0] ?? []).filter(
    (k) => question.visits[k]?.isMust === true && remembered.every((all) => all.includes(k)),
  );
  const numbers = new Map<string, number>();
  const states: { readonly visit: number; readonly known: readonly number[] }[] = [];
  const numberOf = (visit: number, before: readonly number[]): number => {
    const known = (remembered[visit] as readonly number[]).filter((k) => k === visit || before.includes(k));
    const key = `${visit}:${known.join()}`;
    const number = numbers.get(key);
    if (number !== undefined) return number;
    numbers.set(key, states.length);
    states.push({ visit, known });
    return states.length - 1;
  };
  const onFoot = visitsOnFoot(question);
  const next: Int32Array[] = [];
  const had: number[] = [];
  const rowFrom = (known: readonly number[]): Int32Array => {
    const row = new Int32Array(count).fill(-1);
    for (const visit of onFoot) if (!known.includes(visit)) row[visit] = numberOf(visit, known);
    return row;
  };
  const start = rowFrom([]);
  // The list grows while it is gone through.
  for (const { visit, known } of states) {
    if (states.length > MOST_STATES) return null;
    next.push(rowFrom(known));
    for (const one of here) had.push(known.includes(one) ? -1 : numberOf(visit, [...known, one]));
  }
  const all = new Int32Array((states.length + 1) * count);
  [...next, start].forEach((row, k) => all.set(row, k * count));
  return {
    count: states.length,
    visit: Int32Array.from(states, ({ visit }) => visit),
    next: all,
    had: Int32Array.from(had),
    mayEnd: Uint8Array.from(states, ({ known }) => Number(musts.every((must) => known.includes(must)))),
  };
}

/** The best relaxed day under prices: its value with the prices given back, and the visits that it makes, in order. */
export interface Relaxed {
  readonly bound: number;
  readonly visits: readonly number[];
}

/** What is kept from round to round: the states of a memory and room for their rows. */
export interface Relaxation {
  readonly day: DayOnGrid;
  readonly memory: Memory;
  readonly states: States;
  readonly arrivals: Int32Array;
  readonly departures: Int32Array;
  /** By state x what is had here: the best of beginning it in a slot or later. */
  readonly meals: Int32Array;
}

export function relaxationOf(day: DayOnGrid, memory: Memory): Relaxation | null {
  const states = statesOf(day, memory);
  if (states === null) return null;
  const size = (states.count + 1) * day.grid.slots;
  const meals = new Int32Array(states.had.length * day.grid.slots);
  return { day, memory, states, arrivals: new Int32Array(size), departures: new Int32Array(size), meals };
}

/** The best stay from a slot under a price on its visit; the stay's number, −1 for none. */
function stayUnderPrice(
  stays: Stays,
  slot: number,
  slotPrice: number,
  price: number,
  leave: Int32Array,
  at: number,
  least: number,
): number {
  const { first, leaveSlot, net, most } = stays;
  let [best, chosen] = [least, -1];
  for (let stay = first[slot] as number; stay < (first[slot + 1] as number); stay++) {
    const end = leaveSlot[stay] as number;
    const after = (leave[at + end] as number) - price;
    if ((most[slot] as number) - slotPrice * (end - slot) + after <= best) break;
    const value = (net[stay] as number) + after;
    if (value > best) [best, chosen] = [value, stay];
  }
  return chosen;
}

/** The best of having at a state in a slot or later what is had anywhere; it carries no price, because it is had once. */
function bestMeal({ day, memory, states, departures, meals }: Relaxation, state: number, slot: number): number {
  const { slots } = day.grid;
  let best = NEVER;
  for (let k = 0; k < memory.here.length; k++) {
    const at = state * memory.here.length + k;
    const after = states.had[at] as number;
    const later = after === -1 || slot + 1 >= slots ? NEVER : (meals[at * slots + slot + 1] as number);
    const waits = isNever(later) ? NEVER : later - day.walks.slotPrice;
    const own = day.stays[memory.here[k] as number] as Stays;
    const stay = after === -1 ? -1 : stayUnderPrice(own, slot, day.walks.slotPrice, 0, departures, after * slots, waits);
    const value =
      stay === -1 ? waits : (own.net[stay] as number) + (departures[after * slots + (own.leaveSlot[stay] as number)] as number);
    meals[at * slots + slot] = value;
    if (value > best) best = value;
  }
  return best;
}

/** Values of all states, from the last slot to the first. */
function fill(relaxation: Relaxation, prices: Int32Array): void {
  const { day, states, arrivals, departures } = relaxation;
  const { grid, walks, question, stays } = day;
  const { slots } = grid;
  const visits = question.visits.length;
  for (let slot = slots - 1; slot >= 0; slot--) {
    for (let state = 0; state < states.count; state++) {
      const visit = states.visit[state] as number;
      const at = state * slots;
      const later = slot + 1 < slots ? (arrivals[at + slot + 1] as number) : NEVER;
      const waits = isNever(later) ? NEVER : later - walks.slotPrice;
      const own = stays[visit] as Stays;
      const price = prices[visit] as number;
      const stay = stayUnderPrice(own, slot, walks.slotPrice, price, departures, at, waits);
      arrivals[at + slot] =
        stay === -1 ? waits : (own.net[stay] as number) - price + (departures[at + (own.leaveSlot[stay] as number)] as number);
    }
    for (let state = 0; state <= states.count; state++) {
      const isStart = state === states.count;
      const place = isStart ? visits : (states.visit[state] as number);
      const isInTime = slot <= (walks.lastHomeSlot[place] as number);
      let best = !isStart && states.mayEnd[state] === 1 && isInTime ? -(walks.homeCost[place] as number) : NEVER;
      if (!isStart) best = Math.max(best, bestMeal(relaxation, state, slot));
      if (!isStart || slot === 0 || question.setsOff !== 'now') {
        for (let visit = 0; visit < visits; visit++) {
          const next = states.next[state * visits + visit] as number;
          if (next === -1) continue;
          const reach = slot + (walks.slots[place * visits + visit] as number);
          if (reach >= slots) continue;
          const value = (arrivals[next * slots + reach] as number) - (walks.cost[place * visits + visit] as number);
          if (value > best) best = value;
        }
      }
      departures[state * slots + slot] = best;
    }
  }
}

/** What is had here from a slot on, and the slot that it is left in: where the best of leaving a state is to have it first. */
function mealFrom(
  { day, memory, states, departures, meals }: Relaxation,
  state: number,
  slot: number,
): { readonly visit: number; readonly state: number; readonly slot: number } | null {
  const { slots } = day.grid;
  const k = memory.here.findIndex(
    (_, one) => meals[(state * memory.here.length + one) * slots + slot] === departures[state * slots + slot],
  );
  if (k === -1) return null;
  const at = state * memory.here.length + k;
  const after = states.had[at] as number;
  const visit = memory.here[k] as number;
  const own = day.stays[visit] as Stays;
  for (let begin = slot; begin < slots; begin++) {
    const stay = stayUnderPrice(own, begin, day.walks.slotPrice, 0, departures, after * slots, NEVER);
    const left = stay === -1 ? -1 : (own.leaveSlot[stay] as number);
    const value = stay === -1 ? NEVER : (own.net[stay] as number) + (departures[after * slots + left] as number);
    if (stay !== -1 && value === meals[at * slots + begin]) return { visit, state: after, slot: left };
  }
  return null;
}

/** The visits of the best relaxed day, read back from its values. */
function visitsOf(relaxation: Relaxation, prices: Int32Array, fromSlot: number): readonly number[] {
  const { day, states, arrivals, departures } = relaxation;
  const { grid, walks, question, stays } = day;
  const { slots } = grid;
  const count = question.visits.length;
  const visits: number[] = [];
  let [state, slot] = [states.count, fromSlot];
  for (;;) {
    const value = departures[state * slots + slot] as number;
    const place = state === states.count ? count : (states.visit[state] as number);
    const meal = state === states.count || isNever(value) ? null : mealFrom(relaxation, state, slot);
    if (meal !== null) {
      visits.push(meal.visit);
      ({ state, slot } = meal);
      continue;
    }
    const step = Array.from({ length: count }, (_, visit) => visit).find((visit) => {
      const next = states.next[state * count + visit] as number;
      const reach = slot + (walks.slots[place * count + visit] as number);
      return (
        next !== -1 &&
        reach < slots &&
        (arrivals[next * slots + reach] as number) - (walks.cost[place * count + visit] as number) === value
      );
    });
    if (step === undefined || visits.length > slots) return visits;
    visits.push(step);
    slot += walks.slots[place * count + step] as number;
    state = states.next[state * count + step] as number;
    const own = stays[step] as Stays;
    const at = state * slots;
    for (;;) {
      const price = prices[step] as number;
      const stay = stayUnderPrice(own, slot, walks.slotPrice, price, departures, at, NEVER);
      const isNow =
        stay !== -1 &&
        (own.net[stay] as number) - price + (departures[at + (own.leaveSlot[stay] as number)] as number) ===
          (arrivals[at + slot] as number);
      if (isNow) {
        slot = own.leaveSlot[stay] as number;
        break;
      }
      slot++;
    }
  }
}

/** Worths of what is had anywhere and left out, which a bound without it has to be given. */
function worthLeftOut({ question }: DayOnGrid, { here }: Memory): number {
  const flat = question.visits.flatMap(({ isAnywhere, worth }, k) =>
    isAnywhere === true && !here.includes(k) && worth.kind === 'flat' ? [worth.millionths] : [],
  );
  return flat.reduce((sum, millionths) => sum + millionths, 0);
}

function isFreeToStay({ question }: DayOnGrid): boolean {
  return question.setsOff !== 'now' && question.visits.every(({ isMust }) => isMust !== true);
}

/** One round under prices, millionths by visit. Staying at home is a day as well where nothing has to be had. */
export function relaxedDay(relaxation: Relaxation, prices: Int32Array): Relaxed | null {
  const { day, memory, states, departures } = relaxation;
  fill(relaxation, prices);
  const { slots } = day.grid;
  let best = -1;
  for (let slot = 0; slot < slots; slot++) {
    const value = departures[states.count * slots + slot] as number;
    if (!isNever(value) && (best === -1 || value > (departures[states.count * slots + best] as number))) best = slot;
  }
  const given = prices.reduce((sum, price) => sum + price, worthLeftOut(day, memory));
  const value = best === -1 ? NEVER : (departures[states.count * slots + best] as number);
  if (isFreeToStay(day) && value <= 0) return { bound: given, visits: [] };
  return best === -1 ? null : { bound: value + given, visits: visitsOf(relaxation, prices, best) };
}

/** Every place between two passes of a visit remembers it from now on; null where nothing more can be remembered. */
export function withLoopsRemembered({ memory }: Relaxation, relaxed: readonly number[]): Memory | null {
  const visits = relaxed.filter((visit) => !memory.here.includes(visit));
  const remembered = memory.remembered.map((all) => [...all]);
  let isChanged = false;
  visits.forEach((visit, k) => {
    const again = visits.indexOf(visit, k + 1);
    if (again === -1) return;
    for (const between of visits.slice(k + 1, again)) {
      const its = remembered[between] as number[];
      if (its.includes(visit) || its.length > MOST_REMEMBERED) continue;
      its.push(visit);
      its.sort((a, b) => a - b);
      isChanged = true;
    }
  });
  return isChanged ? { ...memory, remembered } : null;
}
