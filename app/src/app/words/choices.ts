export interface Choice<Value extends string> {
  readonly value: Value;
  readonly label: string;
}

/** A record of labels as the choices of a field, in its own order. */
export function choicesOf<Value extends string>(labels: Readonly<Record<Value, string>>): readonly Choice<Value>[] {
  return (Object.entries(labels) as [Value, string][]).map(([value, label]) => ({ value, label }));
}

/** What a value is called among the choices of a field; empty where it is none of them. */
export function labelIn<Value extends string>(choices: readonly Choice<Value>[], value: Value): string {
  return choices.find((one) => one.value === value)?.label ?? '';
}
