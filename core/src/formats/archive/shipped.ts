import { type Archive, COLLECTION_NAMES, EMPTY_ARCHIVE } from './collections.js';
import { INFINITY_WORD } from './words.js';

/** Fields at which a file may have infinity as a word; list elements of them come under their index. */
const MAY_BE_ENDLESS = /^(?:farM|focusM|distanceM|\d+)$/;

/**
 * The archive that ships with the program: its own file of its own version, whose shape a test holds to the schemas, so that
 * the first page of a new browser waits for no validator.
 */
export function shippedArchive(text: string): Archive {
  const shipped = JSON.parse(text, (key, value: unknown) =>
    value === INFINITY_WORD && MAY_BE_ENDLESS.test(key) ? Infinity : value,
  ) as Partial<Archive>;
  // What the demo does not have is left out of its file.
  return Object.fromEntries(COLLECTION_NAMES.map((name) => [name, shipped[name] ?? EMPTY_ARCHIVE[name]])) as unknown as Archive;
}
