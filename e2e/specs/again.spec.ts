import { writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { standInPatches } from '../fixtures/frames.js';
import { expect, test } from '../fixtures/test.js';

test('what worked where is found again, with the days of the same light, and kept', async ({ app }) => {
  const { page } = app;
  await app.room('Log');
  await page.getByRole('tab', { name: 'When again' }).click();
  const places = page.getByRole('list', { name: 'Places you photographed' }).getByRole('listitem');
  await expect(places).toHaveCount(6);
  const tannery = page.getByRole('listitem', { name: 'Tannery Front' });
  await expect(tannery.getByText('6 good of 7')).toBeVisible();
  await expect(tannery.getByText('f/8 1/500 ISO 200, 28 mm, focus 3.4 m')).toBeVisible();
  await expect(tannery.getByText(/^08:33, the sun 16° high in the SE, EV 15/)).toBeVisible();
  // In spring it is over since the day before yesterday; the sun stands there again in autumn, an hour of summer time later.
  await expect(tannery.getByText(/^Sun 3 October to Tue 12 October, best Fri 8 October at 09:09/)).toBeVisible({ timeout: 30_000 });

  await page.getByLabel('Picture', { exact: true }).selectOption({ label: 'Light pool' });
  await expect(places).toHaveCount(1);
  await page.getByLabel('Picture', { exact: true }).selectOption({ label: 'every picture' });
  await page.getByLabel('Name has').fill('WEIR');
  await expect(places).toHaveCount(1);
  await page.getByRole('button', { name: 'Save for another day' }).click();
  await expect(page.getByText('Saved under Returns.')).toBeVisible();
  await page.getByLabel('Name has').fill('nowhere');
  await expect(page.getByText('No place matches.')).toBeVisible();
  await page.goto('/walk/returns');
  await expect(page.getByRole('list', { name: 'Returns' }).getByText(/The light of Sat 6 March/)).toBeVisible();
});

test('a noise test: patches are read, the noisiest that one takes is shown, and becomes the ceiling', async ({ app }) => {
  test.slow();
  const { page } = app;
  const [low, middle, high] = standInPatches('100,800,6400') as [string, string, string];
  const notes = join(dirname(low), 'NOTES.JPG');
  writeFileSync(notes, 'no');
  await app.room('Log');
  await page.getByRole('tab', { name: 'Noise' }).click();
  await expect(page.getByRole('heading', { name: 'How noisy is Small body?' })).toBeVisible();
  const read = page.getByLabel('Photographs of a patch');
  await read.setInputFiles([low, high, notes]);
  const patches = page.getByRole('group', { name: 'The noisiest you still accept' }).getByRole('button');
  await expect(patches).toHaveCount(2);
  await expect(page.getByText('NOTES.JPG is no photograph that can be read here.')).toBeVisible();
  await read.setInputFiles([middle]);
  await expect(patches).toHaveCount(3);
  // 750 electrons and 3 of reading: 27.2 to 1, pixel by pixel as looked at.
  await expect(page.getByRole('button', { name: /^ISO 800, 27 to 1$/ })).toBeVisible();
  await expect(page.locator('rd-noise-page img')).toHaveCount(3);

  await page.getByRole('button', { name: /^ISO 800/ }).press('Enter');
  await expect(page.locator('.found')).toHaveText(/^\s*ISO 800\s+is where it falls to 27 to 1/);
  await page.getByRole('button', { name: 'Use it as the ceiling' }).click();
  await expect(page.getByText('Today’s ceiling: ISO 800.')).toBeVisible();
  await app.expectNumbers({ iso: '100–800' });
  await page.getByRole('button', { name: /^Undo: take the ISO ceiling of Small body from its patches/ }).click();
  await expect(page.getByText('Today’s ceiling: ISO 6400.')).toBeVisible();
  await app.expectStored();
  await app.reload();
  await expect(patches).toHaveCount(3);
});

test('the last pages of the log are swiped to on the phone, and tapped', async ({ app }) => {
  const { page } = app;
  await page.setViewportSize({ width: 390, height: 844 });
  await app.room('Log');
  for (const name of ['Noise', 'When again', 'Frames']) {
    await page.getByRole('tab', { name }).click();
    await expect(page.getByRole('tab', { name, selected: true })).toBeInViewport({ ratio: 1 });
  }
});
