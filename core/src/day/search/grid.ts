import { DEFAULT_PRICE_PER_MIN, type DayQuestion } from '../question.js';

/** The day cut into steps: slot k is the minute `fromMin + k * stepMin`. */
export interface MinuteGrid {
  readonly fromMin: number;
  readonly stepMin: number;
  readonly slots: number;
}

/** From the first multiple of the step at or after the earliest minute to the last one within the day. */
export function gridOf({ earliestMin, latestMin }: Pick<DayQuestion, 'earliestMin' | 'latestMin'>, stepMin: number): MinuteGrid {
  const fromMin = Math.ceil(earliestMin / stepMin) * stepMin;
  return { fromMin, stepMin, slots: Math.max(0, Math.floor((latestMin - fromMin) / stepMin) + 1) };
}

export function minuteOfSlot({ fromMin, stepMin }: MinuteGrid, slot: number): number {
  return fromMin + slot * stepMin;
}

/** What cannot be had. Far below any day, far above what 32 bits hold when a day's prices are added to it. */
export const NEVER = -1_000_000_000;
/** Sums of `NEVER` and anything a day can cost or earn. */
export function isNever(value: number): boolean {
  return value < NEVER / 2;
}

/** Walks on a grid: whole slots up, with the price of that time and of the walk itself. */
export interface Walks {
  /** By from x to: `from * count + to`; row `count` is the start. */
  readonly slots: Int32Array;
  readonly cost: Int32Array;
  /** By place, the start last: to the end. Home by the last slot from which the walk still ends within the day. */
  readonly homeCost: Int32Array;
  readonly lastHomeSlot: Int32Array;
  /** Price of waiting a slot. */
  readonly slotPrice: number;
}

export function walksOn(question: DayQuestion, grid: MinuteGrid): Walks {
  const { visits, walksMin, fromStartMin, toEndMin, latestMin } = question;
  const { pricePerMin = DEFAULT_PRICE_PER_MIN, walkPricePerMin = DEFAULT_PRICE_PER_MIN, homeFromStartMin = 0 } = question;
  const count = visits.length;
  const slots = new Int32Array((count + 1) * count);
  const cost = new Int32Array((count + 1) * count);
  const slotPrice = pricePerMin * grid.stepMin;
  for (let from = 0; from <= count; from++) {
    for (let to = 0; to < count; to++) {
      const walkMin = (from === count ? fromStartMin?.[to] : walksMin[from]?.[to]) ?? 0;
      const walkSlots = Math.ceil(walkMin / grid.stepMin);
      slots[from * count + to] = walkSlots;
      cost[from * count + to] = slotPrice * walkSlots + walkPricePerMin * walkMin;
    }
  }
  const homeMin = [...visits.map((_, k) => toEndMin?.[k] ?? 0), homeFromStartMin];
  return {
    slots,
    cost,
    homeCost: Int32Array.from(homeMin, (min) => (pricePerMin + walkPricePerMin) * min),
    lastHomeSlot: Int32Array.from(homeMin, (min) => Math.floor((latestMin - min - grid.fromMin) / grid.stepMin)),
    slotPrice,
  };
}
