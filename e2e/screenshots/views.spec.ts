import { execFileSync } from 'node:child_process';
import { readdirSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import type { AppPage } from '../pages/app-page.js';
import { test } from '../fixtures/test.js';
import { NOW } from '../settings.js';

const folder = fileURLToPath(new URL('../../docs/screenshots/', import.meta.url));

/** Light comes from a worker, stop by stop: a picture at the table waits for all of it. */
async function shoot(app: AppPage, name: string, hasSpine = (app.page.viewportSize()?.width ?? 0) > 1000): Promise<void> {
  if (hasSpine) await app.spine.getByText('in their light').waitFor();
  // What the base set-up leaves unchanged is known a while after the card.
  if (hasSpine) await app.card.getByText('base set-up').first().waitFor();
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
  await app.open('/kit?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByRole('button', { name: '28 f/2', exact: true }).click();
  await shoot(app, 'kit');
  await app.open('/light/view?walk=demo-walk&stop=orrel&t=15:10');
  await page.locator('rd-light-sight').getByText('Sunlit ground').waitFor();
  await shoot(app, 'light-view');
  await app.open('/light/now?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByText('Straw: the lit ground').waitFor();
  await shoot(app, 'light-street');
  await app.open('/light/year?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByText('Click a day and hour').waitFor();
  await shoot(app, 'light-year');
  await app.open('/setup/holds?walk=demo-walk&stop=vessen&t=10:40');
  await shoot(app, 'set-up-holds');
  await app.open('/setup/light?walk=demo-walk&stop=arcade&t=19:20');
  await page.getByRole('heading', { name: 'Base set-up for the walk' }).waitFor();
  await shoot(app, 'set-up-light');
  await app.open('/setup/stand?walk=demo-walk&stop=tannery&t=08:40');
  await shoot(app, 'set-up-stand');
  await app.open('/walk/before?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByRole('checkbox').first().waitFor();
  await shoot(app, 'before-setting-off');
  const coming = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Field cards to print (PDF)' }).click();
  const pdf = await (await coming).path();
  execFileSync('pdftoppm', ['-r', '80', '-png', '-singlefile', pdf, `${folder}field-cards`]);
  await app.open('/meter/tones?walk=demo-walk&stop=orrel&t=15:10');
  for (const [text, name] of [
    ['16.3', 'white wall'],
    ['14.2', 'lit coat'],
    ['1/30 4 200', 'doorway'],
  ] as const) {
    await page.getByLabel('Reading', { exact: true }).fill(text);
    await page.getByLabel('of', { exact: true }).fill(name);
    await page.getByLabel('of', { exact: true }).press('Enter');
  }
  await page.getByLabel('Wanted at', { exact: true }).first().fill('2');
  await page.getByLabel('Wanted at', { exact: true }).first().press('Enter');
  await page.getByText(/^white wall at/).waitFor();
  await page.locator('main').evaluate((main) => main.scrollTo(0, 0));
  await shoot(app, 'meter');
  await app.open('/meter/bench?walk=demo-walk&stop=orrel&t=15:10');
  await page.getByLabel('Compensation', { exact: true }).waitFor();
  await page.getByLabel('Scene', { exact: true }).selectOption('silhouetteScreen');
  await page.getByText('Let the meter read again').waitFor();
  await page.getByRole('radio', { name: /multi-zone/ }).check();
  await app.card.getByRole('button', { name: 'Why this meter?' }).click();
  await app.card.getByRole('img', { name: /its key outlined/ }).waitFor();
  await shoot(app, 'meter-bench');
  await app.open('/log/frames?walk=demo-walk&stop=vessen&t=10:40');
  const frames = page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('option');
  await frames.first().click();
  for (let k = 0; k < 13; k++) await page.keyboard.press('ArrowRight');
  await page.getByText('Figures', { exact: true }).waitFor();
  await shoot(app, 'log-frames');
  await page.getByRole('tab', { name: 'Against the card' }).click();
  await page.getByRole('article', { name: 'Vessen Hall' }).waitFor();
  await shoot(app, 'log-against');
  await page.getByRole('tab', { name: 'What they teach' }).click();
  await page.getByRole('article', { name: 'Your hands' }).waitFor();
  await shoot(app, 'log-lessons');
  // Last of all: it leaves the demo planned, and the night on.
  await app.open('/walk?walk=demo-night&stop=night-arcade&t=24:05');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await page.getByText(/Expect \d\.\d pictures/).waitFor({ timeout: 120_000 });
  await page.keyboard.press('n');
  await shoot(app, 'walk-night');
});

test('at the table, the first page of every room that has no picture yet', async ({ app }) => {
  const known = readdirSync(folder);
  for (const room of await app.rooms()) {
    const name = room.toLowerCase();
    if (known.some((file) => file.startsWith(name) || file === `phone-${name}.png`)) continue;
    await app.room(room);
    await shoot(app, name);
  }
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });
  test('card', async ({ app }) => {
    await app.open('/card?walk=demo-walk&stop=vessen&t=10:40');
    await app.page.locator('.next').waitFor();
    await shoot(app, 'phone-card');
  });
  test('the walk', async ({ app, context }) => {
    const { page } = app;
    await page.getByRole('link', { name: 'Go', exact: true }).tap();
    await page.getByRole('button', { name: 'Rehearse it with a simulated walker' }).tap();
    const screen = page.locator('rd-on-the-walk');
    // Sixty times as fast as the device: to the pool at twenty past three, then to the arcade by night.
    const at = async (minutes: number, stop: string): Promise<void> => {
      await context.clock.setFixedTime(NOW.getTime() + minutes * 1000);
      await screen.getByRole('heading', { name: stop, exact: true }).waitFor();
      await screen.locator('.step, .wait').first().waitFor();
    };
    for (const [minutes, stop] of [
      [60, 'Quenmill Sluice'],
      [200, 'Tannery Front'],
      [300, 'Vessen Hall'],
      [595, 'Orrel Steps'],
    ] as const) {
      await at(minutes, stop);
    }
    await screen.locator('.scroll').evaluate((one) => one.scrollTo(0, 0));
    await shoot(app, 'phone-now');
  });
});
