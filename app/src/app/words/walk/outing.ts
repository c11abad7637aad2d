import { MISS_REASONS, type MissReason } from '@roam-dial/core/outing';

const MISS_WORDS: Readonly<Record<MissReason, string>> = {
  notReady: 'I was not ready',
  shake: 'camera shake',
  smear: 'subject moved',
  focus: 'missed focus',
  light: 'the light had gone',
  blocked: 'somebody in the way',
  nobody: 'nobody came',
};

export function missWords(why: MissReason): string {
  return MISS_WORDS[why];
}

/** The seven of one tap, with a capital for a button. */
export const MISS_CHOICES = MISS_REASONS.map((why) => {
  const words = MISS_WORDS[why];
  return { why, words: `${words.charAt(0).toUpperCase()}${words.slice(1)}` };
});

/** Notes that are made so often that a tap is enough. */
export const NOTE_WORDS = ['Too empty', 'Too crowded', 'Wrong side', 'Wrong lens', 'Scaffolding', 'Wet ground', 'Lamps off'];
