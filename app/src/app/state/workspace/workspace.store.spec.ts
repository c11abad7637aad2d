import 'fake-indexeddb/auto';
import { FIRST, openTab, kitNames, named, lens, until, rowNames, stored, eventually } from '../../../testing/tabs';
import { filter, firstValueFrom } from 'rxjs';
import type { Database, StoredRow } from '../../storage/rows/database';
import { newKitItem, newStop, newWalk } from '../../storage/defaults';
import { BrowserRows } from '../../storage/rows/browser-rows';
import { NotFetched } from '../../base/fetched';
import { addKitItem, changeKitItem, changeSettings, duplicateKitItem, removeKitItem } from '../kit/edits';
import { addWalk } from '../walk/walk.edits';
import type { WorkspaceStore } from './workspace.store';

let run = 0;

beforeEach(() => localStorage.clear());
afterEach(() => jest.restoreAllMocks());

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
    expect(kitNames(await store.snapshot())).toEqual(['New body']);
    expect(await rowNames(database)).toEqual(['New body', 'New walk']);
  });

  it('shows an edit at once and stores it behind', async () => {
    store.edit({ label: 'add a lens' }, addKitItem({ ...newKitItem('lens', 'lens', 'third'), name: 'Long one' }));
    expect(kitNames(await store.snapshot())).toEqual(['New body', 'Long one']);
    await eventually(
      () => stored(database, 'lens'),
      (one) => one?.name === 'Long one',
    );
  });

  it('tells everybody of an edit before the one that somebody makes on hearing of it', async () => {
    const heard: (readonly string[])[] = [];
    let isMade = false;
    const first = store.workspace$.subscribe(({ kit }) => {
      if (kit.length !== 2 || isMade) return;
      isMade = true;
      store.edit({ label: 'another' }, addKitItem({ ...newKitItem('lens', 'lens2', 'third'), name: 'Wide one' }));
    });
    const second = store.workspace$.subscribe((one) => heard.push(kitNames(one)));
    store.edit({ label: 'add a lens' }, addKitItem({ ...newKitItem('lens', 'lens', 'third'), name: 'Long one' }));
    expect(heard).toEqual([['New body'], ['New body', 'Long one'], ['New body', 'Long one', 'Wide one']]);
    first.unsubscribe();
    second.unsubscribe();
  });

  it('takes back what somebody put in, also when it has been changed by nobody since', async () => {
    const lens = { ...newKitItem('lens', 'lens', 'third'), name: 'Long one' };
    store.edit({ label: 'add a lens' }, addKitItem(lens));
    store.record(changeKitItem('lens', (item) => ({ ...item, name: 'Measured one' })));
    store.edit(
      { label: 'put it away' },
      changeKitItem('lens', (item) => ({ ...item, inBag: false })),
    );
    store.undo();
    store.undo();
    expect(kitNames(await store.snapshot())).toEqual(['New body']);
    store.redo();
    expect(kitNames(await store.snapshot())).toEqual(['New body', 'Measured one']);
    store.redo();
    expect((await store.snapshot()).kit[1]).toMatchObject({ name: 'Measured one', inBag: false });
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
    const write = jest.spyOn(BrowserRows.prototype, 'write').mockRejectedValue(new DOMException('disk full', 'QuotaExceededError'));
    store.edit({ label: 'rename' }, named('body', 'Kept'));
    const failure = await firstValueFrom(store.writeFailure$.pipe(filter((one) => one !== null)));
    expect(failure?.message).toContain('QuotaExceededError: disk full');
    expect(kitNames(await store.snapshot())).toEqual(['Kept']);
    expect((await stored(database, 'body'))?.name).toBe('New body');
    write.mockRestore();
    store.retry();
    await firstValueFrom(store.writeFailure$.pipe(filter((one) => one === null)));
    await eventually(
      () => stored(database, 'body'),
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
    const other = openTab(name);
    const change = async (theme: 'light' | 'night'): Promise<void> => {
      store.edit(
        { label: 'change the theme' },
        changeSettings((settings) => ({ ...settings, theme })),
      );
      await store.written();
      // What another tab has heard, this one has as well.
      await until(other.store, ({ settings }) => settings.theme === theme);
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
    other.database.close();
  });

  it('is all there when it is opened again', async () => {
    const walk = { ...newWalk('second', '2027-06-01', null), stops: [newStop('s', undefined)] };
    store.edit(
      { label: 'start a walk' },
      addWalk({ ...walk, stops: [{ ...newStop('s', undefined), subject: { nearM: 2, farM: Infinity, medianM: 3, spread: 0 } }] }),
    );
    await eventually(
      () => database.rows.get(['walks', 'second']),
      (row) => row !== undefined,
    );
    database.close();
    const again = openTab(name);
    const workspace = await until(again.store, () => true);
    expect(workspace.walks.find(({ id }) => id === 'second')?.stops[0]?.subject.farM).toBe(Infinity);
    again.database.close();
  });

  it('keeps the order of every list over a reload: added last comes last, a copy right behind its original', async () => {
    store.edit({ label: 'add' }, addKitItem(lens('a-lens', 'Added last')));
    store.edit({ label: 'copy' }, duplicateKitItem('body', 'zz'));
    await store.written();
    const again = openTab(name);
    expect(kitNames(await until(again.store, () => true))).toEqual(['New body', 'New body (copy)', 'Added last']);
    again.database.close();
  });

  it('writes no row but those that an edit touches, and reads none back', async () => {
    const revisions = async (): Promise<Record<string, number>> =>
      Object.fromEntries((await database.rows.toArray()).map(({ collection, id, revision }) => [`${collection}/${id}`, revision]));
    const before = await revisions();
    const read = jest.spyOn(BrowserRows.prototype, 'loadSince');
    store.edit({ label: 'rename' }, named('body', 'x'));
    await store.written();
    await new Promise((resolve) => setTimeout(resolve, 100));
    const after = await revisions();
    expect(Object.keys(after).filter((key) => after[key] !== before[key])).toEqual(['kit/body']);
    expect(read).not.toHaveBeenCalled();
    read.mockRestore();
  });

  it('tells when the stored data were cleared under it, and stores all that it shows anew', async () => {
    store.edit({ label: 'add' }, addKitItem(lens('lens', 'Long one')));
    await store.written();
    await database.rows.clear();
    await database.orders.clear();
    await database.meta.clear();
    const told = firstValueFrom(store.notice$);
    store.edit({ label: 'rename' }, named('body', 'Typed'));
    expect((await told).message).toContain('had been cleared');
    await store.written();
    const again = openTab(name);
    expect(kitNames(await until(again.store, () => true))).toEqual(['Typed', 'Long one']);
    again.database.close();
  });

  it('sets aside a row that cannot be read, says which, keeps it, and opens the rest', async () => {
    store.edit({ label: 'add' }, addKitItem(lens('lens', 'Long one')));
    await store.written();
    const spoil = async (id: string, data: object): Promise<void> => {
      const row = (await database.rows.get(['kit', id])) as StoredRow;
      await database.rows.put({ ...row, data });
    };
    await spoil('lens', { kind: 'lens', id: 'lens', name: 'Torn' });
    const again = openTab(name);
    expect(kitNames(await until(again.store, () => true))).toEqual(['New body']);
    const [aside] = await firstValueFrom(again.store.aside$);
    expect(aside).toMatchObject({ collection: 'kit', id: 'lens' });
    expect(aside?.problem).toContain('required');
    again.store.edit({ label: 'rename' }, named('body', 'x'));
    await again.store.written();
    expect((await stored(again.database, 'lens'))?.name).toBe('Torn');
    again.database.close();
  });
});

describe('a first visit whose writes are refused', () => {
  it('is shown, and is stored whole with what was edited once it can be', async () => {
    const refused = new DOMException('private window', 'QuotaExceededError');
    const seed = jest.spyOn(BrowserRows.prototype, 'seed').mockRejectedValue(refused);
    const name = `test-${++run}`;
    const { store, database } = openTab(name);
    await firstValueFrom(store.unseeded$);
    await store.seed(FIRST);
    store.edit({ label: 'rename' }, named('body', 'Mine'));
    await store.written();
    expect(store.hasUnwritten()).toBe(true);
    seed.mockRestore();
    store.retry();
    await store.written();
    expect(store.hasUnwritten()).toBe(false);
    database.close();
    const again = openTab(name);
    expect(kitNames(await until(again.store, () => true))).toEqual(['Mine']);
    again.database.close();
  });
});

describe('a browser without a database', () => {
  it('has everything in memory, says why nothing is stored, and can export', async () => {
    const load = jest.spyOn(BrowserRows.prototype, 'stored').mockRejectedValue(new Error('no database here'));
    const { store, database } = openTab(`test-${++run}`);
    await firstValueFrom(store.unseeded$);
    await store.seed(FIRST);
    store.edit({ label: 'rename' }, named('body', 'Mine'));
    await store.written();
    expect(await firstValueFrom(store.onlyInMemory$)).toContain('no database here');
    expect(kitNames(await store.snapshot())).toEqual(['Mine']);
    expect(store.hasUnwritten()).toBe(false);
    load.mockRestore();
    database.close();
  });

  it('starts empty, not with the demo, for somebody who has had data, and asks before the page is left', async () => {
    localStorage.setItem('roam-dial-has-own-data', 'yes');
    const load = jest.spyOn(BrowserRows.prototype, 'stored').mockRejectedValue(new Error('held by another page'));
    const { store, database } = openTab(`test-${++run}`);
    let isDemoDue = false;
    store.unseeded$.subscribe(() => (isDemoDue = true));
    expect((await until(store, () => true)).walks).toEqual([]);
    await store.written();
    expect([isDemoDue, store.wouldLose()]).toEqual([false, false]);
    store.edit({ label: 'add a lens' }, addKitItem(newKitItem('lens', 'lens', 'third')));
    await store.written();
    expect(store.wouldLose()).toBe(true);
    load.mockRestore();
    database.close();
  });
});

describe('a reader of the data that does not come', () => {
  it('shows nothing in the place of somebody’s data, says so, and opens when it is there', async () => {
    const name = `test-${++run}`;
    const first = openTab(name);
    await firstValueFrom(first.store.unseeded$);
    await first.store.seed(FIRST);
    await first.store.written();
    first.database.close();
    const missing = new NotFetched('The reader of your stored data', new Error('no answer within 60 s'));
    const understood = jest.spyOn(BrowserRows.prototype, 'understood').mockRejectedValueOnce(missing);
    const { store, database } = openTab(name);
    const failure = await firstValueFrom(store.openFailure$.pipe(filter((one) => one !== null)));
    expect(failure.message).toContain('could not be loaded');
    let isAnythingShown = false;
    store.workspace$.subscribe(() => (isAnythingShown = true));
    expect([isAnythingShown, await firstValueFrom(store.onlyInMemory$)]).toEqual([false, null]);
    await store.open();
    expect(kitNames(await until(store, () => true))).toEqual(['New body']);
    expect(await firstValueFrom(store.openFailure$)).toBeNull();
    understood.mockRestore();
    database.close();
  });
});

describe('another tab that writes while this one reads', () => {
  it.each([1, 5, 20, 50])('is caught up with after %d ms', async (gapMs) => {
    const name = `test-${++run}`;
    const left = openTab(name);
    await firstValueFrom(left.store.unseeded$);
    await left.store.seed(FIRST);
    const right = openTab(name);
    await until(right.store, () => true);
    // A slow reading: what is written meanwhile is heard while nobody listens.
    const real = BrowserRows.prototype.loadSince;
    const slow = jest.spyOn(BrowserRows.prototype, 'loadSince').mockImplementation(async function (this: BrowserRows, known) {
      const loaded = await real.call(this, known);
      await new Promise((resolve) => setTimeout(resolve, 60));
      return loaded;
    });
    left.store.edit({ label: 'one' }, named('body', 'One'));
    await left.store.written();
    await new Promise((resolve) => setTimeout(resolve, gapMs));
    left.store.edit({ label: 'two' }, named('body', 'Two'));
    await left.store.written();
    expect(kitNames(await until(right.store, ({ kit }) => kit[0]?.name === 'Two'))).toEqual(['Two']);
    slow.mockRestore();
    for (const { database } of [left, right]) database.close();
  });
});
