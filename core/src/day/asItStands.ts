import { DEFAULT_PRICE_PER_MIN, type DayQuestion, type MinuteSpan, type Visit } from './question.js';
import { walkHomeMin } from './plan.js';
import { worthOfStay } from './search/stays.js';

/** A stay as somebody has laid it out, whether it can be kept or not. */
export interface LaidOut extends MinuteSpan {
  readonly visit: number;
}

/**
 * What a day is worth with stays as they stand, in their order: worths less prices, from setting off just in time for the first
 * to home from the last. Stays that come too late for one another count as if one were in time: that is for others to say.
 */
export function currentPlanValue(question: DayQuestion, stays: readonly LaidOut[]): number {
  const { visits, walksMin, fromStartMin } = question;
  const { pricePerMin = DEFAULT_PRICE_PER_MIN, walkPricePerMin = DEFAULT_PRICE_PER_MIN } = question;
  const onFoot = stays.filter(({ visit }) => visits[visit]?.isAnywhere !== true);
  const [first, last] = [onFoot[0], onFoot.at(-1)];
  if (first === undefined || last === undefined) return 0;
  const worths = stays.map((stay) => worthOfStay(visits[stay.visit] as Visit, stay));
  const legs = onFoot.map(({ visit }, k) => (k === 0 ? fromStartMin?.[visit] : walksMin[onFoot[k - 1]?.visit ?? 0]?.[visit]) ?? 0);
  const homeMin = walkHomeMin(question, last.visit);
  const walkMin = legs.reduce((sum, min) => sum + min, homeMin);
  const outMin = last.toMin + homeMin - (first.fromMin - (fromStartMin?.[first.visit] ?? 0));
  return worths.reduce((sum, worth) => sum + worth, 0) - pricePerMin * outMin - walkPricePerMin * walkMin;
}
