import { DEFAULT_FIGURES, type Standard } from '@roam-dial/core/kit';
import { choicesOf } from '../../words/choices';

/** How much noise bothers somebody, as what a stop of ISO costs in the score. Source: docs/formulas.md#search. */
const COSTS = { fine: 0.005, normal: DEFAULT_FIGURES.isoCostPerStop, clean: 0.05 } as const;
export type NoiseTolerance = keyof typeof COSTS | 'own';

export const NOISE_CHOICES = choicesOf<NoiseTolerance>({
  fine: 'grain is fine',
  normal: 'a little',
  clean: 'a lot: keep files clean',
  own: 'own figure',
});

export function noiseToleranceOf({ figures }: Pick<Standard, 'figures'>): NoiseTolerance {
  const cost = figures?.isoCostPerStop ?? COSTS.normal;
  return (Object.keys(COSTS) as (keyof typeof COSTS)[]).find((key) => COSTS[key] === cost) ?? 'own';
}

/** Whether somebody has answered yet. */
export const hasNoiseTolerance = ({ figures }: Pick<Standard, 'figures'>): boolean => figures?.isoCostPerStop !== undefined;

export function withNoiseTolerance(standard: Standard, tolerance: NoiseTolerance): Standard {
  if (tolerance === 'own') return standard;
  return { ...standard, figures: { ...standard.figures, isoCostPerStop: COSTS[tolerance] } };
}
