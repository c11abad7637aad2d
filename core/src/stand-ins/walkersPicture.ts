import type { Factors } from '../setup/index.js';
import type { MissReason, OutingEvent } from '../outing/index.js';

/** Why a picture gets away when a part of the card fails. */
const REASON_OF: Readonly<Record<'depth' | 'motion' | 'shake' | 'light' | 'flicker' | 'flash' | 'kept', MissReason>> = {
  depth: 'focus',
  motion: 'smear',
  shake: 'shake',
  light: 'light',
  flicker: 'light',
  flash: 'light',
  kept: 'light',
};
/** No part loses more than this counts for. */
const LEAST_LEFT = 1e-6;

/**
 * What becomes of the picture of a walker who does not exist: got as often as the card's chance says; else missed, for a reason
 * drawn as often as that part of the card loses: each weighs −ln(its factor). Source: docs/formulas.md#simulated-walker.
 * @param random uniform in [0, 1); asked twice at most.
 * @param chance of a good frame, 0..1.
 */
export function simulatedPicture(random: () => number, chance: number, factors: Factors): OutingEvent {
  if (random() < chance) return { kind: 'got' };
  const losses = Object.entries(REASON_OF).map(([part, why]) => ({
    why,
    weight: -Math.log(Math.max(LEAST_LEFT, factors[part as keyof typeof REASON_OF])),
  }));
  let left = random() * losses.reduce((sum, { weight }) => sum + weight, 0);
  const drawn = losses.find(({ weight }) => (left -= weight) < 0);
  return { kind: 'missed', why: drawn?.why ?? 'blocked' };
}
