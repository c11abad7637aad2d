import { type Archive, ARCHIVE_VERSION, type CollectionName, COLLECTIONS, EMPTY_ARCHIVE } from '@roam-dial/core/formats/archive';
import { liveQuery } from 'dexie';
import { Observable } from 'rxjs';
import { type Database, NEWEST_TABLES, type StoredOrder, type StoredRow } from './database';
import { type Patch, applyPatches } from '../patch';
import { ClearedError, type Loaded, type RowStore, type Written } from './row-store';
import { archiveOf, fromStored, loadFormats, readRows, rowsOf, toStored } from './stored-form';

/** Dexie counts a version as ten of the browser's. */
const BROWSER_VERSIONS_EACH = 10;

/** The row that a patch is about: its collection, its id, and the path within it. */
interface Target {
  readonly collection: CollectionName;
  readonly id: string;
  readonly path: readonly string[];
}

function targetOf({ path }: Patch): Target {
  const collection = path[0] as CollectionName;
  if (COLLECTIONS[collection].holds === 'one') return { collection, id: '', path: path.slice(1) };
  return { collection, id: (path[1] ?? '@').slice(1), path: path.slice(2) };
}

/** The row that a patch reads and writes: also one that is put in or taken out; none where it only moves one. */
function touchedBy(patch: Patch): Pick<Target, 'collection' | 'id'> | null {
  if (patch.path.length > 1 || patch.op === 'set') return targetOf(patch);
  return patch.op === 'move' ? null : { collection: patch.path[0] as CollectionName, id: patch.id };
}

const keyOf = (collection: CollectionName, id: string): string => `${collection}/${id}`;

/** The rows and orders that one write touches, changed in memory and put back together. */
class Batch {
  private readonly rows = new Map<string, { readonly collection: CollectionName; readonly id: string; data: unknown }>();
  /** Changes of orders, made together: each is a list that may be long. */
  private readonly orders = new Map<CollectionName, Patch[]>();
  readonly lost: Patch[] = [];

  constructor(private readonly database: Database) {}

  /** All rows that patches are about, read in one go: a verdict may be on thousands of frames. */
  async read(patches: readonly Patch[]): Promise<void> {
    const targets = new Map(
      patches.flatMap((patch) => {
        const row = touchedBy(patch);
        return row === null ? [] : [[keyOf(row.collection, row.id), row] as const];
      }),
    );
    const wanted = [...targets.values()];
    const stored = await this.database.rows.bulkGet(wanted.map(({ collection, id }) => [collection, id] as const));
    wanted.forEach(({ collection, id }, k) => {
      const row = stored[k];
      this.rows.set(keyOf(collection, id), { collection, id, data: row === undefined ? undefined : fromStored(row) });
    });
  }

  make(patch: Patch): void {
    const collection = patch.path[0] as CollectionName;
    if (patch.path.length === 1 && patch.op !== 'set') {
      this.arrange(collection, patch);
      return;
    }
    const { id, path } = targetOf(patch);
    const row = this.row(collection, id);
    if (row.data === undefined) {
      this.lost.push(patch);
      return;
    }
    const { data, misfits } = applyPatches(row.data, [{ ...patch, path }]);
    row.data = data;
    this.lost.push(...misfits.map(() => patch));
  }

  async put(revision: number): Promise<void> {
    const touched = [...this.rows.values()];
    const gone = touched.filter(({ data }) => data === undefined);
    const kept = touched.filter(({ data }) => data !== undefined);
    await this.database.rows.bulkDelete(gone.map(({ collection, id }) => [collection, id] as const));
    await this.database.rows.bulkPut(
      kept.map(({ collection, id, data }) => ({
        ...{ collection, id, revision, version: ARCHIVE_VERSION },
        ...toStored(collection, data),
      })),
    );
    for (const [collection, patches] of this.orders) {
      const stored = await this.database.orders.get(collection);
      const before = (stored?.ids ?? []).map((id) => ({ id }));
      const { data } = applyPatches(before, patches);
      await this.database.orders.put({ collection, ids: data.map(({ id }) => id) });
    }
  }

  /** A row put in, taken out or moved. */
  private arrange(collection: CollectionName, patch: Exclude<Patch, { readonly op: 'set' }>): void {
    if (patch.op !== 'move') this.row(collection, patch.id).data = patch.op === 'insert' ? patch.value : undefined;
    const inOrder: Patch = patch.op === 'move' ? { ...patch, path: [] } : { ...patch, path: [], value: { id: patch.id } };
    const orders = this.orders.get(collection) ?? [];
    orders.push(inOrder);
    this.orders.set(collection, orders);
  }

  /** One that `read` has found, or not found: there is no other. */
  private row(collection: CollectionName, id: string): { data: unknown } {
    const row = this.rows.get(keyOf(collection, id));
    if (row === undefined) throw new Error(`the row ${keyOf(collection, id)} was not read before it was changed`);
    return row;
  }
}

/** Everything in the database. */
export interface StoredWhole {
  readonly rows: readonly StoredRow[];
  readonly orders: readonly StoredOrder[];
  readonly revision: number;
}

/** The browser's database. */
export class BrowserRows implements RowStore {
  readonly revision$: Observable<number>;

  constructor(private readonly database: Database) {
    this.revision$ = new Observable<number>((observer) => liveQuery(() => this.revision()).subscribe(observer));
  }

  async load(): Promise<Loaded> {
    return this.understood(await this.stored());
  }

  /** What lies in the database, as of one moment; unread. */
  async stored(): Promise<StoredWhole> {
    await this.database.open();
    const installed = this.database.backendDB().version / BROWSER_VERSIONS_EACH;
    if (installed > NEWEST_TABLES) throw new Error('the stored data were written by a newer version of this program');
    const { rows, orders, meta } = this.database;
    return this.database.transaction('r', [rows, orders, meta], async () => ({
      rows: await rows.toArray(),
      orders: await orders.toArray(),
      revision: await this.revision(),
    }));
  }

  /** The same, held to the schemas. @throws NotFetched where those cannot be loaded */
  async understood({ rows, orders, revision }: StoredWhole): Promise<Loaded> {
    if (rows.length === 0) return { archive: EMPTY_ARCHIVE, isSeeded: false, revision, aside: [] };
    const read = await readRows(rows, await loadFormats());
    return { archive: archiveOf(read.rows, orders), isSeeded: true, revision, aside: read.aside };
  }

  async loadSince(known: Loaded): Promise<Loaded> {
    const { rows, orders, meta } = this.database;
    const [changed, ids, order, revision] = await this.database.transaction('r', [rows, orders, meta], async () => [
      await rows.where('revision').above(known.revision).toArray(),
      await rows.toCollection().primaryKeys(),
      await orders.toArray(),
      await this.revision(),
    ]);
    if (ids.length === 0) throw new ClearedError();
    const read = await readRows(changed, await loadFormats());
    const there = new Set(ids.map(([collection, id]) => keyOf(collection, id)));
    const all = new Map<CollectionName, Map<string, unknown>>();
    for (const row of rowsInMemory(known.archive)) {
      if (there.has(keyOf(row.collection, row.id))) put(all, row.collection, row.id, row.data);
    }
    for (const [collection, list] of read.rows) for (const [id, data] of list) put(all, collection, id, data);
    const isReadNow = (collection: CollectionName, id: string): boolean => read.rows.get(collection)?.has(id) === true;
    const aside = [...known.aside.filter(({ collection, id }) => !isReadNow(collection, id)), ...read.aside];
    return { archive: keptWhereSame(known.archive, archiveOf(all, order)), isSeeded: true, revision, aside };
  }

  write(patches: readonly Patch[], knownRevision: number): Promise<Written> {
    const { rows, orders, meta } = this.database;
    return this.database.transaction('rw', [rows, orders, meta], async () => {
      const before = await this.revision();
      if (before < knownRevision) throw new ClearedError();
      const batch = new Batch(this.database);
      await batch.read(patches);
      for (const patch of patches) batch.make(patch);
      const revision = before + 1;
      await batch.put(revision);
      await meta.put({ key: 'revision', value: revision });
      return { revision, lost: batch.lost };
    });
  }

  seed(archive: Archive): Promise<Written | null> {
    const { rows, orders, meta } = this.database;
    return this.database.transaction('rw', [rows, orders, meta], async () =>
      (await rows.count()) > 0 ? null : this.writeAll(archive),
    );
  }

  writeAll(archive: Archive): Promise<Written> {
    const { rows, orders, meta } = this.database;
    return this.database.transaction('rw', [rows, orders, meta], async () => {
      const revision = (await this.revision()) + 1;
      const whole = rowsOf(archive, revision);
      await rows.bulkPut(whole.rows as StoredRow[]);
      await orders.bulkPut(whole.orders);
      await meta.put({ key: 'revision', value: revision });
      return { revision, lost: [] };
    });
  }

  private async revision(): Promise<number> {
    return (await this.database.meta.get('revision'))?.value ?? 0;
  }
}

function put(all: Map<CollectionName, Map<string, unknown>>, collection: CollectionName, id: string, data: unknown): void {
  all.set(collection, (all.get(collection) ?? new Map<string, unknown>()).set(id, data));
}

/** Lists whose rows are all the same objects stay the same list: much is kept by identity. */
function keptWhereSame(before: Archive, after: Archive): Archive {
  const isKept = (name: CollectionName): boolean => {
    const [was, now] = [before[name], after[name]];
    return Array.isArray(was) && Array.isArray(now) && was.length === now.length && was.every((row, k) => row === now[k]);
  };
  const kept = (Object.keys(COLLECTIONS) as CollectionName[]).filter(isKept).map((name) => [name, before[name]] as const);
  return { ...after, ...Object.fromEntries(kept) };
}

/** Rows as objects, bulky ones too: they are handed on as they are. */
function* rowsInMemory(archive: Archive): Generator<{ collection: CollectionName; id: string; data: unknown }> {
  for (const collection of Object.keys(COLLECTIONS) as CollectionName[]) {
    const value = archive[collection];
    if (!Array.isArray(value)) yield { collection, id: '', data: value };
    else for (const data of value as { readonly id: string }[]) yield { collection, id: data.id, data };
  }
}
