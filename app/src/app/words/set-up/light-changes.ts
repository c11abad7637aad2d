import type { LightChange } from '@roam-dial/core/stop';

/** How the light of a stop or a scene behaves: "the light…". */
export const CHANGE_WORDS: Readonly<Record<LightChange, string>> = {
  steady: 'is steady',
  clouds: 'comes and goes with clouds',
  screen: 'is a screen whose picture changes',
};
