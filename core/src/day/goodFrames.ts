import type { PeopleWish } from '../stop/index.js';

/** Tries a minute where nobody is waited for, and the share of tries that is kept (s). */
export const TRIES_PER_MIN = 0.5;
export const KEEPERS: Readonly<Record<PeopleWish, number>> = { people: 0.1, nobody: 0.3, either: 0.3 };

export interface FramesAt {
  readonly wish: PeopleWish;
  /** Of the light at that minute, 0..1. */
  readonly quality: number;
  /** Chance of a good frame with the best set-up for that minute's light, 0..1. */
  readonly chance: number;
  readonly suitablePerMin: number;
  /** All who pass, a minute; and the metres of way in the picture that have to be empty, at the speed of those who pass. */
  readonly passersPerMin: number;
  readonly viewM: number;
  readonly speedMps: number;
}

/**
 * Good frames a minute: q·rate·P·κ. The rate is that of suitable passers (κ 0.1); without people half a try a minute, each
 * with an empty view by e^(−passers·view/speed) (κ 0.3); either: half a try (κ 0.3). Source: docs/formulas.md#day.
 */
export function goodFramesPerMin({ wish, quality, chance, suitablePerMin, passersPerMin, viewM, speedMps }: FramesAt): number {
  const worth = quality * chance * KEEPERS[wish];
  if (wish === 'people') return worth * suitablePerMin;
  if (wish === 'either') return worth * TRIES_PER_MIN;
  const inViewMin = speedMps > 0 ? viewM / speedMps / 60 : Infinity;
  return passersPerMin === 0 ? worth * TRIES_PER_MIN : worth * TRIES_PER_MIN * Math.exp(-passersPerMin * inViewMin);
}

/** Good frames a minute by the useful stay instead: the picture with 80 % after so many minutes at full light. */
export function goodFramesOfUsefulStay(quality: number, usefulMin: number): number {
  return (quality * Math.log(5)) / usefulMin;
}
