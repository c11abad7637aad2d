import 'fake-indexeddb/auto';
import { writeArchive } from '@roam-dial/core/formats/archive';
import { readArchive } from '@roam-dial/core/formats/reading';
import fc from 'fast-check';
import { firstValueFrom } from 'rxjs';
import { eventually, FIRST, lens, named, openTab, until, walkOf } from '../../../testing/tabs';
import { newStop } from '../../storage/defaults';
import { isSame } from '../../storage/patch';
import type { Workspace } from '../../storage/workspace';
import { addKitItem, changeSettings, duplicateKitItem, removeKitItem } from '../kit/edits';
import { addStop, changeStop } from '../walk/stop.edits';
import { changeWalk } from '../walk/walk.edits';
import { kitNames } from '../../../testing/tabs';

let run = 0;

describe('two tabs', () => {
  let name: string;
  let one: ReturnType<typeof openTab>;
  let two: ReturnType<typeof openTab>;

  beforeEach(async () => {
    name = `tabs-${++run}`;
    one = openTab(name);
    await firstValueFrom(one.store.unseeded$);
    const stops = [newStop('a', undefined), newStop('b', undefined)];
    await one.store.seed({ ...FIRST, walks: [{ ...walkOf(FIRST), stops }] });
    two = openTab(name);
    await until(two.store, () => true);
  });
  afterEach(() => {
    one.database.close();
    two.database.close();
  });

  it('typing at two stops of one walk lose no letter', async () => {
    const note = (id: string, notes: string) => changeStop('walk', id, (stop) => ({ ...stop, notes }));
    for (let k = 1; k <= 5; k++) {
      one.store.edit({ label: 'note' }, note('a', 'left'.slice(0, k)));
      two.store.edit({ label: 'note' }, note('b', 'right'.slice(0, k)));
      await new Promise((resolve) => setTimeout(resolve, 5));
    }
    const isWhole = (workspace: Workspace): boolean =>
      walkOf(workspace)
        .stops.map(({ notes }) => notes)
        .join() === 'left,right';
    await until(one.store, isWhole);
    await until(two.store, isWhole);
  });

  it('undo takes back one’s own and leaves the other’s', async () => {
    one.store.edit({ label: 'rename' }, named('body', 'One'));
    await until(two.store, ({ kit }) => kit[0]?.name === 'One');
    two.store.edit({ label: 'add' }, addStop('walk', newStop('theirs', undefined), null));
    await until(one.store, (workspace) => walkOf(workspace).stops.length === 3);
    one.store.undo();
    const workspace = await until(two.store, ({ kit }) => kit[0]?.name === 'New body');
    expect(walkOf(workspace).stops.map(({ id }) => id)).toEqual(['a', 'b', 'theirs']);
  });

  it('undo says so where what it would take back has been changed since', async () => {
    one.store.edit({ label: 'rename' }, named('body', 'One'));
    await until(two.store, ({ kit }) => kit[0]?.name === 'One');
    two.store.edit({ label: 'rename' }, named('body', 'Two'));
    await until(one.store, ({ kit }) => kit[0]?.name === 'Two');
    const told = firstValueFrom(one.store.notice$);
    one.store.undo();
    expect((await told).message).toBe('“rename” cannot be undone: it has been changed since.');
    expect(kitNames(await one.store.snapshot())).toEqual(['Two']);
  });

  it('keep every object that the other did not touch', async () => {
    const before = await two.store.snapshot();
    one.store.edit(
      { label: 'night' },
      changeSettings((settings) => ({ ...settings, theme: 'night' })),
    );
    const after = await until(two.store, ({ settings }) => settings.theme === 'night');
    expect([after.kit === before.kit, after.walks === before.walks, after.standard === before.standard]).toEqual([
      true,
      true,
      true,
    ]);
  });

  it('end in one state, which export and import reproduce, whatever is edited, undone and reloaded', async () => {
    const step = fc.record({
      tab: fc.constantFrom(0, 1),
      what: fc.constantFrom('add', 'remove', 'rename', 'note', 'stay', 'ride', 'copy', 'undo', 'redo', 'reload', 'wait'),
      id: fc.constantFrom('a', 'b', 'c', 'body', 'lens'),
      text: fc.constantFrom('x', 'yy', 'zzz'),
      // Past midnight as before it.
      minute: fc.integer({ min: 0, max: 2158 }),
    });
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 14 }), async (steps) => {
        const shared = `tabs-${++run}`;
        const first = openTab(shared);
        await firstValueFrom(first.store.unseeded$);
        await first.store.seed({
          ...FIRST,
          walks: [{ ...walkOf(FIRST), stops: [newStop('a', undefined), newStop('b', undefined)] }],
        });
        const tabs = [first, openTab(shared)];
        await until((tabs[1] as typeof first).store, () => true);
        let made = 0;
        for (const { tab, what, id, text, minute } of steps) {
          const { store, database } = tabs[tab] as typeof first;
          if (what === 'add') store.edit({ label: what }, addKitItem(lens(`k${++made}`, text)));
          if (what === 'remove') store.edit({ label: what }, removeKitItem(id));
          if (what === 'rename') store.edit({ label: what }, named(id, text));
          if (what === 'note')
            store.edit(
              { label: what },
              changeStop('walk', id, (stop) => ({ ...stop, notes: text })),
            );
          if (what === 'stay')
            store.edit(
              { label: what },
              changeStop('walk', id, (stop) => ({ ...stop, arriveMin: minute, leaveMin: minute + 1 })),
            );
          if (what === 'ride')
            store.edit(
              { label: what },
              changeWalk('walk', (walk) => ({ ...walk, lastRide: { name: text, atMin: minute, position: null } })),
            );
          if (what === 'copy') store.edit({ label: what }, duplicateKitItem(id, `k${++made}`));
          if (what === 'undo') store.undo();
          if (what === 'redo') store.redo();
          if (what === 'wait') await new Promise((resolve) => setTimeout(resolve, 15));
          if (what === 'reload') {
            await store.written();
            database.close();
            tabs[tab] = openTab(shared);
            await until((tabs[tab] as typeof first).store, () => true);
          }
        }
        for (const { store } of tabs) await store.written();
        const [left, right] = tabs as [typeof first, typeof first];
        await eventually(
          async () => [await left.store.snapshot(), await right.store.snapshot()],
          ([a, b]) => isSame(a, b) && !left.store.hasUnwritten() && !right.store.hasUnwritten(),
        );
        for (const { database } of tabs) database.close();
        const reopened = openTab(shared);
        const workspace = await until(reopened.store, () => true);
        expect(workspace).toEqual(await left.store.snapshot());
        expect(readArchive(writeArchive(workspace))).toEqual({ ok: true, archive: workspace });
        reopened.database.close();
      }),
      { numRuns: 25 },
    );
  }, 60_000);
});
