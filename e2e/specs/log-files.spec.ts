import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Locator } from '@playwright/test';
import { unzipSync } from 'fflate';
import { AppPage } from '../pages/app-page.js';
import { standInFrames, withoutExif } from '../fixtures/frames.js';
import { expect, test } from '../fixtures/test.js';

async function saved({ page }: AppPage, button: string): Promise<Buffer> {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: button, exact: true }).click();
  return readFileSync(await (await coming).path());
}

const frames = ({ page }: AppPage): Locator => page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('option');

/** What exiftool reads of a file, as numbers. */
function tagsOf(path: string): Record<string, unknown> {
  const text = execFileSync('exiftool', ['-json', '-n', path], { encoding: 'utf8' });
  return (JSON.parse(text) as Record<string, unknown>[])[0] ?? {};
}

test('sidecars and the table are read by exiftool, and write scans; without places they say none', async ({ app }) => {
  const { page } = app;
  const folder = mkdtempSync(join(tmpdir(), 'log-files-'));
  await app.room('Log');
  await expect(frames(app).first()).toBeVisible();

  const bare = unzipSync(await saved(app, 'Sidecars (XMP)'));
  expect(Object.keys(bare)).toHaveLength(48);
  const xmp = join(folder, 'A0001.xmp');
  writeFileSync(xmp, bare['A0001.xmp'] as Uint8Array);
  const tags = tagsOf(xmp);
  expect(tags).toMatchObject({ FNumber: 8, ISO: 320, FocalLength: 35, Model: 'Made-up Body One', Rating: 5, Subject: 'good' });
  expect(tags['ExposureTime']).toBeCloseTo(1 / 500, 6);
  expect(tags['DateTimeOriginal']).toMatch(/^2027:03:06 08:/);
  expect([tags['Location'], tags['GPSLatitude']]).toEqual([undefined, undefined]);
  await page.getByLabel('with the places').check();
  const placed = unzipSync(await saved(app, 'Sidecars (XMP)'));
  writeFileSync(xmp, placed['A0001.xmp'] as Uint8Array);
  expect(tagsOf(xmp)['Location']).toBe('Tannery Front');

  // The table, written into a scan that knows nothing of itself.
  const [frame] = standInFrames(1);
  writeFileSync(join(folder, 'A0001.JPG'), withoutExif(readFileSync(frame as string)));
  writeFileSync(join(folder, 'frames.csv'), await saved(app, 'Table (CSV)'));
  execFileSync('exiftool', ['-q', '-csv=frames.csv', 'A0001.JPG'], { cwd: folder });
  const scan = tagsOf(join(folder, 'A0001.JPG'));
  expect(scan).toMatchObject({ FNumber: 8, ISO: 320, FocalLength: 35, LensModel: 'Made-up 28', Keywords: 'good' });
  expect(scan['ExposureTime']).toBeCloseTo(1 / 500, 6);

  // Decided elsewhere, and read back.
  const text = (await saved(app, 'Table (CSV)')).toString('utf8');
  const lines = text.split('\r\n').map((line) => (line.startsWith('A0001.JPG') ? line.replace(/good$/, 'noise') : line));
  await page
    .getByLabel('Table of frames')
    .setInputFiles({ name: 'decided.csv', mimeType: 'text/csv', buffer: Buffer.from(lines.join('\r\n')) });
  await expect(page.getByText('48 lines read, 1 frame changed.')).toBeVisible();
  await expect(frames(app).first()).toHaveAccessibleName(/noise$/);
  await page.getByRole('button', { name: /^Undo: read decided\.csv/ }).click();
  await expect(frames(app).first()).toHaveAccessibleName(/good$/);

  const map = JSON.parse((await saved(app, 'Map of them (GeoJSON)')).toString('utf8')) as { features: unknown[] };
  expect(map.features).toHaveLength(48);
});

test('a track puts frames on the way, and says how fast one walked', async ({ app }) => {
  const { page } = app;
  await app.room('Log');
  await expect(frames(app).first()).toBeVisible();
  const track = page.getByLabel('Track of the walk');
  await track.setInputFiles({ name: 'none.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from('<gpx></gpx>') });
  await expect(page.getByText('none.gpx has no track with times in it.')).toBeVisible();
  await track.setInputFiles({ name: 'torn.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from('<gpx><trk>') });
  await expect(page.getByText(/The file is not whole GPX/)).toBeVisible();

  // From half past eight in the town, an hour behind UTC, a point every ten seconds at 1.3 m/s: 13 m are 0.000117° to the north.
  const from = Date.parse('2027-03-06T09:20:00Z');
  const points = Array.from({ length: 360 }, (_, k) => {
    const time = new Date(from + k * 10_000).toISOString();
    return `<trkpt lat="${(46.1 + k * 0.000117).toFixed(6)}" lon="-20.5"><time>${time}</time></trkpt>`;
  });
  const gpx = `<gpx version="1.1"><trk><trkseg>${points.join('')}</trkseg></trk></gpx>`;
  await track.setInputFiles({ name: 'day.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from(gpx) });
  await expect(page.getByText(/^8 frames placed by the track\. You walked 4\.7 km in 60 min, stops not counted\.$/)).toBeVisible();
  await page.getByRole('button', { name: /^Undo: read the track day\.gpx/ }).click();
  await app.expectStored();
});

test('the archive takes the thumbnails along where they are asked for, and another browser has them', async ({ app, browser }) => {
  test.slow();
  const { page } = app;
  await app.room('Log');
  await page.getByLabel('Photo files').setInputFiles([standInFrames(1)[0] as string]);
  await expect(page.getByText('1 frame read.')).toBeVisible({ timeout: 60_000 });
  await app.expectStored();
  const exported = async (): Promise<Buffer> => {
    const dialog = await app.settings();
    const coming = page.waitForEvent('download');
    await dialog.getByRole('button', { name: 'Export everything' }).click();
    return readFileSync(await (await coming).path());
  };
  const small = await exported();
  await page.getByLabel('with the thumbnails').check();
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export everything' }).click();
  const large = readFileSync(await (await coming).path());
  const pictures = (text: Buffer): number => (JSON.parse(text.toString('utf8')) as { pictures?: unknown[] }).pictures?.length ?? 0;
  expect([pictures(small), pictures(large)]).toEqual([0, 1]);

  const other = await (await browser.newContext({ serviceWorkers: 'block' })).newPage();
  const there = new AppPage(other);
  await other.goto(page.url());
  await expect(other.getByRole('listbox', { name: 'Frames of the walk' })).toBeVisible({ timeout: 30_000 });
  await there.settings();
  await other.getByLabel('When importing').selectOption({ label: 'Replace all that is here' });
  await other.getByLabel('File to import').setInputFiles({ name: 'all.json', mimeType: 'application/json', buffer: large });
  await expect(other.getByText('imported:')).toBeVisible();
  await other.getByRole('button', { name: 'Close', exact: true }).last().click();
  await other.getByLabel('Walked on').selectOption({ index: 1 });
  await other.getByRole('option', { name: /^A0001/ }).click();
  await expect(other.locator('rd-frame-detail img')).toBeVisible();
  await expect(other.locator('rd-frame-detail').getByText('Figures', { exact: true })).toBeVisible();
  await other.context().close();
});
