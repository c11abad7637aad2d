/** A file that cannot be read, in words, with the place: thrown inside the readers and caught at their door. */
export class MapRefusal extends Error {
  constructor(
    message: string,
    /** Line and column from 1, or the path of the feature; null where the whole file is meant. */
    readonly where: string | null = null,
  ) {
    super(message);
  }
}

const LONGEST_SAID = 60;

/** Never throws, whatever a file holds. */
function textOf(value: unknown): string {
  if (value === undefined || value === null) return 'nothing';
  if (typeof value === 'string') return `“${value}”`;
  if (Array.isArray(value)) return `a list of ${value.length}`;
  return typeof value === 'object' ? 'an object' : String(value);
}

/** A value as a message may show it. */
export function said(value: unknown): string {
  const text = textOf(value);
  return text.length > LONGEST_SAID ? `${text.slice(0, LONGEST_SAID)}…${typeof value === 'string' ? '”' : ''}` : text;
}

export function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
