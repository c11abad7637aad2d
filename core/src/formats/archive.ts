import type { District } from '../streets/index.js';
import type { KitItem, Standard } from '../kit/index.js';
import type { LengthUnit, StopStep } from '../units/index.js';
import type { Walk } from '../walk/index.js';

export const ARCHIVE_FORMAT = 'roam-dial';
export const ARCHIVE_VERSION = 1;
/** Larger files are not read: a thousand walks of twenty stops stay far below. */
export const LARGEST_ARCHIVE_BYTES = 25 * 1024 * 1024;

/** More than the old town of a capital has. */
export const MOST_BUILDINGS = 50_000;

export interface Settings {
  readonly theme: 'light' | 'night';
  readonly lengthUnit: LengthUnit;
  readonly clock: '24h' | '12h';
  /** Series in which values are typed and shown where no body or lens says otherwise. */
  readonly markStep: StopStep;
  readonly shortcutsOn: boolean;
}

export const DEFAULT_SETTINGS: Settings = {
  theme: 'light',
  lengthUnit: 'metres',
  clock: '24h',
  markStep: 'third',
  shortcutsOn: true,
};

/** Everything that a person has in the program. */
export interface Archive {
  readonly kit: readonly KitItem[];
  readonly standard: Standard;
  readonly settings: Settings;
  readonly walks: readonly Walk[];
  readonly districts: readonly District[];
}

/** JSON has no infinity: it is written as a word, at the fields that may hold it. */
export const INFINITY_WORD = 'infinity';

/** The archive as text: indented, so that a person can read it and a diff is small. */
export function writeArchive(archive: Archive): string {
  const file = { format: ARCHIVE_FORMAT, version: ARCHIVE_VERSION, ...archive };
  const asWord = (_key: string, value: unknown): unknown => (value === Infinity ? INFINITY_WORD : value);
  return `${JSON.stringify(file, asWord, 1)}\n`;
}
