import { type Codec, numberCodec } from '../../fields/codec';
import { choicesOf } from '../../words/choices';

/** Readers that fields of several kinds of kit share. */

export const STEP_CHOICES = choicesOf({ third: 'thirds', half: 'halves', full: 'full stops' });
export const stopCount = numberCodec({ low: 0, high: 12, step: 0.5, unit: 'stops' });

export const millimetres = (high: number): Codec<number> => numberCodec({ low: 0.5, high, unit: 'mm', step: 1 });
