import { execFileSync } from 'node:child_process';
import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { framesTakenAt } from '../fixtures/frames.js';
import { dropFile, QUARTER, tapPlan } from '../fixtures/own-map.js';
import { expect, test } from '../fixtures/test.js';
import { NOW } from '../settings.js';

const MINUTE_MS = 60_000;
/** How fast a rehearsal runs from the start. */
const SPEED = 60;

const opened = (program: string, ...args: readonly string[]): string => execFileSync(program, args, { encoding: 'utf8' });

async function saved(page: Page, button: string): Promise<string> {
  const coming = page.waitForEvent('download');
  await page.getByRole('group', { name: 'Files to take along' }).getByRole('button', { name: button }).click();
  return (await coming).path();
}

/** Minutes of the walk at which a stop's stay begins and ends, as the calendar has them in the walk's zone. */
const EVENTS = `
import sys
from icalendar import Calendar
for event in Calendar.from_ical(open(sys.argv[1], 'rb').read()).walk('vevent'):
    print(event.get('summary'), event.decoded('dtstart').strftime('%a %H:%M'), event.decoded('dtend').strftime('%a %H:%M'), sep='|')
`;

test.describe('a night of one’s own', () => {
  test.use({ hasMeasured: false });

  test('from an empty browser: times typed past midnight, planned, and in every file with its day', async ({ app }) => {
    const { page } = app;
    await dropFile(page, QUARTER, 'quarter.osm');
    await page.getByRole('button', { name: 'Next Saturday, 28 November' }).click();
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Another camera…' });
    await page.getByLabel('Focal length').fill('35');
    await page.getByRole('button', { name: 'Start the walk' }).click();
    await expect(page.getByText('This stop has no position yet')).toBeVisible();
    await tapPlan(page, 0, 40);
    await expect(app.card.getByRole('heading', { name: 'First stop' })).toBeVisible();

    await app.room('Walk');
    await page.getByRole('tab', { name: 'Time', exact: true }).click();
    await app.field('Intent').selectOption({ label: 'Lit street by night' });
    await app.fill('Arrive', '21:40');
    await app.fill('Leave', '22:30');
    await app.room('Light');
    await page.getByRole('tab', { name: 'Street', exact: true }).click();
    await app.spine.getByRole('button', { name: 'Add a stop' }).click();
    await expect(page.getByRole('button', { name: 'Tap the plan where you will stand' })).toBeVisible();
    await tapPlan(page, 40, 0);
    await app.room('Walk');
    await page.getByRole('tab', { name: 'Time', exact: true }).click();
    await app.fill('Name of the stop', 'Late');
    await app.field('Intent').selectOption({ label: 'Lit street by night' });
    await app.fill('Arrive', '0:40');
    await app.fill('Leave', '1:05');
    await expect(app.card).toContainText('Sun 00:40 to 01:05');
    await expect(app.spine).toContainText('Sun 00:40');
    await expect(app.field('Arrive')).toHaveValue('00:40');
    await page.getByRole('heading', { name: 'The walk', exact: true }).scrollIntoViewIfNeeded();
    await app.fill('Out at the earliest', '21:30');
    await app.fill('Home at the latest', '1:20');
    await expect(app.field('Home at the latest')).toHaveValue('01:20');
    // What cannot be is refused in words, and nothing is lost.
    await app.fill('Leave', '13:00');
    await expect(page.getByText(/must be after the arrival|goes on to noon/)).toBeVisible();
    await app.fill('Leave', '1:05');

    await expect(page.getByRole('button', { name: 'Plan it' })).toBeEnabled({ timeout: 120_000 });
    await page.getByRole('button', { name: 'Plan it' }).click();
    await expect(page.getByText(/Expect \d\.\d pictures: the best plan/)).toBeVisible({ timeout: 120_000 });
    await page.getByRole('button', { name: 'Undo', exact: true }).first().click();
    await expect(app.spine).toContainText('Sun 00:40');

    // A must in the small hours makes the day no more impossible.
    await app.choose('Late');
    await app.fill('Starts exactly at', '0:15');
    await page.getByRole('checkbox', { name: 'Must-have' }).check();
    await page.getByRole('button', { name: 'Plan it' }).click();
    await expect(app.spine).toContainText('Sun 00:15', { timeout: 120_000 });
    await expect(app.card).toContainText(/Sun 00:15 to 00:\d\d/);

    await page.getByRole('tab', { name: 'Before setting off' }).click();
    const events = opened('/usr/bin/python3', '-c', EVENTS, await saved(page, 'Calendar'))
      .trim()
      .split('\n');
    expect(events.filter((line) => line.startsWith('Late|'))).toEqual([expect.stringMatching(/^Late\|Sun 00:15\|Sun 00:\d\d$/)]);
    const table = readFileSync(await saved(page, 'Table (CSV)'), 'utf8');
    expect(table).toContain('2026-11-29 00:15');
    const text = opened('pdftotext', '-layout', await saved(page, 'Field cards to print (PDF)'), '-');
    expect(text).toMatch(/Sun 00:15 to 00:\d\d/);
    const gpx = readFileSync(await saved(page, 'Way and stops (GPX)'), 'utf8');
    expect(gpx).toContain('<time>2026-11-29T01:15:00.000Z</time><name>Late</name>');
    expect(gpx).toMatch(/Lit street by night, Sun 00:15–00:\d\d/);

    // Afterwards: a camera whose clock is a day behind, its frames of both sides of midnight. The first, a minute into the
    // planned stay, leaves no other shift for all six.
    await app.room('Log');
    const behind = ['27 22:14:00', '27 23:30:00', '28 00:05:00', '28 00:20:00', '28 00:30:00', '28 00:38:00'];
    await page.getByLabel('Photo files').setInputFiles([...framesTakenAt(behind.map((time) => `2026:11:${time}`))]);
    const taken = page.getByRole('listbox', { name: 'Frames of the walk' }).getByRole('option');
    await expect(taken).toHaveCount(6, { timeout: 60_000 });
    await expect(page.locator('main')).toContainText(/6 frames, all matched to stops|6 of them in stays of the walk/);
    await expect(page.getByLabel('Clock corrected by')).toHaveValue('+24:00:00');
    await expect(page.locator('main')).toContainText(/Late\s*3\s*M00004.JPG/);
  });
});

test('light and chart go on over midnight, by keys as by typing', async ({ app }) => {
  const { page } = app;
  await app.open('/walk?walk=demo-night&stop=night-arcade&t=23:55');
  await expect(page.getByText(/All 4 stops in their light/)).toBeVisible({ timeout: 120_000 });
  await app.timeHandle.focus();
  await page.keyboard.press('ArrowRight');
  await page.keyboard.press('ArrowRight');
  await expect(app.timeHandle).toHaveAttribute('aria-valuetext', /^00:05, EV/);
  await expect(page).toHaveURL(/t=24:05|t=24%3A05/);
  await expect(app.card).toContainText('Sat 23:20 to Sun 00:10 · light at 00:05');
  await page.reload();
  await expect(app.card).toContainText('light at 00:05');
  await app.open('/light/night?walk=demo-night&stop=night-weir&t=22:00');
  await expect(page.getByText('dimmed at 00:30')).toBeVisible();
  await expect(page.getByRole('img', { name: /^Dark from 20:\d\d to 04:\d\d/ })).toBeVisible();
});

test.describe('in the hand, without a net', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, serviceWorkers: 'allow' });

  test('a walker walks over midnight to the last tram', async ({ app, context, problems }) => {
    const { page } = app;
    let deviceMs = NOW.getTime();
    const walk = async (minutes: number): Promise<void> => {
      deviceMs += (minutes / SPEED) * MINUTE_MS;
      await context.clock.setFixedTime(deviceMs);
    };
    await app.untilPrefetched();
    await context.setOffline(true);
    await page.goto('/now?walk=demo-night');
    await page.getByRole('button', { name: 'Rehearse it with a simulated walker' }).tap();
    const screen = page.locator('rd-on-the-walk');
    await expect(screen).toContainText('Last tram 00:56, 4 min on foot: leave by 00:49');
    await walk(100);
    await expect(screen.locator('.clock')).toHaveText(/^23:0/);
    await walk(75);
    await expect(screen.locator('.clock')).toHaveText(/^00:2/);
    await expect(screen.getByRole('heading', { name: /Tollard Curve/ })).toBeVisible();
    await expect(screen).not.toContainText('outside this walk');
    await page.reload();
    await expect(screen.locator('.clock')).toHaveText(/^00:2/);
    await walk(22);
    await expect(screen).toContainText(/Last tram 00:56.*(leave by|go now)/);
    await walk(40);
    await expect(page.getByRole('heading', { name: 'Walk finished' })).toBeVisible();
    await expect(page.getByText(/planned Sun 00:31 to 00:50/)).toBeVisible();
    problems.splice(0, problems.length, ...problems.filter((one) => !/ERR_INTERNET_DISCONNECTED/.test(one)));
  });
});
