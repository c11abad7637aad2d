import { FIELD_RANGES } from '@roam-dial/core/formats/archive';
import { type Film, FILM_HOLDS, type Filter, type Flash, type KitItem, type KitKind, type Support } from '@roam-dial/core/kit';
import { choicesOf } from '../../words/choices';
import { entryCodec, numberCodec } from '../../fields/codec';
import { BODY_FIELDS } from './body-fields';
import { choiceOf, type FieldSpec, valueOf } from './field-spec';
import { LENS_FIELDS } from './lens-fields';
import { stopCount } from './shared-codecs';

/** The fields of each kind of kit, in the order in which one reads them off the thing itself. */

const filmIso = entryCodec({ kind: 'iso', step: 'third' }, { low: 1, high: 25_600 });

const FILM_FIELDS: readonly FieldSpec<Film>[] = [
  valueOf('boxIso', 'Box speed', 'What the maker says; the card tells how far from it the roll is exposed.', filmIso, {
    feeds: 'iso',
  }),
  valueOf('exposureIndex', 'Exposure index', 'The ISO that every stop of the roll is exposed for.', filmIso, { feeds: 'iso' }),
  valueOf(
    'pushStops',
    'Push or pull',
    'Added to the exposure index, for the whole roll.',
    entryCodec({ kind: 'stops', step: 'third' }, { low: -3, high: 4 }),
    { feeds: 'iso' },
  ),
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
    stopCount,
    { feeds: 'shutter' },
  ),
  valueOf('latitudeUnderEv', 'Latitude under', 'Stops of underexposure that it takes, before a frame counts less.', stopCount, {
    feeds: 'shutter',
  }),
  valueOf(
    'holdsOverEv',
    'Holds over mid-grey',
    'Stops in which it keeps detail, at box speed: not how far a frame may be off.',
    numberCodec({ ...FIELD_RANGES.holdsOverEv, step: 0.5, unit: 'stops' }),
    { feeds: 'meter' },
  ),
  valueOf(
    'holdsUnderEv',
    'Holds under mid-grey',
    'The same below; a push takes from above, a pull from here.',
    numberCodec({ low: 0, high: 14, step: 0.5, unit: 'stops' }),
    { feeds: 'meter' },
  ),
  valueOf(
    'reciprocityExponent',
    'Reciprocity exponent',
    'Past the threshold times grow by this power: the card shows the time that the film needs.',
    numberCodec({ ...FIELD_RANGES.reciprocityExponent, step: 0.05 }),
    { feeds: 'shutter' },
  ),
  valueOf(
    'reciprocityThresholdS',
    'Threshold',
    'Below it a metered time is right as it is.',
    numberCodec({ ...FIELD_RANGES.reciprocityThresholdS, step: 0.5, unit: 's' }),
    { feeds: 'shutter' },
  ),
];

const FLASH_FIELDS: readonly FieldSpec<Flash>[] = [
  valueOf(
    'guideNumberM',
    'Guide number',
    'Metres at ISO 100: how far flash lift reaches.',
    numberCodec({ ...FIELD_RANGES.guideNumberM, step: 1, unit: 'm' }),
    { feeds: 'flash' },
  ),
  valueOf('compensationRangeEv', 'Compensation range', 'Up and down from this.', stopCount, { feeds: 'flash' }),
  valueOf('recycleS', 'Recycle time', 'Between two flashes.', numberCodec({ ...FIELD_RANGES.recycleS, step: 0.5, unit: 's' }), {
    feeds: 'flash',
  }),
];

const FILTER_FIELDS: readonly FieldSpec<Filter>[] = [
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
    numberCodec({ low: 0, high: 20, step: 1 / 3, unit: 'stops' }),
    { feeds: null },
  ),
];

const SUPPORT_FIELDS: readonly FieldSpec<Support>[] = [
  choiceOf(
    'supportKind',
    'Kind',
    'A tripod has no shake limit at all.',
    choicesOf({ wall: 'braced on something', tripod: 'tripod' }),
    { feeds: null },
  ),
  valueOf('gainStops', 'Gains', 'Stops of steadiness when braced.', stopCount, { feeds: 'shutter' }),
];

const FIELDS: { readonly [Kind in KitKind]: readonly FieldSpec<Extract<KitItem, { kind: Kind }>>[] } = {
  body: BODY_FIELDS,
  lens: LENS_FIELDS,
  film: FILM_FIELDS,
  flash: FLASH_FIELDS,
  filter: FILTER_FIELDS,
  support: SUPPORT_FIELDS,
};

/** The fields of an item that apply to it. The table pairs each kind with its own fields. */
export function fieldsFor(item: KitItem): readonly FieldSpec<KitItem>[] {
  const fields = FIELDS[item.kind] as unknown as readonly FieldSpec<KitItem>[];
  return fields.filter((field) => field.isShown(item));
}
