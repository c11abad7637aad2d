import type { Figures } from '../../kit/index.js';
import { circleOfConfusionMm } from '../../optics/index.js';
import { type IntentKind, isMovementOfMatter } from '../../stop/index.js';
import { figuresOf, type SetUpInput, shootingOf } from '../question/searchInput.js';

/** What the subject's movement may draw on the sensor. */
export type SmearRule =
  | { readonly kind: 'nothingMoves' }
  /** Smear between two bounds, mm; 0 below for "at most". */
  | { readonly kind: 'between'; readonly fromMm: number; readonly toMm: number }
  /** The camera follows: smear of the background, mm, by the movement across alone. */
  | { readonly kind: 'panned'; readonly fromMm: number; readonly toMm: number };

const STRICT_INTENTS: ReadonlySet<IntentKind> = new Set(['silhouette', 'intoTheSun', 'brightBackdrop']);

function smearInCircles({ intent }: SetUpInput, figures: Figures): number {
  if (STRICT_INTENTS.has(intent.kind)) return figures.strictSmear;
  return intent.kind === 'litStreet' ? figures.nightSmear : figures.candidSmear;
}

/**
 * Smear allowed or wanted, in circles of confusion of the person's standard: silhouettes 1.5, candids 2, the lit street
 * by night 3, three times that with flash; wanted, between two bounds; panned, a background between two bounds whose
 * share (1 − skill) left on the subject stays under a candid's limit. Source: docs/formulas.md#smear.
 */
export function smearRule(input: SetUpInput): SmearRule {
  const figures = figuresOf(input);
  const circleMm = circleOfConfusionMm(input.standard.sharpness, input.body);
  const between = (from: number, to: number): SmearRule => ({ kind: 'between', fromMm: from * circleMm, toMm: to * circleMm });
  const gain = input.intent.kind === 'flashLift' ? figures.flashSmearGain : 1;
  if (!isMovementOfMatter(input)) return { kind: 'nothingMoves' };
  switch (shootingOf(input).smear) {
    case 'strict':
      return between(0, figures.strictSmear * gain);
    case 'loose':
      return between(0, figures.nightSmear * gain);
    case 'wanted':
      return between(figures.wantedSmearFrom, figures.wantedSmearTo);
    case 'panned': {
      const followed = figures.candidSmear / Math.max(1e-9, 1 - figures.panSkill);
      const to = Math.min(figures.pannedSmearTo, followed);
      return { kind: 'panned', fromMm: figures.pannedSmearFrom * circleMm, toMm: to * circleMm };
    }
    case 'byIntent':
      return between(0, smearInCircles(input, figures) * gain);
  }
}
