import { DEFAULT_STANDARD, type KitItem, type Standard } from '../../kit/index.js';
import type { LogFrame, WalkLog } from '../../log/frames/index.js';
import type { Outing, Return } from '../../outing/index.js';
import type { District } from '../../streets/index.js';
import type { Walk } from '../../walk/index.js';
import { DEFAULT_SETTINGS, type Settings } from './settings.js';

/**
 * What a person has, one description a collection: from these follow the archive, the browser's tables, what differs between
 * two states, undo and import. To add a collection is to add its type to `Rows`, its description here, its schema to
 * `ROW_SCHEMAS`, and a step to `upgrade.ts` for what was written before.
 */
export interface Rows {
  readonly kit: KitItem;
  readonly standard: Standard;
  readonly settings: Settings;
  readonly walks: Walk;
  readonly districts: District;
  readonly outings: Outing;
  readonly returns: Return;
  readonly logs: WalkLog;
  readonly frames: LogFrame;
}

export type CollectionName = keyof Rows;
export type ListName = 'kit' | 'walks' | 'districts' | 'outings' | 'returns' | 'logs' | 'frames';
export type SingleName = Exclude<CollectionName, ListName>;

/** Everything that a person has in the program. Lists keep their order. */
export type Archive = { readonly [Name in ListName]: readonly Rows[Name][] } & { readonly [Name in SingleName]: Rows[Name] };

/** A field that names a row of a list; `*` stands for every element of an array, or every key of a record. */
export interface Reference {
  readonly to: ListName;
  readonly path: readonly string[];
}

interface Described {
  readonly refersTo: readonly Reference[];
}

export interface ListDescription extends Described {
  readonly holds: 'list';
  /** More are not read. */
  readonly most: number;
  /** A row written line by line, element by element, rather than field by field: rows of thousands of like things. */
  readonly isBulk: boolean;
  /** Whether files from before it was there lack it. */
  readonly isLater: boolean;
}

export interface SingleDescription<Row> extends Described {
  readonly holds: 'one';
  readonly initial: Row;
}

export const COLLECTIONS: Readonly<Record<ListName, ListDescription>> & {
  readonly [Name in SingleName]: SingleDescription<Rows[Name]>;
} = {
  kit: { holds: 'list', most: 10_000, isBulk: false, isLater: false, refersTo: [{ to: 'kit', path: ['filmId'] }] },
  standard: { holds: 'one', initial: DEFAULT_STANDARD, refersTo: [] },
  settings: { holds: 'one', initial: DEFAULT_SETTINGS, refersTo: [] },
  walks: {
    holds: 'list',
    most: 10_000,
    isBulk: false,
    isLater: false,
    refersTo: [
      { to: 'districts', path: ['districtId'] },
      { to: 'kit', path: ['bodyId'] },
      { to: 'kit', path: ['stops', '*', 'lensId'] },
    ],
  },
  districts: { holds: 'list', most: 1000, isBulk: true, isLater: true, refersTo: [] },
  outings: {
    holds: 'list',
    most: 10_000,
    isBulk: false,
    isLater: true,
    refersTo: [
      { to: 'walks', path: ['walkId'] },
      { to: 'returns', path: ['happenings', '*', 'event', 'returnId'] },
      { to: 'kit', path: ['happenings', '*', 'moment', 'lensId'] },
    ],
  },
  returns: {
    holds: 'list',
    most: 10_000,
    isBulk: false,
    isLater: true,
    refersTo: [
      { to: 'districts', path: ['districtId'] },
      { to: 'kit', path: ['stop', 'lensId'] },
    ],
  },
  logs: {
    holds: 'list',
    most: 10_000,
    isBulk: false,
    isLater: true,
    refersTo: [
      { to: 'walks', path: ['walkId'] },
      { to: 'kit', path: ['cameras', '*', 'bodyId'] },
      { to: 'kit', path: ['lenses', '*', 'lensId'] },
      { to: 'kit', path: ['rolls', '*', 'bodyId'] },
      { to: 'kit', path: ['rolls', '*', 'filmId'] },
      { to: 'kit', path: ['stays', '*', 'cards', '*', 'moment', 'lensId'] },
    ],
  },
  frames: { holds: 'list', most: 200_000, isBulk: true, isLater: true, refersTo: [{ to: 'logs', path: ['logId'] }] },
};

export const COLLECTION_NAMES = Object.keys(COLLECTIONS) as readonly CollectionName[];
/** What is referred to comes before what refers to it. */
export const LIST_NAMES: readonly ListName[] = ['kit', 'districts', 'walks', 'returns', 'outings', 'logs', 'frames'];
export const SINGLE_NAMES: readonly SingleName[] = ['standard', 'settings'];

/** What a browser has before anything is put in. */
export const EMPTY_ARCHIVE: Archive = {
  kit: [],
  standard: DEFAULT_STANDARD,
  settings: DEFAULT_SETTINGS,
  walks: [],
  districts: [],
  outings: [],
  returns: [],
  logs: [],
  frames: [],
};
