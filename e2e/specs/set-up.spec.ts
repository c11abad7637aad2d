import { readFile } from 'node:fs/promises';
import { inflateSync } from 'node:zlib';
import { expect, test } from '../fixtures/test.js';

const POINT = 'Chosen set-up: left and right for the slowest shutter, up and down for the aperture';

test.describe('what holds the picture', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Vessen Hall');
    await app.room('Set-up');
    await expect(app.page.getByRole('heading', { name: 'What limits this picture' })).toBeVisible();
  });

  test('the point is dragged, the card follows at once, and back to best undoes it', async ({ app }) => {
    const { page } = app;
    const { x } = await app.axisText('rd-limits-chart', '1/1000');
    const { y } = await app.axisText('rd-limits-chart', 'f/4');
    await app.drag(page.getByRole('slider', { name: POINT }), { x, y });
    await app.expectNumbers({ aperture: 'f/4', shutter: '1/1000', focus: '3 m' });
    await expect(app.card).toContainText('as you have set it');
    // f/4 at 3 m (c left 0.0286): k = 0.0286·4·2972/784 = 0.4337: 2.09 to 5.30 m.
    await expect(app.note('aperture')).toContainText('sharp from 2.1 to 5.3 m');
    await app.card.getByRole('button', { name: 'Back to best' }).click();
    await app.expectNumbers({ aperture: 'f/7.1', shutter: '1/500' });
    await page.keyboard.press('Control+z');
    await app.expectNumbers({ aperture: 'f/4', shutter: '1/1000' });
    await page.keyboard.press('Control+z');
    await app.expectNumbers({ aperture: 'f/7.1', shutter: '1/500' });
  });

  test('arrow keys move it a mark at a time, and with Shift only read', async ({ app }) => {
    const { page } = app;
    const point = page.getByRole('slider', { name: POINT });
    await point.focus();
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('ArrowDown');
    await app.expectNumbers({ aperture: 'f/6.3', shutter: '1/640' });
    await expect(point).toHaveAttribute('aria-valuetext', /^f\/6\.3, 1\/640: 9\d in 100 good; nothing holds it back\.$/);
    for (let k = 0; k < 12; k++) await page.keyboard.press('Shift+ArrowDown');
    await expect(page.locator('rd-limits-chart .reading')).toHaveText(/^f\/2, 1\/640: .*too shallow\.$/);
    await app.expectNumbers({ aperture: 'f/6.3', shutter: '1/640' });
    await page.keyboard.press('Enter');
    await app.expectNumbers({ aperture: 'f/2' });
  });

  test('minus and plus step the same, and a pinned set-up is compared', async ({ app }) => {
    const { page } = app;
    await page.getByRole('button', { name: 'Pin this' }).click();
    await page.getByRole('button', { name: 'Aperture: less' }).click();
    await page.getByRole('button', { name: 'Focus: more' }).click();
    await page.getByRole('button', { name: 'Slowest shutter: more' }).click();
    await app.expectNumbers({ aperture: 'f/6.3', focus: '5 m', shutter: '1/640' });
    await expect(page.getByText(/^ ?Pinned:/)).toContainText('f/7.1, 3 m, 1/500');
    await expect(page.getByText(/^ ?Pinned:/)).toContainText(/This one has \d+ fewer/);
    await page.getByRole('button', { name: 'Set it' }).click();
    await app.expectNumbers({ aperture: 'f/7.1', focus: '3 m', shutter: '1/500' });
  });

  test('focus, near and far are dragged and stepped on the ground', async ({ app }) => {
    const { page } = app;
    await page.locator('rd-ground-marks').scrollIntoViewIfNeeded();
    const five = await app.axisText('rd-ground-strip', '5 m');
    const focus = page.getByRole('slider', { name: 'Focus', exact: true });
    await app.drag(focus.locator('.grip'), { x: five.x, y: five.y + 100 });
    await app.expectNumbers({ focus: '5 m' });
    await focus.focus();
    await page.keyboard.press('ArrowLeft');
    await app.expectNumbers({ focus: '3 m', aperture: 'f/7.1' });

    const near = page.getByRole('slider', { name: 'Near end of what is sharp' });
    await expect(near).toHaveAttribute('aria-valuetext', '1.7 m');
    await near.focus();
    await page.keyboard.press('ArrowRight');
    await app.expectNumbers({ aperture: 'f/6.3' });
    const two = await app.axisText('rd-ground-strip', '2 m');
    await app.drag(near.locator('.grip'), { x: two.x, y: two.y + 100 });
    // Near at 2 m with focus at 3 m: f/4.5 gives 2.02 m, f/5 1.94 m.
    await app.expectNumbers({ aperture: 'f/4.5' });
    await page.getByRole('slider', { name: 'Far end of what is sharp' }).focus();
    await page.keyboard.press('ArrowRight');
    await app.expectNumbers({ aperture: 'f/5' });
  });

  test('what lies there is named and kept', async ({ app }) => {
    const { page } = app;
    await page.getByText('What lies there (3)').click();
    await page.getByRole('button', { name: 'Add something that lies there' }).click();
    await page.getByLabel('Kerb, step, wall').last().fill('iron ring');
    await page.getByLabel('at', { exact: true }).last().fill('2.5m');
    await page.keyboard.press('Enter');
    await expect(page.locator('rd-ground-strip')).toContainText('iron ring 2.5 m');
    await app.reload();
    await expect(page.locator('rd-ground-strip')).toContainText('iron ring 2.5 m');
  });

  test('an empty island says so, and the ways out are done by a click', async ({ app }) => {
    const { page } = app;
    for (let stop = 0; stop < 7; stop++) await app.card.getByRole('button', { name: 'Light dropped' }).click();
    await expect(page.getByText('No set-up stays within every limit here.')).toBeVisible();
    await app.setUpPage('As light goes');
    const first = page.getByRole('button', { name: /^Apply: / }).first();
    const chance = app.card.locator('.chance');
    await expect(first).toBeVisible();
    const before = Number((await chance.innerText()).match(/\d+/)?.[0]);
    await first.click();
    await expect.poll(async () => Number((await chance.innerText()).match(/\d+/)?.[0])).toBeGreaterThan(before + 4);
  });
});

test('every intent has a chart, a ground and a ladder without a hole in it', async ({ app }) => {
  const { page } = app;
  await app.choose('Vessen Hall');
  const intents = await app.field('Intent').locator('option').allTextContents();
  expect(intents.length).toBe(12);
  for (const label of intents) {
    await app.room('Walk');
    await app.field('Intent').selectOption({ label });
    await app.room('Set-up');
    await expect(page.locator('rd-limits-chart .reading')).toHaveText(/\d+ in 100 good/);
    await expect(page.locator('rd-ground-strip figcaption')).not.toBeEmpty();
    await expect(app.card.locator('.chance')).toContainText(/\d+ in 100/);
    await expect(page.getByRole('main')).not.toContainText(/NaN|undefined|null/);
  }
});

test.describe('as light goes', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Long Arcade');
    await app.room('Set-up');
    await app.setUpPage('As light goes');
  });

  test('the camera’s response is read along the light by keyboard and mouse', async ({ app }) => {
    const { page } = app;
    const chart = page.getByRole('slider', { name: 'Light to read out' });
    await expect(chart).toHaveAttribute('aria-valuetext', /^EV 6\. Automatic ISO with a slowest shutter: 1\/160, ISO 4000\./);
    await chart.focus();
    for (let third = 0; third < 9; third++) await page.keyboard.press('ArrowRight');
    // At the ceiling ISO 6400 and f/4 the shutter lengthens: EV 3 is three stops under EV 6, ISO two thirds up.
    await expect(chart).toHaveAttribute('aria-valuetext', /^EV 3\. .*1\/3\d, ISO 6400\./);
    const { x } = await app.axisText('rd-response-chart', 'EV 14');
    const box = await chart.boundingBox();
    await page.mouse.move(x, (box?.y ?? 0) + 60);
    await expect(page.locator('rd-response-chart figcaption')).toContainText(/^EV 14\. .*ISO 100\./);
  });

  test('the schools are compared and taken over, and the home state is gone through', async ({ app }) => {
    const { page } = app;
    await expect(page.getByRole('heading', { name: 'Approaches compared in this light' })).toBeVisible();
    await page.getByRole('button', { name: 'Use here: Both held, ISO floats' }).click();
    await expect(app.card.locator('[data-row="shutter"]')).toContainText('held');
    const home = page.getByRole('group', { name: 'Before setting off' });
    await home.getByLabel('Stabiliser on').check();
    await app.reload();
    await expect(home.getByLabel('Stabiliser on')).toBeChecked();
    await home.getByRole('button', { name: 'Clear the checklist' }).click();
    await expect(home.getByLabel('Stabiliser on')).not.toBeChecked();
  });
});

test.describe('where to stand', () => {
  test('a lens is put on by its frame, and a distance feeds the search', async ({ app }) => {
    const { page } = app;
    await app.choose('Vessen Hall');
    await app.room('Set-up');
    await app.setUpPage('Where to stand');
    // 28·1.7/2.972/24 = 66.7 %.
    await expect(page.getByRole('button', { name: /^28 f\/2 at 28 mm: a person fills 67 %/ })).toHaveAttribute(
      'aria-pressed',
      'true',
    );
    await page.getByRole('button', { name: /at 105 mm/ }).click();
    await expect(page.getByRole('button', { name: /at 105 mm/ })).toHaveAttribute('aria-pressed', 'true');
    await expect(app.number('aperture')).not.toHaveText('f/7.1');
    await page.getByRole('button', { name: 'People pass at: more' }).click();
    await expect(app.field('People pass at')).toHaveValue('3.1 m');
  });

  test('the façade’s camera is dragged and stepped; the zone table sets the hand', async ({ app }) => {
    const { page } = app;
    await app.choose('Tannery Front');
    await app.room('Set-up');
    await app.setUpPage('Where to stand');
    // 14 m: level from 0.028 + 56·12.4/24 = 28.96 m; half way up 0.028 + 28·14/24 = 16.36 m.
    await expect(page.getByText('level from 29 m back, or 16.4 m from half way up')).toBeVisible();
    const camera = page.getByRole('slider', { name: 'Distance from the façade' });
    await camera.focus();
    await page.keyboard.press('ArrowLeft');
    await expect(camera).toHaveAttribute('aria-valuetext', '16.5 m');
    const level = await app.axisText('rd-facade-section', 'level from 29 m');
    await app.drag(camera, { x: level.x - 30, y: level.y - 40 });
    await expect(page.getByText('the top is in the frame with the camera level')).toBeVisible();
    await page
      .getByRole('button', { name: /^Set 3 m and this aperture/ })
      .first()
      .click();
    await app.expectNumbers({ focus: '3 m', aperture: 'f/2' });
  });
});

test.describe('my hands', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Vessen Hall');
    await app.room('Set-up');
    await app.setUpPage('My hands');
  });

  test('the limit is stepped and dragged, and test frames teach it', async ({ app }) => {
    const { page } = app;
    const limit = page.getByRole('slider', { name: 'Slowest time you can hold four times in five' });
    // 8/28 = 0.286 s.
    await expect(limit).toHaveAttribute('aria-valuetext', '0.29 s');
    await limit.focus();
    for (let third = 0; third < 3; third++) await page.keyboard.press('ArrowLeft');
    await expect(limit).toHaveAttribute('aria-valuetext', '1/7');
    const quick = await app.axisText('rd-keeper-curve', '1/30');
    const box = await limit.boundingBox();
    await app.drag(limit, { x: quick.x, y: box?.y ?? 0 });
    await expect(limit).toHaveAttribute('aria-valuetext', /^1\/(2[5-9]|3[0-9])$/);
    await page.getByRole('button', { name: 'Add a tested time' }).click();
    await page.getByLabel('Steady', { exact: true }).fill('10');
    await page.keyboard.press('Enter');
    await expect(page.locator('rd-keeper-curve figcaption')).toContainText('Your own frames say');
    await page.getByRole('button', { name: 'Use my steadiness from these frames' }).click();
    await expect(limit).not.toHaveAttribute('aria-valuetext', /^1\/3\d$/);
  });

  test('the barrel tape’s file has its marks at true size', async ({ app }) => {
    const { page } = app;
    const waiting = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save the tape as PDF' }).click();
    const file = await readFile(await (await waiting).path());
    const lines = pdfLines(file).map(({ x0, y0, x1, y1 }) => ({ x0, y0, x1, y1 }));
    const lengths = lines.filter(({ y0, y1 }) => y0 === y1).map(({ x0, x1 }) => x1 - x0);
    expect(lengths.some((length) => Math.abs(length - 100) < 0.01)).toBe(true);
    // The demo’s ring: 58 mm across, 0.50615 mm to the degree; 0.3 m is 94° from infinity, 3 m 11°.
    const uprights = lines.filter(({ x0, x1 }) => x0 === x1).map(({ x0 }) => x0);
    const left = Math.min(...uprights);
    for (const degrees of [11, 32, 94]) {
      expect(uprights.some((at) => Math.abs(at - left - degrees * 0.506145) < 0.01)).toBe(true);
    }
  });

  test('a lens without measurements says what to measure', async ({ app }) => {
    const { page } = app;
    await app.setUpPage('Where to stand');
    await page.getByRole('button', { name: /at 35 mm/ }).click();
    await app.setUpPage('My hands');
    await expect(page.getByText('wrap a strip of paper round it')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Save the tape as PDF' })).toBeHidden();
  });
});

/** Straight lines of a PDF in millimetres. */
function pdfLines(file: Buffer): { x0: number; y0: number; x1: number; y1: number }[] {
  const content = [...file.toString('latin1').matchAll(/stream\r?\n([\s\S]*?)\r?\nendstream/g)].map(([, body]) => {
    try {
      return inflateSync(Buffer.from(body ?? '', 'latin1')).toString('latin1');
    } catch {
      return '';
    }
  });
  const mm = (points: string | undefined): number => (Number(points) * 25.4) / 72;
  return [...content.join('\n').matchAll(/([\d.-]+) ([\d.-]+) m\s+([\d.-]+) ([\d.-]+) l\s+S/g)].map(([, x0, y0, x1, y1]) => ({
    x0: mm(x0),
    y0: mm(y0),
    x1: mm(x1),
    y1: mm(y1),
  }));
}
