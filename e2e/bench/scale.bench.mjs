// A year of somebody's work: what each room costs at that size, beside the demo's cost in the same run.
import { readFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { atScale } from './at-scale.mjs';

const [baseUrl = 'http://127.0.0.1:4310', executablePath = '/usr/bin/chromium'] = process.argv.slice(2);
const args = ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync'];
const demo = JSON.parse(readFileSync(new URL('../../app/public/demo.json', import.meta.url), 'utf8'));
const browser = await chromium.launch({ executablePath, args });

function say(what, figure, target = '') {
  process.stdout.write(`${what.padEnd(58)} ${figure.padStart(22)}  ${target}\n`);
}

/** A page that holds the archive, with its long tasks counted. */
async function holding(archive) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.goto(`${baseUrl}/kit`);
  await page.getByRole('button', { name: 'Settings' }).click();
  const dialog = page.getByRole('dialog');
  await dialog.getByLabel('When importing').selectOption({ label: 'Replace all that is here' });
  const buffer = Buffer.from(JSON.stringify(archive));
  await dialog.getByLabel('File to import').setInputFiles({ name: 'scale.json', mimeType: 'application/json', buffer });
  const answer = page.getByText(/scale\.json (imported|was not)/);
  await answer.waitFor({ timeout: 120_000 });
  const words = await answer.textContent();
  if (!words.includes('scale.json imported')) throw new Error(`the archive of the bench was not taken: ${words}`);
  await page.waitForTimeout(5000);
  await page.close();
  return context;
}

/** Processor time of the page's main thread (s), by the browser's own account. */
async function processorOf(page) {
  const client = await page.context().newCDPSession(page);
  await client.send('Performance.enable');
  return async () => {
    const { metrics } = await client.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'TaskDuration').value;
  };
}

/** From an address until nothing long has run for two seconds: the longest task and all that blocked (ms). */
async function settled(context, path, limitMs = 120_000) {
  const page = await context.newPage();
  await page.addInitScript(() => {
    window.long = [];
    new PerformanceObserver((list) => window.long.push(...list.getEntries())).observe({ type: 'longtask', buffered: true });
  });
  const begun = Date.now();
  await page.goto(`${baseUrl}${path}`);
  await page.locator('main h1').first().waitFor({ timeout: limitMs });
  let seen = -1;
  for (let now = 0; now !== seen && Date.now() - begun < limitMs;) {
    seen = now;
    await page.waitForTimeout(2500);
    now = await page.evaluate(() => window.long.length);
  }
  const tasks = await page.evaluate(() => window.long.map(({ duration }) => duration));
  return { page, longest: Math.max(0, ...tasks), blocked: tasks.reduce((sum, one) => sum + Math.max(0, one - 50), 0) };
}

const plain = await holding(demo);
const large = await holding(atScale(demo, { stops: 300, frames: 3000, returns: 1000, walks: 60 }));
const ROOMS = [
  ['/walk', 'walk'],
  ['/walk/plan', 'plan'],
  ['/walk/returns', 'returns'],
  ['/light/now', 'light'],
  ['/light/district', 'district'],
  ['/setup', 'set-up'],
  ['/meter', 'meter'],
  ['/log/frames', 'frames'],
  ['/log/against', 'against the card'],
  ['/log/lessons', 'lessons'],
  ['/now', 'now'],
  ['/kit', 'kit'],
].filter(([path]) => process.argv[4] === undefined || path === process.argv[4]);
for (const [path, name] of ROOMS) {
  const [small, big] = [await settled(plain, path), await settled(large, path)];
  say(
    `${name}, 60 walks, 300 stops, 3,000 frames, 1,000 returns`,
    `longest ${big.longest.toFixed(0)} ms`,
    `target 200; demo ${small.longest.toFixed(0)}; blocked ${big.blocked.toFixed(0)} against ${small.blocked.toFixed(0)} ms`,
  );
  await Promise.all([small.page.close(), big.page.close()]);
}
await Promise.all([plain.close(), large.close()]);

/** A key's press in the contact sheet to the frame after its answer (ms). */
const pressed = (sheet, key, ctrlKey) =>
  sheet.evaluate(
    async (one, [key, ctrlKey]) => {
      const begun = performance.now();
      one.dispatchEvent(new KeyboardEvent('keydown', { key, ctrlKey, bubbles: true, cancelable: true }));
      await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve, 0)));
      return performance.now() - begun;
    },
    [key, ctrlKey],
  );

/** A verdict on all frames and its undo, three times: to the next frame, and all that the processor does until it is stored (ms). */
async function verdictOnAll(count) {
  const context = await holding(atScale(demo, { stops: 0, frames: count, returns: 0, walks: 1 }));
  const { page } = await settled(context, '/log/frames');
  const sheet = page.getByRole('listbox', { name: 'Frames of the walk' });
  await sheet.focus();
  await page.keyboard.press('Home');
  await page.keyboard.press('Shift+End');
  await page.waitForTimeout(1500);
  const processor = await processorOf(page);
  const costs = { verdict: { shown: [], all: [] }, undo: { shown: [], all: [] } };
  for (let k = 0; k < 6; k++) {
    const [what, key] = k % 2 === 0 ? ['verdict', '6'] : ['undo', 'z'];
    const before = await processor();
    costs[what].shown.push(await pressed(sheet, key, what === 'undo'));
    await page.waitForTimeout(2500);
    if (what === 'verdict') await page.getByRole('button', { name: new RegExp(`^Undo: .*${count}`) }).waitFor({ timeout: 10_000 });
    costs[what].all.push(((await processor()) - before) * 1000);
  }
  await context.close();
  return costs;
}
if (process.argv[4] === undefined || process.argv[4] === 'verdicts') {
  const middle = (values) => [...values].sort((a, b) => a - b)[1];
  const [few, many] = [await verdictOnAll(400), await verdictOnAll(4000)];
  for (const [what, words] of [
    ['verdict', 'a verdict on 4,000 frames'],
    ['undo', '  its undo'],
  ]) {
    const both = (part) => [middle(many[what][part]), middle(few[what][part])];
    const [shown, shownFew] = both('shown');
    const [all, allFew] = both('all');
    say(`${words}, key to the next frame`, `${shown.toFixed(0)} ms`, `target 50 ms; 400 frames ${shownFew.toFixed(0)} ms`);
    say(`${words}, processor time until stored`, `${all.toFixed(0)} ms`, `400 frames ${allFew.toFixed(0)} ms`);
  }
}
await browser.close();
