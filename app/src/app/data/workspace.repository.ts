import { Injectable, inject } from '@angular/core';
import { DEFAULT_SETTINGS, DEFAULT_STANDARD, type Settings, type Standard } from '@roam-dial/core';
import { liveQuery } from 'dexie';
import { Observable } from 'rxjs';
import { Database, type ProfileRow } from './database';
import type { DocumentChange, Workspace } from './workspace';

export interface StoredWorkspace extends Workspace {
  /** False in a browser that has never held anything: the demo is due. */
  readonly isSeeded: boolean;
  /** The writes it was read after: a reading that was overtaken by a write shows a lower one. */
  readonly revision: number;
}

/** Rows are parsed on the way out: fields that a row of an older program lacks come from the defaults. */
function toWorkspace(
  kit: Workspace['kit'],
  walks: Workspace['walks'],
  districts: Workspace['districts'],
  profile: readonly ProfileRow[],
  revision: number,
): StoredWorkspace {
  const valueOf = (key: ProfileRow['key']): Standard | Settings | undefined => profile.find((row) => row.key === key)?.value;
  return {
    kit,
    walks,
    districts,
    standard: { ...DEFAULT_STANDARD, ...(valueOf('standard') as Standard | undefined) },
    settings: { ...DEFAULT_SETTINGS, ...(valueOf('settings') as Settings | undefined) },
    isSeeded: profile.length > 0,
    revision,
  };
}

/** The tables behind a plain interface: all that is stored as one stream, and changes by the document. */
@Injectable({ providedIn: 'root' })
export class WorkspaceRepository {
  private readonly database = inject(Database);

  /** Emits at once and after every change, whichever tab made it; the tables are read as of one moment. */
  readonly stored$ = new Observable<StoredWorkspace>((observer) =>
    liveQuery(() => {
      const { kit, walks, districts, profile, meta } = this.database;
      return this.database.transaction('r', [kit, walks, districts, profile, meta], async () =>
        toWorkspace(
          await kit.toArray(),
          await walks.toArray(),
          await districts.toArray(),
          await profile.toArray(),
          (await meta.get('revision'))?.value ?? 0,
        ),
      );
    }).subscribe(observer),
  );

  /** All or nothing; the revision that the stored data has by it. */
  write(changes: readonly DocumentChange[]): Promise<number> {
    const { kit, walks, districts, profile, meta } = this.database;
    return this.database.transaction('rw', [kit, walks, districts, profile, meta], async () => {
      for (const { table, key, after } of changes) {
        if (after === undefined) await this.database[table].delete(key);
        else await this.database.table(table).put(after);
      }
      const revision = ((await meta.get('revision'))?.value ?? 0) + 1;
      await meta.put({ key: 'revision', value: revision });
      return revision;
    });
  }

  /** Puts a first workspace in, unless another tab was quicker. */
  async seed(first: Workspace): Promise<void> {
    const { kit, walks, districts, profile } = this.database;
    await this.database.transaction('rw', [kit, walks, districts, profile], async () => {
      if ((await profile.count()) > 0) return;
      await kit.bulkPut([...first.kit]);
      await walks.bulkPut([...first.walks]);
      await districts.bulkPut([...first.districts]);
      await profile.bulkPut([
        { key: 'standard', value: first.standard },
        { key: 'settings', value: first.settings },
      ]);
    });
  }
}
