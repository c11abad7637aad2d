import { standInPatches } from '../fixtures/frames.js';
import { AxeBuilder } from '@axe-core/playwright';
import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures/test.js';

const ALL = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
/** The other theme is the same page in other colours. */
const COLOURS = ['color-contrast', 'link-in-text-block'];

async function expectNoViolations(page: Page, where: string): Promise<void> {
  // A part that is just being put in has its fields a frame before their labels.
  await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
  await page.evaluate(() => new Promise((done) => requestAnimationFrame(() => setTimeout(done))));
  const isNight = (await page.locator('html').getAttribute('data-theme')) === 'night';
  // Passes are counted for nothing here, and telling them is most of the work.
  const axe = new AxeBuilder({ page }).options({ resultTypes: ['violations'] });
  const { violations } = await (isNight ? axe.withRules(COLOURS) : axe.withTags(ALL)).analyze();
  // Turning a look on the plan is the bearing’s field beside it (WCAG 2.5.8, equivalent): far off, its handle lies on the stop.
  const hasEquivalent = (id: string, target: string): boolean => id === 'target-size' && target.includes('.rd-turn');
  const told = violations
    .map(({ id, nodes }) => ({ id, nodes: nodes.filter(({ target }) => !hasEquivalent(id, target.join(' '))) }))
    .filter(({ nodes }) => nodes.length > 0)
    .map(
      ({ id, nodes }) =>
        `${where}: ${id} at ${nodes
          .slice(0, 3)
          .map(({ target }) => target.join(' '))
          .join(', ')}`,
    );
  expect(told).toEqual([]);
}

for (const theme of ['light', 'night'] as const) {
  test(`no accessibility violations in the ${theme} theme`, async ({ app }) => {
    const { page } = app;
    if (theme === 'night') await page.keyboard.press('n');
    await expect(page.locator('html')).toHaveAttribute('data-theme', theme);
    await app.choose('Orrel Steps');
    await app.card.getByRole('button', { name: 'Why this shutter?' }).click();
    await expectNoViolations(page, 'walk');
    await app.fill('From', 'nonsense');
    await expectNoViolations(page, 'walk with an error');
    await app.room('Meter');
    await page.getByLabel('Reading', { exact: true }).fill('12.3');
    await page.keyboard.press('Enter');
    await expect(page.getByRole('group', { name: 'Tone ladder' })).toBeVisible();
    await expectNoViolations(page, 'meter');
    await page.getByRole('tab', { name: 'Night' }).click();
    await expect(page.getByRole('slider', { name: 'Time of exposure' })).toBeVisible();
    await expectNoViolations(page, 'night');
    await page.getByRole('tab', { name: 'Bench' }).click();
    await expect(page.getByLabel('Compensation', { exact: true })).toBeVisible({ timeout: 20_000 });
    await expectNoViolations(page, 'bench');
    await page.getByRole('tab', { name: 'Film' }).click();
    await expect(page.getByText(/stops are within it/)).toBeVisible({ timeout: 30_000 });
    await expectNoViolations(page, 'film');
    await page.getByRole('tab', { name: 'Flash' }).click();
    await expect(page.getByText('This stop’s picture uses no flash.')).toBeVisible();
    await expectNoViolations(page, 'flash');
    await app.room('Kit');
    await expectNoViolations(page, 'kit, a body');
    await page.getByRole('button', { name: '28 f/2', exact: true }).click();
    await expectNoViolations(page, 'kit, a lens');
    await page.getByRole('button', { name: 'Your standard' }).click();
    await expectNoViolations(page, 'kit, the standard');
    await page.getByRole('link', { name: 'Open the card full screen' }).click();
    await expectNoViolations(page, 'card');
    await app.settings();
    await expectNoViolations(page, 'settings');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog')).toBeVisible();
    await expectNoViolations(page, 'keys');
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
    await page.keyboard.press('w');
    await app.spine.getByRole('button', { name: 'Start your own walk' }).click();
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Another camera…' });
    await expectNoViolations(page, 'the start');
    await page.getByRole('button', { name: 'Start the walk' }).click();
    await expect(page.getByRole('heading', { name: 'New walk has no stops yet' })).toBeVisible();
    await expectNoViolations(page, 'an empty walk');
  });

  test(`no accessibility violations before, on and after the walk in the ${theme} theme`, async ({ app }) => {
    const { page } = app;
    if (theme === 'night') await page.keyboard.press('n');
    await app.choose('Orrel Steps');
    await page.getByRole('tab', { name: 'Before setting off' }).click();
    await expect(page.getByRole('checkbox').first()).toBeVisible();
    await expectNoViolations(page, 'before setting off');
    await page.getByRole('link', { name: 'Go', exact: true }).click();
    await expect(page.getByRole('checkbox').first()).toBeVisible();
    await expectNoViolations(page, 'the first step');
    await page.getByRole('button', { name: 'Rehearse it with a simulated walker' }).click();
    const screen = page.locator('rd-on-the-walk');
    await expect(screen.locator('[data-row="aperture"]')).toBeVisible();
    await expectNoViolations(page, 'on the walk');
    for (const name of ['Missed it', 'Note', 'Come back when', 'Other']) {
      await screen.getByRole('button', { name, exact: true }).click();
      await expectNoViolations(page, name);
      if (name !== 'Come back when') await screen.getByRole('button', { name: 'Back', exact: true }).click();
      else await screen.getByRole('button', { name: /^In this light/ }).click();
    }
    await app.room('Walk');
    await page.getByRole('tab', { name: 'Returns' }).click();
    await expect(page.getByRole('list', { name: 'Returns' })).toBeVisible();
    await expectNoViolations(page, 'returns');
  });

  test(`no accessibility violations on any page of any room in the ${theme} theme`, async ({ app }) => {
    const { page } = app;
    test.slow();
    if (theme === 'night') await page.keyboard.press('n');
    await app.choose('Orrel Steps');
    const seen: string[] = [];
    await app.everyPage(async (where) => {
      seen.push(where);
      await expectNoViolations(page, where);
    });
    expect(seen).toEqual(expect.arrayContaining(['Walk, Plan', 'Light, Year', 'Set-up, As light goes', 'Log, Noise', 'Kit']));
  });

  test(`no accessibility violations in Log in the ${theme} theme`, async ({ app }) => {
    const { page } = app;
    if (theme === 'night') await page.keyboard.press('n');
    await app.room('Log');
    await page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('option').first().click();
    await expect(page.getByText('Figures', { exact: true })).toBeVisible();
    await expectNoViolations(page, 'frames');
    await page.getByRole('tab', { name: 'Against the card' }).click();
    await expect(page.getByRole('article', { name: 'Vessen Hall' })).toBeVisible();
    await expectNoViolations(page, 'against the card');
    await page.getByRole('tab', { name: 'What they teach' }).click();
    await expect(page.getByRole('article', { name: 'Your hands' })).toBeVisible();
    await expectNoViolations(page, 'what they teach');
    await page.getByRole('tab', { name: 'When again' }).click();
    await expect(page.getByRole('listitem', { name: 'Tannery Front' })).toBeVisible();
    await expectNoViolations(page, 'when again');
    await page.getByRole('tab', { name: 'Noise' }).click();
    await page.getByLabel('Photographs of a patch').setInputFiles([...standInPatches('100,6400')]);
    await expect(page.getByRole('button', { name: /^ISO 6400/ })).toBeVisible({ timeout: 30_000 });
    await page.getByRole('button', { name: /^ISO 6400/ }).click();
    await expectNoViolations(page, 'noise');
  });

  test(`no accessibility violations where a frame’s picture has not come in the ${theme} theme`, async ({ app }) => {
    const { page } = app;
    await page.route('**/demo-frames/**', () => undefined);
    if (theme === 'night') await page.keyboard.press('n');
    await app.room('Log');
    const first = page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('option').first();
    await expect(first.locator('rd-kept-picture span')).toBeVisible();
    await expectNoViolations(page, 'frames without pictures');
  });

  test(`no accessibility violations on the phone in the ${theme} theme`, async ({ app }) => {
    const { page } = app;
    test.slow();
    if (theme === 'night') await page.keyboard.press('n');
    await page.setViewportSize({ width: 390, height: 844 });
    await app.room('Walk');
    await app.editWalk();
    await expectNoViolations(page, 'phone, the walk’s fields');
    // Colours are those at the table.
    if (theme === 'light') await app.everyPage((where) => expectNoViolations(page, `phone, ${where}`));
  });
}
