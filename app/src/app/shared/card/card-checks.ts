import type { Check } from '@roam-dial/core/setup';

const CHECK_WORDS: Readonly<Record<Check, string>> = {
  remote: 'remote or self-timer',
  stabiliserOff: 'stabiliser off',
  coverBetween: 'cover the lens between bursts',
  coverFinder: 'cover the finder',
  darkSlide: 'pull the dark slide, and put it back',
  reciprocity: 'the time that the film needs, not the meter’s',
  mechanicalShutter: 'mechanical shutter: the lamps pulse',
  flashReady: 'flash charged, gel on',
  levelled: 'level the camera',
};

/** "Before the frame: remote or self-timer; stabiliser off." Null where there is nothing to see to. */
export function checksSentence(checks: readonly Check[]): string | null {
  return checks.length === 0 ? null : `Before the frame: ${checks.map((check) => CHECK_WORDS[check]).join('; ')}.`;
}
