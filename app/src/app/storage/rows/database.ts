import { Injectable, InjectionToken, inject } from '@angular/core';
import type { CollectionName } from '@roam-dial/core/formats/archive';
import type { PackedReading } from '@roam-dial/core/log';
import Dexie, { type Table, type Transaction } from 'dexie';

/** A row of any collection. */
export interface StoredRow {
  readonly collection: CollectionName;
  /** Empty for what there is only one of. */
  readonly id: string;
  /** The write that it comes from. */
  readonly revision: number;
  /** The version of the archive whose shape it has. */
  readonly version: number;
  /** Plain data, or what there is much of as bytes of JSON. */
  readonly data: unknown;
  /** Of bytes, what they come to: as this program wrote them or not. */
  readonly digest?: number;
  /** Of bytes, the names of what is in them. */
  readonly fields?: readonly string[];
}

/** The order of a list. */
export interface StoredOrder {
  readonly collection: CollectionName;
  readonly ids: readonly string[];
}

/** How many writes there have been, by whichever tab. */
export interface MetaRow {
  readonly key: 'revision';
  readonly value: number;
}

/** What a frame looks like: too much to be held in memory with all else. */
export interface ThumbnailRow {
  /** Of the frame. */
  readonly id: string;
  readonly logId: string;
  /** A small JPEG of it; null where the file has none, and could not be opened. */
  readonly thumb: Blob | null;
  /** The middle of it at its full size; absent where that was not looked at. */
  readonly close?: Blob;
  /** What was measured in it; null where nothing was. */
  readonly reading: PackedReading | null;
}

/** A version of the tables. Append-only: a published version is never changed, a new one migrates it. */
export interface SchemaVersion {
  readonly version: number;
  readonly stores: Readonly<Record<string, string | null>>;
  readonly upgrade?: (transaction: Transaction) => PromiseLike<unknown>;
}

/** One table for all collections instead of one for each: what was written then has the shape of archives of version 1. */
async function gatherRows(transaction: Transaction): Promise<void> {
  const rows = transaction.table<StoredRow>('rows');
  const orders = transaction.table<StoredOrder>('orders');
  const shared = { revision: 1, version: 1 } as const;
  for (const collection of ['kit', 'walks', 'districts'] as const) {
    const items = await transaction.table<{ readonly id: string }>(collection).toArray();
    await rows.bulkPut(items.map((data) => ({ ...shared, collection, id: data.id, data })));
    await orders.put({ collection, ids: items.map(({ id }) => id) });
  }
  for (const { key, value } of await transaction.table<{ key: 'standard' | 'settings'; value: unknown }>('profile').toArray()) {
    await rows.put({ ...shared, collection: key, id: '', data: value });
  }
}

export const SCHEMA_VERSIONS: readonly SchemaVersion[] = [
  { version: 1, stores: { kit: 'id, kind', walks: 'id, day', profile: 'key' } },
  { version: 2, stores: { meta: 'key' } },
  { version: 3, stores: { districts: 'id' } },
  { version: 4, stores: { rows: '[collection+id], revision', orders: 'collection' }, upgrade: gatherRows },
  { version: 5, stores: { kit: null, walks: null, districts: null, profile: null } },
  { version: 6, stores: { sights: 'id, logId' } },
];

export const NEWEST_TABLES = SCHEMA_VERSIONS.reduce((newest, { version }) => Math.max(newest, version), 0);

export const DATABASE_NAME = new InjectionToken<string>('database name', { factory: () => 'roam-dial' });

@Injectable({ providedIn: 'root' })
export class Database extends Dexie {
  declare readonly rows: Table<StoredRow, [CollectionName, string]>;
  declare readonly orders: Table<StoredOrder, CollectionName>;
  declare readonly meta: Table<MetaRow, string>;
  declare readonly sights: Table<ThumbnailRow, string>;

  constructor() {
    super(inject(DATABASE_NAME));
    applySchema(this, SCHEMA_VERSIONS);
  }
}

export function applySchema(database: Dexie, versions: readonly SchemaVersion[]): void {
  for (const { version, stores, upgrade } of versions) {
    const declared = database.version(version).stores({ ...stores });
    if (upgrade !== undefined) declared.upgrade(upgrade);
  }
}
