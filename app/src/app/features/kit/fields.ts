import {
  type Body,
  CONTROL_KINDS,
  type Film,
  type Filter,
  type Flash,
  formatEntry,
  isSameValue,
  type KitItem,
  type KitKind,
  type Lens,
  METER_PATTERNS,
  type MeterPattern,
  slowestAutoSeries,
  type Support,
} from '@roam-dial/core';
import { choicesOf } from '../../ui/choices';
import { type Codec, distanceCodec, entryCodec, listCodec, numberCodec, optional } from '../../wording/codec';
import { checkOf, choiceOf, type FieldContext, type FieldSpec, valueOf } from './field-spec';

/** The fields of each kind of kit, in the order in which one reads them off the thing itself. */

const STEPS = choicesOf({ third: 'thirds', half: 'halves', full: 'full stops' });
const isDigital = (body: Body): boolean => body.medium === 'digital';
const mm = (high: number): Codec<number> => numberCodec({ low: 0.5, high, unit: 'mm', step: 1 });
const stopCount = numberCodec({ low: 0, high: 12, step: 0.5, unit: 'stops' });
const isoCodec = (body: Body): Codec<number> => entryCodec({ kind: 'iso', step: body.markStep }, { low: 1, high: 1_000_000 });
const shutterCodec = (body: Body): Codec<number> => entryCodec({ kind: 'shutter', step: body.markStep }, { low: 1e-5, high: 3600 });

function alsoWithin(codec: Codec<number>, isFine: (value: number) => boolean, message: string): Codec<number> {
  return {
    ...codec,
    parse: (text) => {
      const parsed = codec.parse(text);
      return parsed.ok && !isFine(parsed.value) ? { ok: false, message } : parsed;
    },
    step: (value, direction) => {
      const next = codec.step?.(value, direction) ?? value;
      return isFine(next) ? next : value;
    },
  };
}

const PATTERN_LABELS: Readonly<Record<MeterPattern, string>> = {
  wholeFrame: 'whole frame',
  centreWeighted: 'centre-weighted',
  spot: 'spot',
  highlightWeighted: 'highlight-weighted',
};

/** Meter patterns as a line of words. */
const patternsCodec: Codec<readonly MeterPattern[]> = {
  format: (patterns) => patterns.map((pattern) => PATTERN_LABELS[pattern]).join('; '),
  parse: (text) => {
    const words = text.split(';').map((word) => word.trim().toLowerCase()).filter(Boolean);
    const patterns = words.map((word) => METER_PATTERNS.find((pattern) => PATTERN_LABELS[pattern].startsWith(word)));
    const known = patterns.filter((pattern) => pattern !== undefined);
    if (known.length === 0 || known.length < words.length) {
      return { ok: false, message: `use ${METER_PATTERNS.map((pattern) => PATTERN_LABELS[pattern]).join('; ')}` };
    }
    return { ok: true, value: [...new Set(known)] };
  },
};

/** The offered slowest-auto shutters as "1/2000 to 1 s", or none. */
function autoShuttersCodec(body: Body): Codec<readonly number[]> {
  const one = shutterCodec(body);
  return {
    format: (values) => {
      const [first, last] = [values[0], values.at(-1)];
      return first === undefined || last === undefined ? 'none' : `${one.format(first)} to ${one.format(last)}`;
    },
    parse: (text) => {
      if (/^(none|no|-)?$/i.test(text.trim())) return { ok: true, value: [] };
      const ends = text.split(/\s+to\s+|\.\.|–/).map((end) => one.parse(end));
      const [from, to] = [ends[0], ends[1] ?? ends[0]];
      if (from?.ok !== true || to?.ok !== true) return { ok: false, message: 'write 1/2000 to 1 s, or none' };
      const [fast, slow] = [Math.min(from.value, to.value), Math.max(from.value, to.value)];
      const values = slowestAutoSeries(body.markStep, fast, slow);
      return values.length > 0 ? { ok: true, value: values } : { ok: false, message: 'no mark lies between these' };
    },
  };
}

function control(which: keyof Body['controls'], label: string, feeds: 'aperture' | 'shutter' | 'iso' | 'meter'): FieldSpec<Body> {
  return {
    kind: 'choice',
    label,
    effect: 'What a change costs the hand; the ladder will weigh it.',
    feeds,
    isShown: () => true,
    choices: () => CONTROL_KINDS.map((kind) => ({ value: kind, label: kind })),
    read: (body) => body.controls[which],
    write: (body, value) => ({ ...body, controls: { ...body.controls, [which]: value as Body['controls']['iso'] } }),
  };
}

const BODY_FIELDS: readonly FieldSpec<Body>[] = [
  choiceOf('medium', 'Records on', 'Film has one ISO for the whole roll.', choicesOf({ digital: 'a sensor', film: 'film' }), { feeds: 'iso' }),
  {
    kind: 'choice',
    label: 'Roll in it',
    effect: 'Its exposure index is the ISO of every stop.',
    feeds: 'iso',
    isShown: (body) => body.medium === 'film',
    choices: ({ films }: FieldContext) => [{ value: '', label: 'no roll' }, ...films],
    read: (body) => body.filmId ?? '',
    write: (body, value) => ({ ...body, filmId: value === '' ? null : value }),
  },
  valueOf('sensorWidthMm', 'Frame width', 'With the height: the circle of confusion, crop and field.', mm(200), { feeds: 'aperture' }),
  valueOf('sensorHeightMm', 'Frame height', 'With the width: the circle of confusion, crop and field.', mm(200), { feeds: 'aperture' }),
  valueOf('pixelsAcross', 'Pixels across', 'Counts for the standard “at 100 %”.', optional(numberCodec({ low: 100, high: 100_000, decimals: 0, step: 100 })), {
    feeds: 'aperture',
    isShown: isDigital,
  }),
  choiceOf('markStep', 'Marked in', 'The steps in which shutter, ISO and compensation are given.', STEPS, { feeds: 'shutter' }),
  valueOf('baseIso', 'Base ISO', 'Where automatic ISO starts.', (body) => alsoWithin(isoCodec(body), (iso) => iso <= body.highestIso, 'must not be above the highest'), { feeds: 'iso', isShown: isDigital }),
  valueOf('lowestIso', 'Lowest ISO', 'Extended settings below base; the card does not use them by itself.', isoCodec, { feeds: 'iso', isShown: isDigital }),
  valueOf('highestIso', 'Highest ISO', 'The ceiling, unless your own is lower (in the standard).', (body) => alsoWithin(isoCodec(body), (iso) => iso >= body.baseIso, 'must not be below base'), { feeds: 'iso', isShown: isDigital }),
  valueOf('slowestAutoShuttersS', 'Slowest auto shutter from', 'The values that automatic ISO lets you choose; “none” and the card holds both by hand.', autoShuttersCodec, { feeds: 'shutter', isShown: isDigital }),
  choiceOf('atCeiling', 'At the ISO ceiling it', 'Bodies differ, and practitioners believe different things: try it with the lens cap half on.', choicesOf({ slowerShutter: 'lengthens the shutter', underexpose: 'underexposes' }), { feeds: 'shutter', isShown: isDigital }),
  valueOf('fastestShutterS', 'Fastest shutter', 'In glare the aperture closes past it.', (body) => alsoWithin(shutterCodec(body), (s) => s <= body.slowestShutterS, 'must not be longer than the slowest'), { feeds: 'shutter' }),
  valueOf('slowestShutterS', 'Slowest shutter', 'The longest that it times by itself.', (body) => alsoWithin(shutterCodec(body), (s) => s >= body.fastestShutterS, 'must not be shorter than the fastest'), { feeds: 'shutter' }),
  valueOf('flashSyncS', 'Flash sync', 'With flash the shutter is never faster.', shutterCodec, { feeds: 'shutter' }),
  valueOf('readoutS', 'Electronic readout', 'Bands under flickering lamps; empty without an electronic shutter.', (body) => optional(shutterCodec(body)), { feeds: 'shutter', isShown: isDigital }),
  valueOf('stabiliserStops', 'Stabiliser', 'Steadies the hands; does nothing for walkers.', stopCount, { feeds: 'shutter' }),
  checkOf('compensationWhenBothHeld', 'Compensation acts with both held', 'If not, the card says to shift the shutter instead.', { feeds: 'meter', isShown: isDigital }),
  valueOf('meterPatterns', 'Meter patterns', 'The card uses the whole frame where there is one, else the first.', patternsCodec, { feeds: 'meter' }),
  valueOf('headroomEv', 'Highlight headroom', 'Stops above mid-grey; where a highlight pattern puts the brightest part.', numberCodec({ low: 0, high: 10, step: 0.5, unit: 'stops' }), { feeds: 'meter' }),
  valueOf('shadowRangeEv', 'Shadow range', 'Usable stops below mid-grey at base, one less per stop of ISO.', numberCodec({ low: 0, high: 14, step: 0.5, unit: 'stops' }), { feeds: 'meter' }),
  valueOf('liveViewSmallestFNumber', 'Magnified view shows to', 'Past it the card says to trust the numbers; empty where it shows all.', optional(entryCodec({ kind: 'aperture', step: 'third' }, { low: 0.7, high: 64 })), { feeds: 'aperture', isShown: isDigital }),
  valueOf('autofocusDelayS', 'Autofocus delay', 'For the centre point: how far they walk meanwhile.', numberCodec({ low: 0, high: 5, step: 0.1, unit: 's' }), { feeds: 'focus', isShown: isDigital }),
  valueOf('autofocusLimitEv', 'Autofocus locks to', 'EV at which half of the locks fail.', entryCodec({ kind: 'ev', step: 'third' }, { low: -10, high: 15 }), { feeds: 'focus', isShown: isDigital }),
  control('aperture', 'Aperture is set by', 'aperture'),
  control('shutter', 'Shutter is set by', 'shutter'),
  control('iso', 'ISO is set by', 'iso'),
  control('compensation', 'Compensation is set by', 'meter'),
];

interface WidestRow {
  readonly focalLengthMm: number;
  readonly fNumber: number;
}

/** A zoom's widest apertures as "35: f/3.5; 70: f/4": a small table on one line. */
function widestCodec(lens: Lens): Codec<readonly WidestRow[]> {
  const aperture = entryCodec({ kind: 'aperture', step: lens.clickStep }, { low: 0.7, high: 64 });
  const isPrime = isSameValue(lens.shortestMm, lens.longestMm);
  const example = isPrime ? 'f/2' : `${lens.shortestMm}: f/3.5; ${lens.longestMm}: f/4.5`;
  return {
    format: (rows) =>
      isPrime && rows.length === 1
        ? aperture.format((rows[0] as WidestRow).fNumber)
        : rows.map(({ focalLengthMm, fNumber }) => `${focalLengthMm}: ${aperture.format(fNumber)}`).join('; '),
    parse: (text) => {
      const rows: WidestRow[] = [];
      for (const part of text.split(';').map((one) => one.trim()).filter(Boolean)) {
        const [left = '', right] = part.split(':');
        const focal = right === undefined ? lens.shortestMm : Number(left.replace('mm', ''));
        const parsed = aperture.parse(right ?? left);
        if (!parsed.ok || !Number.isFinite(focal) || focal <= 0) return { ok: false, message: `write ${example}` };
        if (parsed.value > lens.smallestFNumber) return { ok: false, message: 'opens no wider than it closes' };
        rows.push({ focalLengthMm: focal, fNumber: parsed.value });
      }
      if (rows.length === 0) return { ok: false, message: `write ${example}` };
      return { ok: true, value: rows.sort((a, b) => a.focalLengthMm - b.focalLengthMm) };
    },
  };
}

interface ThrowPoint {
  readonly distanceM: number;
  readonly degrees: number;
}

/** Measured points of the focus throw: "0.3 m: 0; 1 m: 62; ∞: 94". */
function throwCodec({ lengthUnit }: FieldContext): Codec<readonly ThrowPoint[]> {
  const distance = distanceCodec(lengthUnit);
  return {
    format: (points) => points.map(({ distanceM, degrees }) => `${formatEntry(distanceM, { kind: 'distance', unit: lengthUnit })}: ${degrees}`).join('; '),
    parse: (text) => {
      const points: ThrowPoint[] = [];
      for (const part of text.split(';').map((one) => one.trim()).filter(Boolean)) {
        const [left = '', right = ''] = part.split(':');
        const parsed = distance.parse(left);
        const degrees = right.trim() === '' ? NaN : Number(right);
        if (!parsed.ok || !Number.isFinite(degrees)) return { ok: false, message: 'write 1 m: 62; 3 m: 83' };
        points.push({ distanceM: parsed.value, degrees });
      }
      return { ok: true, value: points.sort((a, b) => a.distanceM - b.distanceM) };
    },
  };
}

const LENS_FIELDS: readonly FieldSpec<Lens>[] = [
  valueOf('shortestMm', 'Focal length from', 'Shorter: deeper zone, steadier hands, smaller people.', (lens) => alsoWithin(mm(2000), (f) => f <= lens.longestMm, 'must not be longer than the long end'), { feeds: 'aperture' }),
  valueOf('longestMm', 'to', 'The same for a prime.', (lens) => alsoWithin(mm(2000), (f) => f >= lens.shortestMm, 'must not be shorter than the short end'), { feeds: 'aperture' }),
  valueOf('widest', 'Widest aperture', 'For a zoom by focal length: 35: f/3.5; 70: f/4. How far the ladder can open.', widestCodec, { feeds: 'aperture' }),
  valueOf('smallestFNumber', 'Smallest aperture', 'How far it closes in glare.', (lens) => alsoWithin(entryCodec({ kind: 'aperture', step: lens.clickStep }, { low: 1, high: 90 }), (n) => lens.widest.every(({ fNumber }) => n >= fNumber), 'must be smaller than the widest'), { feeds: 'aperture' }),
  choiceOf('clickStep', 'Clicks in', 'The apertures that the card may name.', STEPS, { feeds: 'aperture' }),
  valueOf('engravedDistancesM', 'Engraved distances', 'The only places where the card puts the focus; empty for focus by wire.', (_, { lengthUnit }) => listCodec(distanceCodec(lengthUnit), { allowEmpty: true }), { feeds: 'focus' }),
  valueOf('closestFocusM', 'Closest focus', 'Nothing nearer is proposed.', (_, { lengthUnit }) => distanceCodec(lengthUnit, { low: 0.01, high: 50 }), { feeds: 'focus' }),
  valueOf('stabiliserStops', 'Stabiliser', 'The better of body and lens counts.', stopCount, { feeds: 'shutter' }),
  valueOf('ringDiameterMm', 'Ring diameter', 'For a printed barrel tape.', optional(mm(300)), { feeds: null }),
  {
    kind: 'choice',
    label: 'Turns to infinity',
    effect: 'For a printed barrel tape.',
    feeds: null,
    isShown: () => true,
    choices: () => choicesOf({ '': 'not measured', clockwise: 'clockwise', anticlockwise: 'anticlockwise' }),
    read: (lens) => lens.turnToInfinity ?? '',
    write: (lens, value) => ({ ...lens, turnToInfinity: value === '' ? null : (value as 'clockwise' | 'anticlockwise') }),
  },
  valueOf('throwPoints', 'Measured throw', 'Distance: degrees, for a printed barrel tape.', (_, context) => throwCodec(context), { feeds: null }),
];

const filmIso = entryCodec({ kind: 'iso', step: 'third' }, { low: 1, high: 25_600 });

const FILM_FIELDS: readonly FieldSpec<Film>[] = [
  valueOf('boxIso', 'Box speed', 'What the maker says.', filmIso, { feeds: null }),
  valueOf('exposureIndex', 'Exposure index', 'The ISO that every stop of the roll is exposed for.', filmIso, { feeds: 'iso' }),
  valueOf('pushStops', 'Push or pull', 'Added to the exposure index, for the whole roll.', entryCodec({ kind: 'stops', step: 'third' }, { low: -3, high: 4 }), { feeds: 'iso' }),
  choiceOf('filmKind', 'Kind', 'What it forgives.', choicesOf({ blackAndWhiteNegative: 'black-and-white negative', colourNegative: 'colour negative', slide: 'slide' }), { feeds: null }),
  valueOf('latitudeOverEv', 'Latitude over', 'Stops of overexposure that it takes.', stopCount, { feeds: null }),
  valueOf('latitudeUnderEv', 'Latitude under', 'Stops of underexposure that it takes.', stopCount, { feeds: null }),
  valueOf('reciprocityExponent', 'Reciprocity exponent', 'Past the threshold times grow by this power.', numberCodec({ low: 1, high: 2, step: 0.05 }), { feeds: null }),
  valueOf('reciprocityThresholdS', 'Threshold', 'Below it a metered time is right as it is.', numberCodec({ low: 0.01, high: 100, step: 0.5, unit: 's' }), { feeds: null }),
];

const FLASH_FIELDS: readonly FieldSpec<Flash>[] = [
  valueOf('guideNumberM', 'Guide number', 'Metres at ISO 100: how far flash lift reaches.', numberCodec({ low: 0.5, high: 200, step: 1, unit: 'm' }), { feeds: 'flash' }),
  valueOf('compensationRangeEv', 'Compensation range', 'Up and down from this.', stopCount, { feeds: 'flash' }),
  valueOf('recycleS', 'Recycle time', 'Between two flashes.', numberCodec({ low: 0, high: 60, step: 0.5, unit: 's' }), { feeds: null }),
];

const FILTER_FIELDS: readonly FieldSpec<Filter>[] = [
  choiceOf('filterKind', 'Kind', 'What it is for.', choicesOf({ polariser: 'polariser', neutralDensity: 'neutral grey', colour: 'colour' }), { feeds: null }),
  valueOf('stops', 'Takes', 'Stops of light; for long exposures by day the card says how many are missing.', numberCodec({ low: 0, high: 20, step: 1 / 3, unit: 'stops' }), { feeds: null }),
];

const SUPPORT_FIELDS: readonly FieldSpec<Support>[] = [
  choiceOf('supportKind', 'Kind', 'A tripod has no shake limit at all.', choicesOf({ wall: 'braced on something', tripod: 'tripod' }), { feeds: null }),
  valueOf('gainStops', 'Gains', 'Stops of steadiness when braced.', stopCount, { feeds: null }),
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
