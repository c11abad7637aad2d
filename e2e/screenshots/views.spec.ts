import { fileURLToPath } from 'node:url';
import type { AppPage } from '../pages/app-page.js';
import { test } from '../fixtures/test.js';

const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url));

/** The ribbon's profile comes from a worker: a picture waits for it. */
async function shoot(app: AppPage, name: string): Promise<void> {
  await app.page.waitForTimeout(700);
  await app.page.screenshot({ path: `${folder}${name}.png` });
}

test('at the table', async ({ app }) => {
  const { page } = app;
  await app.open('/walk?walk=demo-walk&stop=orrel&t=15:10');
  await shoot(app, 'walk');
  await app.card.getByRole('button', { name: 'Why this shutter?' }).click();
  await page.locator('main').evaluate((main) => main.scrollTo(0, 590));
  await shoot(app, 'stop-and-why');
  await app.open('/kit?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByRole('button', { name: '28 f/2', exact: true }).click();
  await shoot(app, 'kit');
  await app.settings();
  await shoot(app, 'settings');
  await page.keyboard.press('Escape');
  await app.open('/walk?walk=demo-walk&stop=arcade&t=19:20');
  await page.keyboard.press('n');
  await shoot(app, 'walk-night');
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('card, walk, kit', async ({ app }) => {
    await app.open('/card?walk=demo-walk&stop=vessen&t=10:40');
    await shoot(app, 'phone-card');
    await app.room('Walk');
    await app.page.locator('main').evaluate((main) => main.scrollTo(0, 640));
    await shoot(app, 'phone-walk');
    await app.page.evaluate(() => document.documentElement.setAttribute('data-theme', 'night'));
    await app.open('/card?walk=demo-walk&stop=arcade&t=19:20');
    await app.page.evaluate(() => document.documentElement.setAttribute('data-theme', 'night'));
    await shoot(app, 'phone-card-night');
  });
});
