import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { standInFrames, withoutExif } from '../fixtures/frames.js';
import { expect, test } from '../fixtures/test.js';

const tap = (page: Page, name: string | RegExp): Promise<void> => page.getByRole('button', { name, exact: true }).tap();

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test('a roll of film, by the thumb: frames on the walk, one afterwards, scans, and what was set', async ({ app }) => {
  test.slow();
  const { page } = app;
  await page.goto('/kit');
  await page.getByLabel('Film body is in the bag').check();
  await page.getByLabel('Grey 400 is in the bag').check();
  await page.goto('/now');
  await tap(page, 'Rehearse it with a simulated walker');
  const screen = page.locator('rd-on-the-walk');
  await expect(screen.getByRole('heading', { name: 'Tollard Stop', exact: true })).toBeVisible();

  // A film beside the digital body of the walk.
  const another = async (): Promise<void> => {
    await tap(page, 'Other');
    await tap(page, 'A frame of film');
  };
  await another();
  await tap(page, 'Grey 400');
  await expect(screen.getByText('Frame 1', { exact: true })).toBeVisible();
  await expect(screen.getByText('36 exposures, Grey 400 at 400')).toBeVisible();
  // Three taps: a stop wider than the card has it.
  const wider = page.getByRole('slider', { name: 'Aperture of this frame' });
  const before = (await wider.getAttribute('aria-valuetext')) as string;
  await tap(page, 'A wider aperture');
  await expect(wider).not.toHaveAttribute('aria-valuetext', before);
  const set = (await wider.getAttribute('aria-valuetext')) as string;
  await tap(page, 'Exposed');
  await expect(page.getByRole('button', { name: 'Undo: frame 1 at Tollard Stop' })).toBeVisible();
  await another();
  await expect(screen.getByText('Frame 2', { exact: true })).toBeVisible();
  await tap(page, 'Exposed');
  // A slip is taken back, and the counter with it.
  await tap(page, 'Undo: frame 2 at Tollard Stop');
  await another();
  await expect(screen.getByText('Frame 2', { exact: true })).toBeVisible();
  await tap(page, 'Exposed');
  await tap(page, 'Other');
  await tap(page, 'End the walk');

  await page.goto('/log/frames');
  await page.getByLabel('Walked on').selectOption({ index: 1 });
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  const group = sheet.getByRole('group', { name: 'Tollard Stop' });
  await expect(group.getByRole('option')).toHaveCount(2);
  // No file, no camera to be told of.
  await expect(page.getByRole('button', { name: 'Change', exact: true })).toHaveCount(0);
  await expect(group.getByRole('option').first()).toHaveAccessibleName(new RegExp(`^Frame 1, ${set.replace('/', '.')}`));

  // One more, afterwards, at another stop.
  await page.getByLabel('Next one at').selectOption({ label: 'Tannery Front' });
  await tap(page, 'Add frame 3');
  await expect(sheet.getByRole('group', { name: 'Tannery Front' }).first().getByRole('option')).toHaveCount(1);
  await app.fill('Time', '1/60');
  await app.fill('Exposed as', '800');
  await expect(page.locator('rd-frame-detail .numbers')).toHaveText(/1\/60 800/);

  // Scans go to the frames in the order in which one counts; what a camera made does not.
  const [first, second, third, own] = standInFrames(4).map((path) => readFileSync(path)) as [Buffer, Buffer, Buffer, Buffer];
  const file = (name: string, buffer: Buffer) => ({ name, mimeType: 'image/jpeg', buffer });
  await page
    .getByLabel('Photo files')
    .setInputFiles([
      file('scan 10.jpg', withoutExif(third)),
      file('scan 9.jpg', withoutExif(second)),
      file('scan 1.jpg', withoutExif(first)),
      file('DIGITAL.JPG', own),
    ]);
  await expect(page.getByText('4 frames read.')).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('3 of 36 here, 3 scanned')).toBeVisible();
  await expect(sheet.getByRole('option')).toHaveCount(4);
  await tap(page, 'Scans one on');
  await expect(page.getByText('The last frame has a scan already')).toBeVisible();
  // The same files again add nothing.
  await page.getByLabel('Photo files').setInputFiles([file('scan 9.jpg', withoutExif(second))]);
  await expect(page.getByText('0 frames read, 1 already there.')).toBeVisible();

  await app.expectStored();
  await app.reload();
  await expect(sheet.getByRole('option')).toHaveCount(4);
  await group.getByRole('option').first().tap();
  await expect(page.locator('rd-frame-detail img')).toBeVisible();
  await expect(page.locator('rd-frame-detail').getByText('Figures', { exact: true })).toBeVisible();
});
