/** Lamps, screens, windows: typical light after dark, EV100. Judgement, to be corrected by a reading. */
export const ARTIFICIAL_LIGHT = {
  none: { label: 'no lamps', ev100: null },
  lane: { label: 'lane', ev100: 1 },
  sideStreet: { label: 'side street', ev100: 3 },
  lampStreet: { label: 'street under lamps', ev100: 5 },
  arcade: { label: 'arcade', ev100: 6 },
  marketStall: { label: 'market stall', ev100: 7 },
  litWindow: { label: 'lit window', ev100: 8 },
  screen: { label: 'bright screen or sign', ev100: 9 },
} as const;

export type ArtificialLight = keyof typeof ARTIFICIAL_LIGHT;
export const ARTIFICIAL_LIGHTS = Object.keys(ARTIFICIAL_LIGHT) as readonly ArtificialLight[];

/** Spread of the figures above, stops. */
export const ARTIFICIAL_SPREAD_EV = 1;

/** Lamps are on while the sun is below this, degrees. */
export const LAMPS_ON_BELOW_DEG = -3;
