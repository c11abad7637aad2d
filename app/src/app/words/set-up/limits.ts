import type { Limit, SetUpInput } from '@roam-dial/core/setup';

const WORDS: Readonly<Record<Limit, string>> = {
  shake: 'camera shake',
  motion: 'people blur',
  depth: 'too shallow',
  tooDark: 'too dark',
  tooBright: 'too bright',
  isoCeiling: 'over your ISO ceiling',
  flicker: 'lamp flicker',
  flash: 'out of flash range',
  kept: 'changing light',
  highlights: 'clipped highlights',
  school: 'background too sharp',
};

/** A limit in the words of the chart and the card: a smear that is wanted can also be missing. */
export function limitWords(limit: Limit, { shooting, intent }: Pick<SetUpInput, 'shooting' | 'intent'>): string {
  if (limit === 'motion') {
    if (intent.kind === 'longExposure' || intent.kind === 'fireworks') return 'not the time you want';
    if (shooting?.smear === 'wanted' || shooting?.smear === 'panned') return 'not the blur you want';
  }
  return WORDS[limit];
}
