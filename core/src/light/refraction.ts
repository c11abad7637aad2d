import { RAD_PER_DEG } from '../units/index.js';
export type Refraction = 'standard' | 'none';
export const REFRACTIONS = ['standard', 'none'] as const;

/** Where the formula stops and where nothing is left of it: well below the horizon there is no line of sight to bend. */
const FORMULA_DOWN_TO_DEG = -0.8333;
const NOTHING_BELOW_DEG = -2;

/** R = 1.02′ / tan(h + 10.3/(h + 5.11)), h geometric, in degrees. */
function saemundssonDeg(altitudeDeg: number): number {
  return 1.02 / Math.tan((altitudeDeg + 10.3 / (altitudeDeg + 5.11)) * RAD_PER_DEG) / 60;
}

/**
 * How far the air lifts a geometric altitude, degrees, at 1010 hPa and 10 °C. From −0.8333° it runs straight to
 * zero at −2°, so that the lifted altitude still rises with the true one. Source: Sæmundsson, Sky & Telescope 72
 * (1986) 70; docs/formulas.md#refraction.
 */
export function refractionDeg(altitudeDeg: number): number {
  if (altitudeDeg >= FORMULA_DOWN_TO_DEG) return Math.max(0, saemundssonDeg(altitudeDeg));
  if (altitudeDeg <= NOTHING_BELOW_DEG) return 0;
  const share = (altitudeDeg - NOTHING_BELOW_DEG) / (FORMULA_DOWN_TO_DEG - NOTHING_BELOW_DEG);
  return share * saemundssonDeg(FORMULA_DOWN_TO_DEG);
}
