// What comes over the wire, without fonts and workers, until a first view stands: the card in the hand, Walk at the table; and
// what opening Meter in the hand adds. The data are stored already, so that the demo's import counts nowhere.
import { chromium } from '@playwright/test';

const [baseUrl = 'http://127.0.0.1:4310', executablePath = '/usr/bin/chromium'] = process.argv.slice(2);
const args = ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync'];
const browser = await chromium.launch({ executablePath, args });

const isCode = (path) => !/worker-|\.woff2$|\.ttf$|icons|webmanifest|demo/.test(path);
const kB = (files) => Math.round(files.reduce((sum, { bytes }) => sum + bytes, 0) / 1000);

/** A page whose requests are listened to from its first on. */
async function listening(context) {
  const page = await context.newPage();
  const client = await context.newCDPSession(page);
  await client.send('Network.enable');
  await client.send('Network.setCacheDisabled', { cacheDisabled: true });
  const paths = new Map();
  const got = [];
  client.on('Network.responseReceived', ({ requestId, response }) => paths.set(requestId, new URL(response.url).pathname));
  client.on('Network.loadingFinished', ({ requestId, encodedDataLength: bytes }) =>
    got.push({ path: paths.get(requestId) ?? '', bytes }),
  );
  return { page, code: () => got.filter(({ path }) => isCode(path)) };
}

async function firstLoad(name, viewport, path, stands) {
  const context = await browser.newContext({ viewport, serviceWorkers: 'block' });
  const before = await context.newPage();
  await before.goto(`${baseUrl}${path}`);
  await before.locator(stands).first().waitFor();
  await before.waitForTimeout(1500);
  await before.close();
  const { page, code } = await listening(context);
  await page.goto(`${baseUrl}${path}`);
  await page.locator(stands).first().waitFor();
  await page.waitForLoadState('networkidle');
  const files = code();
  process.stdout.write(`${name.padEnd(58)} ${`${kB(files)} kB in ${files.length} files`.padStart(22)}  target 280 kB\n`);
  return { context, page, code };
}

const hand = await firstLoad('first load: the card in the hand', { width: 390, height: 844 }, '/card', 'rd-dial-card [data-row]');
const before = kB(hand.code());
await hand.page.getByRole('link', { name: 'Meter' }).click();
await hand.page.getByRole('tab', { name: 'Tones' }).waitFor();
await hand.page.waitForLoadState('networkidle');
process.stdout.write(
  `${'Meter opened in the hand, more'.padEnd(58)} ${`${kB(hand.code()) - before} kB`.padStart(22)}  target 110 kB\n`,
);
if (process.argv.includes('--files'))
  for (const { path, bytes } of hand
    .code()
    .sort((a, b) => b.bytes - a.bytes)
    .slice(0, 25))
    console.log(bytes, path);
const table = await firstLoad('first load: Walk at the table', { width: 1280, height: 800 }, '/walk', 'rd-walk-chart');
if (process.argv.includes('--files'))
  for (const { path, bytes } of table
    .code()
    .sort((a, b) => b.bytes - a.bytes)
    .slice(0, 25))
    console.log(bytes, path);
await browser.close();
