import { type Body, BODY_FIELDS, CONTROL_KINDS, METER_PATTERNS, type MeterPattern, slowestAutoSeries } from '@roam-dial/core/kit';
import type { NumberField, StopStep } from '@roam-dial/core/units';
import { choicesOf } from '../../words/choices';
import { type Codec, optional, restricted } from '../../fields/codec';
import { PATTERN_WORDS } from '../../words/set-up/metering';
import { SENSORS } from '../../storage/cameras';
import { checkField } from '../../fields/field-spec';
import { choiceOf, explained, type KitContext, type ExplainedField, row, valueOf, withMain } from './field-spec';
import { STEP_CHOICES } from './step-choices';
import { codecOf } from '../../fields/field-codec';

const isDigital = (body: Body): boolean => body.medium === 'digital';
/** Its times and ISO in its own marks. */
const marked =
  (field: NumberField) =>
  (body: Body, context: KitContext): Codec<number> =>
    codecOf(field, context, body.markStep);

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
function autoShuttersCodec(body: Body, context: KitContext): Codec<readonly number[]> {
  const one = marked(BODY_FIELDS.slowestShutterS)(body, context);
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

function control(
  which: keyof Body['controls'],
  label: string,
  feeds: 'aperture' | 'shutter' | 'iso' | 'meter',
): ExplainedField<Body> {
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
const SENSOR_FIELD: ExplainedField<Body> = {
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

const ALL_FIELDS: readonly ExplainedField<Body>[] = [
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
    choices: ({ films }: KitContext) => [{ value: '', label: 'no roll' }, ...films],
    read: (body) => body.filmId ?? '',
    write: (body, value) => ({ ...body, filmId: value === '' ? null : value }),
  },
  valueOf(
    'sensorWidthMm',
    'Frame width',
    'With the height: the circle of confusion, crop and field.',
    row(BODY_FIELDS.sensorWidthMm),
    {
      feeds: 'aperture',
    },
  ),
  valueOf(
    'sensorHeightMm',
    'Frame height',
    'With the width: the circle of confusion, crop and field.',
    row(BODY_FIELDS.sensorHeightMm),
    {
      feeds: 'aperture',
    },
  ),
  valueOf(
    'pixelsAcross',
    'Pixels across',
    'Counts for the standard “at 100 %”.',
    (_, context) => optional(codecOf(BODY_FIELDS.pixelsAcross, context)),
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
    (body, context) =>
      restricted(marked(BODY_FIELDS.baseIso)(body, context), (iso) => iso <= body.highestIso, 'must not be above the highest'),
    { feeds: 'iso', isShown: isDigital },
  ),
  valueOf(
    'lowestIso',
    'Lowest ISO',
    'Settings below base: the card names the lowest where there is too much light.',
    marked(BODY_FIELDS.lowestIso),
    {
      feeds: 'iso',
      isShown: isDigital,
    },
  ),
  valueOf(
    'highestIso',
    'Highest ISO',
    'The ceiling, unless your own is lower (in the standard).',
    (body, context) =>
      restricted(marked(BODY_FIELDS.highestIso)(body, context), (iso) => iso >= body.baseIso, 'must not be below base'),
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
    (body, context) =>
      restricted(
        marked(BODY_FIELDS.fastestShutterS)(body, context),
        (s) => s <= body.slowestShutterS,
        'must not be longer than the slowest',
      ),
    { feeds: 'shutter' },
  ),
  valueOf(
    'slowestShutterS',
    'Slowest shutter',
    'The longest that it times by itself.',
    (body, context) =>
      restricted(
        marked(BODY_FIELDS.slowestShutterS)(body, context),
        (s) => s >= body.fastestShutterS,
        'must not be shorter than the fastest',
      ),
    { feeds: 'shutter' },
  ),
  valueOf('flashSyncS', 'Flash sync', 'With flash the shutter is never faster.', marked(BODY_FIELDS.flashSyncS), {
    feeds: 'shutter',
  }),
  valueOf(
    'readoutS',
    'Electronic readout',
    'Bands under flickering lamps; empty without an electronic shutter.',
    (body, context) => optional(marked(BODY_FIELDS.readoutS)(body, context)),
    { feeds: 'shutter', isShown: isDigital },
  ),
  valueOf('stabiliserStops', 'Stabiliser', 'Steadies the hands; does nothing for walkers.', row(BODY_FIELDS.stabiliserStops), {
    feeds: 'shutter',
  }),
  explained(
    checkField(
      'Compensation acts with both held',
      ({ compensationWhenBothHeld }) => compensationWhenBothHeld,
      (body, compensationWhenBothHeld) => ({ ...body, compensationWhenBothHeld }),
    ),
    'If not, the card says to shift the shutter instead.',
    { feeds: 'meter', isShown: isDigital },
  ),
  valueOf('meterPatterns', 'Meter patterns', 'The card uses the whole frame where there is one, else the first.', patternsCodec, {
    feeds: 'meter',
  }),
  valueOf(
    'headroomEv',
    'Highlight headroom',
    'Stops above mid-grey that a raw file keeps detail in.',
    row(BODY_FIELDS.headroomEv),
    { feeds: 'meter' },
  ),
  valueOf(
    'shadowRangeEv',
    'Shadow range',
    'Usable stops below mid-grey at base, one less per stop of ISO.',
    row(BODY_FIELDS.shadowRangeEv),
    { feeds: 'meter' },
  ),
  valueOf(
    'straightOverEv',
    'Straight out, over',
    'Stops above mid-grey that a picture out of the camera holds; a highlight pattern keeps the brightest under it.',
    row(BODY_FIELDS.straightOverEv),
    { feeds: 'meter', isShown: isDigital },
  ),
  valueOf(
    'straightUnderEv',
    'Straight out, under',
    'And below it, at base; one less per stop of ISO.',
    row(BODY_FIELDS.straightUnderEv),
    { feeds: 'meter', isShown: isDigital },
  ),
  valueOf(
    'liveViewSmallestFNumber',
    'Magnified view shows to',
    'Past it the card says to trust the numbers; empty where it shows all.',
    (_, context) => optional(codecOf(BODY_FIELDS.liveViewSmallestFNumber, context)),
    { feeds: 'aperture', isShown: isDigital },
  ),
  valueOf(
    'autofocusDelayS',
    'Autofocus delay',
    'For the centre point: how far they walk meanwhile.',
    row(BODY_FIELDS.autofocusDelayS),
    { feeds: 'focus', isShown: isDigital },
  ),
  valueOf('autofocusLimitEv', 'Autofocus locks to', 'EV at which half of the locks fail.', row(BODY_FIELDS.autofocusLimitEv), {
    feeds: 'focus',
    isShown: isDigital,
  }),
  control('aperture', 'Aperture is set by', 'aperture'),
  control('shutter', 'Shutter is set by', 'shutter'),
  control('iso', 'ISO is set by', 'iso'),
  control('compensation', 'Compensation is set by', 'meter'),
];

/** What Start asks of a camera, and the roll of a film body. */
const MAIN = ['Sensor or film', 'Records on', 'Roll in it', 'Highest ISO', 'Stabiliser'];

/** The few that matter first; the rest is as of most bodies. */
export const BODY_FORM = withMain(ALL_FIELDS, MAIN);
