import { expect, test } from '../fixtures/test.js';

for (const height of [844, 664]) {
  test.describe(`in the hand, 390x${height}`, () => {
    test.use({ viewport: { width: 390, height }, hasTouch: true, isMobile: true });

    test('the card comes first, with the next step and the bar in reach of the thumb', async ({ app }) => {
      const { page } = app;
      await expect(page).toHaveURL(/\/card/);
      await page.getByRole('button', { name: 'Next stop' }).tap();
      await page.getByRole('button', { name: 'Next stop' }).tap();
      await page.getByRole('button', { name: 'Next stop' }).tap();
      await app.expectNumbers({ aperture: 'f/7.1', focus: '3 m', shutter: '1/500' });
      const next = page.locator('.next');
      await expect(next).toContainText(/From ISO \d+.* on \(EV 8⅓\): open up to f\/5\.6/);
      await expect(next).toBeInViewport();
      for (const row of ['aperture', 'focus', 'shutter', 'iso', 'meter'] as const) {
        await expect(app.number(row)).toBeInViewport({ ratio: 1 });
      }
      const bar = await page.getByRole('navigation', { name: 'Rooms' }).boundingBox();
      expect(bar === null ? 0 : bar.y + bar.height).toBeGreaterThan(height - 4);
      await expect(page.locator('body')).toHaveJSProperty('scrollWidth', 390);
    });

    test('its targets are 48 px, and the light is corrected by thumb', async ({ app }) => {
      const { page } = app;
      for (const name of [
        'Next stop',
        'Five minutes later',
        'Light dropped',
        'Light rose',
        'The camera shows a higher ISO: less light',
      ]) {
        const box = await page.getByRole('button', { name }).boundingBox();
        expect([name, Math.min(box?.width ?? 0, box?.height ?? 0) >= 48]).toEqual([name, true]);
      }
      await expect(app.note('iso')).toContainText('about 2500 in this light');
      await page.getByRole('button', { name: 'Light dropped' }).tap();
      await expect(app.note('iso')).toContainText('about 5000 in this light');
    });

    test('the set-up is tapped and stepped by thumb', async ({ app }) => {
      const { page } = app;
      await app.room('Set-up');
      for (let stop = 0; stop < 3; stop++) await page.getByRole('button', { name: 'Next stop' }).tap();
      const controls = page.getByRole('group', { name: 'What you set' });
      await expect(controls).toContainText('f/7.1');
      const { x } = await app.axisText('rd-limits-chart', '1/1000');
      const { y } = await app.axisText('rd-limits-chart', 'f/4');
      await page.touchscreen.tap(x, y);
      await expect(controls).toContainText('f/4');
      await expect(controls).toContainText('1/1000');
      await page.getByRole('button', { name: 'Aperture: more' }).tap();
      await expect(controls).toContainText('f/4.5');
      await page.getByRole('button', { name: 'Back to best' }).tap();
      await expect(controls).toContainText('f/7.1');
      const box = await page.getByRole('button', { name: 'Aperture: more' }).boundingBox();
      expect(Math.min(box?.width ?? 0, box?.height ?? 0)).toBeGreaterThanOrEqual(48);
      await expect(page.locator('body')).toHaveJSProperty('scrollWidth', 390);
    });

    test('the walk and the kit are there without a sideways scroll', async ({ app }) => {
      const { page } = app;
      await app.room('Walk');
      await app.expectStops(8);
      await app.stop('Orrel Steps').tap();
      await expect(page.getByText(/Light windows at Orrel Steps/)).toBeAttached();
      await app.field('From').fill('1.8m');
      await app.field('From').press('Enter');
      await expect(app.field('From')).toHaveValue('1.8 m');
      await app.room('Kit');
      await expect(app.field('Name')).toHaveValue('Small body');
      await expect(page.locator('body')).toHaveJSProperty('scrollWidth', 390);
    });
  });
}
