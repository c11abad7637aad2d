import type { Page } from '@playwright/test';
import { PNG } from 'pngjs';
import { expect, test } from '../fixtures/test.js';

const compensation = (page: Page) => page.getByLabel('Compensation', { exact: true });

/** A picture whose left half is mid-grey and whose right half is white. */
function halves(): Buffer {
  const png = new PNG({ width: 60, height: 40 });
  for (let place = 0; place < 60 * 40; place++)
    png.data.set(place % 60 < 30 ? [118, 118, 118, 255] : [255, 255, 255, 255], 4 * place);
  return PNG.sync.write(png);
}

/** A PNG that says it is of 20,000 by 10,000 pixels, and has nothing behind its head. */
function huge(): Buffer {
  const head = Buffer.from(halves().subarray(0, 33));
  head.writeUInt32BE(20_000, 16);
  head.writeUInt32BE(10_000, 20);
  return head;
}

test.describe('the bench', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Orrel Steps');
    await app.room('Meter');
    await app.page.getByRole('tab', { name: 'Bench' }).click();
    await expect(compensation(app.page)).toBeVisible({ timeout: 20_000 });
  });

  test('says of the stop’s own frame what the card says', async ({ app }) => {
    const { page } = app;
    // Both are painted from the light first, and from what the frame will see once that is drawn.
    await expect(page.getByLabel('It is about')).toContainText('light in the pool', { timeout: 30_000 });
    const said = (): Promise<string | null> => compensation(page).locator('b').textContent();
    await expect.poll(async () => (await app.number('meter').textContent()) === (await said())).toBe(true);
    await app.card.getByRole('button', { name: 'Why this meter?' }).click();
    await expect(app.card.getByRole('img', { name: /its key outlined/ })).toBeVisible();
    await expect(app.card.getByRole('rowheader', { name: 'the pattern gives' })).toBeVisible();
  });

  test('by keyboard: another scene, pattern and key, the spot moved off it is told of', async ({ app }) => {
    const { page } = app;
    await page.getByLabel('Scene', { exact: true }).selectOption('stageBack');
    await expect(compensation(page)).toContainText('by hand');
    await expect(compensation(page)).toContainText('beyond the dial');
    await page.getByLabel('Scene', { exact: true }).selectOption('whiteWall');
    await expect(compensation(page)).toContainText('+1⅔');
    await page.getByRole('radio', { name: /whole frame/ }).focus();
    await page.keyboard.press('ArrowDown');
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('radio', { name: /^spot/ })).toBeChecked();
    await expect(page.getByText(/it reads what is beside it too/)).toBeHidden();
    const spot = page.getByRole('slider', { name: 'The spot' });
    await spot.focus();
    for (let k = 0; k < 16; k++) await page.keyboard.press('ArrowLeft');
    await expect(page.getByText(/^Only \d+ % of the spot is wall: it reads what is beside it too/)).toBeVisible();
    await page.getByLabel('Wanted at', { exact: true }).fill('+1');
    await page.getByLabel('Wanted at', { exact: true }).press('Enter');
    await page.getByRole('radio', { name: /whole frame/ }).check();
    await expect(compensation(page)).toContainText('+⅔');
    const split = page.getByRole('slider', { name: 'How much shows what the pattern gives' });
    await split.press('ArrowRight');
    await expect(split).toHaveAttribute('aria-valuetext', /^60 %/);
  });

  test('by mouse: the spot is dragged onto a coat; a light that changes has its advice; white is moved', async ({ app }) => {
    const { page } = app;
    await page.getByLabel('Scene', { exact: true }).selectOption('silhouetteScreen');
    await expect(page.getByText('Let the meter read again before each frame')).toBeVisible();
    await page.getByLabel('It is about').selectOption('vendor');
    await expect(page.getByText('Neither lock nor float')).toBeVisible();
    await page.getByLabel('It is about').selectOption('spot');
    await page.getByRole('radio', { name: /^spot/ }).check();
    await expect(compensation(page)).toContainText('0');
    const spot = page.getByRole('slider', { name: 'The spot' });
    const picture = await page.locator('rd-bench-picture .picture').boundingBox();
    const box = await spot.locator('.cross').boundingBox();
    if (picture === null || box === null) throw new Error('no picture');
    const before = await page.getByText(/^The spot pattern: it gives/).textContent();
    await page.mouse.move(box.x + 4, box.y + 4);
    await page.mouse.down();
    await page.mouse.move(picture.x + picture.width * 0.33, picture.y + picture.height * 0.75, { steps: 8 });
    await page.mouse.up();
    await expect(page.getByText(/^The spot pattern: it gives/)).not.toHaveText(before ?? '');
    const white = page.getByRole('slider', { name: 'White balance, kelvin' });
    await white.focus();
    for (let k = 0; k < 26; k++) await white.press('ArrowLeft');
    await expect(page.getByRole('heading', { name: 'White at 2900 K' })).toBeVisible();
    await expect(page.getByText(/screen \(6500 K\) deep blue/)).toBeVisible();
  });

  test('a photograph is a scene, relative and said so; what is none is refused in words', async ({ app }) => {
    const { page } = app;
    const give = (name: string, mimeType: string, buffer: Buffer) =>
      page.getByLabel('A photograph as the scene').setInputFiles({ name, mimeType, buffer });
    await give('nothing.jpg', 'image/jpeg', Buffer.alloc(0));
    await expect(page.getByRole('alert')).toHaveText('nothing.jpg is empty: 0 bytes.');
    await give('notes.jpg', 'image/jpeg', Buffer.from('a walk in the hills'));
    await expect(page.getByRole('alert')).toContainText('notes.jpg is not a picture that can be read here');
    await give('vast.png', 'image/png', huge());
    await expect(page.getByRole('alert')).toHaveText(
      'vast.png has 200 megapixels; 120 at most are read. Make a smaller copy of it.',
    );
    const whole = halves();
    await give('torn.png', 'image/png', whole.subarray(0, 60));
    await expect(page.getByRole('alert')).toContainText('torn.png is broken');
    await expect(compensation(page)).toBeVisible();

    await give('halves.png', 'image/png', whole);
    await expect(page.getByText('It does not say its exposure either: EV 12 is taken.')).toBeVisible();
    await expect(page.getByLabel('Scene', { exact: true })).toHaveValue('photo');
    await expect(page.getByRole('alert')).toBeHidden();
    // Half at mid-grey, half log2(1/0.18) = 2.47 over it: the frame reads log2((1 + 5.5)/2) = 1.7 over the grey.
    const spot = page.getByRole('slider', { name: 'The spot' });
    await spot.focus();
    for (let k = 0; k < 12; k++) await page.keyboard.press('ArrowLeft');
    await expect(compensation(page)).toContainText('+1⅔');
  });
});

test('a film walk: from the index that holds it to the card', async ({ app }) => {
  const { page } = app;
  await app.choose('Vessen Hall');
  await app.room('Meter');
  await page.getByRole('tab', { name: 'Film' }).click();
  await expect(page.getByText('All 8 stops are within it.')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByText('Grey 400 at 800', { exact: true })).toBeVisible();
  await page.getByLabel('Exposed at').selectOption({ label: '200' });
  await expect(page.getByText(/stops fall outside:/)).toBeVisible();
  await page.getByRole('button', { name: 'Look at Grey 400 at 800' }).click();
  await page.getByRole('button', { name: 'Rate the roll at this' }).click();
  await expect(page.getByText('This is how the roll is exposed.')).toBeVisible();
  await page.getByRole('button', { name: /^Undo: change Grey 400/ }).click();
  await expect(page.getByRole('button', { name: 'Rate the roll at this' })).toBeVisible();
  await page.getByRole('button', { name: /^Redo/ }).click();
  // The film body in the hand: its card is of the roll as it is exposed now.
  await app.room('Walk');
  await app.editWalk();
  await page.getByLabel('Body', { exact: true }).selectOption({ label: 'Film body' });
  await expect(app.card.locator('[data-row=iso]')).toContainText('800');
  await expect(app.card.locator('[data-row=iso]')).toContainText('Grey 400');
});

test('a light that changes is said of the stop, and the approaches show what a half-press costs there', async ({ app }) => {
  const { page } = app;
  await app.choose('Tollard Stop');
  await page.getByLabel('While you are there the light').selectOption('is a screen whose picture changes');
  await expect(page.getByRole('button', { name: /^Frames .*the light is a screen whose picture changes/ })).toBeVisible();
  await app.room('Set-up');
  await page.getByRole('tab', { name: 'As light goes' }).click();
  const locked = page.getByRole('row', { name: /locked on the spot/i });
  await expect(locked).toContainText(/as the light changes, [3-7]\d in 100 are well exposed/, { timeout: 30_000 });
  await expect(page.getByRole('row', { name: /fixed zone/i })).toContainText(/as the light changes, 9\d in 100 are well exposed/);
});

test('flash: when sky and flash balance, at another aperture later, and the power by distance', async ({ app }) => {
  const { page } = app;
  await app.choose('Weir Rail');
  await page.getByLabel('Intent').selectOption('flashLift');
  await app.room('Meter');
  await page.getByRole('tab', { name: 'Flash' }).click();
  const balance = page.getByText(/flash and sky balance, at f\//);
  await expect(balance).toBeVisible({ timeout: 30_000 });
  const minuteOf = async (): Promise<number> => {
    const [, hours, minutes] = /(\d+):(\d+)/.exec((await balance.locator('..').textContent()) ?? '') ?? [];
    return Number(hours) * 60 + Number(minutes);
  };
  await page.locator('rd-flash-page').getByLabel('Aperture', { exact: true }).fill('f8');
  await page.locator('rd-flash-page').getByLabel('Aperture', { exact: true }).press('Enter');
  await expect(page.getByText(/at f\/8, ISO/)).toBeVisible();
  const closed = await minuteOf();
  await page.locator('rd-flash-page').getByLabel('Aperture', { exact: true }).fill('f2.8');
  await page.locator('rd-flash-page').getByLabel('Aperture', { exact: true }).press('Enter');
  await expect(page.getByText(/at f\/2.8, ISO/)).toBeVisible();
  // Three stops later in a dusk of about a fifth of a stop a minute.
  expect((await minuteOf()) - closed).toBeGreaterThan(8);
  await expect(page.getByRole('rowheader', { name: '4.5 m' })).toBeVisible();
  await expect(page.getByText('a warming gel of 163 mired')).toBeVisible();
});

test.describe('the meter in the hand', () => {
  test.use({ serviceWorkers: 'block' });
  test('streams, is held and taken; cut it says so and comes back; without a server it is read here', async ({ app, problems }) => {
    const { page } = app;
    await app.choose('Vessen Hall');
    await app.room('Meter');
    const meter = page.getByRole('switch', { name: 'Handheld meter, simulated' });
    await meter.click();
    const now = page.locator('rd-hand-meter-bar .now');
    await expect(now).toContainText('the white wall');
    await expect(now).toContainText('a coat in the sun', { timeout: 15_000 });
    await page.getByRole('switch', { name: 'Hold' }).click();
    const held = await now.textContent();
    // Two more readings come, and nothing shows them.
    const client = await page.context().newCDPSession(page);
    await client.send('Network.enable');
    for (let k = 0; k < 2; k++) await new Promise((heard) => client.once('Network.eventSourceMessageReceived', heard));
    expect(await now.textContent()).toBe(held);
    await page.getByRole('button', { name: 'Use this reading' }).click();
    await expect(page.getByRole('list', { name: 'Readings' }).getByLabel('What')).toHaveValue('a coat in the sun');
    await page.getByRole('switch', { name: 'Hold' }).click();
    await meter.click();

    await page.route('**/api/meter**', (route) => route.abort());
    await meter.click();
    await expect(page.getByText(/^The meter is gone; asked for again in \d s\.$/)).toBeVisible();
    await expect(page.getByText('No server answers: the same made-up scene is read here.')).toBeVisible({ timeout: 15_000 });
    await expect(now).toContainText('the white wall');
    await page.unroute('**/api/meter**');
    await expect(page.getByText('No server answers')).toBeHidden({ timeout: 20_000 });
    await expect(now).toBeVisible();
    problems.splice(0);
  });
});
