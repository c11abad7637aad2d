import { type Body, CONTROL_KINDS, METER_PATTERNS, type MeterPattern, slowestAutoSeries } from '@roam-dial/core/kit';
import type { StopStep } from '@roam-dial/core/units';
import { choicesOf } from '../../words/choices';
import { type Codec, entryCodec, numberCodec, optional, restricted } from '../../fields/codec';
import { PATTERN_WORDS } from '../../words/set-up/metering';
import { SENSORS } from '../../storage/cameras';
import { checkOf, choiceOf, type FieldContext, type FieldSpec, valueOf, withMain } from './field-spec';
import { millimetres, STEP_CHOICES, stopCount } from './shared-codecs';

const isDigital = (body: Body): boolean => body.medium === 'digital';
const isoCodec = (body: Body): Codec<number> => entryCodec({ kind: 'iso', step: body.markStep }, { low: 1, high: 1_000_000 });
const shutterCodec = (body: Body): Codec<number> => entryCodec({ kind: 'shutter', step: body.markStep }, { low: 1e-5, high: 3600 });

/** Meter patterns as a line of words. */
const patternsCodec: Codec<readonly MeterPattern[]> = {
  format: (patterns) => patterns.map((pattern) => PATTERN_WORDS[pattern]).join('; '),
  parse: (text) => {
    const words = text
      .split(';')
      .map((word) => word.trim().toLowerCase())
      .filter(Boolean);
    const patterns = words.map((word) => METER_PATTERNS.find((pattern) => PATTERN_WORDS[pattern].startsWith(word)));
    const known = patterns.filter((pattern) => pattern !== undefined);
    if (known.length === 0 || known.length < words.length) {
      return { ok: false, message: `use ${METER_PATTERNS.map((pattern) => PATTERN_WORDS[pattern]).join('; ')}` };
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

/** The offered slowest-auto shutters are marks too: the same span in the new steps. */
function withMarkStep(body: Body, markStep: StopStep): Body {
  const [first, last] = [body.slowestAutoShuttersS[0], body.slowestAutoShuttersS.at(-1)];
  const slowestAutoShuttersS = first === undefined || last === undefined ? [] : slowestAutoSeries(markStep, first, last);
  return { ...body, markStep, slowestAutoShuttersS };
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

const OWN_SIZE = 'own';
const sensorOf = ({ sensorWidthMm, sensorHeightMm }: Body): string =>
  SENSORS.find((one) => one.sensorWidthMm === sensorWidthMm && one.sensorHeightMm === sensorHeightMm)?.label ?? OWN_SIZE;

/** The size of the frame as Start asks it; another one is typed under More. */
const SENSOR_FIELD: FieldSpec<Body> = {
  kind: 'choice',
  label: 'Sensor or film',
  effect: 'Its size sets depth of field, field of view and the usual ISO ceiling.',
  feeds: 'aperture',
  isShown: () => true,
  choices: () => [
    ...SENSORS.map(({ label }) => ({ value: label, label })),
    { value: OWN_SIZE, label: 'another size (under More)' },
  ],
  read: sensorOf,
  write: (body, value) => {
    const size = SENSORS.find(({ label }) => label === value);
    return size === undefined ? body : { ...body, sensorWidthMm: size.sensorWidthMm, sensorHeightMm: size.sensorHeightMm };
  },
};

const ALL_FIELDS: readonly FieldSpec<Body>[] = [
  SENSOR_FIELD,
  choiceOf('medium', 'Records on', 'Film has one ISO for the whole roll.', choicesOf({ digital: 'a sensor', film: 'film' }), {
    feeds: 'iso',
  }),
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
  valueOf('sensorWidthMm', 'Frame width', 'With the height: the circle of confusion, crop and field.', millimetres(200), {
    feeds: 'aperture',
  }),
  valueOf('sensorHeightMm', 'Frame height', 'With the width: the circle of confusion, crop and field.', millimetres(200), {
    feeds: 'aperture',
  }),
  valueOf(
    'pixelsAcross',
    'Pixels across',
    'Counts for the standard “at 100 %”.',
    optional(numberCodec({ low: 100, high: 100_000, decimals: 0, step: 100 })),
    {
      feeds: 'aperture',
      isShown: isDigital,
    },
  ),
  {
    kind: 'choice',
    label: 'Marked in',
    effect: 'The steps in which shutter, ISO and compensation are given.',
    feeds: 'shutter',
    isShown: () => true,
    choices: () => STEP_CHOICES,
    read: (body) => body.markStep,
    write: (body, value) => withMarkStep(body, value as StopStep),
  },
  valueOf(
    'baseIso',
    'Base ISO',
    'Where automatic ISO starts.',
    (body) => restricted(isoCodec(body), (iso) => iso <= body.highestIso, 'must not be above the highest'),
    { feeds: 'iso', isShown: isDigital },
  ),
  valueOf('lowestIso', 'Lowest ISO', 'Settings below base: the card names the lowest where there is too much light.', isoCodec, {
    feeds: 'iso',
    isShown: isDigital,
  }),
  valueOf(
    'highestIso',
    'Highest ISO',
    'The ceiling, unless your own is lower (in the standard).',
    (body) => restricted(isoCodec(body), (iso) => iso >= body.baseIso, 'must not be below base'),
    { feeds: 'iso', isShown: isDigital },
  ),
  valueOf(
    'slowestAutoShuttersS',
    'Slowest auto shutter from',
    'The values that automatic ISO lets you choose; “none” and the card holds both by hand.',
    autoShuttersCodec,
    { feeds: 'shutter', isShown: isDigital },
  ),
  choiceOf(
    'atCeiling',
    'At the ISO ceiling it',
    'Bodies differ, and photographers disagree: test it with the lens cap half on.',
    choicesOf({ slowerShutter: 'lengthens the shutter', underexpose: 'underexposes' }),
    { feeds: 'shutter', isShown: isDigital },
  ),
  valueOf(
    'fastestShutterS',
    'Fastest shutter',
    'In glare the aperture closes past it.',
    (body) => restricted(shutterCodec(body), (s) => s <= body.slowestShutterS, 'must not be longer than the slowest'),
    { feeds: 'shutter' },
  ),
  valueOf(
    'slowestShutterS',
    'Slowest shutter',
    'The longest that it times by itself.',
    (body) => restricted(shutterCodec(body), (s) => s >= body.fastestShutterS, 'must not be shorter than the fastest'),
    { feeds: 'shutter' },
  ),
  valueOf('flashSyncS', 'Flash sync', 'With flash the shutter is never faster.', shutterCodec, { feeds: 'shutter' }),
  valueOf(
    'readoutS',
    'Electronic readout',
    'Bands under flickering lamps; empty without an electronic shutter.',
    (body) => optional(shutterCodec(body)),
    { feeds: 'shutter', isShown: isDigital },
  ),
  valueOf('stabiliserStops', 'Stabiliser', 'Steadies the hands; does nothing for walkers.', stopCount, { feeds: 'shutter' }),
  checkOf('compensationWhenBothHeld', 'Compensation acts with both held', 'If not, the card says to shift the shutter instead.', {
    feeds: 'meter',
    isShown: isDigital,
  }),
  valueOf('meterPatterns', 'Meter patterns', 'The card uses the whole frame where there is one, else the first.', patternsCodec, {
    feeds: 'meter',
  }),
  valueOf(
    'headroomEv',
    'Highlight headroom',
    'Stops above mid-grey that a raw file keeps detail in.',
    numberCodec({ low: 0, high: 10, step: 0.5, unit: 'stops' }),
    { feeds: 'meter' },
  ),
  valueOf(
    'shadowRangeEv',
    'Shadow range',
    'Usable stops below mid-grey at base, one less per stop of ISO.',
    numberCodec({ low: 0, high: 14, step: 0.5, unit: 'stops' }),
    { feeds: 'meter' },
  ),
  valueOf(
    'straightOverEv',
    'Straight out, over',
    'Stops above mid-grey that a picture out of the camera holds; a highlight pattern keeps the brightest under it.',
    numberCodec({ low: 0, high: 10, step: 0.1, unit: 'stops' }),
    { feeds: 'meter', isShown: isDigital },
  ),
  valueOf(
    'straightUnderEv',
    'Straight out, under',
    'And below it, at base; one less per stop of ISO.',
    numberCodec({ low: 0, high: 14, step: 0.5, unit: 'stops' }),
    { feeds: 'meter', isShown: isDigital },
  ),
  valueOf(
    'liveViewSmallestFNumber',
    'Magnified view shows to',
    'Past it the card says to trust the numbers; empty where it shows all.',
    optional(entryCodec({ kind: 'aperture', step: 'third' }, { low: 0.7, high: 64 })),
    { feeds: 'aperture', isShown: isDigital },
  ),
  valueOf(
    'autofocusDelayS',
    'Autofocus delay',
    'For the centre point: how far they walk meanwhile.',
    numberCodec({ low: 0, high: 5, step: 0.1, unit: 's' }),
    { feeds: 'focus', isShown: isDigital },
  ),
  valueOf(
    'autofocusLimitEv',
    'Autofocus locks to',
    'EV at which half of the locks fail.',
    entryCodec({ kind: 'ev', step: 'third' }, { low: -10, high: 15 }),
    { feeds: 'focus', isShown: isDigital },
  ),
  control('aperture', 'Aperture is set by', 'aperture'),
  control('shutter', 'Shutter is set by', 'shutter'),
  control('iso', 'ISO is set by', 'iso'),
  control('compensation', 'Compensation is set by', 'meter'),
];

/** What Start asks of a camera, and the roll of a film body. */
const MAIN = ['Sensor or film', 'Records on', 'Roll in it', 'Highest ISO', 'Stabiliser'];

/** The few that matter first; the rest is as of most bodies. */
export const BODY_FIELDS = withMain(ALL_FIELDS, MAIN);
