import type { Page } from '@playwright/test';
import { dropFile, QUARTER, tapPlan } from '../fixtures/own-map.js';
import { expect, test } from '../fixtures/test.js';

/** The picture's bytes in short: another light gives another. */
async function shown(page: Page): Promise<string> {
  const canvas = page.locator('rd-sight-picture canvas');
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
        .poll(() => page.locator('rd-sight-picture canvas').evaluate((element) => (element as HTMLCanvasElement).width))
        .toBe(240);
      pictures.push(await shown(page));
    }
    await ofSight(page, /façades, clothes, lamps and lit windows are made up/);

    const tilt = page.getByRole('slider', { name: 'Tilt of the camera' });
    await tilt.focus();
    await page.keyboard.press('PageUp');
    await page.keyboard.press('ArrowUp');
    await expect(tilt).toHaveAttribute('aria-valuetext', /^6°\. Uprights lean together/);
    await expect(page.locator('rd-light-sight').getByLabel('Tilt', { exact: true })).toHaveValue('6');
    await page.getByRole('button', { name: 'Back to the stop’s own frame' }).click();
    await expect(tilt).toHaveAttribute('aria-valuetext', /^0°\. Level/);
    for (const name of ['Upright', 'Somebody there', 'What comes out white or black', 'Larger']) {
      const one = page.getByRole('switch', { name });
      const was = await one.isChecked();
      await one.focus();
      await page.keyboard.press('Space');
      await expect(one).toBeChecked({ checked: !was });
    }
    await expect(page.locator('rd-light-sight')).not.toContainText('Behind the person');
  });
});
