import { expect, test } from '../fixtures/test.js';

test('a new kit and walk by mouse, and a card that follows every change', async ({ app }) => {
  const { page } = app;
  await app.room('Kit');
  await page.getByRole('button', { name: 'Add…' }).click();
  await page.getByRole('menuitem', { name: 'A lens' }).click();
  await app.field('Name').fill('Short one');
  await app.fill('Focal length from', '28');
  await app.fill('to', '28');
  await app.fill('Widest aperture', 'f2');
  await app.fill('Engraved distances', '1; 2; 3; 5; inf');
  await expect(app.field('Engraved distances')).toHaveValue('1 m; 2 m; 3 m; 5 m; ∞');

  await app.spine.getByRole('button', { name: 'Start your own walk' }).click();
  await page.getByRole('button', { name: 'Start the walk' }).click();
  await page.getByRole('main').getByRole('button', { name: 'Add the first stop' }).click();
  await app.field('Name of the stop').fill('Corner');
  await app.field('Lens').selectOption({ label: 'Short one' });
  await app.fill('People pass at', '3 m');
  await app.fill('give or take', '25'); // of the zone: the first such field
  await expect(app.stop('Corner')).toBeVisible();
  // Sheet 2's zone and walkers, on the same lens and frame.
  await app.expectNumbers({ aperture: 'f/7.1', focus: '3 m', shutter: '1/500' });

  await app.field('From').press('ArrowUp');
  await expect(app.field('From')).toHaveValue('2 m');
  await page.getByRole('button', { name: 'From: more' }).click();
  await expect(app.field('From')).toHaveValue('2.1 m');
  await page.getByRole('button', { name: 'Arrive: less' }).click();
  await expect(app.stop('Corner')).toContainText('08:55');
  await app.field('Intent').selectOption({ label: 'Silhouette' });
  await expect(app.number('aperture')).not.toHaveText('f/7.1');
});

test('typing nonsense is refused on the spot and what was typed stays', async ({ app }) => {
  await app.choose('Vessen Hall');
  await app.fill('From', 'near the lamp');
  await expect(app.field('From')).toHaveValue('near the lamp');
  await expect(app.page.getByRole('alert')).toContainText('“near the lamp” is not a distance; try 2 m, 6 ft');
  await app.fill('From', '7 m');
  await expect(app.page.getByRole('alert')).toContainText('must be nearer than the far end');
  await app.expectNumbers({ aperture: 'f/7.1', focus: '3 m' });
  await app.field('From').press('Escape');
  await expect(app.field('From')).toHaveValue('1.99 m');
});

test('stops are dragged, moved, duplicated, removed, undone and redone', async ({ app }) => {
  const { page } = app;
  const before = await app.stopNames();
  const from = await app.stop('Tollard Stop').boundingBox();
  const to = await app.stop('Tannery Front').boundingBox();
  if (from === null || to === null) throw new Error('the spine is not on screen');
  const moved = ['Quenmill Sluice', 'Tannery Front', 'Tollard Stop', ...before.slice(3)];
  // Dragging is fetched when the pointer first comes: a hand that is quicker than that drags once more.
  await expect(async () => {
    await page.mouse.move(from.x + 60, from.y + 20);
    await page.mouse.down();
    await page.mouse.move(from.x + 60, from.y + 60, { steps: 5 });
    await page.mouse.move(to.x + 60, to.y + 50, { steps: 10 });
    await page.mouse.up();
    await expect.poll(() => app.stopNames(), { timeout: 2000 }).toEqual(moved);
  }).toPass();
  await page.getByRole('button', { name: 'Undo: move Tollard Stop' }).click();
  await expect.poll(() => app.stopNames()).toEqual(before);

  await page.getByRole('button', { name: 'Move, duplicate or remove Vessen Hall' }).click();
  await page.getByRole('menuitem', { name: 'Duplicate' }).click();
  await expect.poll(() => app.stopNames()).toContain('Vessen Hall (copy)');
  await page.getByRole('button', { name: 'Move, duplicate or remove Vessen Hall (copy)' }).click();
  await page.getByRole('menuitem', { name: 'Remove' }).click();
  await expect.poll(() => app.stopNames()).toEqual(before);
  await page.getByRole('button', { name: 'Undo', exact: true }).click(); // the notice's own
  await expect.poll(() => app.stopNames()).toContain('Vessen Hall (copy)');
  await page.getByRole('button', { name: 'Redo: remove Vessen Hall (copy)' }).click();
  await expect.poll(() => app.stopNames()).toEqual(before);
});

test('a stay is dragged on the chart; what that gains and loses is said', async ({ app }) => {
  const { page } = app;
  await app.choose('Orrel Steps');
  const arrive = page.getByRole('slider', { name: 'Arrive at Orrel Steps' });
  await expect(arrive).toHaveAttribute('aria-valuetext', '14:50');
  const leave = await page.getByRole('slider', { name: 'Leave Orrel Steps' }).boundingBox();
  if (leave === null) throw new Error('the chart is not on screen');
  const [x, y] = [leave.x + leave.width / 2, leave.y + leave.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  await page.mouse.move(x + 60, y, { steps: 6 });
  await expect(page.locator('figcaption[aria-live]')).toContainText(/min of light gained.*min late at Causey Lane/);
  await page.mouse.up();
  await expect(app.spine.locator('.stop', { hasText: 'Causey Lane' })).toContainText('min late');

  await arrive.press('ArrowRight');
  await expect(arrive).toHaveAttribute('aria-valuetext', '14:55');
  await arrive.press('Shift+ArrowLeft');
  await expect(arrive).toHaveAttribute('aria-valuetext', '14:54');
});

test('time moves by drag, keys and typing, and the card with it', async ({ app }) => {
  const { page } = app;
  await app.choose('Orrel Steps');
  await expect(app.card).toContainText('in the sun');
  await app.timeHandle.press('PageUp');
  await app.timeHandle.press('PageUp');
  await expect(app.timeHandle).toHaveAttribute('aria-valuetext', /^16:50, EV .*, in shade$/);
  await expect(app.card).toContainText('in the shade');
  await app.fill('Time', '1510');
  await expect(app.card).toContainText('in the sun');
  await expect(page).toHaveURL(/t=15:10/);
  const ribbon = page.locator('rd-light-ribbon svg');
  const box = await ribbon.boundingBox();
  if (box === null) throw new Error('the ribbon is not on screen');
  await page.mouse.click(box.x + box.width - 20, box.y + 40);
  await expect(app.timeHandle).toHaveAttribute('aria-valuetext', /^2[01]:\d\d/);
});

test('every intent can be chosen, asks its own questions, and has a card without gaps', async ({ app }) => {
  const options = app.field('Intent').locator('option');
  await expect(options).toHaveCount(12);
  for (const label of await options.allTextContents()) {
    await app.field('Intent').selectOption({ label: label.trim() });
    await expect(app.number('aperture')).toHaveText(/^f\//);
    await expect(app.card).not.toContainText(/NaN|undefined|null/);
  }
});

test('metres and feet, thirds and halves, 24 and 12 hours', async ({ app }) => {
  await app.choose('Vessen Hall');
  const dialog = await app.settings();
  await dialog.getByLabel('Distances').selectOption({ label: 'Feet' });
  await dialog.getByLabel('Clock').selectOption({ label: '12 hours, 3:36 pm' });
  await dialog.getByRole('button', { name: 'Close' }).click();
  await app.expectNumbers({ focus: '9\'10"' }); // 3 m = 118.1 in
  await expect(app.card).toContainText('10:15 am to 11:30 am');
  await app.fill('From', '6ft');
  await expect(app.field('From')).toHaveValue('6 ft');
  await app.room('Kit');
  await app.page.getByRole('button', { name: /^More: / }).click();
  await app.field('Marked in').selectOption({ label: 'halves' });
  await expect(app.number('shutter')).toHaveText('1/500');
  await expect(app.note('iso')).toContainText(/about 1\d00 in this light/);
});
