import { RAD_PER_DEG } from '../units/index.js';
import type { MoonView } from './moon.js';

const LUX_PER_FOOTCANDLE = 10.764;
/** Of a clear night, magnitudes an airmass. */
const EXTINCTION_MAG = 0.172;

/** Airmass at a zenith distance: X = 1/√(1 − 0.96·sin² z), 5 at the horizon. */
function airmassAt(altitudeDeg: number): number {
  return 1 / Math.sqrt(1 - 0.96 * Math.cos(altitudeDeg * RAD_PER_DEG) ** 2);
}

/**
 * What the moon gives on level ground under a clear sky, lux; 0 with it down.
 * E = 10.764 · 10^(−0.4·(3.84 + 0.026·α + 4·10⁻⁹·α⁴)) · 10^(−0.4·0.172·X) · sin h, α the phase angle in degrees (0 full), h its
 * geometric altitude. Cloud takes (1 − cloud) of it (s). Source: Krisciunas and Schaefer, PASP 103 (1991), 1033: equations 8 and 20
 * with the airmass of their equation 3; good to some 20 %.
 */
export function moonLux({ altitudeDeg, phaseDeg }: Pick<MoonView, 'altitudeDeg' | 'phaseDeg'>, cloud = 0): number {
  if (altitudeDeg <= 0) return 0;
  const phaseAngleDeg = Math.abs(180 - phaseDeg);
  const magnitude = 3.84 + 0.026 * phaseAngleDeg + 4e-9 * phaseAngleDeg ** 4;
  const above = LUX_PER_FOOTCANDLE * 10 ** (-0.4 * magnitude);
  const through = 10 ** (-0.4 * EXTINCTION_MAG * airmassAt(altitudeDeg));
  return (1 - cloud) * above * through * Math.sin(altitudeDeg * RAD_PER_DEG);
}
