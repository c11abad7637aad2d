import type Joi from 'joi';
import type { CollectionName, Rows } from '../archive/collections.js';
import { ROW_SCHEMAS } from './schemas.js';
import { upgradeRow } from '../archive/upgrade.js';

export type ReadRow<Row> =
  | { readonly ok: true; readonly row: Row }
  /** Each with its place in the row. */
  | { readonly ok: false; readonly problems: readonly RowProblem[] };

export interface RowProblem {
  readonly path: readonly (string | number)[];
  readonly message: string;
}

/** A row with more in it than this is looked through to its first problem only: a reader of faults must not be kept busy. */
const SMALL_NODES = 2000;

/** Whether there are no more than so many values in it, nested ones included. */
function isSmall(value: unknown): boolean {
  let left = SMALL_NODES;
  const waiting: unknown[] = [value];
  while (waiting.length > 0) {
    if (--left < 0) return false;
    const next = waiting.pop();
    if (typeof next !== 'object' || next === null) continue;
    const inside: unknown[] = Object.values(next);
    if (inside.length > left) return false;
    waiting.push(...inside);
  }
  return true;
}

/** No row has a record of more fields than this. */
const MOST_FIELDS = 1000;

/** A record in a row with more fields than any has; null where there is none. */
function crowdedIn(value: unknown): RowProblem | null {
  const waiting: { readonly value: unknown; readonly path: readonly (string | number)[] }[] = [{ value, path: [] }];
  for (let next = waiting.pop(); next !== undefined; next = waiting.pop()) {
    if (typeof next.value !== 'object' || next.value === null) continue;
    if (Array.isArray(next.value)) {
      // Lists of numbers and pairs hold no records, and most of what there is.
      if (typeof next.value[0] !== 'object' || Array.isArray(next.value[0])) continue;
      for (let k = 0; k < next.value.length; k++) waiting.push({ value: next.value[k] as unknown, path: [...next.path, k] });
      continue;
    }
    const fields = Object.entries(next.value);
    if (fields.length > MOST_FIELDS)
      return { path: next.path, message: `has ${fields.length} fields, more than anything here has` };
    for (const [key, inside] of fields) waiting.push({ value: inside, path: [...next.path, key] });
  }
  return null;
}

const LONGEST_MESSAGE = 160;

/** Joi's own label is the last key or the whole path, in quotes; the path in the file comes first instead. */
function problemOf({ path, message, context }: Joi.ValidationErrorItem): RowProblem {
  const label = context?.label ?? '';
  const saying = message.startsWith(`"${label}" `) ? message.slice(label.length + 3) : message;
  return { path, message: saying.length > LONGEST_MESSAGE ? `${saying.slice(0, LONGEST_MESSAGE)}…` : saying };
}

/** A row of a file or of the browser's tables, brought up from the version that wrote it and held to its schema. */
export function readRow<Name extends CollectionName>(collection: Name, value: unknown, fromVersion: number): ReadRow<Rows[Name]> {
  const crowded = crowdedIn(value);
  if (crowded !== null) return { ok: false, problems: [crowded] };
  const row = upgradeRow(collection, value, fromVersion);
  const schema: Joi.Schema = ROW_SCHEMAS[collection];
  const { value: read, error } = schema.validate(row, { abortEarly: true, convert: false });
  if (error === undefined) return { ok: true, row: read as Rows[Name] };
  const { error: all = error } = isSmall(row) ? schema.validate(row, { abortEarly: false, convert: false }) : { error };
  return { ok: false, problems: all.details.map(problemOf) };
}
