import { TestBed } from '@angular/core/testing';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { DEFAULT_STANDARD, type KitItem } from '@roam-dial/core/kit';
import type { Walk } from '@roam-dial/core/walk';
import { filter, firstValueFrom } from 'rxjs';
import { Database, DATABASE_NAME } from '../app/storage/rows/database';
import { newKitItem, newWalk } from '../app/storage/defaults';
import type { Workspace } from '../app/storage/workspace';
import { changeKitItem } from '../app/state/kit/edits';
import type { WorkspaceChange } from '../app/state/workspace/lists';
import { WorkspaceStore } from '../app/state/workspace/workspace.store';

export const FIRST: Workspace = {
  kit: [newKitItem('body', 'body', 'third')],
  standard: DEFAULT_STANDARD,
  settings: DEFAULT_SETTINGS,
  walks: [newWalk('walk', '2027-03-13', 'body')],
  districts: [],
  outings: [],
  logs: [],
  frames: [],
  returns: [],
};

/** A tab on a database: a store of its own, nothing shared but what is stored. */
export function openTab(name: string): { store: WorkspaceStore; database: Database } {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [{ provide: DATABASE_NAME, useValue: name }] });
  const store = TestBed.inject(WorkspaceStore);
  const database = TestBed.inject(Database);
  void store.open();
  return { store, database };
}

export const kitNames = ({ kit }: Workspace): string[] => kit.map(({ name }) => name);
export const named = (id: string, name: string): WorkspaceChange => changeKitItem(id, (item) => ({ ...item, name }));
export const lens = (id: string, name: string): KitItem => ({ ...newKitItem('lens', id, 'third'), name });
export const walkOf = ({ walks }: Workspace): Walk => walks[0] as Walk;
export const until = (store: WorkspaceStore, is: (workspace: Workspace) => boolean): Promise<Workspace> =>
  firstValueFrom(store.workspace$.pipe(filter(is)));

/** Names of the rows as they are stored. */
export async function rowNames(database: Database): Promise<string[]> {
  const rows = await database.rows.toArray();
  return rows.flatMap(({ data }) => (data as { name?: string }).name ?? []);
}
export const stored = async (database: Database, id: string): Promise<{ name: string } | undefined> =>
  (await database.rows.get(['kit', id]))?.data as { name: string } | undefined;

/** What is stored comes behind what is shown: asks again until it is so. */
export async function eventually<Value>(ask: () => PromiseLike<Value>, is: (value: Value) => boolean): Promise<void> {
  for (let k = 0; k < 400; k++) {
    if (is(await ask())) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error(`never came about; last seen ${JSON.stringify(await ask())}`);
}
