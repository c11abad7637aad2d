import type { ArtificialLight } from '@roam-dial/core/light';
import { type Intent, INTENT_FIELDS, type IntentKind, type IntentOf } from '@roam-dial/core/stop';
import type { FieldReading } from '../../../fields/field-codec';
import { checkField, choiceField, type FieldSpec, numberField } from '../../../fields/field-spec';
import { choicesOf } from '../../../words/choices';
import { LAMP_CHOICES } from '../words';

const LIGHTS = choicesOf({ either: 'sun or shade', sun: 'in the sun', shade: 'in the shade' });
const BACKGROUNDS = choicesOf({ sky: 'the sky', wall: 'a sunlit wall', screen: 'a screen or window' });
const HIGHLIGHTS = choicesOf({ burn: 'may burn out', hold: 'are held' });
const SUBJECTS = choicesOf({ water: 'water', trails: 'traffic trails', emptied: 'an emptied square' });
const TONES = choicesOf({ dark: 'dark', mid: 'mid', pale: 'pale stone' });
const MIRRORS = choicesOf({ puddle: 'a puddle', glass: 'glass', water: 'still water' });
const SOURCES = LAMP_CHOICES.filter((choice): choice is { value: ArtificialLight; label: string } => choice.value !== 'none');

/** The few questions that each intent has of its own. */
const OF_KIND: { readonly [Kind in IntentKind]: readonly FieldSpec<IntentOf<Kind>>[] } = {
  passingCandid: [choiceField('light', 'Light on them', LIGHTS)],
  lightPool: [
    numberField('brightShare', 'Lit part of the frame', INTENT_FIELDS.lightPool.brightShare, { hint: 'decides the compensation' }),
  ],
  silhouette: [
    choiceField('background', 'Against', BACKGROUNDS),
    numberField('brightShare', 'Bright part of the frame', INTENT_FIELDS.silhouette.brightShare),
  ],
  intoTheSun: [numberField('brightShare', 'Sky in the frame', INTENT_FIELDS.intoTheSun.brightShare)],
  brightBackdrop: [
    choiceField('source', 'Backdrop', SOURCES),
    numberField('brightShare', 'Its part of the frame', INTENT_FIELDS.brightBackdrop.brightShare),
  ],
  litStreet: [choiceField('lamps', 'Lamps', HIGHLIGHTS)],
  flashLift: [
    numberField('flashEv', 'Flash compensation', INTENT_FIELDS.flashLift.flashEv),
    numberField('skyUnderEv', 'Sky against mid-grey', INTENT_FIELDS.flashLift.skyUnderEv),
  ],
  longExposure: [choiceField('of', 'Of', SUBJECTS), numberField('wantedS', 'Time wanted', INTENT_FIELDS.longExposure.wantedS)],
  facade: [choiceField('tone', 'Tone of the wall', TONES)],
  reflection: [
    choiceField('mirror', 'Mirror', MIRRORS),
    checkField(
      'It has rained',
      ({ isWet }) => isWet,
      (intent, isWet) => ({ ...intent, isWet }),
    ),
  ],
  compressedDistance: [numberField('farM', 'Far thing at', INTENT_FIELDS.compressedDistance.farM)],
  fireworks: [numberField('bulbS', 'Bulb time', INTENT_FIELDS.fireworks.bulbS)],
};

/** The questions of an intent, each asked of its own kind alone. */
export function intentFields({ kind }: Pick<Intent, 'kind'>): readonly FieldSpec<Intent, FieldReading>[] {
  return OF_KIND[kind] as unknown as readonly FieldSpec<Intent>[];
}
