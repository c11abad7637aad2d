import type { SetUpInput } from '../question/searchInput.js';

/** Stops off the wanted time at which nothing of the wish is left. */
const WISH_FADES_STOPS = 4;

/** The time that a picture is about, seconds; null where any will do. */
export function wantedTimeS({ intent }: Pick<SetUpInput, 'intent'>): number | null {
  if (intent.kind === 'longExposure') return intent.wantedS;
  return intent.kind === 'fireworks' ? intent.bulbS : null;
}

/** Worth of an exposure time for a picture about time: 1 at the wanted one, linearly to 0 four stops off it. */
export function timeWorth(input: Pick<SetUpInput, 'intent'>, shutterS: number): number {
  const wantedS = wantedTimeS(input);
  return wantedS === null ? 1 : Math.max(0, 1 - Math.abs(Math.log2(shutterS / wantedS)) / WISH_FADES_STOPS);
}
