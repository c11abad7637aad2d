import { DEFAULT_INTENTS, INTENT_KINDS, type Stop } from '@roam-dial/core/stop';
import { clockCodec } from '../../../fields/codec';
import type { FieldSpec } from '../../../fields/field-spec';
import { newStop } from '../../../storage/defaults';
import { APPROACH_FIELDS } from './approach-fields';
import { intentFields } from './intent-fields';
import type { StopContext } from './stop-context';
import {
  GAP_FIELDS,
  LAMP_FIELDS,
  LENS_FIELDS_OF_STOP,
  NAME_FIELDS,
  NOTE_FIELDS,
  PEOPLE_FIELDS,
  positionFields,
  SHOOTING_FIELDS_OF_STOP,
  STREET_FIELDS,
  WHEN_FIELDS,
  ZONE_FIELDS,
} from './stop-fields';
import { WISHED_FIELDS } from './wishes-fields';

const CONTEXT: StopContext = {
  lengthUnit: 'metres',
  clock: clockCodec('24h', (minute) => `${Math.floor(minute / 60)}:${String(minute % 60).padStart(2, '0')}`),
  lenses: [],
  lens: null,
  hasWalls: true,
  afterMin: null,
  isInvented: false,
  isLocked: true,
};
const SECTIONS: readonly (readonly FieldSpec<Stop, StopContext>[])[] = [
  NAME_FIELDS,
  LENS_FIELDS_OF_STOP,
  WHEN_FIELDS,
  STREET_FIELDS,
  LAMP_FIELDS,
  GAP_FIELDS,
  positionFields({ latitude: 46.5, longitude: -20.7 }),
  ZONE_FIELDS,
  PEOPLE_FIELDS,
  SHOOTING_FIELDS_OF_STOP,
  NOTE_FIELDS,
  WISHED_FIELDS,
];
/** A stop that has everything that a stop may have. */
const FULL: Stop = {
  ...newStop('a', undefined),
  hours: { fromMin: 600, toMin: 700 },
  lampsOut: { fromMin: 60, toMin: 300, leftShare: 0.25 },
  sunGap: { fromDeg: 100, toDeg: 200, aboveDeg: 20 },
  position: { latitude: 46.5, longitude: -20.7 },
  walkMin: 4,
  focalLengthMm: 28,
  lensId: 'lens',
  lightChanges: 'steady',
  subject: { nearM: 2, farM: 5, medianM: 3, spread: 0.2, law: 'whoeverPasses' },
  shooting: { burstFrames: 2, isWalking: true, smear: 'byIntent', lamp: 'screen', wantsGlitch: false, spotByEye: true },
  wishes: {
    weight: 2,
    shortestMin: 5,
    longestMin: 9,
    open: [],
    fixedAtMin: 600,
    isMust: true,
    usefulMin: 4,
    people: 'people',
    isAlone: true,
  },
};

const labelOf = <Item, Context>({ label }: FieldSpec<Item, Context>, item: Item, context: Context): string =>
  typeof label === 'string' ? label : label(item, context);

/** An item after a field was given what it shows, typed as it shows it; of a check the other answer. */
function written<Item, Context>(field: FieldSpec<Item, Context>, item: Item, context: Context): Item {
  const write = field.write as (item: Item, value: unknown) => Item;
  if (field.kind === 'check') return write(item, !field.read(item));
  if (field.kind !== 'value') return write(item, field.read(item));
  const codec = field.codec(item, context);
  const parsed = codec.parse(codec.format(field.read(item)));
  if (!parsed.ok) throw new Error(`${labelOf(field, item, context)}: ${parsed.message}`);
  return write(item, parsed.value);
}

/** What a field shows before, and after it was given that: the same, or of a check the other. */
function expectKept<Item, Context>(field: FieldSpec<Item, Context>, item: Item, context: Context): void {
  const [before, after] = [field.read(item), field.read(written(field, item, context))];
  if (field.kind === 'check') expect(after).toBe(before !== true);
  else if (typeof before === 'number') expect(after).toBeCloseTo(before, 2);
  else expect(after).toEqual(before);
}

describe('the fields of a stop', () => {
  const fields = SECTIONS.flat().map((field) => [labelOf(field, FULL, CONTEXT), field] as const);

  it.each(fields)('keep what is typed: %s', (_, field) => {
    expect(field.isShown?.(FULL, CONTEXT)).not.toBe(false);
    expectKept(field, FULL, CONTEXT);
  });

  it.each(INTENT_KINDS)('ask of %s what it has of its own', (kind) => {
    const intent = DEFAULT_INTENTS[kind];
    const asked = intentFields(intent);
    expect(asked.length).toBe(Object.keys(intent).length - 1);
    for (const field of asked) expectKept(field, intent, CONTEXT);
  });

  it('name what they change for undo', () => {
    expect(fields.filter(([, { part = '' }]) => part === '').map(([label]) => label)).toEqual([]);
  });

  it('hide what a stop has not', () => {
    const bare = newStop('b', undefined);
    const shown = SECTIONS.flat()
      .filter((field) => field.isShown?.(bare, { ...CONTEXT, isLocked: false }) !== false)
      .map((field) => labelOf(field, bare, CONTEXT));
    for (const hidden of ['On from', 'Gap from', 'Latitude', 'I want the glitch', 'The spot’s distance is guessed']) {
      expect(shown).not.toContain(hidden);
    }
    expect(shown).toContain('People pass at');
  });

  it('say no two choices alike', () => {
    const choices = SECTIONS.flat().flatMap((field) => (field.kind === 'choice' ? [field.choices(CONTEXT, FULL)] : []));
    for (const one of choices) expect(new Set(one.map(({ label }) => label)).size).toBe(one.length);
    const [pavement] = choices.filter((one) => one.some(({ value }) => value === 'right'));
    expect(pavement?.map(({ label }) => label)).toEqual(['left', 'right', 'the road itself']);
    expect(APPROACH_FIELDS).toHaveLength(4);
  });
});
