import { Injectable, InjectionToken, inject } from '@angular/core';
import type { District, KitItem, Settings, Standard, Walk } from '@roam-dial/core';
import Dexie, { type Table, type Transaction } from 'dexie';

/** One row each for what there is only one of. */
export type ProfileRow =
  { readonly key: 'standard'; readonly value: Standard } | { readonly key: 'settings'; readonly value: Settings };

/** How many writes there have been, by whichever tab. */
export interface MetaRow {
  readonly key: 'revision';
  readonly value: number;
}

/** A version of the tables. Append-only: a published version is never changed, a new one migrates it. */
export interface SchemaVersion {
  readonly version: number;
  readonly stores: Readonly<Record<string, string | null>>;
  readonly upgrade?: (transaction: Transaction) => PromiseLike<unknown>;
}

export const SCHEMA_VERSIONS: readonly SchemaVersion[] = [
  { version: 1, stores: { kit: 'id, kind', walks: 'id, day', profile: 'key' } },
  { version: 2, stores: { meta: 'key' } },
  { version: 3, stores: { districts: 'id' } },
];

export const DATABASE_NAME = new InjectionToken<string>('database name', { factory: () => 'roam-dial' });

@Injectable({ providedIn: 'root' })
export class Database extends Dexie {
  declare readonly kit: Table<KitItem, string>;
  declare readonly walks: Table<Walk, string>;
  declare readonly districts: Table<District, string>;
  declare readonly profile: Table<ProfileRow, string>;
  declare readonly meta: Table<MetaRow, string>;

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
