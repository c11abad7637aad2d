import { execFileSync } from 'node:child_process';
import { readFileSync, statSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { PNG } from 'pngjs';
import { expect, test } from '../fixtures/test.js';

const NAMES = [
  'Tollard Stop',
  'Quenmill Sluice',
  'Tannery Front',
  'Vessen Hall',
  'Orrel Steps',
  'Causey Lane',
  'Weir Rail',
  'Long Arcade',
];

/** Presses a button of the files to take along, and gives the file that comes. */
async function saved(page: Page, button: string): Promise<{ readonly path: string; readonly name: string }> {
  const coming = page.waitForEvent('download');
  await page.getByRole('group', { name: 'Files to take along' }).getByRole('button', { name: button }).click();
  const download = await coming;
  return { path: await download.path(), name: download.suggestedFilename() };
}

const opened = (program: string, ...args: readonly string[]): string => execFileSync(program, args, { encoding: 'utf8' });

test.beforeEach(async ({ app }) => {
  await app.choose('Orrel Steps');
  await app.page.getByRole('tab', { name: 'Before setting off' }).click();
  await expect(app.page.getByRole('group', { name: 'Files to take along' })).toBeVisible();
});

test('GPX is read by another program, and its way comes back onto the plan', async ({ app }) => {
  const { page } = app;
  const { path, name } = await saved(page, 'Way and stops (GPX)');
  expect(name).toBe('sluice-to-arcade.gpx');
  const places = opened('gpsbabel', '-i', 'gpx', '-f', path, '-o', 'unicsv', '-F', '-');
  for (const stop of NAMES) expect(places).toContain(stop);
  expect(places).toContain('46.501214');
  // The route goes along the streets: more points than stops.
  const filters = ['-x', 'nuketypes,waypoints', '-x', 'transform,wpt=rte,del'];
  const route = opened('gpsbabel', '-i', 'gpx', '-f', path, ...filters, '-o', 'unicsv', '-F', '-');
  expect(route.trim().split('\n').length).toBeGreaterThan(14);

  await page.getByLabel('GPX file').setInputFiles(path);
  await expect(page.getByText('Its route is on the plan now. It has 8 places.')).toBeVisible();
  await page.getByRole('tab', { name: 'Plan' }).click();
  await expect(page.getByText('The dashed line is the route you actually walked.')).toBeVisible();
  await app.page.getByRole('tab', { name: 'Before setting off' }).click();
  await page
    .getByLabel('GPX file')
    .setInputFiles({ name: 'odd.gpx', mimeType: 'application/gpx+xml', buffer: Buffer.from('<gpx><wpt') });
  await expect(page.getByRole('alert')).toContainText('odd.gpx: The file is not whole GPX');
  await page.getByLabel('GPX file').setInputFiles({
    name: 'two.gpx',
    mimeType: 'application/gpx+xml',
    buffer: Buffer.from(
      '<gpx version="1.1"><wpt lat="46.4999" lon="-20.7011"><name>Door</name></wpt><wpt lat="46.5" lon="-20.7"/></gpx>',
    ),
  });
  await page.getByRole('button', { name: 'Add them as stops' }).click();
  await app.expectStops(10);
  expect((await app.stopNames()).slice(-2)).toEqual(['Door', 'Place']);
});

test('a calendar has the stays in the zone of the walk', async ({ app }) => {
  const { path } = await saved(app.page, 'Calendar');
  const read = `
import sys
from icalendar import Calendar
calendar = Calendar.from_ical(open(sys.argv[1], 'rb').read())
for event in calendar.walk('vevent'):
    print(event.get('summary'), event.decoded('dtstart').utctimetuple()[3:5], event.decoded('dtstart').tzname(), sep='|')
`;
  const events = opened('/usr/bin/python3', '-c', read, path).trim().split('\n');
  // 14:50 in the Azores' winter is 15:50 UTC.
  expect(events.filter((line) => line.startsWith('Orrel Steps|'))).toEqual([expect.stringContaining('(15, 50)')]);
  expect(events.filter((line) => !line.startsWith('Light:'))).toHaveLength(8);
  expect(events.filter((line) => line.startsWith('Light: Orrel Steps')).length).toBeGreaterThan(0);
});

test('the table and GeoJSON hold what the card says', async ({ app }) => {
  const table = readFileSync((await saved(app.page, 'Table (CSV)')).path, 'utf8');
  expect(table.split('\r\n').filter((line) => line !== '')).toHaveLength(9);
  expect(table).toContain('Vessen Hall');
  expect(table).toContain('f/7.1,3 m,1.7 to 12.4 m,1/500 or faster');
  const { path } = await saved(app.page, 'GeoJSON');
  const info = opened('gpsbabel', '-i', 'geojson', '-f', path, '-o', 'unicsv', '-F', '-');
  expect(info).toContain('Long Arcade');
  const { features } = JSON.parse(readFileSync(path, 'utf8')) as { features: { geometry: { type: string } }[] };
  expect(features.filter(({ geometry }) => geometry.type === 'LineString')).toHaveLength(7);
});

test('field cards are four to an A4 page, their font with them, and print any name', async ({ app }) => {
  const { page } = app;
  await page.getByRole('tab', { name: 'Time' }).click();
  await app.fill('Name of the stop', 'Ступени Όρρελ ∞ 階段');
  await page.getByRole('tab', { name: 'Before setting off' }).click();
  const { path, name } = await saved(page, 'Field cards to print (PDF)');
  expect(name).toBe('sluice-to-arcade-cards.pdf');
  const info = opened('pdfinfo', path);
  expect(info).toMatch(/Pages:\s+2/);
  expect(info).toContain('A4');
  const fonts = opened('pdffonts', path).trim().split('\n').slice(2);
  expect(fonts.length).toBeGreaterThan(0);
  // Embedded, with a table back to letters, and no more of it than is used: the whole has 1.3 MB.
  for (const font of fonts) expect(font).toMatch(/ yes (yes|no) +yes /);
  expect(statSync(path).size).toBeLessThan(200_000);
  const text = opened('pdftotext', '-layout', path, '-');
  expect(text).toContain('Vessen Hall');
  expect(text).toContain('f/7.1');
  expect(text).toContain('1/500');
  expect(text).toContain('Ступени Όρρελ ∞ □□');
  expect(text.match(/As the light goes/g)).toHaveLength(8);
  // What warns is printed to its end.
  const inOrder = opened('pdftotext', '-raw', path, '-').replace(/\s+/g, ' ');
  expect(inOrder).toContain('Not through an optical finder at the sun.');
});

test('a card is a picture of a phone’s size', async ({ app }) => {
  const { path, name } = await saved(app.page, 'Card of the chosen stop (PNG)');
  expect(name).toBe('5-orrel-steps.png');
  const picture = PNG.sync.read(readFileSync(path));
  expect([picture.width, picture.height]).toEqual([1170, 2532]);
  // Paper above, where the phone's own clock stands; ink below.
  const darkest = (from: number, to: number): number => {
    let least = 255;
    for (let y = from; y < to; y += 2)
      for (let x = 0; x < picture.width; x += 2) least = Math.min(least, picture.data[4 * (y * picture.width + x)] ?? 255);
    return least;
  };
  expect(darkest(0, 700)).toBeGreaterThan(200);
  expect(darkest(900, 1800)).toBeLessThan(60);
});
