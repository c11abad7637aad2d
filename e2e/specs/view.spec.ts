import type { Page } from '@playwright/test';
import { dropFile, QUARTER, tapPlan } from '../fixtures/own-map.js';
import { expect, test } from '../fixtures/test.js';

/** The picture's bytes in short: another light gives another. */
async function shown(page: Page): Promise<string> {
  const canvas = page.locator('rd-light-sight rd-sight-picture canvas');
  return canvas.evaluate((element) => (element as HTMLCanvasElement).toDataURL().slice(-4000));
}
const ofSight = (page: Page, text: RegExp) => expect(page.locator('rd-light-sight')).toContainText(text, { timeout: 30_000 });

test('the demo’s pool, and the sun that stands in the lane, are seen where the card has them', async ({ app }) => {
  const { page } = app;
  await app.open('/light/view?walk=demo-walk&stop=orrel&t=15:10');
  await ofSight(page, /Sunlit ground 3\.\d to 7\.\d m ahead/);
  await expect(page.getByRole('img', { name: /^Orrel Steps at 15:10, as the frame sees it\. Sunlit ground/ })).toBeVisible();
  await expect(page.getByText('The sun is in the frame')).toBeHidden();
  await app.open('/light/view?walk=demo-walk&stop=causey&t=17:05');
  await ofSight(page, /The sun is in the frame: look at the screen/);
  // At rest it is drawn once more, finer.
  await expect.poll(() => page.locator('rd-light-sight rd-sight-picture canvas').getAttribute('width')).toBe('240');
  const before = await shown(page);
  await page.keyboard.press('n');
  await page.getByRole('switch', { name: 'At its own brightness' }).click();
  await expect(page.getByRole('switch', { name: 'At its own brightness' })).toBeChecked();
  expect(await shown(page)).toBe(before);
});

test.describe('a view of one’s own', () => {
  test.use({ hasMeasured: false });

  test('from an empty browser: three hours give three pictures, and keys go through tilt and switches', async ({ app }) => {
    const { page } = app;
    await dropFile(page, QUARTER, 'quarter.osm');
    await page.getByRole('button', { name: 'Next Saturday, 28 November' }).click();
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Another camera…' });
    await page.getByLabel('Focal length').fill('35');
    await page.getByRole('button', { name: 'Start the walk' }).click();
    await tapPlan(page, 0, 40);
    await expect(app.card.getByRole('heading', { name: 'First stop' })).toBeVisible();
    await page.getByRole('tab', { name: 'View' }).click();
    const pictures: string[] = [];
    for (const time of ['9:00', '12:30', '20:00']) {
      await app.fill('Time', time);
      await ofSight(page, /Sky: \d+ %|No sky in the frame/);
      await expect.poll(async () => pictures.includes(await shown(page)), { timeout: 20_000 }).toBe(false);
      await expect(page.getByRole('img', { name: new RegExp(`at ${time.padStart(5, '0')}, as the frame sees it`) })).toBeVisible();
      // At rest it is drawn once more, finer.
      await expect
        .poll(() =>
          page.locator('rd-light-sight rd-sight-picture canvas').evaluate((element) => (element as HTMLCanvasElement).width),
        )
        .toBe(240);
      pictures.push(await shown(page));
    }
    await ofSight(page, /façades, clothes, lamps and lit windows are made up/);

    const tilt = page.getByRole('slider', { name: 'Tilt of the camera' });
    await tilt.focus();
    await page.keyboard.press('PageUp');
    await page.keyboard.press('ArrowUp');
    await expect(tilt).toHaveAttribute('aria-valuetext', /^6°, facing \d+°\. Uprights lean together/);
    await expect(page.locator('rd-light-sight').getByLabel('Tilt', { exact: true })).toHaveValue('6');
    await page.getByRole('button', { name: 'Back to the stop’s own frame' }).click();
    await expect(tilt).toHaveAttribute('aria-valuetext', /^0°, facing \d+°\. Level/);
    const facing = page.locator('rd-light-sight').getByLabel('Facing', { exact: true });
    const was = Number(await facing.inputValue());
    await tilt.focus();
    await page.keyboard.press('End');
    await page.keyboard.press('ArrowLeft');
    await expect(facing).toHaveValue(String((was + 9) % 360));
    await page.getByRole('button', { name: 'Let the stop face this way' }).click();
    await expect(page.getByRole('button', { name: 'Back to the stop’s own frame' })).toBeHidden();
    await expect(app.card).toContainText(`Facing ${(was + 9) % 360}°`);
    await page.getByLabel('Pattern drawn on it').selectOption({ label: 'spot' });
    await ofSight(page, /It reads EV -?\d/);
    for (const name of [
      'Upright',
      'Somebody there',
      'What it is about, outlined',
      'What comes out white or black',
      'As the card takes it',
      'Larger',
    ]) {
      const one = page.getByRole('switch', { name });
      const was = await one.isChecked();
      await one.focus();
      await page.keyboard.press('Space');
      await expect(one).toBeChecked({ checked: !was });
    }
    await expect(page.locator('rd-light-sight')).not.toContainText('Behind the person');
  });
});

test('the walk reads as a strip of pictures, and a stop’s follows its arrival', async ({ app }) => {
  const { page } = app;
  await app.open('/walk?walk=demo-walk&stop=orrel&t=15:10');
  const strip = page.getByRole('list', { name: 'The walk in pictures, each stop at its arrival' });
  await expect(strip.getByRole('listitem')).toHaveCount(8, { timeout: 60_000 });
  const canvas = strip.getByRole('button', { name: 'Orrel Steps at 14:50' }).locator('canvas');
  await expect(canvas).toHaveAttribute('aria-label', /Sunlit ground 3\.\d to 6/);
  await app.fill('Arrive', '10:00');
  const moved = strip.getByRole('button', { name: 'Orrel Steps at 10:00' }).locator('canvas');
  await expect(moved).toHaveAttribute('aria-label', /No sunlit ground in the frame/, { timeout: 30_000 });
  await strip.getByRole('button', { name: 'Weir Rail at 17:35' }).click();
  await expect(app.card.getByRole('heading', { name: 'Weir Rail' })).toBeVisible();
});

test('the card’s meter row is what the bench finds on the stop’s own frame, and the card shows it as it takes it', async ({
  app,
}) => {
  const { page } = app;
  await app.open('/meter/bench?walk=demo-walk&stop=orrel&t=15:10');
  const compensation = page.getByRole('status', { name: 'Compensation' });
  await expect(compensation).toContainText('to dial');
  await expect(page.getByLabel('It is about')).toContainText('light in the pool', { timeout: 30_000 });
  const own = await app.number('meter').textContent();
  expect(own).toMatch(/^[−+]\d/);
  await expect(compensation.locator('b')).toHaveText(own ?? '');
  const before = await app.card.locator('canvas').evaluate((element) => (element as HTMLCanvasElement).toDataURL());
  await app.card.getByRole('button', { name: 'Look at what the frame will see' }).click();
  await app.card.getByRole('radio', { name: 'Camera alone' }).click();
  const now = () => app.card.locator('canvas').evaluate((element) => (element as HTMLCanvasElement).toDataURL());
  await expect.poll(now).not.toBe(before);
});

test.describe('a view in the hand, without a network', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, serviceWorkers: 'allow' });

  test('is a tap from the card, and follows the time', async ({ app, context }) => {
    const { page } = app;
    await app.untilPrefetched();
    await app.open('/card?walk=demo-walk&stop=orrel&t=15:10');
    await page.getByRole('button', { name: 'Look at what the frame will see' }).tap();
    await expect(page.getByText('Turn until it looks like this.')).toBeVisible();
    await context.setOffline(true);
    const picture = page.getByRole('img', { name: /^Orrel Steps, as the frame sees it/ });
    await expect(picture).toHaveAttribute('aria-label', /Sunlit ground/);
    const before = await picture.evaluate((element) => (element as HTMLCanvasElement).toDataURL());
    for (let k = 0; k < 4; k++) await page.getByRole('button', { name: 'Five minutes later' }).tap();
    await expect.poll(() => picture.evaluate((element) => (element as HTMLCanvasElement).toDataURL())).not.toBe(before);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  });
});
