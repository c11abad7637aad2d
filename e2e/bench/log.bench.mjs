// Speeds of the log in Debian's Chromium: the first hundred frames on screen, one of 24 megapixels, and the memory of five thousand.
import { execFileSync } from 'node:child_process';
import { mkdtempSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium } from '@playwright/test';
import jpeg from 'jpeg-js';

const [baseUrl = 'http://127.0.0.1:4310', executablePath = '/usr/bin/chromium'] = process.argv.slice(2);
const args = ['--no-sandbox', '--disable-gpu', '--disable-background-networking', '--disable-component-update', '--disable-sync'];
const SCRIPT = join(import.meta.dirname, '../../scripts/stand-in-frames.mjs');
const say = (what, figure, target) => process.stdout.write(`${what.padEnd(58)} ${figure.padStart(22)}  ${target}\n`);

const folder = mkdtempSync(join(tmpdir(), 'log-bench-'));
function frames(count, width, height) {
  const out = join(folder, `made-${width}`);
  execFileSync('node', [SCRIPT, out, '--count', String(count), '--width', String(width), '--height', String(height)]);
  return readdirSync(out).map((name) => join(out, name));
}

/** One frame, its time written anew for each. */
function many(one, count) {
  const text = readFileSync(one).toString('latin1');
  return Array.from({ length: count }, (_, k) => {
    const seconds = 6 * 3600 + 20 * 60 + Math.round((k / count) * 12 * 3600);
    const clock = [Math.floor(seconds / 3600), Math.floor(seconds / 60) % 60, seconds % 60].map((part) =>
      String(part).padStart(2, '0'),
    );
    const path = join(folder, `M${String(k).padStart(5, '0')}.JPG`);
    writeFileSync(path, Buffer.from(text.replace(/\d{4}:\d\d:\d\d \d\d:\d\d:\d\d/, `2027:03:13 ${clock.join(':')}`), 'latin1'));
    return path;
  });
}

/** Six thousand by four thousand: a picture of the made-up camera, its pixels drawn four times as large, with its tags. */
function large(one) {
  const bytes = readFileSync(one);
  const { width, height, data } = jpeg.decode(bytes, { useTArray: true });
  const TIMES = 4;
  const out = new Uint8Array(4 * width * height * TIMES * TIMES);
  for (let y = 0; y < height * TIMES; y++) {
    for (let x = 0; x < width * TIMES; x++) {
      const from = 4 * (Math.floor(y / TIMES) * width + Math.floor(x / TIMES));
      out.set(data.subarray(from, from + 4), 4 * (y * width * TIMES + x));
    }
  }
  const made = jpeg.encode({ width: width * TIMES, height: height * TIMES, data: out }, 88).data;
  // Its APP1 part, which lies behind the start mark, in front of the new picture's other parts.
  const app1 = bytes.subarray(2, 4 + bytes.readUInt16BE(4));
  const path = join(folder, 'LARGE.JPG');
  writeFileSync(path, Buffer.concat([made.subarray(0, 2), app1, made.subarray(2)]));
  return path;
}

const browser = await chromium.launch({ executablePath, args });
async function opened() {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, serviceWorkers: 'block' });
  const page = await context.newPage();
  await page.clock.setFixedTime(new Date('2027-03-13T08:00:00Z'));
  await page.goto(`${baseUrl}/log/frames`);
  await page.getByRole('option', { name: /JPG/ }).first().waitFor();
  return page;
}

const hundred = many(frames(1, 1500, 1000)[0], 100);
{
  const page = await opened();
  const begun = Date.now();
  await page.getByLabel('Files of frames').setInputFiles(hundred);
  await page.getByText(/^100 frames,/).waitFor({ timeout: 120_000 });
  const onScreen = Date.now() - begun;
  await page.getByText('100 frames read.').waitFor({ timeout: 300_000 });
  const all = Date.now() - begun;
  say('a hundred frames of 1.5 megapixels on screen', `${(onScreen / 1000).toFixed(1)} s`, 'target 10 s');
  say('  all of them looked at', `${(all / 1000).toFixed(1)} s`, '');
  await page.context().close();
}
{
  const page = await opened();
  const path = large(hundred[0]);
  const times = [];
  for (let k = 0; k < 5; k++) {
    const copy = join(folder, `L${k}.JPG`);
    writeFileSync(copy, readFileSync(path));
    const begun = Date.now();
    await page.getByLabel('Files of frames').setInputFiles([copy]);
    await page
      .getByText(`${k + 1} frames, `)
      .or(page.getByText('1 frame, '))
      .first()
      .waitFor();
    await page.getByText('1 frame read.').waitFor({ timeout: 60_000 });
    times.push(Date.now() - begun);
    await page.waitForTimeout(200);
  }
  say(
    'a frame of 24 megapixels, from the file to its verdict',
    `${times.sort((a, b) => a - b)[2]} ms`,
    'target 1500 ms; median of 5',
  );
  await page.context().close();
}
{
  const page = await opened();
  const client = await page.context().newCDPSession(page);
  await client.send('Performance.enable');
  const heap = async () => {
    await client.send('HeapProfiler.collectGarbage');
    const { metrics } = await client.send('Performance.getMetrics');
    return metrics.find(({ name }) => name === 'JSHeapUsedSize').value / 1e6;
  };
  const before = await heap();
  const begun = Date.now();
  await page.getByLabel('Files of frames').setInputFiles(many(frames(1, 240, 160)[0], 5000));
  await page.getByText(/^Looking at/).waitFor({ timeout: 300_000 });
  const known = Date.now() - begun;
  await page.getByText('5000 frames read.').waitFor({ timeout: 900_000 });
  const after = await heap();
  say('five thousand frames, what they say', `${(known / 1000).toFixed(1)} s`, '');
  say('  all of them looked at (240 by 160 pixels)', `${((Date.now() - begun) / 1000).toFixed(1)} s`, '');
  say('  memory of the page, before and after', `${before.toFixed(0)} and ${after.toFixed(0)} MB`, 'target under 400 MB');
  await page.context().close();
}
await browser.close();
