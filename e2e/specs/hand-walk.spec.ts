import type { BrowserContext, Locator, Page } from '@playwright/test';
import { AppPage } from '../pages/app-page.js';
import { expect, test } from '../fixtures/test.js';
import { snapshot } from '../fixtures/snapshot.js';
import { NOW } from '../settings.js';

const MINUTE_MS = 60_000;
/** How fast a rehearsal runs from the start. */
const SPEED = 60;

/** The device's clock, moved on by hand. */
class Clock {
  private deviceMs = NOW.getTime();

  constructor(private readonly context: BrowserContext) {}

  /** So many minutes of a rehearsal. */
  async walk(minutes: number): Promise<void> {
    await this.pass(minutes / SPEED);
  }

  async pass(minutes: number): Promise<void> {
    this.deviceMs += minutes * MINUTE_MS;
    await this.context.clock.setFixedTime(this.deviceMs);
  }
}

const stopName = (page: Page, name: string): Locator => page.locator('rd-on-the-walk').getByRole('heading', { name, exact: true });
const tap = (page: Page, name: string | RegExp): Promise<void> => page.getByRole('button', { name, exact: true }).tap();

async function rehearse(page: Page): Promise<void> {
  await page.getByRole('link', { name: 'Go', exact: true }).tap();
  await page.getByRole('button', { name: 'Rehearse it with a simulated walker' }).tap();
  await expect(stopName(page, 'Tollard Stop')).toBeVisible();
}

test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

test.describe('without a net', () => {
  test.use({ serviceWorkers: 'allow' });

  test('the whole walk, from the first stop to the last, through a reload and a dead battery, late and planned again', async ({
    app,
    context,
    problems,
  }) => {
    const { page } = app;
    const clock = new Clock(context);
    await app.untilPrefetched();
    await context.setOffline(true);
    await rehearse(page);
    const screen = page.locator('rd-on-the-walk');
    await expect(screen).toContainText('Leave by 06:10');
    await expect(screen.locator('[data-row="aperture"] [data-number]')).toHaveText(/^f\/\d/);

    await tap(page, 'Got it');
    await expect(page.getByRole('button', { name: 'Undo: got Tollard Stop' })).toBeVisible();
    await tap(page, /^Undo: got/);
    await expect(page.getByRole('button', { name: 'Got it' })).toBeVisible();
    await tap(page, 'Missed it');
    await tap(page, 'Subject moved');
    await page.getByRole('group', { name: 'Field check' }).getByRole('button', { name: 'Soft' }).tap();
    await expect(page.getByText('Find out why first.')).toBeVisible();
    await tap(page, 'Note');
    await tap(page, 'Wet ground');
    await expect(page.getByRole('button', { name: 'Undo: a note at Tollard Stop' })).toBeVisible();

    // At 06:10 the walker goes on, and is at the weir three minutes later.
    await clock.walk(50);
    await expect(stopName(page, 'Quenmill Sluice')).toBeVisible();
    await expect(screen.locator('.clock')).toHaveText('06:15');
    await app.reload();
    await expect(stopName(page, 'Quenmill Sluice')).toBeVisible();
    await expect(screen.locator('.clock')).toHaveText('06:15');

    // The battery dies and is back an hour later: the first screen is what is now, and nothing that was tapped is gone.
    await app.expectStored();
    await page.close();
    await clock.walk(60);
    const back = new AppPage(await context.newPage());
    await back.page.goto('/');
    await expect(back.page).toHaveURL(/\/now/);
    await expect(back.page.locator('rd-on-the-walk .clock')).toHaveText('07:15');
    await back.page.getByRole('checkbox', { name: 'Linger at the stop' }).check();

    // Two hours more at the weir: late, said, and not planned again before it is asked for.
    await clock.walk(120);
    await expect(back.page.getByText(/late for .*, planned at/)).toBeVisible();
    await expect(back.page.getByRole('region', { name: 'The rest of the day, planned from here' })).toHaveCount(0);
    await tap(back.page, 'Plan from here');
    const rest = back.page.getByRole('region', { name: 'The rest of the day, planned from here' });
    await expect(rest).toContainText(/From here, expect \d\.\d good pictures/, { timeout: 120_000 });
    await expect(rest.getByRole('listitem').first()).toBeVisible();
    await tap(back.page, 'Use this plan');
    await expect(back.page.getByText(/late for/)).toHaveCount(0);
    await tap(back.page, /^Undo: plan the rest/);
    await expect(back.page.getByText(/late for/)).toBeVisible();
    await tap(back.page, 'Plan from here');
    await tap(back.page, 'Use this plan');

    await back.page.getByRole('checkbox', { name: 'Linger at the stop' }).uncheck();
    await clock.walk(14 * 60);
    await expect(back.page.getByRole('heading', { name: 'Walk finished' })).toBeVisible();
    await tap(back.page, 'End the walk');
    await expect(back.page.getByRole('button', { name: 'Rehearse it with a simulated walker' })).toBeVisible();
    problems.splice(0, problems.length, ...problems.filter((one) => !/ERR_INTERNET_DISCONNECTED/.test(one)));
  });
});

test('what the camera shows corrects the light, by the wheel and by its ends', async ({ app }) => {
  const { page } = app;
  await rehearse(page);
  const wheel = page.getByRole('slider', { name: 'What the camera shows' });
  await expect(wheel).toHaveAttribute('aria-valuetext', /^ISO \d+/);
  await expect(wheel).toHaveAttribute('aria-valuetext', 'ISO 2500');
  await page.getByRole('button', { name: 'The camera shows a higher ISO: less light' }).tap();
  await expect(wheel).toHaveAttribute('aria-valuetext', 'ISO 3200');
  await expect(page.getByText('EV 8⅔: nothing to change, ISO follows.')).toBeVisible();
  await wheel.press('ArrowRight');
  await expect(page.getByText(/^EV 8⅓: /)).toBeVisible();
  await wheel.getByText('2000', { exact: true }).tap();
  await expect(page.getByText(/^EV (9|10)\S*: /)).toBeVisible();
  for (const name of ['Got it', 'Missed it', 'Go on', 'Note', 'Come back when', 'Other', 'Light dropped'] as const) {
    const box = await page.locator('rd-on-the-walk').getByRole('button', { name, exact: true }).boundingBox();
    expect([name, Math.min(box?.width ?? 0, box?.height ?? 0) >= 48]).toEqual([name, true]);
  }
  await expect(page.locator('body')).toHaveJSProperty('scrollWidth', 390);
});

test('by the device’s own clock and place: how far it is, and there', async ({ app, context }) => {
  const { page } = app;
  await context.grantPermissions(['geolocation']);
  // Some way off the first stop, then at it.
  await context.setGeolocation({ latitude: 46.4984, longitude: -20.7026, accuracy: 8 });
  await page.getByRole('link', { name: 'Go', exact: true }).tap();
  await page.getByRole('button', { name: 'Walk it today instead' }).tap();
  await expect(stopName(page, 'To Tollard Stop')).toBeVisible();
  await expect(page.locator('rd-on-the-walk .clock')).toHaveText('09:00');
  await expect(page.getByText(/late for Tollard Stop/)).toBeVisible();
  await tap(page, 'I am here');
  await expect(stopName(page, 'Tollard Stop')).toBeVisible();
  await tap(page, 'Go on');
  await expect(stopName(page, 'To Quenmill Sluice')).toBeVisible();
  await expect(page.getByText(/^\d+ m to go, \d+ min: there at 09:\d\d/)).toBeVisible();
  await context.setGeolocation({ latitude: 46.49847, longitude: -20.70125, accuracy: 8 });
  await expect(stopName(page, 'Quenmill Sluice')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Undo: be at Quenmill Sluice' })).toBeVisible();
  await tap(page, 'Other');
  await tap(page, 'Not today');
  await expect(stopName(page, 'To Tannery Front')).toBeVisible();
});

test.describe('returns', () => {
  test('are kept on the walk, from a stop and from a snapshot, and become a walk', async ({ app }) => {
    const { page } = app;
    await rehearse(page);
    await tap(page, 'Come back when');
    await tap(page, 'Too early');
    await tap(page, /^When it is emptier, (\d\d:\d\d|another day)$/);
    await expect(page.getByRole('button', { name: 'Undo: come back to Tollard Stop' })).toBeVisible();

    await app.room('Walk');
    await app.spine
      .getByRole('button', { name: /Orrel Steps/ })
      .last()
      .tap();
    await page.getByRole('menuitem', { name: 'Save for another day' }).tap();
    await page.getByRole('tab', { name: 'Returns' }).tap();
    const returns = page.getByRole('list', { name: 'Returns' });
    await expect(returns.getByRole('listitem')).toHaveCount(2);
    await expect(returns.getByLabel('What was wrong').first()).toHaveValue('Too early');

    const taken = { latitude: 46.50031, longitude: -20.69804 };
    await page.getByLabel('Snapshots').setInputFiles([
      { name: 'by the hall.jpg', mimeType: 'image/jpeg', buffer: snapshot(taken, '2026:10:03 15:20:00', 200) },
      { name: 'no-picture.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('not a picture') },
    ]);
    await expect(page.getByRole('alert')).toContainText('no-picture.jpg');
    await expect(returns.getByRole('listitem')).toHaveCount(3);
    await expect(returns.getByRole('heading', { name: 'by the hall' })).toBeVisible();
    await expect(returns.getByText('Looking through the year')).toHaveCount(0, { timeout: 120_000 });

    for (const name of ['Tollard Stop', 'Orrel Steps', 'by the hall']) {
      await page.getByRole('checkbox', { name: `Go to ${name}` }).check();
    }
    await tap(page, 'Make a walk of these');
    await expect(page).toHaveURL(/\/walk\?/);
    await app.expectStops(3);
    expect((await app.stopNames()).sort()).toEqual(['Orrel Steps', 'Tollard Stop', 'by the hall']);
  });
});
