import { expect, test } from '../fixtures/test.js';
import { manyFrames } from '../fixtures/frames.js';

test('two thousand frames: on screen while they are read, gone through by keys, and there again', async ({ app }) => {
  test.slow();
  const { page } = app;
  await app.room('Log');
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  await expect(sheet.getByRole('option').first()).toBeVisible();
  await page.getByLabel('Photo files').setInputFiles([...manyFrames(2000)]);
  // The first are there while the others are still read.
  await expect(page.getByText(/^(Reading|Checking) \d+ of 2000$/)).toBeVisible();
  await expect(page.getByLabel('Walked on').locator('option:checked')).toHaveText('Sat 13 March', { timeout: 30_000 });
  await expect(page.getByText(/^Checking \d+ of 2000$/)).toBeVisible({ timeout: 120_000 });
  await page.getByRole('button', { name: 'Stop', exact: true }).click();
  await expect(page.getByText('2000 frames read.')).toBeVisible();
  await expect(page.getByText('2000 frames, ')).toBeVisible();
  // Only what is in view is drawn.
  expect(await sheet.getByRole('option').count()).toBeLessThan(120);

  await sheet.focus();
  await page.keyboard.press('End');
  const chosen = sheet.getByRole('option', { selected: true });
  await expect(chosen).toHaveCount(1);
  await expect(chosen).toBeInViewport();
  await page.keyboard.press('6');
  await expect(chosen).toHaveAccessibleName(/noise$/);
  await page.keyboard.press('Home');
  await expect(chosen).toHaveCount(1);
  await expect(chosen).toBeInViewport();
  await expect(chosen).not.toHaveAccessibleName(/noise$/);
  await app.expectStored();
  await app.reload();
  await page.getByLabel('Walked on').selectOption({ label: 'Sat 13 March' });
  await expect(page.getByText('2000 frames, ')).toBeVisible();
});

test('frames of another year lie between the stops, and say so', async ({ app }) => {
  const { page } = app;
  await app.room('Log');
  await page.getByLabel('Photo files').setInputFiles([...manyFrames(3, '2019:07:01')]);
  await expect(page.getByText('3 frames read.')).toBeVisible({ timeout: 60_000 });
  const between = page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('group', { name: 'Between the stops' });
  // What was taken in and measured goes in one step, and comes back as it was.
  const all = page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('option');
  await expect(page.getByText(/^Checking/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo: read 3 frames' }).click();
  await expect(all).toHaveCount(0);
  await page.getByRole('button', { name: 'Redo: read 3 frames' }).click();
  // So far off no clock is: nothing is proposed that would put them into stays.
  await expect(between.getByRole('option')).toHaveCount(3);
  await expect(page.getByText('3 frames, 0 of them in stays of the walk')).toBeVisible();
  // Put to a stop by hand they belong there.
  await between.getByRole('option').first().click();
  await page.keyboard.press('[');
  await expect(between.getByRole('option')).toHaveCount(2);
});

test('frames of another day of the walk are offered to it, moved there, and back', async ({ app }) => {
  const { page } = app;
  // Nobody's frames were taken on the demo's walk: nothing is offered for it, and a copy of it is somebody's own.
  await app.room('Log');
  await page.getByLabel('Photo files').setInputFiles([...manyFrames(3, '2027:03:20')]);
  await expect(page.getByText('3 frames read.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText(/^Checking/)).toHaveCount(0);
  await expect(page.getByText(/lie in the stays of/)).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo: read 3 frames' }).click();
  await page.getByRole('button', { name: /^Walk: Sluice to arcade\. Change/ }).click();
  await page.getByRole('menuitem', { name: 'Duplicate this walk' }).click();
  await app.room('Log');
  // At 6:20, 10:20 and 14:20 of the Saturday after the walk's: two of them when it stays somewhere.
  await page.getByLabel('Photo files').setInputFiles([...manyFrames(3, '2027:03:20')]);
  await expect(page.getByText('3 frames read.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('2 of 3 lie in the stays of Sluice to arcade (copy), Sat 20 March 2027.')).toBeVisible();
  await page.getByRole('button', { name: 'Move 3 there' }).click();
  await expect(page.getByText('3 frames moved to Sluice to arcade (copy), Sat 20 March 2027')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByLabel('Walked on').locator('option:checked')).toHaveText('Sat 20 March');
  await expect(page.getByText('3 frames, 2 of them in stays of the walk')).toBeVisible();
  // Its cards are those of that day, and frames are held against them.
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  await expect(sheet.getByRole('group', { name: 'Quenmill Sluice' }).getByRole('option')).toHaveCount(1);
  await expect(page.getByText('Without frames')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: move 3 frames/ }).click();
  await expect(page.getByRole('heading', { name: 'Sluice to arcade (copy) has no frames yet' })).toBeVisible();
  await page.getByLabel('Walked on').selectOption({ label: 'Sat 13 March' });
  await expect(sheet.getByRole('group', { name: 'Between the stops' }).getByRole('option')).toHaveCount(3);
});
