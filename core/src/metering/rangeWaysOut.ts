import type { Reading } from '../stop/index.js';
import { type Bracket, bracketFor } from './dial.js';
import { isNegative, type Medium } from './medium.js';

/** What could be done where the range is wider than what is held, each with its figure. */
export type RangeWayOut =
  | { readonly kind: 'medium'; readonly name: string; readonly spareEv: number }
  /** Letting the reading at one end go; what is short after it. */
  | { readonly kind: 'letGo'; readonly readingId: string; readonly end: 'bright' | 'dark'; readonly stillShortEv: number }
  /** Everything in the shade: the range less the stop's contrast. */
  | { readonly kind: 'inShade'; readonly stillShortEv: number }
  /** Flash on the darkest, lifting it by so much: what the flash gives over the light that is there. */
  | { readonly kind: 'flash'; readonly liftEv: number; readonly overAmbientEv: number }
  /** Everything dark let go. */
  | { readonly kind: 'silhouette'; readonly lostReadings: number }
  | { readonly kind: 'bracket'; readonly bracket: Bracket }
  /** Film developed a stop less. */
  | { readonly kind: 'pull'; readonly stillShortEv: number };

export interface RangeQuestion {
  readonly readings: readonly Reading[];
  readonly medium: Medium;
  /** Others in the bag, as they would be exposed. */
  readonly others: readonly { readonly name: string; readonly medium: Medium }[];
  /** Lit minus shaded at the stop, stops; 0 where there is no sun. */
  readonly contrastEv: number;
  /** Whether a flash in the bag reaches what is darkest. */
  readonly flashReaches: boolean;
  /** Steps of a bracket that the body offers, stops. */
  readonly bracketSteps: readonly number[];
}

/** Stops of range that a pull by one gains: over + 1, under − 0.3. */
const PULL_GAINS_EV = 0.7;
const EXACT_EV = 1e-9;

/** Source: docs/metering.md#what-would-help. Empty where nothing is kept or all of it fits. */
export function rangeWaysOut({
  readings,
  medium,
  others,
  contrastEv,
  flashReaches,
  bracketSteps,
}: RangeQuestion): readonly RangeWayOut[] {
  const kept = readings.filter(({ isLetGo }) => !isLetGo).sort((a, b) => a.ev100 - b.ev100);
  const [darkest, brightest] = [kept[0], kept.at(-1)];
  if (darkest === undefined || brightest === undefined) return [];
  const holdsOf = ({ overEv, underEv }: Medium): number => overEv + underEv;
  const rangeEv = brightest.ev100 - darkest.ev100;
  const shortEv = rangeEv - holdsOf(medium);
  if (shortEv <= EXACT_EV) return [];
  const stillShort = (range: number): number => Math.max(0, range - holdsOf(medium));

  const ways: RangeWayOut[] = others
    .filter((other) => holdsOf(other.medium) >= rangeEv - EXACT_EV)
    .map((other) => ({ kind: 'medium', name: other.name, spareEv: holdsOf(other.medium) - rangeEv }));
  if (kept.length > 1) {
    const [secondDarkest, secondBrightest] = [kept[1], kept.at(-2)] as [Reading, Reading];
    ways.push(
      { kind: 'letGo', readingId: darkest.id, end: 'dark', stillShortEv: stillShort(brightest.ev100 - secondDarkest.ev100) },
      { kind: 'letGo', readingId: brightest.id, end: 'bright', stillShortEv: stillShort(secondBrightest.ev100 - darkest.ev100) },
    );
  }
  if (contrastEv > 0) ways.push({ kind: 'inShade', stillShortEv: stillShort(rangeEv - contrastEv) });
  if (flashReaches) ways.push({ kind: 'flash', liftEv: shortEv, overAmbientEv: Math.log2(2 ** shortEv - 1) });
  const lost = kept.filter(({ ev100 }) => ev100 < brightest.ev100 - holdsOf(medium) - EXACT_EV);
  ways.push({ kind: 'silhouette', lostReadings: lost.length });
  const bracket = bracketFor({ topEv: brightest.ev100, bottomEv: darkest.ev100 }, medium, bracketSteps);
  if (bracket !== null) ways.push({ kind: 'bracket', bracket });
  if (isNegative(medium)) ways.push({ kind: 'pull', stillShortEv: Math.max(0, shortEv - PULL_GAINS_EV) });
  return ways;
}
