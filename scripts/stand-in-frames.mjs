/**
 * Writes the frames that a made-up camera would have brought home from the demo's walk: JPEG files with EXIF, every fault known,
 * the same for the same arguments. Simulated. After `npm run build:core`:
 *   node scripts/stand-in-frames.mjs OUT [--count 24] [--width 1200] [--height 800] [--seed 7000] [--clock 60]
 * `--clock` is what the camera's clock is ahead by, minutes. Prints one line a file: its name, its fault, its stop.
 */
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { faultyShot } from '../core/dist/stand-ins/index.js';
import { marksOf } from '../core/dist/units/index.js';
import { standInFile } from '../core/dist/stand-ins/camera/standInFile.js';

const { values, positionals } = parseArgs({
  allowPositionals: true,
  options: {
    count: { type: 'string', default: '24' },
    width: { type: 'string', default: '1200' },
    height: { type: 'string', default: '800' },
    seed: { type: 'string', default: '7000' },
    clock: { type: 'string', default: '0' },
  },
});
const [out = 'frames'] = positionals;
const [count, width, height, seed, clock] = ['count', 'width', 'height', 'seed', 'clock'].map((name) => Number(values[name]));

/** As cameras write them: the names of the marks, the longest time first. */
const TIMES_S = [1, 2, 4, 8, 15, 30, 60, 125, 250, 500, 1000, 2000, 4000, 8000].map((part) => 1 / part);
const [LOWEST_ISO, HIGHEST_ISO] = [100, 12_800];
const ISOS = marksOf('iso', 'third')
  .map(({ name }) => Number(name))
  .filter((iso) => iso >= LOWEST_ISO && iso <= HIGHEST_ISO);

/** The marked time from the one that suits the fault on, and the marked ISO that exposes as the shot does. */
function exposureOf({ fNumber, exposureEv }, wantedS) {
  const isoFor = (seconds) => 100 * 2 ** (Math.log2(fNumber ** 2 / seconds) - exposureEv);
  let at = TIMES_S.indexOf(wantedS);
  while (isoFor(TIMES_S[at]) > HIGHEST_ISO && at > 0) at -= 1;
  while (isoFor(TIMES_S[at]) < LOWEST_ISO && at < TIMES_S.length - 1) at += 1;
  const away = (iso) => Math.abs(Math.log2(iso / isoFor(TIMES_S[at])));
  return { shutterS: TIMES_S[at], iso: ISOS.reduce((best, iso) => (away(iso) < away(best) ? iso : best)) };
}

const FAULTS = ['good', 'moved', 'good', 'shake', 'focus', 'good', 'depth', 'veil', 'noise', 'good'];
const PER_STOP = 3;
const MINUTES_APART = 4;

const demo = JSON.parse(readFileSync(new URL('../app/public/demo.json', import.meta.url), 'utf8'));
const [walk] = demo.walks;
const midnight = Date.parse(`${walk.day}T00:00:00Z`);

mkdirSync(out, { recursive: true });
for (let k = 0; k < count; k++) {
  const fault = FAULTS[k % FAULTS.length];
  const { shot } = faultyShot(fault, seed + 31 * k, { width, height });
  const stop = walk.stops[Math.floor(k / PER_STOP) % walk.stops.length];
  const minute = stop.arriveMin + 1 + (k % PER_STOP) * MINUTES_APART + clock;
  const name = `A${String(k + 1).padStart(4, '0')}.JPG`;
  const facts = {
    wallMs: midnight + minute * 60_000,
    bodyName: 'Made-up Body One',
    lensName: 'Made-up 35',
    position: null,
    bearingDeg: null,
    compensationEv: -1 / 3,
    ...exposureOf(shot, fault === 'moved' || fault === 'shake' ? 1 / 30 : 1 / 250),
  };
  writeFileSync(join(out, name), standInFile(shot, facts));
  console.log(`${name} ${fault} ${stop.name}`);
}
