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

/** A value as a message may show it. */
export function said(value: unknown): string {
  const text = typeof value === 'string' ? `“${value}”` : Array.isArray(value) ? 'a list' : String(value);
  return text.length > LONGEST_SAID ? `${text.slice(0, LONGEST_SAID)}…${typeof value === 'string' ? '”' : ''}` : text;
}

export function isRecord(value: unknown): value is Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}
