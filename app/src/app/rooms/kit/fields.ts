import {
  FILM_FIELDS,
  FILTER_FIELDS,
  FLASH_FIELDS,
  SUPPORT_FIELDS,
  type Film,
  FILM_HOLDS,
  type Filter,
  type Flash,
  type KitItem,
  type KitKind,
  type Support,
} from '@roam-dial/core/kit';
import { choicesOf } from '../../words/choices';
import { BODY_FORM } from './body-fields';
import { choiceOf, type ExplainedField, type KitContext, row, valueOf } from './field-spec';
import { LENS_FORM } from './lens-fields';

/** The fields of each kind of kit, in the order in which one reads them off the thing itself. */

const FILM_FORM: readonly ExplainedField<Film>[] = [
  valueOf(
    'boxIso',
    'Box speed',
    'What the maker says; the card tells how far from it the roll is exposed.',
    row(FILM_FIELDS.boxIso),
    {
      feeds: 'iso',
    },
  ),
  valueOf(
    'exposureIndex',
    'Exposure index',
    'The ISO that every stop of the roll is exposed for.',
    row(FILM_FIELDS.exposureIndex),
    { feeds: 'iso' },
  ),
  valueOf('pushStops', 'Push or pull', 'Added to the exposure index, for the whole roll.', row(FILM_FIELDS.pushStops), {
    feeds: 'iso',
  }),
  choiceOf(
    'filmKind',
    'Kind',
    'What it forgives: which way to err.',
    choicesOf({ blackAndWhiteNegative: 'black-and-white negative', colourNegative: 'colour negative', slide: 'slide' }),
    // What it holds is of its kind; the person’s own figure is typed after.
    { feeds: 'iso', brings: (kind) => FILM_HOLDS[kind] },
  ),
  valueOf(
    'latitudeOverEv',
    'Latitude over',
    'Stops of overexposure that it takes: times and apertures within them count as well exposed.',
    row(FILM_FIELDS.latitudeOverEv),
    { feeds: 'shutter' },
  ),
  valueOf(
    'latitudeUnderEv',
    'Latitude under',
    'Stops of underexposure that it takes, before a frame counts less.',
    row(FILM_FIELDS.latitudeUnderEv),
    {
      feeds: 'shutter',
    },
  ),
  valueOf(
    'holdsOverEv',
    'Holds over mid-grey',
    'Stops in which it keeps detail, at box speed: not how far a frame may be off.',
    row(FILM_FIELDS.holdsOverEv),
    { feeds: 'meter' },
  ),
  valueOf(
    'holdsUnderEv',
    'Holds under mid-grey',
    'The same below; a push takes from above, a pull from here.',
    row(FILM_FIELDS.holdsUnderEv),
    { feeds: 'meter' },
  ),
  valueOf(
    'reciprocityExponent',
    'Reciprocity exponent',
    'Past the threshold times grow by this power: the card shows the time that the film needs.',
    row(FILM_FIELDS.reciprocityExponent),
    { feeds: 'shutter' },
  ),
  valueOf(
    'reciprocityThresholdS',
    'Threshold',
    'Below it a metered time is right as it is.',
    row(FILM_FIELDS.reciprocityThresholdS),
    { feeds: 'shutter' },
  ),
];

const FLASH_FORM: readonly ExplainedField<Flash>[] = [
  valueOf('guideNumberM', 'Guide number', 'Metres at ISO 100: how far flash lift reaches.', row(FLASH_FIELDS.guideNumberM), {
    feeds: 'flash',
  }),
  valueOf('compensationRangeEv', 'Compensation range', 'Up and down from this.', row(FLASH_FIELDS.compensationRangeEv), {
    feeds: 'flash',
  }),
  valueOf('recycleS', 'Recycle time', 'Between two flashes.', row(FLASH_FIELDS.recycleS), {
    feeds: 'flash',
  }),
];

const FILTER_FORM: readonly ExplainedField<Filter>[] = [
  choiceOf(
    'filterKind',
    'Kind',
    'A colour filter is offered with film only.',
    choicesOf({ polariser: 'polariser', neutralDensity: 'neutral grey', colour: 'colour' }),
    { feeds: null },
  ),
  valueOf(
    'stops',
    'Takes',
    'Stops of light; where there is too much of it, the card says which filter of the bag helps.',
    row(FILTER_FIELDS.stops),
    { feeds: null },
  ),
];

const SUPPORT_FORM: readonly ExplainedField<Support>[] = [
  choiceOf(
    'supportKind',
    'Kind',
    'A tripod has no shake limit at all.',
    choicesOf({ wall: 'braced on something', tripod: 'tripod' }),
    { feeds: null },
  ),
  valueOf('gainStops', 'Gains', 'Stops of steadiness when braced.', row(SUPPORT_FIELDS.gainStops), { feeds: 'shutter' }),
];

const FIELDS: { readonly [Kind in KitKind]: readonly ExplainedField<Extract<KitItem, { kind: Kind }>>[] } = {
  body: BODY_FORM,
  lens: LENS_FORM,
  film: FILM_FORM,
  flash: FLASH_FORM,
  filter: FILTER_FORM,
  support: SUPPORT_FORM,
};

/** The fields of an item that apply to it. The table pairs each kind with its own fields. */
export function fieldsFor(item: KitItem, context: KitContext): readonly ExplainedField<KitItem>[] {
  const fields = FIELDS[item.kind] as unknown as readonly ExplainedField<KitItem>[];
  return fields.filter((field) => field.isShown?.(item, context) !== false);
}
