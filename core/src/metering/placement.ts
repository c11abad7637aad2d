import type { MeterPattern } from '../kit/index.js';
import type { Intent } from '../stop/index.js';

/** How a picture is to be metered: where its key tone shall land, and what else fills the frame. */
export interface Placement {
  /** Stops from mid-grey at which the metered surface shall come out. */
  readonly keyEv: number;
  /** Share of the frame as bright as the brightest large part; the rest is `darkerEv` below it. */
  readonly brightShare: number;
  readonly darkerEv: number;
  /** Whether the metered surface is the bright part (a pool, a sky) or the darker rest (a street against the sun). */
  readonly keyIs: 'bright' | 'rest';
}

const EVEN: Placement = { keyEv: 0, brightShare: 1, darkerEv: 0, keyIs: 'bright' };
const WALL_TONE_EV = { dark: -1, mid: 0, pale: 1.5 } as const;

/**
 * Placement of each intent's key tone; `contrastEv` is the stop's own where the frame's darker part is its shade.
 * Source: docs/formulas.md#placement.
 */
export function placementOf(intent: Intent, contrastEv: number): Placement {
  switch (intent.kind) {
    case 'lightPool':
      return { keyEv: 2 / 3, brightShare: intent.brightShare, darkerEv: Math.max(0, contrastEv), keyIs: 'bright' };
    case 'silhouette':
      return { keyEv: intent.background === 'screen' ? 1 : 2 / 3, brightShare: intent.brightShare, darkerEv: 4, keyIs: 'bright' };
    case 'brightBackdrop':
      return { keyEv: 1, brightShare: intent.brightShare, darkerEv: 4, keyIs: 'bright' };
    case 'intoTheSun':
      return { keyEv: -1, brightShare: intent.brightShare, darkerEv: 3, keyIs: 'rest' };
    case 'litStreet':
      return { keyEv: intent.lamps === 'burn' ? 0 : -1, brightShare: 0.35, darkerEv: 2, keyIs: 'bright' };
    case 'flashLift':
      return { ...EVEN, keyEv: intent.skyUnderEv };
    case 'facade':
      return { ...EVEN, keyEv: WALL_TONE_EV[intent.tone] };
    case 'passingCandid':
    case 'longExposure':
    case 'reflection':
    case 'compressedDistance':
    case 'fireworks':
      return EVEN;
  }
}

/** A highlight pattern puts the brightest large part this far under the headroom. */
const HIGHLIGHT_MARGIN_EV = 1 / 3;

/**
 * Compensation to dial so that the key lands where it shall, stops, unrounded.
 * A whole-frame meter averages linear luminance: with a bright share q and a rest d stops darker it sees
 * log2(q + (1 − q)·2^−d) below the bright part. A spot reads the key itself; a highlight pattern puts the bright part
 * ⅓ stop under the headroom. Centre-weighted is taken as whole-frame until the bench knows where things stand.
 * Source: docs/formulas.md#placement.
 */
export function compensationFor(placement: Placement, pattern: MeterPattern, headroomEv: number): number {
  const { keyEv, brightShare, darkerEv, keyIs } = placement;
  if (pattern === 'spot') return keyEv;
  const brightAtEv = keyIs === 'bright' ? keyEv : keyEv + darkerEv;
  if (pattern === 'highlightWeighted') return brightAtEv - (headroomEv - HIGHLIGHT_MARGIN_EV);
  return brightAtEv + Math.log2(brightShare + (1 - brightShare) * 2 ** -darkerEv);
}
