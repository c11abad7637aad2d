import { ARTIFICIAL_LIGHT, ARTIFICIAL_LIGHTS, type ArtificialLight } from '@roam-dial/core/light';
import { type Consent, INTENT_NAMES, type LightChange, type Pavement, type PeopleWish, type ZoneKind } from '@roam-dial/core/stop';
import { choicesOf } from '../../words/choices';
import { CHANGE_WORDS } from '../../words/set-up/light-changes';

export const INTENT_CHOICES = choicesOf(INTENT_NAMES);

const LAMP_LABELS = Object.fromEntries(
  ARTIFICIAL_LIGHTS.map((lamp) => {
    const { label, ev100 } = ARTIFICIAL_LIGHT[lamp];
    return [lamp, ev100 === null ? label : `${label}, EV ${ev100}`];
  }),
) as Record<ArtificialLight, string>;
export const LAMP_CHOICES = choicesOf<ArtificialLight>(LAMP_LABELS);

export const LIGHT_CHANGE_CHOICES = choicesOf<LightChange>(CHANGE_WORDS);
export const PAVEMENT_CHOICES = choicesOf<Pavement>({ left: 'left', right: 'right', middle: 'the road itself' });
export const CONSENT_CHOICES = choicesOf<Consent>({ unasked: 'unasked', asked: 'asked', unrecognisable: 'nobody recognisable' });
export const ZONE_CHOICES = choicesOf<ZoneKind>({ whoeverPasses: 'whoever passes', allOfIt: 'all of it, near to far' });
export const PEOPLE_CHOICES = choicesOf<PeopleWish>({
  people: 'somebody worth photographing',
  nobody: 'nobody at all',
  either: 'either way',
});
