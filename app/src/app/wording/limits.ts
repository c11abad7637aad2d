import type { Limit, SetUpInput } from '@roam-dial/core';

const WORDS: Readonly<Record<Limit, string>> = {
  shake: 'your hands shake',
  motion: 'people smear',
  depth: 'not deep enough',
  tooDark: 'too dark',
  tooBright: 'too bright',
  isoCeiling: 'over your ISO',
  flicker: 'the lamps flicker',
  flash: 'out of the flash',
  kept: 'the light changes',
  highlights: 'highlights go',
  school: 'not isolated',
};

/** A limit in the words of the chart and the card: a smear that is wanted can also be missing. */
export function limitWords(limit: Limit, { shooting, intent }: Pick<SetUpInput, 'shooting' | 'intent'>): string {
  if (limit === 'motion') {
    if (intent.kind === 'longExposure' || intent.kind === 'fireworks') return 'not the time you want';
    if (shooting?.smear === 'wanted' || shooting?.smear === 'panned') return 'not the smear you want';
  }
  return WORDS[limit];
}
