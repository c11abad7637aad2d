import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, join } from 'node:path';
import { execFileSync } from 'node:child_process';
import { unzipSync } from 'fflate';
import { expect, test } from '../fixtures/test.js';
import { type Place, placeOf, realFiles, tagsOf } from '../fixtures/real-files.js';
import type { AppPage } from '../pages/app-page.js';

/** Two corners of a town of nobody's demo, 400 m apart. */
const CORNERS: readonly Place[] = [
  { latitude: 38.5312, longitude: -28.6271 },
  { latitude: 38.5348, longitude: -28.6271 },
];
const DAY = '2026-11-28';

async function ownWalk(app: AppPage): Promise<void> {
  const { page } = app;
  await app.spine.getByRole('button', { name: 'Start your own walk' }).click();
  await page.getByLabel('Coordinates').fill('38.5330, -28.6271');
  await page.getByRole('button', { name: 'Next Saturday, 28 November' }).click();
  await page.getByRole('button', { name: 'Start the walk' }).click();
  await page.getByRole('button', { name: 'Add the first stop' }).click();
  for (const [k, { latitude, longitude }] of CORNERS.entries()) {
    if (k > 0) await app.spine.getByRole('button', { name: 'Add a stop' }).click();
    await app.fill('Name of the stop', `Corner ${k + 1}`);
    // The walk has coordinates of its own.
    const stop = page.locator('rd-stop-editor');
    await stop.getByRole('checkbox', { name: 'It has a position' }).check();
    for (const [label, degrees] of Object.entries({ Latitude: latitude, Longitude: longitude })) {
      await stop.getByLabel(label, { exact: true }).fill(String(degrees));
      await stop.getByLabel(label, { exact: true }).press('Enter');
    }
  }
  await app.expectStops(2);
}

async function drop({ page }: AppPage, paths: readonly string[]): Promise<void> {
  const all = paths.map((path) => [basename(path), readFileSync(path).toString('base64')] as const);
  const dropped = await page.evaluateHandle((files) => {
    const data = new DataTransfer();
    for (const [name, text] of files) data.items.add(new File([Uint8Array.from(atob(text), (one) => one.charCodeAt(0))], name));
    return data;
  }, all);
  await page.dispatchEvent('body', 'dragover', { dataTransfer: dropped });
  await page.dispatchEvent('body', 'drop', { dataTransfer: dropped });
}

interface SheetFrame {
  readonly group: string;
  readonly label: string;
}

/** Every frame of the sheet, which draws only the lines in view: read as one scrolls from its top to its end. */
async function sheetFrames({ page }: AppPage): Promise<readonly SheetFrame[]> {
  const frames = new Map<string, SheetFrame>();
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  for (let at = 0; ; at += 120) {
    const end = await sheet.evaluate((element, top) => {
      element.scrollTop = top;
      return element.scrollHeight - element.clientHeight;
    }, at);
    await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => requestAnimationFrame(done))));
    const inView = await sheet.getByRole('option').evaluateAll((options) =>
      options.map((option) => ({
        id: option.id,
        label: option.getAttribute('aria-label') ?? '',
        group: option.closest('[role=group]')?.getAttribute('aria-label') ?? '',
      })),
    );
    for (const { id, ...frame } of inView) frames.set(id, frame);
    if (at >= end) return [...frames.values()];
  }
}

async function saved({ page }: AppPage, button: string): Promise<Buffer> {
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: button, exact: true }).click();
  return readFileSync(await (await coming).path());
}

const FACTS = ['Make', 'Model', 'LensModel', 'FNumber', 'ISO', 'FocalLength'] as const;

/** Every fact of a file as another reader has it, of what was written beside it: the same words, and numbers to a hundredth. */
function expectSame(written: Record<string, unknown>, original: Record<string, unknown>, name: string): void {
  const of = (tags: Record<string, unknown>) => ({
    ...Object.fromEntries(FACTS.map((fact) => [fact, tags[fact]])),
    DateTimeOriginal: String(tags['DateTimeOriginal']).slice(0, 19),
  });
  expect({ name, ...of(written) }).toEqual({ name, ...of(original) });
  for (const fact of ['ExposureTime', 'ExposureCompensation', 'GPSLatitude', 'GPSLongitude']) {
    const its = original[fact];
    if (its === undefined) expect([name, fact, written[fact]]).toEqual([name, fact, undefined]);
    else expect(Math.abs(Number(written[fact]) - Number(its)), `${name} ${fact}`).toBeLessThan(0.01 * Math.abs(Number(its)) + 1e-6);
  }
}

test('forty files of a card, dropped on a walk of one’s own: sorted, judged, corrected, written out and read back', async ({
  app,
}) => {
  test.setTimeout(240_000);
  const { page } = app;
  await ownWalk(app);
  const paths = await realFiles(DAY, CORNERS);
  expect(paths).toHaveLength(40);
  await drop(app, paths);

  // Each is answered by name: taken, or why not.
  await expect(page.getByText('36 frames read, 5 files with a problem.')).toBeVisible({ timeout: 180_000 });
  const told = page.getByRole('list', { name: 'What happened to single files' });
  await told.getByRole('button', { name: /^Show \d+ more$/ }).click();
  await expect(told.getByRole('listitem')).toHaveText([
    'S4.MP4 is a video: only photos are read.',
    'S6.TXT is not a photo or a map that can be read here.',
    'S3.JPG is empty: 0 bytes.',
    'S5.JPG is no photograph that can be read here.',
    /^S2\.JPG .*: its camera data is kept\.$/,
    /^S1\.NEF was checked by its preview of \d+ × \d+ pixels\.$/,
  ]);

  // Each second one says where it was taken: it stands there.
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  const frames = await sheetFrames(app);
  expect(frames).toHaveLength(36);
  const where = (k: number) => frames.find(({ label }) => label.startsWith(`R${String(k + 1).padStart(2, '0')}.`))?.group;
  for (let k = 0; k < 34; k += 2) expect([k, where(k)]).toEqual([k, `Corner ${placeOf(k) + 1}`]);
  // All but the broken one are judged, and most are told, though their tags say nothing of what was done to the pictures.
  const ends = (word: string) => frames.filter(({ label }) => label.endsWith(word)).length;
  expect([ends('?') + ends('cannot tell'), ends('undecided')]).toEqual([35, 1]);
  expect(ends('?')).toBeGreaterThan(24);
  await sheet.evaluate((element) => (element.scrollTop = 0));
  await page.getByRole('option', { name: /^R01\.JPG/ }).click();
  await expect(page.getByText('Figures', { exact: true })).toBeVisible();
  await sheet.focus();
  for (const key of ['7', '1', '3']) await page.keyboard.press(key);
  await expect(sheet.getByText('missed focus', { exact: true })).toBeVisible();
  await app.expectStored();
  await app.reload();
  await expect(sheet.getByText('missed focus', { exact: true })).toBeVisible();

  // Written out, and read by a program that knows nothing of this one.
  await page.getByLabel('with the places').check();
  const folder = mkdtempSync(join(tmpdir(), 'written-'));
  const sidecars = unzipSync(await saved(app, 'Sidecars (XMP)'));
  const table = await saved(app, 'Table (CSV)');
  const pictures = paths.slice(0, 34);
  for (const path of pictures) {
    const name = basename(path);
    const xmp = join(folder, `${name.replace(/\.\w+$/, '')}.xmp`);
    writeFileSync(xmp, sidecars[basename(xmp)] as Uint8Array);
    expectSame(tagsOf(xmp), tagsOf(path), name);
  }
  // The table, written by that program into files that say nothing of themselves.
  writeFileSync(join(folder, 'frames.csv'), table);
  for (const path of pictures) writeFileSync(join(folder, basename(path)), readFileSync(path));
  execFileSync('exiftool', ['-q', '-all=', '-overwrite_original', ...pictures.map((path) => basename(path))], { cwd: folder });
  execFileSync('exiftool', ['-q', '-overwrite_original', '-csv=frames.csv', ...pictures.map((path) => basename(path))], {
    cwd: folder,
  });
  for (const path of pictures) expectSame(tagsOf(join(folder, basename(path))), tagsOf(path), basename(path));
});
