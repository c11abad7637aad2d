import type { NumberField } from '@roam-dial/core/units';
import type { Choice } from '../words/choices';
import { type Codec, optional } from './codec';
import { codecOf, type FieldReading } from './field-codec';

/** Words of a field, which may depend on the item and on what the form knows. */
type Told<Item, Context> = string | ((item: Item, context: Context) => string);

interface Common<Item, Context> {
  readonly label: Told<Item, Context>;
  readonly hint?: Told<Item, Context>;
  readonly placeholder?: string;
  /** How many columns of the form it takes: one, two, all. */
  readonly width?: 'double' | 'wide';
  readonly isShown?: (item: Item, context: Context) => boolean;
  /** What undo says was changed; the form's own word where absent. */
  readonly part?: string;
}

type ValueSpec<Item, Context> = Common<Item, Context> & {
  readonly kind: 'value';
  readonly codec: (item: Item, context: Context) => Codec<unknown>;
  readonly read: (item: Item) => unknown;
  readonly write: (item: Item, value: unknown) => Item;
  readonly hasSteppers?: boolean;
};
type ChoiceSpec<Item, Context> = Common<Item, Context> & {
  readonly kind: 'choice';
  readonly choices: (context: Context, item: Item) => readonly Choice<string>[];
  readonly read: (item: Item) => string;
  readonly write: (item: Item, value: string) => Item;
};
type CheckSpec<Item, Context> = Common<Item, Context> & {
  readonly kind: 'check';
  readonly read: (item: Item) => boolean;
  readonly write: (item: Item, value: boolean) => Item;
};
type TextSpec<Item, Context> = Common<Item, Context> & {
  readonly kind: 'text';
  readonly read: (item: Item) => string;
  readonly write: (item: Item, value: string) => Item;
  readonly isLong?: boolean;
};

/** One field of an item as data: what it is called, and how it reads and writes; its own value type hidden behind the two. */
export type FieldSpec<Item, Context = FieldReading> =
  ValueSpec<Item, Context> | ChoiceSpec<Item, Context> | CheckSpec<Item, Context> | TextSpec<Item, Context>;

type Extra<Item, Context> = Partial<Omit<Common<Item, Context>, 'label'>> & { readonly hasSteppers?: boolean };

/** A value under a reader of its own. */
export function valueField<Item, Value, Context = FieldReading>(
  label: string,
  codec: (item: Item, context: Context) => Codec<Value>,
  read: (item: Item) => Value,
  write: (item: Item, value: Value) => Item,
  extra: Extra<Item, Context> = {},
): FieldSpec<Item, Context> {
  return { kind: 'value', label, codec: codec as never, read, write: write as never, ...extra };
}

type KeysFor<Item, Value> = { [Key in keyof Item]-?: Item[Key] extends Value ? Key : never }[keyof Item];

/** A stored number by its row. */
export function numberField<Item, Context extends FieldReading = FieldReading>(
  key: KeysFor<Item, number>,
  label: string,
  row: NumberField,
  extra: Extra<Item, Context> = {},
): FieldSpec<Item, Context> {
  return valueField<Item, unknown, Context>(
    label,
    (_, context) => codecOf(row, context) as Codec<unknown>,
    (item) => item[key],
    (item, value) => ({ ...item, [key]: value }),
    extra,
  );
}

/** The same where it may be empty. */
export function maybeNumberField<Item, Context extends FieldReading = FieldReading>(
  key: KeysFor<Item, number | null>,
  label: string,
  row: NumberField,
  extra: Extra<Item, Context> = {},
): FieldSpec<Item, Context> {
  return valueField<Item, unknown, Context>(
    label,
    (_, context) => optional(codecOf(row, context)) as Codec<unknown>,
    (item) => item[key],
    (item, value) => ({ ...item, [key]: value }),
    extra,
  );
}

/** One of a few words. */
export function choiceField<Item, Key extends KeysFor<Item, string>, Context = FieldReading>(
  key: Key,
  label: string,
  choices: readonly Choice<Item[Key] & string>[],
  extra: Extra<Item, Context> = {},
): FieldSpec<Item, Context> {
  return {
    kind: 'choice',
    label,
    choices: () => choices,
    read: (item) => item[key] as string,
    write: (item, value) => ({ ...item, [key]: value }),
    ...extra,
  };
}

export function checkField<Item, Context = FieldReading>(
  label: Told<Item, Context>,
  read: (item: Item) => boolean,
  write: (item: Item, value: boolean) => Item,
  extra: Extra<Item, Context> = {},
): FieldSpec<Item, Context> {
  return { kind: 'check', label, read, write, ...extra };
}

export function textField<Item, Context = FieldReading>(
  key: KeysFor<Item, string>,
  label: string,
  extra: Extra<Item, Context> & { readonly isLong?: boolean } = {},
): FieldSpec<Item, Context> {
  return {
    kind: 'text',
    label,
    read: (item) => item[key] as string,
    write: (item, value) => ({ ...item, [key]: value }),
    ...extra,
  };
}

/** The fields of a part, as fields of the whole; none where the whole has no such part. */
export function within<Outer, Inner, Context = FieldReading>(
  get: (outer: Outer) => Inner | null,
  put: (outer: Outer, inner: Inner) => Outer,
  fields: readonly FieldSpec<Inner, Context>[],
  part?: string,
): readonly FieldSpec<Outer, Context>[] {
  return fields.map((field) => {
    const ofInner =
      <Out>(then: (inner: Inner) => Out): ((outer: Outer) => Out) =>
      (outer) =>
        then(get(outer) as Inner);
    const told = (words: Told<Inner, Context>): Told<Outer, Context> =>
      typeof words === 'string' ? words : (outer, context) => words(get(outer) as Inner, context);
    return {
      ...field,
      label: told(field.label),
      ...(field.hint === undefined ? {} : { hint: told(field.hint) }),
      ...(part === undefined ? {} : { part }),
      isShown: (outer: Outer, context: Context) => {
        const inner = get(outer);
        return inner !== null && field.isShown?.(inner, context) !== false;
      },
      read: ofInner(field.read as (inner: Inner) => never),
      write: (outer: Outer, value: never) => {
        const inner = get(outer);
        return inner === null ? outer : put(outer, (field.write as (inner: Inner, value: never) => Inner)(inner, value));
      },
      ...(field.kind === 'value' ? { codec: (outer: Outer, context: Context) => field.codec(get(outer) as Inner, context) } : {}),
      ...(field.kind === 'choice'
        ? { choices: (context: Context, outer: Outer) => field.choices(context, get(outer) as Inner) }
        : {}),
    } as unknown as FieldSpec<Outer, Context>;
  });
}
