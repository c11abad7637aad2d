import type { Care } from '@roam-dial/core/plan';

/** What to mind, in a sentence each; said once, where it arises. */
export const CARE_WORDS: Readonly<Record<Care, string>> = {
  sun: 'Never look at the sun through an optical finder, nor leave a long lens on it.',
  road: 'You are standing in the road: look around between frames, and mind kerbs, tram tracks and platform edges.',
  water: 'Watch your footing at the water’s edge before you look through the camera.',
  flash: 'No flash at drivers, riders or animals, nor close to eyes; some people are sensitive to flicker.',
  tripod: 'A tripod only where it is allowed, and where it blocks nobody.',
  fireworks: 'Keep the official distance at fireworks, with the wind behind you.',
  dark: 'After dark: gear out of sight on the way, a lit way home, and somebody who knows where you are.',
  people: 'You have not asked the people there: local law and their wishes decide.',
  longDay: 'A long day out: water, and a layer for the hours without sun.',
};
