import type { Choice } from './choice-field';

/** A record of labels as the choices of a field, in its own order. */
export function choicesOf<Value extends string>(labels: Readonly<Record<Value, string>>): readonly Choice<Value>[] {
  return (Object.entries(labels) as [Value, string][]).map(([value, label]) => ({ value, label }));
}
