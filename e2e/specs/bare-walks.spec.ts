import { join } from 'node:path';
import type { Page } from '@playwright/test';
import { expect, test } from '../fixtures/test.js';
import type { AppPage } from '../pages/app-page.js';

/** Walks that lack something: no room may claim what nobody knows, nor show what could not be worked out. */
const QUARTER = join(import.meta.dirname, '../maps/quarter.osm');

test.use({ hasMeasured: false });

const BROKEN = /NaN|undefined|\bnull\b|\[object|Invalid/;
/** Reasons that name walls. */
const WALLS = /a wall takes the sun|the sun clears the walls|From the walls round|Windows from the walls/;

/** Every page of every room, by its address; the text of each once it has come to rest. */
async function everyPage(app: AppPage): Promise<ReadonlyMap<string, string>> {
  const { page } = app;
  await app.expectStored();
  const query = new URL(page.url()).search;
  const texts = new Map<string, string>();
  for (const path of [
    '/walk',
    '/walk/plan',
    '/light/now',
    '/light/year',
    '/light/night',
    '/light/sky',
    '/light/district',
    '/setup/holds',
    '/setup/light',
    '/setup/night',
    '/setup/stand',
    '/setup/hands',
    '/kit',
    '/card',
  ]) {
    await page.goto(path + query);
    await expect(page.locator('rd-root main, rd-card-in-hand').first()).toBeVisible();
    await expect(page.getByRole('heading', { level: 1 })).toBeAttached();
    await expect(page.getByText('Opening your walks…')).toHaveCount(0);
    await expect(page.locator('[aria-busy=true]')).toHaveCount(0);
    await expect(page.getByText(/being measured|measuring \d|Measuring the walls|Calculating the light/)).toHaveCount(0);
    texts.set(path, await page.locator('body').innerText());
  }
  return texts;
}

async function startAt(page: Page, coordinates: string): Promise<void> {
  await page.goto('/start');
  await page.getByLabel('Coordinates').fill(coordinates);
  await page.getByRole('button', { name: 'Start the walk' }).click();
}

test('a walk without stops claims nothing, in any room', async ({ app }) => {
  const { page } = app;
  await startAt(page, '47.1, -31.5');
  await expect(page.getByRole('heading', { name: 'My place has no stops yet' })).toBeVisible();
  for (const [path, text] of await everyPage(app)) {
    expect([path, text]).toEqual([path, expect.not.stringMatching(BROKEN)]);
    expect([path, text]).toEqual([path, expect.not.stringMatching(/in (its|their) light|Sharp and well exposed|km on foot/)]);
    if (!path.startsWith('/kit')) expect([path, text]).toEqual([path, expect.stringMatching(/no stops? yet/i)]);
  }
});

test('a walk without a map names no walls, in any room', async ({ app }) => {
  const { page } = app;
  await startAt(page, '47.1, -31.5');
  await page.getByRole('button', { name: 'Add the first stop' }).click();
  await expect(app.spine.getByText(/no stop has a position yet/)).toBeVisible();
  const texts = await everyPage(app);
  for (const [path, text] of texts) {
    expect([path, text]).toEqual([path, expect.not.stringMatching(BROKEN)]);
    expect([path, text]).toEqual([path, expect.not.stringMatching(WALLS)]);
  }
  expect(texts.get('/walk')).toContain('no walls are known here');
  expect(texts.get('/walk')).toContain('It has no position yet');
  expect(texts.get('/walk/plan')).toContain('Tap the plan where you will stand');
  expect(texts.get('/light/now')).toMatch(/no walls|nobody has drawn|No map/i);
});

test('a stop that is not on the map yet says so, and has no walls till it is', async ({ app }) => {
  const { page } = app;
  await page.goto('/start');
  await page.getByLabel('Map file').setInputFiles(QUARTER);
  await expect(page.getByText('13 with a height')).toBeVisible();
  await page.getByRole('button', { name: 'Start the walk' }).click();
  await expect(page.getByText('This stop has no position yet')).toBeVisible();
  const texts = await everyPage(app);
  for (const [path, text] of texts) {
    expect([path, text]).toEqual([path, expect.not.stringMatching(BROKEN)]);
    expect([path, text]).toEqual([path, expect.not.stringMatching(WALLS)]);
  }
  expect(texts.get('/walk')).toContain('no walls are known here');
  expect(texts.get('/walk/plan')).toContain('Tap the plan where you will stand');
  expect(texts.get('/light/now')).toContain('This stop has no position yet');
  expect(texts.get('/light/district')).toContain('79 buildings');
});
