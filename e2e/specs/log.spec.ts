import { mkdtempSync, readFileSync, truncateSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { expect, test } from '../fixtures/test.js';
import { standInFrames } from '../fixtures/frames.js';
import type { AppPage } from '../pages/app-page.js';

async function readFrames({ page }: AppPage, files: readonly string[]): Promise<void> {
  await page.getByLabel('Photo files').setInputFiles([...files]);
  await expect(page.getByText(/frames? read/)).toBeVisible({ timeout: 60_000 });
}

/** Bytes as a file of that name. */
const file = (name: string, bytes: Buffer): { name: string; mimeType: string; buffer: Buffer } => ({
  name,
  mimeType: 'image/jpeg',
  buffer: bytes,
});

test('the frames of a walk, from files to what they say of the cards, by keys', async ({ app }) => {
  test.slow();
  const { page } = app;
  // Three at each of the first three stops, by a clock that is an hour ahead.
  const files = standInFrames(9, 60);
  await app.room('Log');
  // The demo was walked a week ago; today's frames are a log of their own.
  await expect(page.getByText('48 frames, 48 of them in stays of the walk')).toBeVisible();
  await readFrames(app, files);
  await expect(page.getByLabel('Walked on').locator('option:checked')).toHaveText('Sat 13 March');
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  const frames = sheet.getByRole('option');
  // The clock is put right by the frames themselves.
  await expect(page.getByLabel('Clock corrected by')).toHaveValue('−1:00:00');
  await expect(page.getByText('9 frames, 9 of them in stays of the walk')).toBeVisible();
  await expect(sheet.getByRole('group', { name: 'Tollard Stop' }).getByRole('option')).toHaveCount(3);
  await page.getByLabel('Which body of yours').selectOption({ label: 'Small body' });

  await frames.first().click();
  await expect(page.getByText('Figures', { exact: true })).toBeVisible();
  // One frame whose time is known puts the clock right too: 5:41 it was, not 5:51.
  await app.fill('This frame was taken at', '05:51');
  await expect(page.getByLabel('Clock corrected by')).toHaveValue('−0:50:00');
  await app.fill('This frame was taken at', '05:41');
  await expect(page.getByLabel('Clock corrected by')).toHaveValue('−1:00:00');
  await sheet.focus();
  for (const key of ['7', '2', '7', '1']) await page.keyboard.press(key);
  const group = sheet.getByRole('group', { name: 'Tollard Stop' });
  await expect(group.getByText('good', { exact: true })).toHaveCount(2);
  await expect(group.getByText('subject moved', { exact: true })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(sheet.getByText('camera shake', { exact: true })).toHaveCount(0);

  // The one that was gone on to belongs to the stop behind; what is put there by hand stays there.
  await page.keyboard.press(']');
  await expect(sheet.getByRole('group', { name: 'Tannery Front' }).first().getByRole('option')).toHaveCount(4);
  await app.expectStored();
  await app.reload();
  await expect(sheet.getByRole('group', { name: 'Tannery Front' }).first().getByRole('option')).toHaveCount(4);
  await expect(page.locator('rd-kept-picture img').first()).toBeVisible();

  await page.getByRole('tab', { name: 'Against the card' }).click();
  await expect(page.getByText('1 of 3 missed.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Over 2 walks' }).getByText(/^16 of 45 missed/)).toBeVisible();
  const tollard = page.getByRole('article', { name: 'Tollard Stop' });
  await expect(tollard.getByText('3 frames, 2 good.')).toBeVisible();
  await expect(tollard.getByText(/The card predicted \d\.\d \(\d to \d by chance\)/)).toBeVisible();
  // Three frames that were exposed for different light say nothing of it.
  await expect(tollard.getByText(/\(3 frames, within .*\), but the frames differ too much to rely on\./)).toBeVisible();
  await expect(tollard.getByRole('button', { name: /^Correct this stop/ })).toHaveCount(0);
});

test('files that are no frames are refused in words, and the rest goes on', async ({ app }) => {
  test.slow();
  const { page } = app;
  const [whole] = standInFrames(1);
  const bytes = readFileSync(whole as string);
  await app.room('Log');
  await page
    .getByLabel('Photo files')
    .setInputFiles([
      file('EMPTY.JPG', Buffer.alloc(0)),
      file('NOTES.JPG', Buffer.from('not a picture at all')),
      file('TORN.JPG', bytes.subarray(0, 20_000)),
      file('WHOLE.JPG', bytes),
      file('NOISE.JPG', Buffer.from(Array.from({ length: 5000 }, (_, k) => (k * 7919) % 251))),
    ]);
  await expect(page.getByText('2 frames read, 4 files with a problem.')).toBeVisible({ timeout: 60_000 });
  const problems = page.getByRole('list', { name: 'What happened to single files' });
  await expect(problems.getByText('EMPTY.JPG is empty: 0 bytes.')).toBeVisible();
  await expect(problems.getByText('NOTES.JPG is no photograph that can be read here.')).toBeVisible();
  await expect(problems.getByText(/^TORN\.JPG .*: its camera data is kept\.$/)).toBeVisible();
  // The same again adds nothing.
  await page.getByLabel('Photo files').setInputFiles([file('WHOLE.JPG', bytes)]);
  await expect(page.getByText('0 frames read, 1 already there.')).toBeVisible();
});

test('a raw file is checked by its preview, and whatever is dropped with it is answered by name', async ({ app }) => {
  const { page } = app;
  const [whole] = standInFrames(1);
  const bytes = readFileSync(whole as string);
  await app.room('Log');
  // A directory without tags, raw data, the preview, more raw data.
  const raw = Buffer.concat([
    Buffer.from('II*\0\x08\0\0\0\0\0\0\0\0\0', 'latin1'),
    Buffer.alloc(5000, 7),
    bytes,
    Buffer.alloc(3000, 9),
  ]);
  const files = {
    'R1.NEF': raw,
    'CLIP.MP4': Buffer.alloc(2000, 3),
    'NOTES.TXT': Buffer.from('words'),
    'TOWN.OSM': Buffer.from('<osm/>'),
  };
  const dropped = await page.evaluateHandle(
    (all) => {
      const data = new DataTransfer();
      for (const [name, text] of all) data.items.add(new File([Uint8Array.from(atob(text), (one) => one.charCodeAt(0))], name));
      return data;
    },
    Object.entries(files).map(([name, one]) => [name, one.toString('base64')] as const),
  );
  await page.dispatchEvent('body', 'dragover', { dataTransfer: dropped });
  await page.dispatchEvent('body', 'drop', { dataTransfer: dropped });
  const told = page.getByRole('list', { name: 'What happened to single files' });
  await expect(told.getByText(/^R1\.NEF was checked by its preview of \d+ × \d+ pixels\.$/)).toBeVisible({ timeout: 60_000 });
  await expect(told.getByText('CLIP.MP4 is a video: only photos are read.')).toBeVisible();
  await expect(told.getByText('NOTES.TXT is not a photo or a map that can be read here.')).toBeVisible();
  await expect(told.getByText('TOWN.OSM is a map: drop it on its own.')).toBeVisible();
  // What the preview says of the camera is what the raw file says.
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  await sheet.getByRole('option', { name: /^R1\.NEF/ }).click();
  await expect(page.getByText('Figures', { exact: true })).toBeVisible();
  await expect(page.getByText('Made-up Body One').first()).toBeVisible();
});

test('a file of half a gigabyte and pictures that claim to be huge are refused in words, and nothing else suffers', async ({
  app,
}) => {
  test.slow();
  const { page } = app;
  const [whole] = standInFrames(1);
  const bytes = readFileSync(whole as string);
  const folder = mkdtempSync(join(tmpdir(), 'hostile-'));
  const at = (name: string): string => join(folder, name);
  // Sparse: half a gigabyte of nothing, and a frame with half a gigabyte behind it.
  writeFileSync(at('ZEROS.JPG'), '');
  truncateSync(at('ZEROS.JPG'), 500e6);
  writeFileSync(at('ENDLESS.JPG'), bytes);
  truncateSync(at('ENDLESS.JPG'), 500e6);
  // The frame says of itself that it is 65,000 by 65,000: its size stands five bytes behind the mark of the first frame header.
  const bomb = Buffer.from(bytes);
  const header = bomb.indexOf(Buffer.from([0xff, 0xc0]));
  bomb.writeUInt16BE(65_000, header + 5);
  bomb.writeUInt16BE(65_000, header + 7);
  writeFileSync(at('BOMB.JPG'), bomb);
  writeFileSync(at('WHOLE.JPG'), bytes);
  await app.room('Log');
  await page.getByLabel('Photo files').setInputFiles(['ZEROS.JPG', 'ENDLESS.JPG', 'BOMB.JPG', 'WHOLE.JPG'].map(at));
  await expect(page.getByText('3 frames read, 3 files with a problem.')).toBeVisible({ timeout: 90_000 });
  const problems = page.getByRole('list', { name: 'What happened to single files' });
  await expect(problems.getByText('ZEROS.JPG is no photograph that can be read here.')).toBeVisible();
  await expect(problems.getByText('ENDLESS.JPG is larger than 200 MB: its camera data is kept.')).toBeVisible();
  await expect(problems.getByText(/^BOMB\.JPG has 4225 megapixels; at most 120 are opened/)).toBeVisible();
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  await sheet.getByRole('option', { name: /^WHOLE/ }).click();
  await expect(page.getByText('Figures', { exact: true })).toBeVisible();
});

test('the demo’s earlier walk, and a walk without frames or without a walk', async ({ app }) => {
  const { page } = app;
  await app.room('Log');
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  await sheet.getByRole('option').first().click();
  // Its picture and what was measured in it are shipped.
  await expect(page.locator('rd-frame-detail img')).toBeVisible();
  await expect(page.getByText('Figures', { exact: true })).toBeVisible();
  // A table of them, with no place in it unless it is asked for.
  const saved = async (): Promise<string> => {
    const coming = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Table (CSV)', exact: true }).click();
    return readFileSync(await (await coming).path(), 'utf8');
  };
  const bare = await saved();
  expect([bare.trim().split('\r\n').length, bare.includes('Vessen Hall')]).toEqual([49, false]);
  await page.getByLabel('with the places').check();
  expect(await saved()).toContain('Vessen Hall');
  await page.getByRole('tab', { name: 'Against the card' }).click();
  await expect(page.getByText('15 of 42 missed.')).toBeVisible();
  await expect(page.getByText(/Subject moved: 7, 47 % of the misses\./)).toBeVisible();
  // What the frames say of the light goes to the stop, and back.
  const steps = page.getByRole('article', { name: 'Orrel Steps' });
  await steps.getByRole('button', { name: 'Correct this stop’s light by +⅓ EV' }).click();
  await expect(steps.getByRole('button', { name: /^Correct this stop/ })).toHaveCount(0);
  await page.getByRole('button', { name: /^Undo: change the light by its frames/ }).click();
  await expect(steps.getByRole('button', { name: /^Correct this stop/ })).toBeVisible();
  // What they would teach is shown as an example: invented frames never change anybody's figures.
  await page.getByRole('tab', { name: 'What they teach' }).click();
  const hands = page.getByRole('article', { name: 'Your hands' });
  await expect(hands.getByText(/from 42 handheld frames, 3 of them shaky\. Current setting: 0 stops\./)).toBeVisible();
  await expect(page.getByText(/^These are the demo’s invented frames/)).toBeVisible();
  await expect(page.getByRole('button', { name: 'Use this value' })).toHaveCount(0);

  await page.goto('/start');
  await page.getByLabel('Coordinates').fill('47.1, -31.5');
  await page.getByRole('button', { name: 'Start the walk' }).click();
  await expect(page.getByRole('heading', { name: 'My place has no stops yet' })).toBeVisible();
  await app.room('Log');
  await expect(page.getByRole('heading', { name: 'My place has no frames yet' })).toBeVisible();
  await expect(page.getByText('Nothing leaves this device')).toBeVisible();
  const [one] = standInFrames(1);
  await readFrames(app, [one as string]);
  await expect(sheet.getByRole('group', { name: 'Between the stops' }).getByRole('option')).toHaveCount(1);
  await page.getByRole('tab', { name: 'Against the card' }).click();
  await expect(page.getByText('Nothing to compare with the cards yet')).toBeVisible();
  // An address that names no walk means the one of last time.
  await page.goto('/walk');
  await expect(page.getByRole('heading', { name: 'My place has no stops yet' })).toBeVisible();
  await expect(page.getByText('Tollard Stop')).toHaveCount(0);
});
