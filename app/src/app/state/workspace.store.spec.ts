import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { DEFAULT_SETTINGS, DEFAULT_STANDARD } from '@roam-dial/core';
import Dexie from 'dexie';
import { firstValueFrom, filter, Subject } from 'rxjs';
import { applySchema, DATABASE_NAME, Database, SCHEMA_VERSIONS } from '../data/database';
import { newKitItem, newStop, newWalk } from '../data/defaults';
import type { Workspace } from '../data/workspace';
import { type StoredWorkspace, WorkspaceRepository } from '../data/workspace.repository';
import { addKitItem, addWalk, changeKitItem, changeSettings, removeKitItem } from './edits';
import { WorkspaceStore } from './workspace.store';

const FIRST: Workspace = {
  kit: [newKitItem('body', 'body', 'third')],
  standard: DEFAULT_STANDARD,
  settings: DEFAULT_SETTINGS,
  walks: [newWalk('walk', '2027-03-13', 'body')],
  districts: [],
};

let run = 0;
/** A tab on a database: a store of its own, nothing shared but what is stored. */
function openTab(name: string): { store: WorkspaceStore; database: Database } {
  TestBed.resetTestingModule();
  TestBed.configureTestingModule({ providers: [{ provide: DATABASE_NAME, useValue: name }] });
  const store = TestBed.inject(WorkspaceStore);
  const database = TestBed.inject(Database);
  store.open();
  return { store, database };
}

const kitNames = ({ kit }: Workspace): string[] => kit.map(({ name }) => name).sort();
const until = (store: WorkspaceStore, is: (workspace: Workspace) => boolean): Promise<Workspace> =>
  firstValueFrom(store.workspace$.pipe(filter(is)));

/** What is stored comes behind what is shown: asks again until it is so. */
async function eventually<Value>(ask: () => PromiseLike<Value>, is: (value: Value) => boolean): Promise<void> {
  for (let k = 0; k < 400; k++) {
    if (is(await ask())) return;
    await new Promise((resolve) => setTimeout(resolve, 10));
  }
  throw new Error(`never came about; last seen ${JSON.stringify(await ask())}`);
}

describe('the workspace store', () => {
  let name: string;
  let store: WorkspaceStore;
  let database: Database;

  beforeEach(async () => {
    name = `test-${++run}`;
    ({ store, database } = openTab(name));
    await firstValueFrom(store.unseeded$);
    await store.seed(FIRST);
    await until(store, () => true);
  });
  afterEach(() => database.close());

  it('seeds once, however often it is asked', async () => {
    await store.seed({ ...FIRST, kit: [] });
    expect(await database.kit.count()).toBe(1);
  });

  it('shows an edit at once and stores it behind', async () => {
    store.edit({ label: 'add a lens' }, addKitItem({ ...newKitItem('lens', 'lens', 'third'), name: 'Long one' }));
    expect(kitNames(await store.snapshot())).toEqual(['Long one', 'New body']);
    await eventually(
      () => database.kit.get('lens'),
      (lens) => lens?.name === 'Long one',
    );
  });

  it('undoes and redoes, and forgets what was undone when something new is done', async () => {
    store.edit({ label: 'add a lens' }, addKitItem(newKitItem('lens', 'lens', 'third')));
    store.edit({ label: 'remove the body' }, removeKitItem('body'));
    expect(await firstValueFrom(store.history$)).toEqual({ undo: 'remove the body', redo: null });
    store.undo();
    expect(kitNames(await store.snapshot())).toEqual(['New body', 'New lens']);
    store.undo();
    expect(kitNames(await store.snapshot())).toEqual(['New body']);
    store.redo();
    expect(kitNames(await store.snapshot())).toEqual(['New body', 'New lens']);
    store.edit(
      { label: 'night' },
      changeSettings((settings) => ({ ...settings, theme: 'night' })),
    );
    expect((await firstValueFrom(store.history$)).redo).toBeNull();
  });

  it('takes a word that is being typed as one step', async () => {
    for (const typed of ['S', 'Sm', 'Sma']) {
      store.edit(
        { label: 'rename', mergeKey: 'name/body' },
        changeKitItem('body', (item) => ({ ...item, name: typed })),
      );
    }
    expect(kitNames(await store.snapshot())).toEqual(['Sma']);
    store.undo();
    expect(kitNames(await store.snapshot())).toEqual(['New body']);
  });

  it('takes something added and typed into in one step back out altogether', async () => {
    store.edit({ label: 'add', mergeKey: 'x' }, addKitItem(newKitItem('lens', 'lens', 'third')));
    store.edit(
      { label: 'add', mergeKey: 'x' },
      changeKitItem('lens', (item) => ({ ...item, name: 'Wide' })),
    );
    store.undo();
    expect(kitNames(await store.snapshot())).toEqual(['New body']);
  });

  it('keeps what the browser refuses to write, says so, and writes it on another try', async () => {
    const repository = TestBed.inject(WorkspaceRepository);
    const write = jest.spyOn(repository, 'write').mockRejectedValue(new DOMException('disk full', 'QuotaExceededError'));
    store.edit(
      { label: 'rename' },
      changeKitItem('body', (item) => ({ ...item, name: 'Kept' })),
    );
    const failure = await firstValueFrom(store.writeFailure$.pipe(filter((one) => one !== null)));
    expect(failure?.message).toContain('QuotaExceededError: disk full');
    expect(kitNames(await store.snapshot())).toEqual(['Kept']);
    expect((await database.kit.get('body'))?.name).toBe('New body');
    write.mockRestore();
    store.retry();
    await firstValueFrom(store.writeFailure$.pipe(filter((one) => one === null)));
    await eventually(
      () => database.kit.get('body'),
      (body) => body?.name === 'Kept',
    );
  });

  it('agrees with another tab', async () => {
    const other = openTab(name);
    await until(other.store, () => true);
    other.store.edit({ label: 'add a lens' }, addKitItem({ ...newKitItem('lens', 'other', 'third'), name: 'From the other tab' }));
    const workspace = await until(store, ({ kit }) => kit.length === 2);
    expect(kitNames(workspace)).toContain('From the other tab');
    other.database.close();
  });

  it('keeps every object that was not edited, when its own write comes back', async () => {
    const change = async (theme: 'light' | 'night'): Promise<void> => {
      store.edit(
        { label: 'change the theme' },
        changeSettings((settings) => ({ ...settings, theme })),
      );
      await store.written();
      await new Promise((resolve) => setTimeout(resolve, 200));
    };
    // What was seeded is read once, because another tab may have been first.
    await change('night');
    await change('light');
    const before = await store.snapshot();
    await change('night');
    const after = await store.snapshot();
    expect(after.settings.theme).toBe('night');
    expect(after.standard).toBe(before.standard);
    expect(after.walks[0]).toBe(before.walks[0]);
  });

  it('is all there when it is opened again', async () => {
    const walk = { ...newWalk('second', '2027-06-01', null), stops: [newStop('s', undefined)] };
    store.edit(
      { label: 'start a walk' },
      addWalk({ ...walk, stops: [{ ...newStop('s', undefined), subject: { nearM: 2, farM: Infinity, medianM: 3, spread: 0 } }] }),
    );
    await eventually(
      () => database.walks.get('second'),
      (stored) => stored !== undefined,
    );
    database.close();
    const again = openTab(name);
    const workspace = await until(again.store, () => true);
    expect(workspace.walks.find(({ id }) => id === 'second')?.stops[0]?.subject.farM).toBe(Infinity);
    again.database.close();
  });
});

describe('a reading of the stored data that was overtaken by a write', () => {
  it('does not take back what was typed', async () => {
    const stored$ = new Subject<StoredWorkspace>();
    let revision = 0;
    const repository = { stored$, write: () => Promise.resolve(++revision) };
    TestBed.resetTestingModule();
    TestBed.configureTestingModule({ providers: [{ provide: WorkspaceRepository, useValue: repository }] });
    const store = TestBed.inject(WorkspaceStore);
    store.open();
    stored$.next({ ...FIRST, isSeeded: true, revision: 0 });
    store.edit(
      { label: 'rename' },
      changeKitItem('body', (item) => ({ ...item, name: 'Typed' })),
    );
    await store.written();
    stored$.next({ ...FIRST, isSeeded: true, revision: 0 });
    expect(kitNames(await store.snapshot())).toEqual(['Typed']);
    stored$.next({ ...FIRST, kit: [], isSeeded: true, revision: 2 });
    expect(kitNames(await store.snapshot())).toEqual([]);
  });
});

describe('the schema', () => {
  it('is append-only from version 1 on', () => {
    expect(SCHEMA_VERSIONS.map(({ version }) => version)).toEqual(SCHEMA_VERSIONS.map((_, k) => k + 1));
  });

  it('carries the rows of an old version through a migration', async () => {
    const old = new Dexie('migrating');
    applySchema(old, SCHEMA_VERSIONS);
    await old.table('kit').put({ ...newKitItem('body', 'b', 'third'), name: 'Old' });
    old.close();
    const next = new Dexie('migrating');
    const upgraded = {
      version: SCHEMA_VERSIONS.length + 1,
      stores: { kit: 'id, kind, name' },
      upgrade: (transaction: {
        table: (name: string) => { toCollection: () => { modify: (f: (row: { name: string }) => void) => PromiseLike<unknown> } };
      }) =>
        transaction
          .table('kit')
          .toCollection()
          .modify((row) => {
            row.name = `${row.name}, upgraded`;
          }),
    };
    applySchema(next, [...SCHEMA_VERSIONS, upgraded as never]);
    expect(await next.table('kit').toArray()).toMatchObject([{ id: 'b', name: 'Old, upgraded' }]);
    next.close();
  });
});
