import { foundIn, prepareSearch, searchAt, type SetUpInput } from '../setup/index.js';

/** Chance of a good frame with the best set-up, at thirds of EV from the first on. */
export interface ChancesByLight {
  readonly firstEv100: number;
  readonly chances: readonly number[];
}

const PER_STOP = 3;
/** No light that anybody photographs in lies further out. */
const RANGE_EV = { low: -12, high: 20 } as const;

/** Searches at thirds of EV from one light to another: what `chanceAt` reads off. Throws as `searchSetUp`. */
export function chancesByLight(input: SetUpInput, lowEv100: number, highEv100: number): ChancesByLight {
  const first = Math.floor(Math.max(RANGE_EV.low, Math.min(RANGE_EV.high, lowEv100)) * PER_STOP);
  const last = Math.ceil(Math.max(RANGE_EV.low, Math.min(RANGE_EV.high, highEv100)) * PER_STOP);
  const scene = prepareSearch(input);
  const chances = Array.from({ length: last - first + 1 }, (_, k) => foundIn(searchAt(scene, (first + k) / PER_STOP)).best.chance);
  return { firstEv100: first / PER_STOP, chances };
}

/** Straight between the thirds; the ends beyond them. */
export function chanceAt({ firstEv100, chances }: ChancesByLight, ev100: number): number {
  const at = Math.min(chances.length - 1, Math.max(0, (ev100 - firstEv100) * PER_STOP));
  const below = Math.floor(at);
  const low = chances[below] ?? 0;
  return low + ((chances[below + 1] ?? low) - low) * (at - below);
}
