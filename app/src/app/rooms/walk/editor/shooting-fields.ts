import { SHOOTING_FIELDS, type Shooting } from '@roam-dial/core/stop';
import { checkField, choiceField, type FieldSpec, numberField } from '../../../fields/field-spec';
import { PULSE_CHOICES, SMEAR_CHOICES } from '../shooting-words';
import type { StopContext } from './stop-context';

/** How the frames are taken at a stop: what the search reckons with beside the light. */
export const FRAME_FIELDS: readonly FieldSpec<Shooting, StopContext>[] = [
  numberField('burstFrames', 'Frames of one press', SHOOTING_FIELDS.burstFrames, {
    hint: 'one good one is enough',
    hasSteppers: true,
    width: 'double',
  }),
  choiceField('smear', 'Smear of people', SMEAR_CHOICES),
  choiceField('lamp', 'The light is', PULSE_CHOICES),
  checkField(
    'Walking while shooting',
    ({ isWalking }) => isWalking,
    (shooting, isWalking) => ({ ...shooting, isWalking }),
  ),
  checkField(
    'I want the glitch',
    ({ wantsGlitch }) => wantsGlitch,
    (shooting, wantsGlitch) => ({ ...shooting, wantsGlitch }),
    { isShown: ({ lamp }) => lamp !== 'steady' },
  ),
  checkField(
    'The spot’s distance is guessed',
    ({ spotByEye }) => spotByEye,
    (shooting, spotByEye) => ({ ...shooting, spotByEye }),
    { isShown: (_, { isLocked }) => isLocked },
  ),
];
