import { type MinuteGrid, minuteOfSlot } from './grid.js';
import { DEFAULT_PRICE_PER_MIN, type DayQuestion, MILLION, type MinuteSpan, type Visit } from '../question.js';

/**
 * Every stay at a visit that could be in a best plan, by the slot in which it begins. A stay whose last slot adds nothing is
 * left out: to leave a slot earlier is never worse.
 */
export interface Stays {
  /** The stays that begin in slot a are numbers `first[a]` up to, not including, `first[a + 1]`, by rising end. */
  readonly first: Int32Array;
  readonly leaveSlot: Int32Array;
  /** Millionths of a picture, before the time's price. */
  readonly worth: Int32Array;
  /** The same after it. */
  readonly net: Int32Array;
  /** The most that a stay beginning in a slot is worth, however long. */
  readonly most: Int32Array;
}

/** Sum of good frames before each minute of the day, by minute from 0: `sums[m]`. */
function frameSums(visit: Visit, latestMin: number): Float64Array {
  const sums = new Float64Array(latestMin + 2);
  if (visit.worth.kind === 'flat') return sums;
  const { fromMin, goodFramesPerMin, repeatShare = 0 } = visit.worth;
  for (let minute = 0; minute <= latestMin; minute++) {
    const frames = minute < fromMin ? 0 : (goodFramesPerMin[minute - fromMin] ?? 0);
    sums[minute + 1] = (sums[minute] as number) + (1 - repeatShare) * frames;
  }
  return sums;
}

/**
 * Worth of a stay in millionths of a picture: weight·(1 − e^(−Σ good frames)), rounded; each further frame at a share β of the
 * one before as (1 − β) of all. Source: docs/formulas.md#day.
 */
function worthBetween({ worth }: Visit, sums: Float64Array, beginMin: number, leaveMin: number): number {
  if (worth.kind === 'flat') return worth.millionths;
  const frames = (sums[leaveMin] as number) - (sums[beginMin] as number);
  return Math.round(MILLION * worth.weight * (1 - Math.exp(-frames)));
}

/** Worth of a stay by itself, whether it is open then or not. */
export function worthOfStay(visit: Visit, { fromMin, toMin }: MinuteSpan): number {
  return worthBetween(visit, frameSums(visit, Math.max(fromMin, toMin)), fromMin, Math.max(fromMin, toMin));
}

const ALWAYS: readonly MinuteSpan[] = [{ fromMin: -Infinity, toMin: Infinity }];

/** Whether a visit has one length and its only beginning lies between two slots: it then takes up all the slots it touches. */
function isBetweenSlots({ shortestMin, longestMin, beginnings }: Visit, { stepMin }: MinuteGrid): boolean {
  if (stepMin === 1 || shortestMin !== longestMin) return false;
  const isOffGrid = beginnings !== undefined && Math.ceil(beginnings.fromMin / stepMin) * stepMin > beginnings.toMin;
  return isOffGrid || shortestMin % stepMin !== 0;
}

/** When a stay that takes up the slots between two minutes really begins and ends. */
export function stayWithin(visit: Visit, grid: MinuteGrid, fromMin: number, toMin: number): MinuteSpan {
  if (!isBetweenSlots(visit, grid)) return { fromMin, toMin };
  const { beginnings, shortestMin } = visit;
  const isOffGrid = beginnings !== undefined && fromMin < beginnings.fromMin;
  const beginMin = isOffGrid ? beginnings.fromMin : fromMin;
  return { fromMin: beginMin, toMin: beginMin + shortestMin };
}

function lengthsOf(visit: Visit, { stepMin }: MinuteGrid): { readonly shortest: number; readonly longest: number } {
  return { shortest: Math.ceil(visit.shortestMin / stepMin), longest: Math.floor(visit.longestMin / stepMin) };
}

function mayBegin({ beginnings }: Visit, minute: number): boolean {
  return beginnings === undefined || (minute >= beginnings.fromMin && minute <= beginnings.toMin);
}

/** Ends of the stays from a slot that are open throughout, rising. */
function endsFrom(visit: Visit, grid: MinuteGrid, slot: number): readonly number[] {
  const beginMin = minuteOfSlot(grid, slot);
  const { open = ALWAYS } = visit;
  if (isBetweenSlots(visit, grid)) {
    const endOfDay = minuteOfSlot(grid, grid.slots - 1);
    const isFirstSlot = (visit.beginnings?.fromMin ?? beginMin) < beginMin + grid.stepMin;
    const stay = stayWithin(visit, grid, beginMin, endOfDay);
    const isOpen = open.some(({ fromMin, toMin }) => stay.fromMin >= fromMin && stay.toMin <= toMin);
    const end = Math.ceil((stay.toMin - grid.fromMin) / grid.stepMin);
    return isFirstSlot && isOpen && mayBegin(visit, stay.fromMin) && end < grid.slots ? [end] : [];
  }
  if (!mayBegin(visit, beginMin)) return [];
  const { shortest, longest } = lengthsOf(visit, grid);
  const closesMin = open.reduce(
    (last, { fromMin, toMin }) => (beginMin >= fromMin ? Math.max(last, beginMin <= toMin ? toMin : -Infinity) : last),
    -Infinity,
  );
  const last = Math.min(slot + longest, grid.slots - 1, Math.floor((closesMin - grid.fromMin) / grid.stepMin));
  return Array.from({ length: Math.max(0, last - slot - shortest + 1) }, (_, k) => slot + shortest + k);
}

/** @param leastWorth shorter stays are struck out: what is worth less is not offered. */
export function staysOn(question: DayQuestion, visit: Visit, grid: MinuteGrid, leastWorth = 0): Stays {
  const price = (question.pricePerMin ?? DEFAULT_PRICE_PER_MIN) * grid.stepMin;
  const sums = frameSums(visit, question.latestMin);
  const first = new Int32Array(grid.slots + 1);
  const most = new Int32Array(grid.slots);
  const leaveSlot: number[] = [];
  const worth: number[] = [];
  const net: number[] = [];
  for (let slot = 0; slot < grid.slots; slot++) {
    first[slot] = leaveSlot.length;
    let before = -1;
    for (const end of endsFrom(visit, grid, slot)) {
      const stay = stayWithin(visit, grid, minuteOfSlot(grid, slot), minuteOfSlot(grid, end));
      const its = worthBetween(visit, sums, stay.fromMin, stay.toMin);
      if (its <= before) continue;
      before = its;
      if (its < leastWorth) continue;
      leaveSlot.push(end);
      worth.push(its);
      net.push(its - price * (end - slot));
    }
    most[slot] = Math.max(0, before);
  }
  first[grid.slots] = leaveSlot.length;
  return { first, leaveSlot: Int32Array.from(leaveSlot), worth: Int32Array.from(worth), net: Int32Array.from(net), most };
}
