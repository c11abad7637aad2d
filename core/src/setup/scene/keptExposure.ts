import type { ExposureTolerance } from '../../exposure/index.js';
import { type KeptWorth, keptWorth, mapSizeOf, mixedLightOf, sceneOfStop } from '../../metering/index.js';
import { exposureUsed, frameOf, type SetUpInput } from '../question/searchInput.js';

/** Rows of a map of which only means are wanted. */
const ROWS = 68;

/** What each way of keeping the exposure is worth at a stop while its light changes; 1 where it does not. */
function keptWorthAt(input: SetUpInput, tolerance: ExposureTolerance): KeptWorth {
  const { changes = 'steady' } = input;
  const frame = frameOf(input);
  const scene = changes === 'steady' ? null : sceneOfStop(frame);
  const mixed = scene === null ? null : mixedLightOf(scene, scene.keys[0], mapSizeOf(frame, ROWS));
  if (scene === null || mixed === null) return { floating: 1, held: 1, locked: 1, byHand: 1 };
  return keptWorth(changes, { ...mixed, tone: scene.keys[0].tone, tolerance });
}

/**
 * What is left of frames while the light changes: a half-press that keeps the focus on a spot keeps the exposure with it;
 * whoever has the focus set beforehand lets the meter read again, or sets the exposure by hand, whichever is worth more. On
 * film, and with nothing to float, it is the hand's. Bulb exposures are not metered.
 */
export function keptExposure(input: SetUpInput, tolerance: ExposureTolerance): number {
  if ((input.changes ?? 'steady') === 'steady' || input.intent.kind === 'fireworks') return 1;
  const { floating, held, byHand } = keptWorthAt(input, tolerance);
  if (exposureUsed(input) === 'film') return byHand;
  return input.approach.focus === 'lockedOnSpot' ? held : Math.max(floating, byHand);
}
