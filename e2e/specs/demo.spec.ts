import { expect, test } from '../fixtures/test.js';

test.describe('the demo in a new browser', () => {
  test('opens labelled, with its eight stops and a card', async ({ app }) => {
    await expect(app.spine.getByText('Demo.')).toBeVisible();
    await expect(app.spine.getByText('Sat 13 March · invented place')).toBeVisible();
    await app.expectStops(8);
    // Sheet 3: the sign at EV 9, its key placed a stop up.
    await app.expectNumbers({ aperture: 'f/4', focus: '5 m', shutter: '1/400', iso: '100–6400' });
    await expect(app.note('iso')).toContainText('about 2500 in this light');
  });

  test('has the hand-worked card of Vessen Hall, and says why', async ({ app }) => {
    await app.choose('Vessen Hall');
    await app.expectNumbers({ aperture: 'f/7.1', focus: '3 m', shutter: '1/500', meter: '+2⅓' });
    await expect(app.note('aperture')).toContainText('sharp from 1.7 to 12.4 m');
    await expect(app.note('focus')).toContainText('99 % of passers-by in focus');
    await app.card.getByRole('button', { name: 'Why this shutter?' }).click();
    const why = app.card.locator('.why');
    await expect(why).toContainText('1/216');
    await expect(why).toContainText('0.29 s');
    await expect(why).toContainText('docs/formulas.md');
  });

  test('says what to change as the light goes, and where the picture ends', async ({ app }) => {
    const ladder = app.card.locator('.ladder');
    await app.choose('Vessen Hall');
    await expect(ladder).toContainText(/nothing to change down to EV 8⅔.*open up to f\/5\.6/);
    await app.choose('Long Arcade');
    await expect(ladder).toContainText('open up to f/');
    await app.choose('Quenmill Sluice');
    // Ten minutes earlier and darker: still a picture, and near its end.
    for (let press = 0; press < 2; press++) await app.page.keyboard.press(',');
    await expect(ladder).toContainText(/this picture (ends|has ended)/);
    await expect(ladder).toContainText('still works');
  });

  test('follows what the camera shows', async ({ app }) => {
    await app.choose('Vessen Hall');
    await expect(app.note('iso')).toContainText('about 1600 in this light');
    await app.card.getByRole('button', { name: 'Light dropped' }).click();
    await expect(app.note('iso')).toContainText('about 3200 in this light');
    await expect(app.card.getByRole('status')).toContainText('nothing to change, ISO follows');
    for (let stop = 0; stop < 4; stop++) await app.card.getByRole('button', { name: 'Light dropped' }).click();
    await expect(app.number('aperture')).not.toHaveText('f/7.1');
    await app.card.getByRole('button', { name: 'Use the calculated light' }).click();
    await expect(app.note('iso')).toContainText('about 1600 in this light');
    await app.card.getByRole('button', { name: /higher ISO/ }).click();
    await expect(app.note('iso')).toContainText('about 2000 in this light');
  });

  test('shows each stop’s windows, worked by hand from the day’s sun', async ({ app }) => {
    // core/reference/town-sheet.md, 5: 14:09 to 17:02.
    await app.choose('Orrel Steps');
    await expect(app.page.getByText(/Light windows at Orrel Steps: 14:(0[6-9]|1[0-2]) to 1(6:59|7:0[0-5])\./)).toBeAttached();
  });

  test('warns of care where it arises', async ({ app }) => {
    await app.choose('Causey Lane');
    await expect(app.card).toContainText('Not through an optical finder at the sun');
  });

  test('can be left for an own walk and brought back', async ({ app }) => {
    await app.spine.getByRole('button', { name: 'Start your own walk' }).click();
    await app.page.getByRole('button', { name: 'Start the walk' }).click();
    await expect(app.page.getByRole('heading', { name: 'New walk has no stops yet' })).toBeVisible();
    await app.spine.getByRole('button', { name: /^Walk: New walk/ }).click();
    await app.page.getByRole('menuitem', { name: 'Sluice to arcade' }).click();
    await app.spine.getByRole('button', { name: /^Walk: Sluice/ }).click();
    await app.page.getByRole('menuitem', { name: 'Remove this walk' }).click();
    await expect(app.spine.getByRole('button', { name: /^Walk: Lamps to the last tram/ })).toBeVisible();
    await app.spine.getByRole('button', { name: /^Walk: Lamps/ }).click();
    await app.page.getByRole('menuitem', { name: 'Restore the demo' }).click();
    await app.expectStops(8);
  });
});
