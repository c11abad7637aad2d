import type { Locator } from '@playwright/test';
import { expect, test } from '../fixtures/test.js';
import type { AppPage } from '../pages/app-page.js';

type Page = 'Street' | 'View' | 'Year' | 'Sky' | 'Buildings';

async function lightPage({ page }: AppPage, name: Page): Promise<void> {
  const tab = page.getByRole('tab', { name });
  await tab.click();
  await expect(tab).toHaveAttribute('aria-selected', 'true');
}

const figure = ({ page }: AppPage, name: string): Locator => page.locator('dl.figures > div').filter({ hasText: name });

async function readMap({ page }: AppPage, name: string, text: string): Promise<void> {
  await page.getByLabel('Map file').setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(text) });
}

/** Squares of 10 m along a grid near the demo's origin. */
function houses(count: number, properties: object = { building: 'yes', 'building:levels': '3' }): object[] {
  const [lon, lat] = [1 / 76_540, 1 / 111_195];
  const side = Math.ceil(Math.sqrt(count));
  return Array.from({ length: count }, (_, k) => {
    const [x, y] = [((k % side) - side / 2) * 18, (Math.floor(k / side) - side / 2) * 18];
    const ring = [
      [0, 0],
      [10, 0],
      [10, 10],
      [0, 10],
      [0, 0],
    ].map(([a = 0, b = 0]) => [-20.7 + (x + a) * lon, 46.5 + (y + b) * lat]);
    return { type: 'Feature', properties, geometry: { type: 'Polygon', coordinates: [ring] } };
  });
}
const geojson = (features: object[]): string => JSON.stringify({ type: 'FeatureCollection', features });

const OSM = `<osm version="0.6">
<node id="1" lat="46.5" lon="-20.7"/><node id="2" lat="46.5" lon="-20.6999"/>
<node id="3" lat="46.5001" lon="-20.6999"/><node id="4" lat="46.5001" lon="-20.7"/>
<way id="7"><nd ref="1"/><nd ref="2"/><nd ref="3"/><nd ref="4"/><nd ref="1"/><tag k="building" v="yes"/></way>
</osm>`;

test.describe('the light of a stop', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Orrel Steps');
    await app.room('Light');
    await lightPage(app, 'Street');
  });

  test('says how long it lasts and why it ends, and follows the time', async ({ app }) => {
    const { page } = app;
    const left = page.locator('rd-light-view .headline');
    await expect(left).toHaveText(/^Light for 2 h/);
    await expect(page.locator('rd-light-view .left')).toContainText(/It ends when the patch gets too small/);
    await expect(figure(app, 'Lit patch')).toContainText(/m square/);
    const before = await figure(app, 'Lit patch').textContent();
    const plan = page.getByRole('group', { name: /^Plan of Orrel/ });
    await expect(plan).toBeVisible();
    await expect(page.getByText(/Straw: the lit ground in view now/)).toBeVisible();
    const handle = await app.timeHandle.locator('.chip').boundingBox();
    if (handle === null) throw new Error('no time handle');
    await app.drag(app.timeHandle.locator('.chip'), { x: handle.x + handle.width / 2 + 60, y: handle.y + 4 });
    await expect(figure(app, 'Lit patch')).not.toHaveText(before ?? '');
    await app.timeHandle.focus();
    for (let hour = 0; hour < 3; hour++) await page.keyboard.press('PageUp');
    await expect(left).toHaveText(/^No more light for this picture today/);
    await expect(figure(app, 'Lit patch')).toContainText('none');
    await page.getByRole('button', { name: /^14:\d\d to 17:\d\d/ }).click();
    await expect(left).toHaveText(/^Light for 2 h 5\d min more/);
  });

  test('the section reads out what is lit, and the stop is turned and moved by keys', async ({ app }) => {
    const { page } = app;
    await expect(page.getByRole('img', { name: /% of the ground across is lit/ })).toBeVisible();
    const turn = page.getByRole('button', { name: /^Turn Orrel Steps, now 48/ });
    await turn.focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('button', { name: /^Turn Orrel Steps, now 53/ })).toBeAttached();
    await page.getByRole('button', { name: /^Undo: change the direction/ }).click();
    await expect(page.getByRole('button', { name: /^Turn Orrel Steps, now 48/ })).toBeAttached();
    await page.getByRole('button', { name: /^Orrel Steps: arrows move it/ }).focus();
    await page.keyboard.press('ArrowUp');
    await expect(page.getByRole('button', { name: /^Undo: change the place of Orrel Steps/ })).toBeEnabled();
  });

  test('care is said where it arises', async ({ app }) => {
    await app.choose('Causey Lane');
    await expect(app.page.getByText(/never look at it through an optical finder/)).toBeVisible();
    await expect(app.page.getByText(/from the middle of the street: watch for traffic/)).toBeVisible();
    await app.choose('Vessen Hall');
    await expect(app.page.getByText(/optical finder/)).toHaveCount(0);
  });

  test('the year: a click goes there, undo comes back, the same light again', async ({ app }) => {
    const { page } = app;
    await lightPage(app, 'Year');
    const carpet = page.getByRole('slider', { name: 'Day and time on the carpet' });
    await expect(page.getByText(/Sat 13 March, 14:50: in the sun/)).toBeVisible();
    const box = await carpet.boundingBox();
    if (box === null) throw new Error('no carpet');
    await page.mouse.click(box.x + box.width * 0.6, box.y + box.height * 0.35);
    await expect(app.spine.getByText('Sat 13 March')).toHaveCount(0);
    await expect(page.getByText(/^\w+ \d+ (July|August), 1\d:\d0: in/)).toBeVisible();
    await page.getByRole('button', { name: /^Undo: go to/ }).click();
    await expect(app.spine.getByText('Sat 13 March')).toBeVisible();
    await page.getByRole('button', { name: /^It worked on Sat 13 March/ }).click();
    await expect(page.getByRole('row', { name: /September.*(let in|shut out)/ }).first()).toBeVisible();
    await carpet.focus();
    await page.keyboard.press('Shift+ArrowRight');
    await expect(page.getByText(/Sat 20 March/)).toBeVisible();
  });

  test('long work is stopped half way and taken up again', async ({ app }) => {
    const { page } = app;
    await lightPage(app, 'Year');
    await expect(page.getByText('Looking for windows, day by day')).toBeVisible();
    await page.getByRole('button', { name: 'Stop looking' }).click();
    await expect(page.getByText('Stopped: the windows of later days are not known.')).toBeVisible();
    await expect(page.getByText('Known when the year is.')).toBeVisible();
    await page.getByRole('button', { name: 'Go on looking' }).click();
    await expect(page.getByRole('table').filter({ hasText: 'Best round' }).getByRole('row').nth(1)).toBeVisible({
      timeout: 30_000,
    });
  });

  test('the forecast: simulated and said to be, one’s own, and a broken one that changes nothing', async ({ app }) => {
    const { page } = app;
    await lightPage(app, 'Sky');
    await page.getByRole('button', { name: 'Take a simulated forecast' }).click();
    await expect(page.getByText('A simulated forecast: made up')).toBeVisible();
    const csv = (name: string, text: string): Promise<void> =>
      page.getByLabel('Forecast file').setInputFiles({ name, mimeType: 'text/csv', buffer: Buffer.from(text) });
    await csv('clouds.csv', 'hour,cloud\n0,100 %\n23,100 %\n');
    await expect(page.getByText('Your own forecast, by the hour.')).toBeVisible();
    await expect(page.locator('rd-light-view .headline')).toHaveText('No light for this picture today');
    await csv('bad.csv', 'hour,cloud\n25,0.1\n');
    await expect(page.getByRole('alert')).toContainText('bad.csv: “25” is no hour from 0 to 23. (line 2) Nothing was changed.');
    await expect(page.getByText('Your own forecast, by the hour.')).toBeVisible();
    await page.getByRole('button', { name: 'Back to one figure' }).click();
    await expect(page.locator('rd-light-view .headline')).toHaveText(/^Light for/);
    await expect(page.getByText(/stops darker/)).toBeVisible();
    await expect(page.getByText(/waxing crescent/).first()).toBeVisible();
  });

  test('thresholds are changed for the walk and put back', async ({ app }) => {
    const { page } = app;
    await lightPage(app, 'Buildings');
    await page.getByLabel('Side of the lit square: full').fill('6');
    await page.getByLabel('Side of the lit square: full').press('Enter');
    await page.getByLabel('Side of the lit square: opens').fill('5');
    await page.getByLabel('Side of the lit square: opens').press('Enter');
    await expect(page.locator('rd-light-view .headline')).toHaveText('No light for this picture today');
    await page.getByLabel('Side of the lit square: opens').fill('9');
    await page.getByLabel('Side of the lit square: opens').press('Enter');
    await expect(page.getByRole('alert')).toContainText('must be below the full figure');
    await page.getByRole('button', { name: 'Side of the lit square: back to the default' }).click();
    await expect(page.locator('rd-light-view .headline')).toHaveText(/^Light for/);
  });
});

test.describe('the buildings of a walk', () => {
  test.beforeEach(async ({ app }) => {
    await app.choose('Orrel Steps');
    await app.room('Light');
    await lightPage(app, 'Buildings');
  });

  test('come from each kind of map, with unknown heights counted and set', async ({ app }) => {
    const { page } = app;
    await expect(page.getByText('781 buildings. All heights are known, 4 trees, 2 waters, 56 pieces of street.')).toBeVisible();
    await readMap(app, 'quarter.geojson', geojson(houses(3)));
    await expect(page.getByText('Read: 0 with a height, 3 by their levels, 0 assumed 9 m high.')).toBeVisible();
    await readMap(app, 'quarter.osm', OSM);
    await expect(page.getByText('Read: 0 with a height, 0 by their levels, 1 assumed 9 m high.')).toBeVisible();
    await expect(page.getByText('1 building. 1 height is assumed (dashed on the plan).')).toBeVisible();
    await page.getByRole('button', { name: 'Choose all assumed' }).click();
    await page.getByLabel('Height of the chosen').fill('14');
    await page.getByLabel('Height of the chosen').press('Enter');
    await expect(page.getByText('1 building. All heights are known, 1 set by you.')).toBeVisible();
    await readMap(
      app,
      'query.json',
      JSON.stringify({
        elements: [
          { type: 'node', id: 1, lat: 46.5, lon: -20.7 },
          { type: 'node', id: 2, lat: 46.5, lon: -20.6999 },
          { type: 'node', id: 3, lat: 46.5001, lon: -20.6999 },
          { type: 'way', id: 9, nodes: [1, 2, 3, 1], tags: { building: 'yes', height: '7' } },
        ],
      }),
    );
    await expect(page.getByText('Read: 1 with a height, 0 by their levels, 0 assumed 9 m high.')).toBeVisible();
  });

  test('stay as they are when a file is broken or empty, and it is said where', async ({ app }) => {
    const { page } = app;
    const alert = page.getByRole('alert');
    await readMap(app, 'cut.geojson', '{"type":"FeatureCollection",\n"features":[');
    await expect(alert).toContainText(/cut\.geojson: The file is not whole JSON\. \(line 2, column \d+\) Nothing was changed\./);
    await readMap(app, 'cut.osm', OSM.replace('</way>', ''));
    await expect(alert).toContainText(/not whole OpenStreetMap XML: .* \(line \d+, column \d+\)/);
    await readMap(app, 'nothing.geojson', geojson([]));
    await expect(alert).toContainText('There is no building in this file');
    await readMap(app, 'empty.osm', '');
    await expect(alert).toContainText('The file is empty.');
    await expect(page.getByText('781 buildings.')).toBeVisible();
  });

  test('can be 5,000, and undo brings the old ones back', async ({ app }) => {
    const { page } = app;
    const large = geojson(houses(5000));
    await readMap(app, 'city.geojson', large);
    await expect(page.getByText('Read: 0 with a height, 5000 by their levels, 0 assumed 9 m high.')).toBeVisible({
      timeout: 20_000,
    });
    await expect(page.getByText('5000 buildings.')).toBeVisible();
    await page.getByRole('button', { name: 'Undo: read city.geojson' }).click();
    await expect(page.getByText('781 buildings.')).toBeVisible();
  });

  test('go out as GeoJSON and come back the same', async ({ app }) => {
    const { page } = app;
    const download = page.waitForEvent('download');
    await page.getByRole('button', { name: 'Save as GeoJSON' }).click();
    const file = await download;
    expect(file.suggestedFilename()).toBe('Orrel, invented.geojson');
    await page.getByLabel('Map file').setInputFiles(await file.path());
    await expect(page.getByText('Read: 781 with a height, 0 by their levels, 0 assumed 9 m high.')).toBeVisible();
    await expect(page.locator('rd-light-view .headline')).toHaveText(/^Light for 2 h/);
  });

  test('can be none: the street by its two walls instead', async ({ app }) => {
    const { page } = app;
    await page.getByLabel('District').selectOption({ label: 'no district' });
    await expect(page.getByText('No walls are known here, so open-street light is shown.')).toBeVisible();
    await page.getByLabel('Left wall').fill('12');
    await page.getByLabel('Left wall').press('Enter');
    await page.getByLabel('Right wall').fill('12');
    await page.getByLabel('Right wall').press('Enter');
    await expect(page.getByText('From the street’s two walls and its axis.')).toBeVisible();
    await lightPage(app, 'Street');
    await expect(page.getByRole('img', { name: /of the ground across/ })).toBeVisible();
    await expect(page.getByRole('group', { name: /^Plan of/ })).toHaveCount(0);
    await page.getByRole('button', { name: /^Undo: change the right wall/ }).click();
  });
});

test.describe('in the hand, 390x844', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true });
  test('the card says how long the light lasts, and the street is a tap away', async ({ app }) => {
    await app.page.goto('/card?walk=demo-walk&stop=orrel&t=15:00');
    await expect(app.page.getByText(/^Light for 2 h( \d+ min)? more, until/)).toBeVisible();
    await app.room('Light');
    await app.page.getByRole('tab', { name: 'Street' }).tap();
    await expect(app.page.getByRole('img', { name: /of the ground across is lit/ })).toBeVisible();
    const wide = await app.page.evaluate(() => document.documentElement.scrollWidth);
    expect(wide).toBeLessThanOrEqual(390);
  });
});
