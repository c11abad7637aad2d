import { AppPage } from '../pages/app-page.js';
import { expect, test } from '../fixtures/test.js';

test('walk, stop, time and room survive a reload and a bookmark', async ({ app, context }) => {
  const { page } = app;
  await app.choose('Causey Lane');
  await app.fill('Time', '17:05');
  await expect(page).toHaveURL(/\/walk\?walk=demo-walk&stop=causey&t=17:05/);
  await page.reload();
  await expect(app.card.getByRole('heading', { name: 'Causey Lane' })).toBeVisible();
  await expect(app.timeHandle).toHaveAttribute('aria-valuetext', /^17:05/);
  await app.room('Kit');
  await expect(page).toHaveURL(/\/kit\?walk=demo-walk&stop=causey&t=17:05/);

  const other = new AppPage(await context.newPage());
  await other.open('/kit?walk=demo-walk&stop=weir&t=18:00');
  await expect(other.card.getByRole('heading', { name: 'Weir Rail' })).toBeVisible();
});

test('back goes back through stops and rooms, not through every minute of a drag', async ({ app }) => {
  const { page } = app;
  await app.choose('Vessen Hall');
  await app.timeHandle.press('ArrowRight');
  await app.timeHandle.press('ArrowRight');
  await expect(page).toHaveURL(/t=10:25/);
  await app.choose('Orrel Steps');
  await expect(page).toHaveURL(/stop=orrel/);
  await app.room('Kit');
  await expect(page).toHaveURL(/kit/);
  await page.goBack();
  await expect(page).toHaveURL(/\/walk.*stop=orrel/);
  await page.goBack();
  await expect(app.card.getByRole('heading', { name: 'Vessen Hall' })).toBeVisible();
  await expect(app.timeHandle).toHaveAttribute('aria-valuetext', /^10:25/);
});

test('an address that means nothing opens something useful', async ({ app }) => {
  await app.open('/walk?walk=gone&stop=gone&t=99:99');
  await expect(app.card.getByRole('heading', { name: 'Tollard Stop' })).toBeVisible();
  await app.open('/no-such-room');
  await expect(app.page).toHaveURL(/\/walk/);
});

test('two tabs agree', async ({ app, context }) => {
  const other = new AppPage(await context.newPage());
  await other.open('/walk?walk=demo-walk&stop=vessen');
  await app.choose('Vessen Hall');
  await app.fill('From', '3 m');
  await expect(other.field('From')).toHaveValue('3 m');
  await other.field('Name of the stop').fill('Vessen Hall, east door');
  await expect(app.stop('Vessen Hall, east door')).toBeVisible();
});

test.describe('without a net', () => {
  test.use({ serviceWorkers: 'allow' });

  test('works offline after the first visit', async ({ app, context, problems }) => {
    const { page } = app;
    await app.untilPrefetched();
    await context.setOffline(true);
    await page.reload();
    await expect(app.card.getByRole('heading', { name: 'Tollard Stop' })).toBeVisible();
    await app.choose('Orrel Steps');
    await app.expectNumbers({ meter: '−1' });
    await expect(page.getByText(/Light windows at Orrel Steps/)).toBeAttached();
    await app.room('Kit');
    await expect(page.getByRole('button', { name: 'Small body', exact: true })).toBeVisible();
    const dialog = await app.settings();
    await expect(dialog).toContainText('Settings and data');
    // The browser itself says that it is offline when the worker looks for a newer version.
    problems.splice(0, problems.length, ...problems.filter((one) => !/ERR_INTERNET_DISCONNECTED/.test(one)));
  });
});
