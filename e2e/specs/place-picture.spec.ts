import { execFileSync } from 'node:child_process';
import { copyFileSync, mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { standInFrames } from '../fixtures/frames.js';
import { expect, test } from '../fixtures/test.js';

/** A frame of the made-up camera with a position, and the way it looked, as a phone writes them. */
function snapshotAt(name: string, latitude: number, longitude: number): string {
  const [frame] = standInFrames(1);
  const path = join(mkdtempSync(join(tmpdir(), 'places-')), name);
  copyFileSync(frame as string, path);
  const position = [`-GPSLatitude=${latitude}`, '-GPSLatitudeRef=N', `-GPSLongitude=${Math.abs(longitude)}`, '-GPSLongitudeRef=W'];
  const looks = ['-GPSImgDirection=214', '-GPSImgDirectionRef=T', '-DateTimeOriginal=2027:03:06 15:20:00'];
  execFileSync('exiftool', ['-q', '-overwrite_original', ...position, ...looks, path]);
  return path;
}

test('a snapshot becomes a stop where it was taken, looking as it looked, with its picture; and a return', async ({ app }) => {
  test.slow();
  const { page } = app;
  await page.goto('/walk');
  await app.expectStops(8);
  const taken = snapshotAt('behind the mill.jpg', 46.501, -20.701);
  const add = page.getByLabel('Picture of a place');
  await add.setInputFiles(snapshotAt('far away.jpg', 40, -3));
  await expect(page.getByText(/far away\.jpg was taken \d+ km from Sluice to arcade: keep it in Returns/)).toBeVisible();
  await add.setInputFiles(taken);
  await app.expectStops(9);
  await page.getByRole('tab', { name: 'Plan' }).click();
  await expect(page.getByRole('heading', { name: 'behind the mill', level: 2 }).first()).toBeVisible();
  await expect(page.getByRole('button', { name: /behind the mill/ }).first()).toContainText('15:20');
  await expect(page.locator('rd-kept-picture img').first()).toBeVisible();
  await page.getByRole('button', { name: /^Undo: add behind the mill/ }).click();
  await app.expectStops(8);
  // Its picture is there as long as the stop may come back, and no longer.
  expect(await app.keptPictures()).toBe(1);
  await app.expectStored();

  await page.goto('/walk/returns');
  await page.getByLabel('Snapshots').setInputFiles(taken);
  const list = page.getByRole('list', { name: 'Returns' });
  await expect(list.getByText(/The light of Sat 6 March, 15:20/)).toBeVisible({ timeout: 30_000 });
  await expect(list.locator('rd-kept-picture img')).toBeVisible();
  await page.getByLabel('What was wrong').fill('Too early, wrong lens');
  await app.expectStored();
  expect(await app.keptPictures()).toBe(1);
  await app.reload();
  await expect(list.locator('rd-kept-picture img')).toBeVisible();
  await expect(page.getByLabel('What was wrong')).toHaveValue('Too early, wrong lens');
});
