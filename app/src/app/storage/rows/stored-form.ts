import {
  type Archive,
  ARCHIVE_VERSION,
  type CollectionName,
  COLLECTIONS,
  LIST_NAMES,
  SINGLE_NAMES,
} from '@roam-dial/core/formats/archive';
import type { pathText, readRow } from '@roam-dial/core/formats/reading';
import type { StoredOrder, StoredRow } from './database';
import { fetched } from '../../base/fetched';

/** A row that could not be read: kept where it is, told, and left alone. */
export interface SetAside {
  readonly collection: CollectionName;
  readonly id: string;
  readonly problem: string;
  readonly data: unknown;
}

/** FNV-1a, 32 bits: tells bytes that were written here from bytes that have become something else. */
function digestOf(bytes: Uint8Array): number {
  let hash = 0x811c9dc5;
  for (const byte of bytes) hash = Math.imul(hash ^ byte, 0x01000193);
  return hash >>> 0;
}

export function isBulk(collection: CollectionName): boolean {
  const described = COLLECTIONS[collection];
  return described.holds === 'list' && described.isBulk;
}

/** Data as it lies in the table. */
export function toStored(collection: CollectionName, data: unknown): Pick<StoredRow, 'data' | 'digest' | 'fields'> {
  if (!isBulk(collection)) return { data };
  const bytes = new TextEncoder().encode(JSON.stringify(data));
  return { data: bytes, digest: digestOf(bytes), fields: Object.keys(data as object) };
}

/** A row of bytes that is opened when somebody looks into it: a town that no walk leads through costs nothing. */
function openedLater(id: string, fields: readonly string[], bytes: Uint8Array): unknown {
  let closed: Uint8Array | null = bytes;
  let opened: Readonly<Record<string, unknown>> = {};
  const valueOf = (field: string): unknown => {
    if (closed !== null) opened = JSON.parse(new TextDecoder().decode(closed)) as typeof opened;
    closed = null;
    return opened[field];
  };
  const getters = fields.map((field) => [field, { enumerable: true, get: () => (field === 'id' ? id : valueOf(field)) }] as const);
  return Object.defineProperties({}, Object.fromEntries(getters));
}

/** Data as it is worked with, whatever its shape; a fault of the bytes is a fault of the row. */
export function fromStored({ data }: Pick<StoredRow, 'data'>): unknown {
  return ArrayBuffer.isView(data) ? (JSON.parse(new TextDecoder().decode(data as Uint8Array)) as unknown) : data;
}

/** Whether a row is byte for byte what this version wrote, and so need neither be held to its schema again nor be opened yet. */
function isOwnWriting({ data, digest, version }: StoredRow): boolean {
  return version === ARCHIVE_VERSION && digest !== undefined && ArrayBuffer.isView(data) && digestOf(data as Uint8Array) === digest;
}

interface Formats {
  readonly readRow: typeof readRow;
  readonly pathText: typeof pathText;
}

/** Without it nothing that is stored can be shown: a slow network gets more time (s). */
const FORMATS_LIMIT_MS = 60_000;

/** The validator is a chunk of its own, loaded when there is something to read. */
export const loadFormats = (): Promise<Formats> =>
  fetched('The reader of your stored data', () => import('@roam-dial/core/formats/reading'), FORMATS_LIMIT_MS);

export interface ReadRows {
  readonly rows: ReadonlyMap<CollectionName, ReadonlyMap<string, unknown>>;
  readonly aside: readonly SetAside[];
}

function readOne(row: StoredRow, formats: Formats): { readonly data: unknown } | { readonly problem: string } {
  if (row.version > ARCHIVE_VERSION) return { problem: `was written by a newer program (version ${row.version})` };
  try {
    if (isOwnWriting(row) && row.fields !== undefined) return { data: openedLater(row.id, row.fields, row.data as Uint8Array) };
    const data = fromStored(row);
    const read = formats.readRow(row.collection, data, row.version);
    if (!read.ok) {
      const [first] = read.problems;
      return { problem: first === undefined ? 'cannot be used' : `${formats.pathText(first.path)} ${first.message}`.trim() };
    }
    const isIdKept = row.id === '' || (read.row as { readonly id: string }).id === row.id;
    return isIdKept ? { data: read.row } : { problem: 'has another id than its place' };
  } catch (error) {
    return { problem: error instanceof Error ? error.message : String(error) };
  }
}

/** Rows are read this long before the page gets its turn: years of somebody's work are thousands of them. */
const SLICE_MS = 40;

/** Rows as they are read, those that cannot be set aside one by one: they do not stop the rest. */
export async function readRows(stored: readonly StoredRow[], formats: Formats): Promise<ReadRows> {
  const rows = new Map<CollectionName, Map<string, unknown>>();
  const aside: SetAside[] = [];
  let until = performance.now() + SLICE_MS;
  for (const row of stored) {
    if (performance.now() > until) {
      await new Promise((resolve) => setTimeout(resolve));
      until = performance.now() + SLICE_MS;
    }
    const { collection, id } = row;
    if (!Object.hasOwn(COLLECTIONS, collection)) continue;
    const read = readOne(row, formats);
    if ('problem' in read) {
      aside.push({ collection, id, problem: read.problem, data: row.data });
      continue;
    }
    const list = rows.get(collection) ?? new Map<string, unknown>();
    rows.set(collection, list.set(id, read.data));
  }
  return { rows, aside };
}

/** Ids in their stored order; what no order names comes last. */
function inOrder(ids: readonly string[], order: readonly string[] | undefined): readonly string[] {
  const there = new Set(ids);
  const named = (order ?? []).filter((id) => there.has(id));
  const isNamed = new Set(named);
  return [...new Set(named), ...ids.filter((id) => !isNamed.has(id))];
}

/** The whole from its rows; of what there is only one of, what it begins with where there is none. */
export function archiveOf(rows: ReadRows['rows'], orders: readonly StoredOrder[]): Archive {
  const lists = LIST_NAMES.map((name) => {
    const own = rows.get(name) ?? new Map<string, unknown>();
    const order = orders.find(({ collection }) => collection === name)?.ids;
    return [name, inOrder([...own.keys()], order).map((id) => own.get(id))] as const;
  });
  const singles = SINGLE_NAMES.map((name) => [name, rows.get(name)?.get('') ?? COLLECTIONS[name].initial] as const);
  return Object.fromEntries([...lists, ...singles]) as unknown as Archive;
}

/** All rows of an archive, and the order of its lists. */
export function rowsOf(archive: Archive, revision: number): { readonly rows: StoredRow[]; readonly orders: StoredOrder[] } {
  const shared = { revision, version: ARCHIVE_VERSION };
  const lists = LIST_NAMES.flatMap((collection) =>
    (archive[collection] as readonly { readonly id: string }[]).map((data): StoredRow => ({
      ...shared,
      collection,
      id: data.id,
      ...toStored(collection, data),
    })),
  );
  const singles = SINGLE_NAMES.map((collection): StoredRow => ({
    ...shared,
    collection,
    id: '',
    ...toStored(collection, archive[collection]),
  }));
  const orders = LIST_NAMES.map((collection) => ({ collection, ids: archive[collection].map(({ id }) => id) }));
  return { rows: [...lists, ...singles], orders };
}
