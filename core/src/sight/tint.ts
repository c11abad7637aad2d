import type { SightLabel } from './labels.js';

/** Colour of the light on what is seen, kelvin, as a tint and never a reading. Judgement. */
const SUN_K = { low: 2300, high: 5500, lowDeg: 0, highDeg: 30 } as const;
const SHADE_K = 7600;
const LAMPS_K = 2900;
const SKY_K = 9000;
const SCREEN_K = 6500;
const NIGHT_SKY_K = 11_000;

/** Kelvin by label for a picture with the sun at an altitude; lamps where they burn and give more than the sky. */
export function tintOf(altitudeDeg: number, areLampsStronger: boolean): Readonly<Partial<Record<SightLabel, number>>> {
  const share = Math.min(1, Math.max(0, (altitudeDeg - SUN_K.lowDeg) / (SUN_K.highDeg - SUN_K.lowDeg)));
  const sun = SUN_K.low + share * (SUN_K.high - SUN_K.low);
  const shade = areLampsStronger ? LAMPS_K : SHADE_K;
  return {
    ...{ sky: altitudeDeg < 0 ? NIGHT_SKY_K : SKY_K, sun, 'lit walls': sun, 'lit ground': sun, lamps: LAMPS_K, screen: SCREEN_K },
    ...{ walls: shade, ground: shade, leaves: shade, water: SKY_K, windows: altitudeDeg < 0 ? LAMPS_K : SKY_K },
  };
}
