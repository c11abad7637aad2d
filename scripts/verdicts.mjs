// What the made-up camera's faults are taken for, and how sure: the table of docs/log.md. After `npm run build:core`:
//   node scripts/verdicts.mjs [--count 100] [--seed 300000] [--width 1500] [--height 1000] [--quality 88]
// Each frame is written as a JPEG file of that quality and read back, as a camera's are; 0 leaves that out.
// Frames by the hundred take a quarter of an hour.
import { parseArgs } from 'node:util';
import { lumaOf, readSoftness, softnessVerdict } from '../core/dist/log/index.js';
import { faultyShot, takeStandIn } from '../core/dist/stand-ins/index.js';
import { throughJpeg } from './through-jpeg.mjs';

const { values } = parseArgs({
  options: {
    count: { type: 'string', default: '100' },
    seed: { type: 'string', default: '300000' },
    width: { type: 'string', default: '1500' },
    height: { type: 'string', default: '1000' },
    quality: { type: 'string', default: '88' },
  },
});
const [count, seed, width, height, quality] = ['count', 'seed', 'width', 'height', 'quality'].map((name) => Number(values[name]));
const FAULTS = ['shake', 'moved', 'focus', 'depth', 'veil', 'noise', 'good'];
const APART = 7919;

const table = Object.fromEntries(FAULTS.map((fault) => [fault, {}]));
const bySureness = {};
let right = 0;
for (let k = 0; k < count; k++) {
  FAULTS.forEach((fault, n) => {
    const { shot, subjectAt } = faultyShot(fault, seed + 13 * k + APART * n, { width, height });
    const rgba = throughJpeg(takeStandIn(shot), quality);
    const { looksLike, confidence } = softnessVerdict(readSoftness(lumaOf(rgba, width, height)), subjectAt);
    const isRight = looksLike === fault;
    table[fault][looksLike] = (table[fault][looksLike] ?? 0) + 1;
    const tenth = (Math.floor(confidence * 10) / 10).toFixed(1);
    bySureness[tenth] ??= { right: 0, of: 0 };
    bySureness[tenth].of += 1;
    if (isRight) bySureness[tenth].right += 1;
    if (isRight) right += 1;
  });
}
console.table(table);
console.table(bySureness);
console.log(`${right} of ${count * FAULTS.length} right`);
