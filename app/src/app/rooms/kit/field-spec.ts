import type { NumberField, StopStep } from '@roam-dial/core/units';
import { codecOf, type FieldReading } from '../../fields/field-codec';
import type { CardTarget } from '../../state/selection/card-focus';
import type { Choice } from '../../words/choices';
import type { Codec } from '../../fields/codec';

/** What a field needs to know beyond its own item. */
export interface FieldContext extends FieldReading {
  readonly films: readonly Choice<string>[];
}

interface Common<Item> {
  readonly label: string;
  /** What it does to the card, said beside the field. */
  readonly effect: string;
  /** The number of the card that it feeds. */
  readonly feeds: CardTarget;
  readonly isShown: (item: Item) => boolean;
  /** Seldom changed: under "More". */
  readonly isRare?: boolean;
}

/** One field of an item, its own value type hidden behind `read` and `write`. */
export type FieldSpec<Item> = Common<Item> &
  (
    | {
        readonly kind: 'value';
        readonly codec: (item: Item, context: FieldContext) => Codec<unknown>;
        readonly read: (item: Item) => unknown;
        readonly write: (item: Item, value: unknown) => Item;
      }
    | {
        readonly kind: 'choice';
        readonly choices: (context: FieldContext) => readonly Choice<string>[];
        readonly read: (item: Item) => string;
        readonly write: (item: Item, value: string) => Item;
      }
    | {
        readonly kind: 'check';
        readonly read: (item: Item) => boolean;
        readonly write: (item: Item, value: boolean) => Item;
      }
  );

interface Extra<Item> {
  readonly feeds?: CardTarget;
  readonly isShown?: (item: Item) => boolean;
}

function common<Item>(label: string, effect: string, { feeds = null, isShown = () => true }: Extra<Item>): Common<Item> {
  return { label, effect, feeds, isShown };
}

/** All but the named ones are seldom changed. */
export function withMain<Item>(fields: readonly FieldSpec<Item>[], main: readonly string[]): readonly FieldSpec<Item>[] {
  return fields.map((field) => ({ ...field, isRare: !main.includes(field.label) }));
}

/** The reader of a stored number by its row, as a field of kit wants it. */
export const row =
  <Item>(field: NumberField, step?: StopStep) =>
  (_: Item, context: FieldContext): Codec<number> =>
    codecOf(field, context, step);

/** A field that is one property of the item. */
export function valueOf<Item, Key extends keyof Item>(
  key: Key,
  label: string,
  effect: string,
  codec: Codec<Item[Key]> | ((item: Item, context: FieldContext) => Codec<Item[Key]>),
  extra: Extra<Item> = {},
): FieldSpec<Item> {
  const codecFor = typeof codec === 'function' ? codec : (): Codec<Item[Key]> => codec;
  return {
    ...common(label, effect, extra),
    kind: 'value',
    codec: (item, context) => codecFor(item, context) as Codec<unknown>,
    read: (item) => item[key],
    write: (item, value) => ({ ...item, [key]: value as Item[Key] }),
  };
}

export function choiceOf<Item, Key extends keyof Item>(
  key: Key,
  label: string,
  effect: string,
  choices: readonly Choice<Item[Key] & string>[],
  extra: Extra<Item> & { readonly brings?: (value: Item[Key]) => Partial<Item> } = {},
): FieldSpec<Item> {
  return {
    ...common(label, effect, extra),
    kind: 'choice',
    choices: () => choices,
    read: (item) => item[key] as string,
    write: (item, value) => ({ ...item, [key]: value as Item[Key], ...extra.brings?.(value as Item[Key]) }),
  };
}

export function checkOf<Item, Key extends keyof Item>(
  key: Key,
  label: string,
  effect: string,
  extra: Extra<Item> = {},
): FieldSpec<Item> {
  return {
    ...common(label, effect, extra),
    kind: 'check',
    read: (item) => item[key] as boolean,
    write: (item, value) => ({ ...item, [key]: value as Item[Key] }),
  };
}
