import { dropFile, QUARTER, tapPlan } from '../fixtures/own-map.js';
import { expect, test } from '../fixtures/test.js';

test.use({ hasMeasured: false, hasSectionsOpen: false });

test.describe('a walk of one’s own', () => {
  test('from a dropped map to measured windows and a card', async ({ app }) => {
    const { page } = app;
    await dropFile(page, QUARTER, 'quarter.osm');
    await expect(page.getByRole('heading', { name: 'Start a walk' })).toBeVisible();
    await expect(page.getByText('13 with a height, 29 by their levels, 37 assumed 9 m high')).toBeVisible();
    await page.getByText('1 left out because corners of theirs are not in the file.').click();
    await expect(page.locator('.ids').first()).toHaveText(/^\S+$/);
    await expect(page.getByLabel('Time zone')).toHaveValue('Atlantic/Azores');
    await page.getByRole('button', { name: 'Next Saturday, 28 November' }).click();
    await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Another camera…' });
    await page.getByLabel('Focal length').fill('35');
    await page.getByRole('checkbox', { name: 'Stabilised' }).check();
    await expect(page.locator('.summary')).toHaveText(
      'Saturday 28 November 2026, at quarter, clocks of Atlantic/Azores, with 35 mm f/2.',
    );
    await page.getByRole('button', { name: 'Start the walk' }).click();

    // Nothing is claimed of walls before it stands anywhere.
    await expect(page.getByText('This stop has no position yet')).toBeVisible();
    await tapPlan(page, 0, 40);
    await expect(page.getByText('This stop has no position yet')).toBeHidden();
    await expect(
      page
        .getByRole('img', { name: /Turn First stop/ })
        .or(page.locator('.rd-turn'))
        .first(),
    ).toBeVisible();
    // Sluice Lane is 4 m wide between its walls and runs north.
    await expect(page.getByText(/4 m across/)).toBeVisible();
    await expect(app.spine.getByText(/^The stop is (not )?in its light$/)).toBeVisible();
    await expect(app.card.getByRole('heading', { name: 'First stop' })).toBeVisible();
    for (const row of ['aperture', 'focus', 'shutter', 'iso', 'meter'] as const) await expect(app.number(row)).not.toHaveText('');

    // A second one, put down without a question, and turned by keys.
    await app.spine.getByRole('button', { name: 'Add a stop' }).click();
    await expect(page.getByRole('button', { name: 'Tap the plan where you will stand' })).toBeVisible();
    await tapPlan(page, 40, 0);
    await page
      .getByLabel(/Turn New stop, now 90 degrees/)
      .first()
      .focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByLabel(/Turn New stop, now 95 degrees/).first()).toBeAttached();
    await expect(app.spine.getByText(/(of|All) 2 stops in their light/)).toBeVisible();
    await app.expectStops(2);
  });

  test('on the other side of the earth: place, zone and sun are those of the coordinates', async ({ app }) => {
    const { page } = app;
    await app.spine.getByRole('button', { name: 'Start your own walk' }).click();
    await page.getByLabel('Coordinates').fill("40°30' S");
    await page.getByLabel('Coordinates').blur();
    await expect(page.getByText('Write a place as 46.45521, 11.25709')).toBeVisible();
    await page.getByLabel('Coordinates').fill("40°30' S 171°15' W");
    await expect(page.getByText('Your coordinates: 40.5000° S, 171.2500° W.')).toBeVisible();
    await expect(page.getByLabel('Time zone')).toHaveValue('Etc/GMT+11');
    await page.getByRole('button', { name: 'Start the walk' }).click();
    await expect(page.getByRole('heading', { name: 'My place has no stops yet' })).toBeVisible();
    await page.getByRole('button', { name: 'Add the first stop' }).click();
    await expect(app.card.getByRole('heading', { name: 'New stop' })).toBeVisible();
    await expect(app.spine.getByText(/My place/).first()).toBeVisible();
  });

  test('a map far from the walk says so, and the walk is taken there', async ({ app }) => {
    const { page } = app;
    await app.room('Light');
    await page.getByRole('tab', { name: 'Buildings' }).click();
    await page.getByLabel('Map file').setInputFiles(QUARTER);
    await expect(app.spine.getByText(/The map lies 9\d\d km from the walk’s place\./)).toBeVisible();
    await expect(app.card.getByText(/This stop lies 9\d\d km from the map\./)).toBeVisible();
    await expect(app.spine.getByText(/9\d\d km away/)).toHaveCount(8);
    await app.spine.getByRole('button', { name: 'Take the walk there' }).click();
    await expect(app.spine.getByText(/The map lies/)).toBeHidden();
    await expect(app.spine.getByText('Sat 13 March · quarter')).toBeVisible();
    await page.getByRole('button', { name: /^Undo: take/ }).click();
    await expect(app.spine.getByText(/The map lies/)).toBeVisible();
  });
});

test.describe('in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });

  test('a walk is begun from a map file and its first stop put down by a tap', async ({ app }) => {
    const { page } = app;
    await page.goto('/start');
    await page.getByLabel('Map file').setInputFiles(QUARTER);
    await expect(page.getByText('13 with a height')).toBeVisible();
    await page.getByRole('button', { name: 'Start the walk' }).click();
    await expect(page.getByRole('button', { name: 'Tap the plan where you will stand' })).toBeVisible();
    await tapPlan(page, 0, 40);
    await expect(page.getByText(/4 m across/)).toBeVisible();
    await app.room('Card');
    await expect(app.card.getByRole('heading', { name: 'First stop' })).toBeVisible();
    await app.expectNumbers({ meter: '+2⅔' });
  });
});

test.describe('the plan of a walk', () => {
  test.use({ hasMeasured: true });

  test('stops are chosen, put down, moved, turned and their zones drawn, by mouse and by keys', async ({ app }) => {
    const { page } = app;
    await app.choose('Orrel Steps');
    await page.getByRole('tab', { name: 'Plan', exact: true }).click();
    const plan = page.getByRole('group', { name: 'Plan of the walk, north is up' });
    await expect(plan.locator('.rd-stop')).toHaveCount(8);
    await expect(page.getByText('Shadows at 14:50; 1.6 km on foot.')).toBeVisible();
    // Not the seen handles alone: the keys stay with one through every redrawing.
    await plan.locator('.rd-stop.here').click();
    const far = plan.getByLabel(/^Sharp to at/);
    await far.focus();
    const farM = async (): Promise<number> => Number(/at ([\d.]+) m/.exec((await far.getAttribute('aria-label')) ?? '')?.[1]);
    const before = await farM();
    await page.keyboard.press('+');
    await expect.poll(farM).toBeGreaterThan(before * 1.1);
    const once = await farM();
    await page.keyboard.press('+');
    await expect.poll(farM).toBeGreaterThan(once * 1.1);
    await expect(far).toBeFocused();
    const turn = plan.getByLabel(/^Turn Orrel Steps, now 48 degrees/);
    await turn.focus();
    await page.keyboard.press('-');
    await expect(plan.getByLabel(/^Turn Orrel Steps, now 43 degrees/)).toBeFocused();
    // A tap beside everything is another stop, and undo takes it away again.
    await page.mouse.click(0, 0);
    const box = await plan.boundingBox();
    if (box === null) throw new Error('no plan on screen');
    await page.mouse.click(box.x + 30, box.y + box.height - 60);
    await app.expectStops(9);
    await expect(plan.locator('.rd-stop')).toHaveCount(9);
    await page.getByRole('button', { name: 'Undo: add a stop' }).click();
    await app.expectStops(8);
    await page.mouse.move(box.x + 40, box.y + box.height - 80);
    await page.keyboard.press('a');
    await app.expectStops(9);
    await expect(plan.locator('.rd-stop')).toHaveCount(9);
    await page.getByRole('button', { name: 'Undo: add a stop' }).click();
    await page.getByRole('tab', { name: 'Time', exact: true }).click();
    await expect(page.locator('rd-walk-chart')).toBeVisible();
  });
});

test.describe('a walk of one’s own, in the hand', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true });

  test('from an empty browser and a map file to the last stop', async ({ app }) => {
    const { page } = app;
    await page.goto('/start');
    await page.getByLabel('Map file').setInputFiles(QUARTER);
    await expect(page.getByText('13 with a height')).toBeVisible();
    await page.getByRole('button', { name: 'Start the walk' }).tap();
    await tapPlan(page, 0, 40);
    await expect(page.getByText('This stop has no position yet')).toBeHidden();
    await app.room('Card');
    await page.getByRole('link', { name: 'Go', exact: true }).tap();
    await page.getByRole('button', { name: 'Go', exact: true }).tap();
    const screen = page.locator('rd-on-the-walk');
    await expect(screen.getByRole('heading', { name: 'To First stop' })).toBeVisible();
    await screen.getByRole('button', { name: 'I am here' }).tap();
    for (const row of ['aperture', 'focus', 'shutter', 'iso', 'meter']) {
      await expect(screen.locator(`[data-row="${row}"] [data-number]`)).not.toHaveText('');
    }
    await expect(screen).toContainText(/Light (for|in)|No more light|No light/);
    await screen.getByRole('button', { name: 'Got it' }).tap();
    await screen.getByRole('button', { name: 'Go on' }).tap();
    await expect(screen.getByRole('heading', { name: 'Walk finished' })).toBeVisible();
    await expect(screen).toContainText('1 of 1 pictures got');
    await app.expectStored();
    await page.reload();
    await expect(screen.getByRole('heading', { name: 'Walk finished' })).toBeVisible();
    await screen.getByRole('button', { name: 'End the walk' }).tap();
    await expect(page.getByRole('button', { name: 'Go', exact: true })).toBeVisible();
  });
});
