import {
  type Body,
  OWN_CIRCLE_FIELD,
  SHUTTER_FLOOR_FIELD,
  type ShakeRule,
  type Standard,
  STANDARD_FIELDS,
  usualIsoCeiling,
} from '@roam-dial/core/kit';
import type { SharpnessStandard } from '@roam-dial/core/optics';
import { formatEntry, type NumberField } from '@roam-dial/core/units';
import { entryCodec, optional } from '../../fields/codec';
import { codecOf } from '../../fields/field-codec';
import { type FieldSpec, numberField, valueField } from '../../fields/field-spec';
import { choicesOf } from '../../words/choices';
import { explained, type ExplainedField } from './field-spec';
import { NOISE_CHOICES, type NoiseTolerance, noiseToleranceOf, withNoiseTolerance } from './noise-tolerance';

const SHARPNESS = choicesOf<SharpnessStandard['kind']>({
  armsLength: 'a print at arm’s length (diagonal/1500)',
  strict: 'strict (diagonal/3000)',
  twoPixels: 'at 100 % (two pixels)',
  own: 'own circle of confusion',
});
const RULES = choicesOf<ShakeRule['kind']>({
  reciprocal: '1/f',
  reciprocalCrop: '1/(f x crop)',
  halfReciprocalCrop: '1/(2f x crop)',
  floor: 'a fixed floor',
});

type Own = Extract<SharpnessStandard, { kind: 'own' }>;
type Floor = Extract<ShakeRule, { kind: 'floor' }>;

/** A number of one kind of sharpness or shake rule alone. */
function numberOfKind(
  label: string,
  row: NumberField,
  read: (standard: Standard) => number | null,
  write: (standard: Standard, value: number) => Standard,
): FieldSpec<Standard> {
  return valueField<Standard, number>(
    label,
    (_, reading) => codecOf(row, reading),
    (standard) => read(standard) ?? 0,
    write,
    { isShown: (standard) => read(standard) !== null },
  );
}

/** What stands before the ceilings of the bodies, and after them. */
export const STANDARD_FORM: readonly [readonly ExplainedField<Standard>[], readonly ExplainedField<Standard>[]] = [
  [
    explained(
      {
        kind: 'choice',
        label: 'Sharp means',
        choices: () => SHARPNESS,
        read: ({ sharpness }) => sharpness.kind,
        write: (standard, kind) => ({
          ...standard,
          sharpness:
            kind === 'own'
              ? { kind, circleOfConfusionMm: OWN_CIRCLE_FIELD.first }
              : { kind: kind as Exclude<SharpnessStandard, Own>['kind'] },
        }),
      },
      'The blur that still counts as sharp; everything deeper or shallower follows.',
      { feeds: 'aperture' },
    ),
    explained(
      numberOfKind(
        'Circle of confusion',
        OWN_CIRCLE_FIELD,
        ({ sharpness }) => (sharpness.kind === 'own' ? sharpness.circleOfConfusionMm : null),
        (standard, circleOfConfusionMm) => ({ ...standard, sharpness: { kind: 'own', circleOfConfusionMm } }),
      ),
      'On the sensor; the same for every body.',
      { feeds: 'aperture' },
    ),
    explained(
      {
        kind: 'choice',
        label: 'Shake rule',
        choices: () => RULES,
        read: ({ shakeRule }) => shakeRule.kind,
        write: (standard, kind) => ({
          ...standard,
          shakeRule:
            kind === 'floor' ? { kind, floorS: SHUTTER_FLOOR_FIELD.first } : { kind: kind as Exclude<ShakeRule, Floor>['kind'] },
        }),
      },
      'The slowest you can hold, before stabiliser and steadiness.',
      { feeds: 'shutter' },
    ),
    explained(
      numberOfKind(
        'Never slower than',
        SHUTTER_FLOOR_FIELD,
        ({ shakeRule }) => (shakeRule.kind === 'floor' ? shakeRule.floorS : null),
        (standard, floorS) => ({ ...standard, shakeRule: { kind: 'floor', floorS } }),
      ),
      'Whatever lens and stabiliser.',
      { feeds: 'shutter' },
    ),
    explained(
      numberField('steadinessStops', 'Steadier than the rule by', STANDARD_FIELDS.steadinessStops),
      'Minus for a shaky day.',
      { feeds: 'shutter' },
    ),
    explained(
      numberField('steadinessSpreadStops', 'Spread of your steadiness', STANDARD_FIELDS.steadinessSpreadStops),
      'How sharply the chance of a steady frame falls past the limit.',
      { feeds: 'shutter' },
    ),
    explained<Standard>(
      {
        kind: 'choice',
        label: 'How much does noise bother you?',
        choices: (_, standard) => NOISE_CHOICES.filter(({ value }) => value !== 'own' || noiseToleranceOf(standard) === 'own'),
        read: noiseToleranceOf,
        write: (standard, tolerance) => withNoiseTolerance(standard, tolerance as NoiseTolerance),
      },
      'How far the card opens the aperture before it raises the ISO.',
      { feeds: 'iso' },
    ),
  ],
  [
    explained(
      numberField('guessSpread', 'Distance guess error (±)', STANDARD_FIELDS.guessSpread),
      'Used where a stop has no spread of its own.',
      { feeds: 'focus' },
    ),
    explained(
      numberField('guessBias', 'You overestimate by', STANDARD_FIELDS.guessBias),
      'People are then nearer than you think.',
      { feeds: 'focus' },
    ),
    explained(numberField('paceMps', 'Walking pace', STANDARD_FIELDS.paceMps), 'Times the legs between stops.'),
    explained(numberField('strideM', 'Your stride', STANDARD_FIELDS.strideM), 'Distances on the card are also given in strides.', {
      feeds: 'focus',
    }),
    explained(
      numberField('reactionS', 'Reaction time', STANDARD_FIELDS.reactionS),
      'How far people walk between your seeing and shooting them.',
    ),
  ],
];

/** A body's own ISO ceiling; empty for what is usual at its sensor's size. */
export function ceilingOf(body: Body): ExplainedField<Standard> {
  const { id, name, markStep, baseIso, highestIso } = body;
  const usual = formatEntry(usualIsoCeiling(body), { kind: 'iso', step: markStep });
  return explained(
    valueField<Standard, number | null>(
      `ISO ceiling, ${name}`,
      () => optional(entryCodec({ kind: 'iso', step: markStep }, { low: baseIso, high: highestIso })),
      ({ isoCeilingByBody }) => isoCeilingByBody[id] ?? null,
      (standard, iso) => {
        const others = Object.entries(standard.isoCeilingByBody).filter(([bodyId]) => bodyId !== id);
        return { ...standard, isoCeilingByBody: Object.fromEntries(iso === null ? others : [...others, [id, iso]]) };
      },
      { placeholder: `${usual}, usual for this sensor` },
    ),
    'The highest ISO you accept; empty for what is usual at this sensor size.',
    { feeds: 'iso', key: id },
  );
}
