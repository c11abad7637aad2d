import type { NumberField, StopStep } from '@roam-dial/core/units';
import type { Codec } from '../../fields/codec';
import { codecOf, type FieldReading } from '../../fields/field-codec';
import { type FieldSpec, valueField } from '../../fields/field-spec';
import type { CardTarget } from '../../state/selection/card-focus';
import type { Choice } from '../../words/choices';

/** What a field needs to know beyond its own item. */
export interface KitContext extends FieldReading {
  readonly films: readonly Choice<string>[];
}

/** What stands beside a field of kit or standard. */
interface Explained {
  /** Its own among the fields of a form; absent: its label. */
  readonly key?: string;
  readonly label: string;
  /** What it does to the card. */
  readonly effect: string;
  /** The number of the card that it feeds. */
  readonly feeds: CardTarget;
  /** Seldom changed: under "More". */
  readonly isRare?: boolean;
}

/** A field with what it does to the card, said beside it. */
export type ExplainedField<Item> = FieldSpec<Item, KitContext> & Explained;

interface Extra<Item> {
  readonly feeds?: CardTarget;
  readonly isShown?: (item: Item, context: KitContext) => boolean;
}

/** A field as described elsewhere, explained. One whose label depends on its item goes by what it does. */
export function explained<Item>(
  field: FieldSpec<Item, KitContext>,
  effect: string,
  { feeds = null, ...more }: Extra<Item> & { readonly key?: string } = {},
): ExplainedField<Item> {
  const label = typeof field.label === 'string' ? field.label : effect;
  return { ...field, label, effect, feeds, ...more };
}

/** All but the named ones are seldom changed. */
export function withMain<Item>(fields: readonly ExplainedField<Item>[], main: readonly string[]): readonly ExplainedField<Item>[] {
  return fields.map((field) => ({ ...field, isRare: !main.includes(field.label) }));
}

/** The reader of a stored number by its row, as a field of kit wants it. */
export const row =
  <Item>(field: NumberField, step?: StopStep) =>
  (_: Item, context: KitContext): Codec<number> =>
    codecOf(field, context, step);

/** A field that is one property of the item. */
export function valueOf<Item, Key extends keyof Item>(
  key: Key,
  label: string,
  effect: string,
  codec: Codec<Item[Key]> | ((item: Item, context: KitContext) => Codec<Item[Key]>),
  extra: Extra<Item> = {},
): ExplainedField<Item> {
  const codecFor = typeof codec === 'function' ? codec : (): Codec<Item[Key]> => codec;
  const field = valueField<Item, Item[Key], KitContext>(
    label,
    codecFor,
    (item) => item[key],
    (item, value) => ({ ...item, [key]: value }),
  );
  return explained(field, effect, extra);
}

export function choiceOf<Item, Key extends keyof Item>(
  key: Key,
  label: string,
  effect: string,
  choices: readonly Choice<Item[Key] & string>[],
  extra: Extra<Item> & { readonly brings?: (value: Item[Key]) => Partial<Item> } = {},
): ExplainedField<Item> {
  const { brings, ...others } = extra;
  const field: FieldSpec<Item, KitContext> = {
    kind: 'choice',
    label,
    choices: () => choices,
    read: (item) => item[key] as string,
    write: (item, value) => ({ ...item, [key]: value as Item[Key], ...brings?.(value as Item[Key]) }),
  };
  return explained(field, effect, others);
}
