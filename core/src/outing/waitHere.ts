import { DEFAULT_PRICE_PER_MIN, MILLION, type Wait, waitAhead } from '../day/index.js';
import { goodFramesAt, type StopOfDay, suitableAt } from '../plan/index.js';
import { peopleWishOf } from '../stop/index.js';

export interface WaitHere {
  /** Null where nobody is waited for. */
  readonly wait: Wait | null;
  /** After this minute of the wall a minute more adds less than it costs; null where it does so already. */
  readonly paysUntilMin: number | null;
}

/**
 * The wait at a stop from a minute of the wall until the light, or the stay, ends: the chance that one who would do comes, and
 * the last minute that adds as much to the picture as a minute costs. `goodChance` is that of the card in this light. One who
 * has the picture waits for another: what comes from now on counts anew. Source: docs/formulas.md#waiting.
 */
export function waitHere(one: StopOfDay, nowMin: number, untilMin: number, goodChance: number): WaitHere {
  const minutes = Array.from({ length: Math.max(0, untilMin - nowMin) }, (_, k) => nowMin + k);
  const { intent, wishes } = one.stop;
  const isForPeople = peopleWishOf(intent, wishes) === 'people';
  const suitablePerMin = minutes.map((minute) => suitableAt(one, minute) * (one.light.quality[minute] ?? 0));
  let frames = 0;
  let paysUntilMin: number | null = null;
  for (const minute of minutes) {
    const before = Math.exp(-frames);
    frames += goodFramesAt(one, minute, () => goodChance);
    if (MILLION * (wishes?.weight ?? 1) * (before - Math.exp(-frames)) >= DEFAULT_PRICE_PER_MIN) paysUntilMin = minute + 1;
  }
  return { wait: isForPeople ? waitAhead({ suitablePerMin, wanted: 1, goodChance }) : null, paysUntilMin };
}
