const COUNT = 31;
const REACH = 3.75;

/** EVs that the light may really have, with weights that sum to 1. */
export interface LightNodes {
  readonly evs: Float64Array;
  readonly weights: Float64Array;
}

/** Thirty-one equal steps over ±3.75 spreads of a normal law; a single one where the light has no spread. */
export function lightNodes(ev100: number, spreadEv: number): LightNodes {
  if (spreadEv === 0) return { evs: Float64Array.of(ev100), weights: Float64Array.of(1) };
  const scores = Array.from({ length: COUNT }, (_, k) => ((2 * k) / (COUNT - 1) - 1) * REACH);
  const densities = scores.map((score) => Math.exp(-(score ** 2) / 2));
  const sum = densities.reduce((a, b) => a + b);
  return {
    evs: Float64Array.from(scores, (score) => ev100 + score * spreadEv),
    weights: Float64Array.from(densities, (density) => density / sum),
  };
}
