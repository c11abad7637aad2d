/** How the light changes while one stands there: not, by clouds before the sun, or because a screen shows other pictures. */
export const LIGHT_CHANGES = ['steady', 'clouds', 'screen'] as const;
export type LightChange = (typeof LIGHT_CHANGES)[number];
