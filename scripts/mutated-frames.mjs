/**
 * Reads a hundred thousand torn EXIF blocks as the app does, and holds what comes of each to what a frame may be. Prints how many said
 * something, how many nothing, and the longest that one took. After `npm run build:core`:
 *   node scripts/mutated-frames.mjs [--count 100000] [--seed 5]
 */
import { parseArgs } from 'node:util';
import { ARCHIVE_VERSION } from '../core/dist/formats/archive/index.js';
import { readRow } from '../core/dist/formats/reading/index.js';
import { frameFacts } from '../core/dist/log/index.js';
import { seeded } from '../core/dist/metering/index.js';
import { standInPatchFile } from '../core/dist/stand-ins/camera/standInFile.js';
import { appTags } from './app-tags.mjs';

const { values } = parseArgs({ options: { count: { type: 'string', default: '100000' }, seed: { type: 'string', default: '5' } } });
const [count, random] = [Number(values.count), seeded(Number(values.seed))];
const patch = { width: 16, height: 16, iso: 400, electronsAt100: 6000, readElectrons: 3, seed: 1 };
const position = { latitude: 46.5, longitude: -20.7 };
const facts = {
  wallMs: Date.UTC(2027, 2, 6),
  bodyName: 'One',
  lensName: '28',
  position,
  bearingDeg: 40,
  compensationEv: 0,
  iso: 400,
  shutterS: 1 / 125,
};
const whole = standInPatchFile(patch, facts);
const SAYS_BYTES = 700;
const REST = { id: 'f', logId: 'log', placedByHand: null, verdict: null, sight: null, subjectAt: null };

const readTags = await appTags();
const told = { something: 0, nothing: 0, wrong: 0 };
let slowestMs = 0;
for (let k = 0; k < count; k++) {
  const bytes = Uint8Array.from(whole);
  for (let n = 1 + Math.floor(12 * random()); n > 0; n--) bytes[2 + Math.floor(SAYS_BYTES * random())] = Math.floor(256 * random());
  const torn = random() < 0.2 ? bytes.subarray(0, Math.floor(random() * bytes.length)) : bytes;
  const begun = performance.now();
  const tags = await readTags(torn);
  const frame = { ...frameFacts(tags ?? {}), ...REST, source: { kind: 'file', name: 'A.JPG', bytes: torn.length } };
  slowestMs = Math.max(slowestMs, performance.now() - begun);
  const isFrame = readRow('frames', frame, ARCHIVE_VERSION).ok;
  told[!isFrame ? 'wrong' : tags == null ? 'nothing' : 'something']++;
}
console.log(
  `${count} torn files: ${told.something} said something, ${told.nothing} nothing, ${told.wrong} what no frame may say; the slowest ${slowestMs.toFixed(0)} ms`,
);
process.exit(told.wrong === 0 ? 0 : 1);
