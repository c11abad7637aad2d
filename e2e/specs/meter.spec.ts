import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures/test.js';

/** Types a reading with the keys alone, from wherever the focus is. */
async function read(page: Page, text: string, name: string): Promise<void> {
  await page.keyboard.type(text);
  await page.keyboard.press('Tab');
  await page.keyboard.type(name);
  await page.keyboard.press('Enter');
}

test.describe('the meter', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Orrel Steps');
    await app.room('Meter');
    await app.page.getByLabel('Reading', { exact: true }).focus();
  });

  test('a scene is metered by typing alone, its key is moved, and all of it is undone', async ({ app }) => {
    const { page } = app;
    await read(page, '16.3', 'white wall');
    await read(page, '12,9', 'coat');
    await read(page, '1/30 4 200', 'doorway');
    const ladder = page.getByRole('group', { name: 'Tone ladder' });
    await expect(ladder).toContainText('doorway');
    await expect(page.getByRole('list', { name: 'Readings' }).getByRole('listitem')).toHaveCount(3);
    await page.getByLabel('Wanted at', { exact: true }).first().fill('2');
    await page.getByLabel('Wanted at', { exact: true }).first().press('Enter');
    await page.getByRole('checkbox', { name: 'the key' }).first().check();
    // 16.3 less two stops: 14.3, to a third 14⅓.
    await expect(page.getByLabel('The exposure')).toContainText('EV 14⅓');
    await expect(page.getByText(/^white wall at \+2/)).toBeVisible();
    const key = page.getByRole('slider', { name: 'Tone of white wall' });
    await key.focus();
    await key.press('ArrowDown');
    await expect(key).toHaveAttribute('aria-valuetext', '+1⅔ from mid-grey');
    await expect(page.getByLabel('The exposure')).toContainText('EV 14⅔');
    const box = await key.locator('.knob').boundingBox();
    if (box === null) throw new Error('no handle');
    await page.mouse.move(box.x + 8, box.y + 8);
    await page.mouse.down();
    await page.mouse.move(box.x + 8, box.y + 60, { steps: 6 });
    await page.mouse.up();
    await expect(key).not.toHaveAttribute('aria-valuetext', '+1⅔ from mid-grey');

    await page.getByLabel('Place the key tone by').selectOption('protect');
    await expect(page.getByText('Keeps the brightest reading from clipping')).toBeVisible();
    await app.reload();
    await expect(ladder).toContainText('doorway');
    for (let k = 0; k < 3; k++)
      await page
        .getByRole('button', { name: /^Remove / })
        .first()
        .click();
    await expect(page.getByText('Nothing is metered here yet')).toBeVisible();
    await page.getByRole('button', { name: /^Undo: / }).click();
    await expect(ladder).toBeVisible();
  });

  test('what is no reading is said, and an incident one corrects the light', async ({ app }) => {
    const { page } = app;
    await read(page, 'bright', 'sky');
    await expect(page.getByRole('alert')).toContainText('Type an EV');
    await expect(page.getByLabel('Reading', { exact: true })).toHaveValue('bright');
    await page.getByLabel('Reading', { exact: true }).fill('10');
    await page.keyboard.press('Enter');
    await page.getByLabel('Read as').selectOption('incident');
    await page.getByRole('button', { name: 'Correct this stop’s light' }).click();
    await expect(app.card).toContainText('darker than calculated, by your reading');
    await page.getByRole('button', { name: /^Undo: correct the light/ }).click();
    await expect(app.card).not.toContainText('than calculated, by your reading');
  });

  test('what was metered sets the card, and is undone', async ({ app }) => {
    const { page } = app;
    const iso = app.card.locator('[data-row=iso]');
    const before = (await iso.textContent()) ?? '';
    await read(page, '10', 'face');
    await page.getByRole('button', { name: 'Set the card to this' }).click();
    await expect(app.card).toContainText('than calculated, by your reading');
    await expect(iso).not.toHaveText(before);
    await page.getByRole('button', { name: /^Undo: correct the light/ }).click();
    await expect(iso).toHaveText(before);
  });

  test('night: when walkers vanish, a test shot scaled, fireworks', async ({ app }) => {
    const { page } = app;
    await app.choose('Long Arcade');
    await page.getByRole('tab', { name: 'Night' }).click();
    await expect(page.getByText(/a minute pass here at this hour/)).toBeVisible();
    const time = page.getByRole('slider', { name: 'Time of exposure' });
    await time.focus();
    for (let k = 0; k < 9; k++) await time.press('ArrowUp');
    await expect(page.getByText(/^In 2 min 8 s nobody is seen/)).toBeVisible();
    // A quarter at f/2.8 and 6400 is 128 s at f/8 and 100, by the marks' exact values; a stop more 256 s.
    await expect(page.getByText('2 min 8 s', { exact: true })).toBeVisible();
    await page.getByLabel('It needs').fill('+1');
    await page.getByLabel('It needs').press('Enter');
    await expect(page.getByText('4 min 16 s', { exact: true })).toBeVisible();
    await page.getByLabel('The frame that you took').fill('a quarter');
    await expect(page.getByRole('alert')).toContainText('Type an EV');
    await expect(page.getByText('7 bursts of 4 s')).toBeVisible();
    await page.getByLabel('Sky, EV').fill('2');
    await page.getByLabel('Sky, EV').press('Enter');
    await expect(page.getByText('1 burst of 4 s')).toBeVisible();
  });
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('three taps lead to an exposure and onto the card; nonsense is said', async ({ app }) => {
    const { page } = app;
    await page.goto('/meter/tones?walk=demo-walk&stop=vessen&t=10:40');
    const taps = page.getByRole('region', { name: 'Three taps to an exposure' });
    const tap = (name: string) => taps.getByRole('button', { name, exact: true }).tap();
    for (const key of ['9', '9']) await tap(key);
    await expect(taps.getByRole('alert')).toContainText('EV 99 is outside what a meter reads');
    await tap('Read');
    await expect(taps.getByRole('button', { name: 'Set the card to this' })).toBeDisabled();
    for (let k = 0; k < 2; k++) await tap('Erase');
    for (const key of ['1', '2']) await tap(key);
    await tap('as is');
    await tap('Read');
    const exposure = taps.getByLabel('The exposure');
    // f/7.1 and 1/500 at EV 12: 100·2^(17/3)·2^9/2^12 = 635.
    await expect(exposure).toContainText('640');
    await tap('darker');
    await expect(exposure).toContainText('250');
    await tap('Set the card to this');
    await app.room('Card');
    await expect(app.card).toContainText('than calculated, by your reading');
  });
});
