import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures/test.js';

/** Tabs until the focus is on what is wanted; the way there is part of the test. */
async function tabTo(page: Page, name: RegExp, most = 160): Promise<void> {
  for (let k = 0; k < most; k++) {
    await page.keyboard.press('Tab');
    const label = await page.evaluate(() => {
      const one = document.activeElement;
      const labelled =
        one instanceof HTMLInputElement || one instanceof HTMLSelectElement || one instanceof HTMLTextAreaElement
          ? (one.labels?.[0]?.textContent ?? '')
          : '';
      return (one?.getAttribute('aria-label') ?? labelled) || (one?.textContent ?? '');
    });
    if (name.test(label.trim())) return;
  }
  throw new Error(`Tab does not reach ${String(name)}`);
}

test('a walk from nothing to its card by keyboard alone', async ({ app }) => {
  const { page } = app;
  await tabTo(page, /^Start your own walk$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Start a walk' })).toBeFocused();
  await tabTo(page, /^Start the walk$/);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'New walk has no stops yet' })).toBeVisible();
  await page.keyboard.press('a');
  await expect(app.field('Name of the stop')).toBeFocused();
  await page.keyboard.type('By the well');
  await tabTo(page, /^Intent$/);
  // One letter: on a slow machine a select takes the second for another word's first.
  await page.keyboard.press('L');
  await tabTo(page, /^Arrive$/);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('1510');
  await page.keyboard.press('Enter');
  await tabTo(page, /^From$/);
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(app.stop('By the well')).toContainText('15:10');
  await expect(app.stop('By the well')).toContainText('Light pool');
  await expect(app.field('From')).toHaveValue('2.2 m');
  await expect(app.number('aperture')).toHaveText(/^f\//);
  await expect(app.number('meter')).toHaveText(/^−1/);
});

test('a lens from the menu to its fields by keyboard alone', async ({ app }) => {
  const { page } = app;
  await expect(app.number('aperture')).toHaveText(/^f\//);
  await page.keyboard.press('k');
  await expect(page.getByRole('heading', { level: 1, name: 'Kit' })).toBeFocused();
  await page.keyboard.press('Tab');
  await expect(page.getByRole('button', { name: 'Add…' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('menuitem', { name: 'A body' })).toBeFocused();
  await page.keyboard.press('ArrowDown');
  await expect(page.getByRole('menuitem', { name: 'A lens' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(app.field('Name')).toHaveValue('New lens');
  await expect(app.field('Name')).toBeFocused();
  await page.keyboard.type('By keys');
  await tabTo(page, /^Widest aperture$/);
  await page.keyboard.press('Control+a');
  await page.keyboard.type('1.4');
  await page.keyboard.press('Tab');
  await expect(app.field('Widest aperture')).toHaveValue('f/1.4');
  await expect(page.getByRole('button', { name: 'By keys', exact: true })).toBeVisible();
  await tabTo(page, /^Clicks in$/);
  await page.keyboard.type('halves');
  await expect(app.field('Clicks in')).toHaveValue('half');
});

test('stops are reordered with Alt and arrows, and undone with Ctrl Z', async ({ app }) => {
  const { page } = app;
  const before = await app.stopNames();
  await app.stop('Quenmill Sluice').focus();
  await page.keyboard.press('Alt+ArrowUp');
  await expect.poll(() => app.stopNames()).toEqual(['Quenmill Sluice', 'Tollard Stop', ...before.slice(2)]);
  await page.keyboard.press('Control+z');
  await expect.poll(() => app.stopNames()).toEqual(before);
  await page.keyboard.press('Control+Shift+z');
  await expect.poll(() => app.stopNames()).toEqual(['Quenmill Sluice', 'Tollard Stop', ...before.slice(2)]);
});

test('single keys go about, and can be turned off', async ({ app }) => {
  const { page } = app;
  await page.keyboard.press('j');
  await expect(app.card.getByRole('heading', { name: 'Quenmill Sluice' })).toBeVisible();
  await page.keyboard.press('h');
  await expect(app.card.getByRole('heading', { name: 'Tollard Stop' })).toBeVisible();
  await page.keyboard.press('.');
  await expect(app.timeHandle).toHaveAttribute('aria-valuetext', /^05:45/);
  await page.keyboard.press('k');
  await expect(page).toHaveURL(/\/kit/);
  await page.keyboard.press('d');
  await expect(page).toHaveURL(/\/card/);
  await page.keyboard.press('w');
  await expect(page).toHaveURL(/\/walk/);
  await page.keyboard.press('n');
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');

  await page.keyboard.press('?');
  const sheet = page.getByRole('dialog');
  await expect(sheet.getByRole('row', { name: /^j next stop/ })).toBeVisible();
  await page.keyboard.press('Escape');
  await expect(sheet).toBeHidden();

  const dialog = await app.settings();
  await dialog.getByLabel('Single-key shortcuts').uncheck();
  await page.keyboard.press('Escape');
  await expect(dialog).toBeHidden();
  await page.keyboard.press('k');
  // The sheet's key always works: once it is there the key before it has been heard as well.
  await page.keyboard.press('?');
  await expect(sheet).toBeVisible();
  await expect(page).toHaveURL(/\/walk/);
});

test('letters typed into a field are letters', async ({ app }) => {
  await app.field('Name of the stop').fill('');
  await app.field('Name of the stop').pressSequentially('jawn kd?');
  await expect(app.field('Name of the stop')).toHaveValue('jawn kd?');
  await expect(app.page).toHaveURL(/\/walk/);
});
