import { choicesOf } from '../../words/choices';

/** Marks of dials and rings. */
export const STEP_CHOICES = choicesOf({ third: 'thirds', half: 'halves', full: 'full stops' });
