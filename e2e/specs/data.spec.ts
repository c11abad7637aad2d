import { readFile } from 'node:fs/promises';
import type { Locator } from '@playwright/test';
import { expect, test } from '../fixtures/test.js';

type Json = Record<string, unknown>;

async function importText(dialog: Locator, name: string, text: string): Promise<void> {
  await dialog.getByLabel('File to import').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}

test('export, wipe, import: everything is back', async ({ app, problems }) => {
  const { page } = app;
  await app.choose('Vessen Hall');
  await app.field('Where to stand, what to wait for').fill('Own words: ∞, “quotes”, ünïcode');
  const dialog = await app.settings();
  const download = page.waitForEvent('download');
  await dialog.getByRole('button', { name: 'Export everything' }).click();
  const file = await download;
  expect(file.suggestedFilename()).toMatch(/^roam-dial-\d{4}-\d\d-\d\d\.json$/);
  const text = await readFile(await file.path(), 'utf8');

  await page.evaluate(async () => {
    for (const { name } of await indexedDB.databases()) if (name !== undefined) indexedDB.deleteDatabase(name);
  });
  await app.open('/walk?stop=vessen');
  await expect(app.field('Where to stand, what to wait for')).toHaveValue('Under the clock, where the aisle narrows.');

  const again = await app.settings();
  await again.getByLabel('When importing').selectOption({ label: 'Replace all that is here' });
  await importText(again, 'mine.json', text);
  await expect(again).toContainText('mine.json imported: 2 walks, 10 kit items');
  // What it says is in is stored: a reload at once keeps it.
  await page.reload();
  await expect(app.field('Where to stand, what to wait for')).toHaveValue('Own words: ∞, “quotes”, ünïcode');

  const dialogOnceMore = await app.settings();
  const second = page.waitForEvent('download');
  await dialogOnceMore.getByRole('button', { name: 'Export everything' }).click();
  const back = JSON.parse(await readFile(await (await second).path(), 'utf8')) as Json;
  expect(back).toEqual(JSON.parse(text));
  // The database layer says aloud that it was wiped under it.
  problems.splice(0, problems.length, ...problems.filter((one) => !one.includes('wants to delete database')));
});

test('adding keeps what is here, and undo takes it back', async ({ app, page: _page }) => {
  const demo = await (await app.page.request.get('/demo.json')).json();
  demo.walks[0] = { ...demo.walks[0], name: 'Another day', isDemo: false, stops: demo.walks[0].stops.slice(0, 2) };
  const dialog = await app.settings();
  await importText(dialog, 'other.json', JSON.stringify(demo));
  await expect(dialog).toContainText('other.json imported');
  await dialog.getByRole('button', { name: 'Close' }).click();
  await app.spine.getByRole('button', { name: /^Walk: / }).click();
  await expect(app.page.getByRole('menuitem', { name: 'Another day' })).toBeVisible();
  await expect(app.page.getByRole('menuitem', { name: 'Sluice to arcade' })).toBeVisible();
  await app.page.keyboard.press('Escape');
  await app.page.getByRole('button', { name: 'Undo: import other.json' }).click();
  await app.spine.getByRole('button', { name: /^Walk: / }).click();
  await expect(app.page.getByRole('menuitem', { name: 'Another day' })).toBeHidden();
});

const BROKEN: readonly (readonly [name: string, change: (demo: any) => unknown, says: string])[] = [
  ['cut short', (demo) => JSON.stringify(demo).slice(0, 500), 'The file is not whole JSON'],
  ['foreign', () => '{"type":"FeatureCollection","features":[]}', 'This is not a Roam Dial file'],
  ['newer', (demo) => JSON.stringify({ ...demo, version: 99 }), 'version 99; this program reads up to 6'],
  [
    'wrong in one place',
    (demo) => {
      demo.walks[0].stops[2].subject.nearM = -4;
      return JSON.stringify(demo);
    },
    'walks[0].stops[2].subject.nearM: must be greater than 0',
  ],
  [
    'wrong in its kit',
    (demo) => {
      demo.kit[0].highestIso = 'plenty';
      return JSON.stringify(demo);
    },
    'kit[0].highestIso: must be a number',
  ],
];

for (const [name, change, says] of BROKEN) {
  test(`a file that is ${name} changes nothing and says why`, async ({ app }) => {
    const demo = await (await app.page.request.get('/demo.json')).json();
    const before = await app.stopNames();
    const dialog = await app.settings();
    await dialog.getByLabel('When importing').selectOption({ label: 'Replace all that is here' });
    await importText(dialog, 'bad.json', String(change(demo)));
    await expect(dialog.getByRole('alert')).toContainText('bad.json was not imported; nothing has changed.');
    await expect(dialog.getByRole('alert')).toContainText(says);
    await dialog.getByRole('button', { name: 'Close' }).click();
    await expect.poll(() => app.stopNames()).toEqual(before);
    await expect(app.page.getByRole('button', { name: 'Nothing to undo' })).toBeVisible();
  });
}

test('a refused write is told, and nothing typed is lost', async ({ app }) => {
  const { page } = app;
  await page.evaluate(() => {
    const { put } = IDBObjectStore.prototype;
    (window as unknown as Json)['letWrites'] = () => (IDBObjectStore.prototype.put = put);
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('The disk is full', 'QuotaExceededError');
    };
  });
  await app.field('Name of the stop').fill('Kept all the same');
  const alert = page.getByRole('alert');
  await expect(alert).toContainText('Your last change has not been saved.');
  await expect(alert).toContainText('QuotaExceededError');
  await expect(app.stop('Kept all the same')).toBeVisible();
  await app.room('Kit');
  await app.room('Walk');
  await expect(app.field('Name of the stop')).toHaveValue('Kept all the same');

  const download = page.waitForEvent('download');
  await alert.getByRole('button', { name: 'Save a copy to a file' }).click();
  expect(await readFile(await (await download).path(), 'utf8')).toContain('Kept all the same');

  await page.evaluate(() => (window as unknown as { letWrites: () => void }).letWrites());
  await alert.getByRole('button', { name: 'Try again' }).click();
  await expect(alert).toBeHidden();
  await page.reload();
  await expect(app.stop('Kept all the same')).toBeVisible();
});
