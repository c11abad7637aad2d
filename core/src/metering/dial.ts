import type { StopStep } from '../units/index.js';
import { sideOfSchool } from './isoFor.js';
import { isNegative, type Medium } from './medium.js';
import type { PlacementMethod } from '../stop/index.js';

export type Dialled =
  | { readonly kind: 'dial'; readonly ev: number }
  /** The dial does not go so far: the exposure is held by hand. */
  | { readonly kind: 'byHand' };

/** So far past a mark still counts as on it, stops. */
const ON_MARK_EV = 0.05;
/** What rounding may put between equals. */
const TIE_EV = 1e-9;

/**
 * A compensation on the body's marks, by the school's side: to less exposure where highlights are kept, to more where shadows
 * are; holding, the nearest (ties to less), on negatives more. `evUnrounded` is the pattern's reading less the exposure:
 * positive is more exposure. Source: docs/metering.md#placement.
 */
export function dialled(
  evUnrounded: number,
  { school, medium, step, rangeEv }: { school: PlacementMethod; medium: Pick<Medium, 'kind'>; step: StopStep; rangeEv: number },
): Dialled {
  const marks = step === 'third' ? 3 : 2;
  const less = Math.floor((evUnrounded + ON_MARK_EV) * marks + TIE_EV) / marks;
  const more = Math.ceil((evUnrounded - ON_MARK_EV) * marks - TIE_EV) / marks;
  const nearest = Math.ceil(evUnrounded * marks - 0.5 - TIE_EV) / marks;
  const side = sideOfSchool(school);
  const ev = side === 'less' ? less : side === 'more' || isNegative(medium) ? more : nearest;
  return Math.abs(ev) > rangeEv + TIE_EV ? { kind: 'byHand' } : { kind: 'dial', ev: ev + 0 };
}

export interface Bracket {
  readonly frames: number;
  readonly stepEv: number;
  /** The middle frame's exposure, EV at ISO 100. */
  readonly middleEv: number;
}

const FRAMES = [3, 5, 7, 9] as const;
const MARGIN_EV = 1 / 3;
/** So much of two frames has to overlap. */
const OVERLAP_EV = 2;

/**
 * The fewest frames, then the smallest step that the body offers, that hold from the darkest to the brightest; null where one
 * frame does, or none are enough. Source: docs/metering.md#placement.
 */
export function bracketFor(
  { topEv, bottomEv }: { readonly topEv: number; readonly bottomEv: number },
  { overEv, underEv }: Pick<Medium, 'overEv' | 'underEv'>,
  steps: readonly number[],
): Bracket | null {
  const [brightest, darkest] = [topEv - overEv + MARGIN_EV, bottomEv + underEv];
  const needEv = brightest - darkest;
  if (needEv <= TIE_EV) return null;
  for (const frames of FRAMES) {
    const found = [...steps]
      .sort((a, b) => a - b)
      .find((step) => (frames - 1) * step >= needEv - TIE_EV && step <= overEv + underEv - OVERLAP_EV);
    if (found !== undefined) return { frames, stepEv: found, middleEv: (brightest + darkest) / 2 };
  }
  return null;
}
