import { type Archive, COLLECTION_NAMES, COLLECTIONS } from './collections.js';
import { NEWEST_VERSION } from './upgrade.js';
import { INFINITY_WORD } from './words.js';

export const ARCHIVE_FORMAT = 'roam-dial';
export const ARCHIVE_VERSION = NEWEST_VERSION;

/** Larger files are not read. Whatever the program takes in stays below: a district of 50,000 houses comes to some 15 MB. */
export const LARGEST_ARCHIVE_BYTES = 256 * 1024 * 1024;

const asWord = (_key: string, value: unknown): unknown => (value === Infinity ? INFINITY_WORD : value);

/** One row of something bulky: its lists element by element on lines of their own, the rest on one. */
function* bulkLines(row: object): Generator<string> {
  const fields = Object.entries(row);
  for (const [k, [key, value]] of fields.entries()) {
    const [open, close] = [k === 0 ? ' {' : ' ', k === fields.length - 1 ? '}' : ',\n'];
    if (!Array.isArray(value)) {
      yield `${open}${JSON.stringify(key)}: ${JSON.stringify(value, asWord)}${close}`;
      continue;
    }
    yield `${open}${JSON.stringify(key)}: [`;
    for (const [j, element] of value.entries()) yield `${j === 0 ? '' : ','}\n  ${JSON.stringify(element, asWord)}`;
    yield `]${close}`;
  }
}

/**
 * The archive as text, part by part, so that no one string holds all of it: indented, so that a person can read it and a
 * diff is small; what there are thousands of, a line each.
 */
export function* archiveParts(archive: Archive): Generator<string> {
  yield `{\n "format": ${JSON.stringify(ARCHIVE_FORMAT)},\n "version": ${ARCHIVE_VERSION}`;
  for (const name of COLLECTION_NAMES) {
    yield `,\n ${JSON.stringify(name)}: `;
    const described = COLLECTIONS[name];
    if (described.holds === 'one') {
      yield JSON.stringify(archive[name], asWord, 1).replaceAll('\n', '\n ');
      continue;
    }
    const rows = archive[name] as readonly object[];
    yield '[';
    for (const [k, row] of rows.entries()) {
      yield k === 0 ? '\n' : ',\n';
      if (described.isBulk) yield* bulkLines(row);
      else yield ` ${JSON.stringify(row, asWord, 1).replaceAll('\n', '\n  ')}`;
    }
    yield rows.length === 0 ? ']' : '\n ]';
  }
  yield '\n}\n';
}

/** The archive as one text. */
export function writeArchive(archive: Archive): string {
  return [...archiveParts(archive)].join('');
}
