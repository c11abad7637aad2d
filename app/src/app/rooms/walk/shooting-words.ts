import type { LampKind, SmearWish } from '@roam-dial/core/stop';
import { choicesOf } from '../../words/choices';

export const SMEAR_CHOICES = choicesOf<SmearWish>({
  byIntent: 'by the picture',
  strict: 'none at the edges',
  loose: 'a little is fine',
  wanted: 'wanted: they should streak',
  panned: 'panned with them',
});
export const PULSE_CHOICES = choicesOf<LampKind>({
  steady: 'steady',
  oldTube: 'old tubes',
  poorLed: 'poor LEDs',
  goodLed: 'good LEDs',
  screen: 'a pulsing screen',
});
