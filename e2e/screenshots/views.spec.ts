import { fileURLToPath } from 'node:url';
import type { AppPage } from '../pages/app-page.js';
import { test } from '../fixtures/test.js';

const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url));

/** Light comes from a worker, stop by stop: a picture at the table waits for all of it. */
async function shoot(app: AppPage, name: string, hasSpine = (app.page.viewportSize()?.width ?? 0) > 1000): Promise<void> {
  if (hasSpine) await app.spine.getByText('windows met').waitFor();
  // Fonts and whatever is fetched late are there, and a whole frame has been drawn since.
  await app.page.waitForLoadState('networkidle');
  await app.page.evaluate(async () => {
    await document.fonts.ready;
    for (let k = 0; k < 3; k++) await new Promise((resolve) => requestAnimationFrame(resolve));
  });
  await app.page.screenshot({ path: `${folder}${name}.png` });
}

test('at the table', async ({ app }) => {
  const { page } = app;
  await app.open('/walk?walk=demo-walk&stop=orrel&t=15:10');
  await shoot(app, 'walk');
  await app.open('/walk/plan?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByText('Shadows at 15:10').waitFor();
  await shoot(app, 'walk-plan');
  await app.open('/walk?walk=demo-walk&stop=orrel&t=15:10');
  await app.card.getByRole('button', { name: 'Why this shutter?' }).click();
  await page.locator('main').evaluate((main) => main.scrollTo(0, 590));
  await shoot(app, 'stop-and-why');
  await app.open('/kit?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByRole('button', { name: '28 f/2', exact: true }).click();
  await shoot(app, 'kit');
  await app.settings();
  await shoot(app, 'settings');
  await page.keyboard.press('Escape');
  await app.open('/light/now?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByText('Straw: the lit ground').waitFor();
  await shoot(app, 'light-street');
  await app.open('/light/year?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByText('Click a day and hour').waitFor();
  await shoot(app, 'light-year');
  await app.open('/setup/holds?walk=demo-walk&stop=vessen&t=10:40');
  await shoot(app, 'set-up-holds');
  await app.open('/setup/light?walk=demo-walk&stop=arcade&t=19:20');
  await page.getByRole('heading', { name: 'Home state of the walk' }).waitFor();
  await shoot(app, 'set-up-light');
  await app.open('/setup/stand?walk=demo-walk&stop=tannery&t=08:40');
  await shoot(app, 'set-up-stand');
  await app.open('/setup/hands?walk=demo-walk&stop=vessen&t=10:40');
  await shoot(app, 'set-up-hands');
  await page.goto('/start');
  await page.getByLabel('A made-up place to try').selectOption('Tessel Haven');
  await page.getByText('Another camera').click();
  await page.getByText('Tessel Haven: ').waitFor();
  await shoot(app, 'start', false);
  await app.open('/walk?walk=demo-walk&stop=arcade&t=19:20');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await page.getByText(/pictures to expect/).waitFor({ timeout: 120_000 });
  await page.keyboard.press('n');
  await shoot(app, 'walk-night');
  await page.keyboard.press('n');
  await app.open('/walk/before?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByRole('checkbox').first().waitFor();
  await shoot(app, 'before-setting-off');
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('card, walk, kit', async ({ app }) => {
    await app.open('/card?walk=demo-walk&stop=vessen&t=10:40');
    await app.page.locator('.next').waitFor();
    await shoot(app, 'phone-card');
    await app.room('Walk');
    await app.page.locator('main').evaluate((main) => main.scrollTo(0, 640));
    await shoot(app, 'phone-walk');
    await app.room('Light');
    await app.page.getByRole('img', { name: /across is/ }).waitFor();
    await shoot(app, 'phone-light');
    await app.room('Set-up');
    await shoot(app, 'phone-set-up');
    await app.page.evaluate(() => document.documentElement.setAttribute('data-theme', 'night'));
    await app.open('/card?walk=demo-walk&stop=arcade&t=19:20');
    await app.page.evaluate(() => document.documentElement.setAttribute('data-theme', 'night'));
    await app.page.locator('.next').waitFor();
    await shoot(app, 'phone-card-night');
  });
});
