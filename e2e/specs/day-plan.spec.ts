import { expect, test } from '../fixtures/test.js';
import type { Page } from '@playwright/test';

/** The stops that are on the walk, in the spine's order. */
const order = (page: Page) => page.locator('rd-spine .stop:not(.aside) .name').allInnerTexts();

async function plan(page: Page): Promise<void> {
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText(/^Expect \d\.\d pictures/)).toBeVisible({ timeout: 120_000 });
}

test.describe('the day’s plan', () => {
  test('orders and times the demo, tells what does not fit and fits it in, and is undone', async ({ app }) => {
    const { page } = app;
    const before = await order(page);
    await plan(page);
    await expect(page.getByText('the best plan, to the minute')).toBeVisible();
    const planned = await order(page);
    expect(planned).not.toEqual(before);
    expect(planned).toHaveLength(7);
    const misfit = page.getByRole('list', { name: 'What does not fit' }).getByRole('listitem');
    await expect(misfit).toHaveCount(1);
    await expect(misfit).toContainText('fits, but costs');
    await expect(page.locator('rd-spine .aside')).toContainText('not today');

    await misfit.getByRole('button', { name: 'Fit it in' }).click();
    await expect.poll(() => order(page)).toHaveLength(8);
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect.poll(() => order(page)).toEqual(planned);
    await page.getByRole('button', { name: 'Undo' }).first().click();
    await expect.poll(() => order(page)).toEqual(before);
  });

  test('keeps an order of one’s own, and says what it loses', async ({ app }) => {
    const { page } = app;
    const before = await order(page);
    await page.getByRole('button', { name: 'Keep my order' }).click();
    await expect(page.getByText(/Your order brings \d\.\d pictures/)).toBeVisible({ timeout: 120_000 });
    const kept = await order(page);
    expect(kept).toEqual(before.filter((name) => kept.includes(name)));
  });

  test('answers a drag at once in pictures, and plans the rest round it', async ({ app }) => {
    const { page } = app;
    await plan(page);
    await app.choose('Orrel Steps');
    await expect(page.getByText(/\d+ % chance of the picture at Orrel Steps/)).toBeVisible();
    const arrive = page.getByRole('slider', { name: 'Arrive at Orrel Steps' });
    const circle = await arrive.locator('circle').boundingBox();
    if (circle === null) throw new Error('no handle');
    const [x, y] = [circle.x + circle.width / 2, circle.y + circle.height / 2];
    await page.mouse.move(x, y);
    await page.mouse.down();
    await page.mouse.move(x + 45, y, { steps: 5 });
    await expect(
      page.getByText(/Orrel Steps from \d\d:\d\d: \d\.\d+ pictures less, with the others planned around it/),
    ).toBeVisible();
    await page.mouse.up();
    const at = await arrive.getAttribute('aria-valuetext');
    await page.getByRole('button', { name: 'Plan the rest around Orrel Steps' }).click();
    await expect(page.getByText(/Planned for \d\.\d pictures/).last()).toBeVisible({ timeout: 120_000 });
    await expect(arrive).toHaveAttribute('aria-valuetext', at ?? '');
  });

  test('is one page to go through before setting off, kept and ready for paper', async ({ app }) => {
    const { page } = app;
    await page.getByRole('tab', { name: 'Before setting off' }).click();
    const rows = page.getByRole('table', { name: 'The day' }).getByRole('row');
    await expect(rows).toHaveCount(9);
    await expect(rows.filter({ hasText: 'Orrel Steps' })).toContainText('Worn treads');
    await expect(page.getByText(/Sun up \d\d:\d\d, down \d\d:\d\d/)).toBeVisible();
    const boxes = page.getByRole('checkbox');
    await expect(boxes.first()).toBeVisible();
    await boxes.first().check();
    await page.getByLabel('Ways home').fill('Last tram 23:40');
    await page.keyboard.press('Tab');
    await app.reload();
    await expect(page.getByLabel('Ways home')).toHaveValue('Last tram 23:40');
    await expect(boxes.first()).toBeChecked();
    await page.emulateMedia({ media: 'print' });
    await expect(page.getByRole('button', { name: 'Print this page' })).toBeHidden();
    await expect(app.card).toBeHidden();
    await expect(rows.filter({ hasText: 'Long Arcade' })).toBeVisible();
  });

  test('has room for a meal, drawn on the chart and moved by keys', async ({ app }) => {
    const { page } = app;
    await app.editWalk();
    await page.getByRole('button', { name: 'Add a meal' }).click();
    await plan(page);
    const lunch = page.getByRole('slider', { name: 'Lunch at' });
    const at = Number(await lunch.getAttribute('aria-valuenow'));
    expect(at).toBeGreaterThanOrEqual(690);
    expect(at).toBeLessThanOrEqual(840);
    await lunch.focus();
    await page.keyboard.press('ArrowRight');
    await expect(lunch).not.toHaveAttribute('aria-valuenow', String(at));
  });
});
