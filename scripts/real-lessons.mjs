// Whether the lessons that learn from smears hold on photographs that nobody here made: people whose speed, and whose tolerance, are
// known, smeared in real pictures and read there. After `npm run build:core`:
//   node scripts/real-lessons.mjs [--half heldOut|tuning] [--readings FILE]
// Of each simulated person the smear on the sensor is known; what is read of it is what was read of a real frame whose subject was
// smeared by about as much, by the same factor. So reading's own errors, short, long and wild, are those of real textures.
import { parseArgs } from 'node:util';
import { DEFAULT_STANDARD } from '../core/dist/kit/index.js';
import { frameFacts, pictureReading, smearLesson, softnessVerdict, speedLesson } from '../core/dist/log/index.js';
import { circleOfConfusionMm } from '../core/dist/optics/index.js';
import { randomOf } from './photographs/faults.mjs';
import { framesOf } from './photographs/frames.mjs';
import { readingsOf } from './photographs/kept-readings.mjs';

const { values } = parseArgs({
  options: { half: { type: 'string', default: 'heldOut' }, readings: { type: 'string', default: '' } },
});
const RUNS = 100;
const COUNTS = [20, 100, 500];
const BODY = { kind: 'body', id: 'body', name: 'One', sensorWidthMm: 36, sensorHeightMm: 24 };
const LENS = { kind: 'lens', id: 'lens', name: 'Twenty-eight', engravedDistancesM: [] };
const DIAGONAL_MM = Math.hypot(36, 24);
const CIRCLE_MM = circleOfConfusionMm(DEFAULT_STANDARD.sharpness, BODY);
const STAY = { stopId: 'stop', cards: [{ atMs: 0, moment: { focusM: 3, support: 'handheld' } }] };
const LOG = {
  id: 'log',
  timeZone: 'UTC',
  stays: [STAY],
  cameras: [{ name: 'One', bodyId: 'body', shiftS: 0, shiftBy: 'frames' }],
  lenses: [{ name: 'Twenty-eight', lensId: 'lens' }],
  rolls: [],
};

/** Of subjects that moved: how far, shares of the diagonal, and what was read of that; the shortest first. */
const frames = await framesOf(values.half);
const readings = await readingsOf(frames, values.readings);
const read = frames
  .flatMap(({ fault, lengthPx, width, height, subject, settings }, k) => {
    if (fault !== 'moved') return [];
    const verdict = softnessVerdict(readings[k], subject, settings);
    const { smearShare } = pictureReading(readings[k], verdict, subject);
    const trueShare = lengthPx / Math.hypot(width, height);
    return [{ trueShare, looksLike: verdict.looksLike, factor: smearShare === undefined ? null : smearShare / trueShare }];
  })
  .toSorted((a, b) => a.trueShare - b.trueShare);
const factors = read.flatMap(({ factor }) => (factor === null ? [] : [factor])).toSorted((a, b) => a - b);
const quantile = (share) => factors[Math.floor(share * factors.length)].toFixed(2);
console.log(
  `${factors.length} of ${read.length} subjects, read as ${quantile(0.1)}, ${quantile(0.5)}, ${quantile(0.9)} of their smear (10, 50, 90 %)`,
);

/** Among so many of about the same length one is drawn. */
const NEIGHBOURS = 20;
function readOf(smearMm, random) {
  const after = read.findIndex(({ trueShare }) => trueShare >= smearMm / DIAGONAL_MM);
  const middle = after === -1 ? read.length : after;
  const from = Math.max(0, Math.min(read.length - NEIGHBOURS, middle - NEIGHBOURS / 2));
  const { factor, looksLike } = read[from + Math.floor(NEIGHBOURS * random())];
  const seen = { looksLike, confidence: 1, midToneEv: 0 };
  return factor === null ? seen : { ...seen, smearShare: (smearMm * factor) / DIAGONAL_MM };
}

let count = 0;
function taken(verdict, sight, over = {}) {
  const named = { bodyName: 'One', lensName: 'Twenty-eight', focalLengthMm: 28, fNumber: 8 };
  const source = { kind: 'file', name: 'A.JPG', bytes: 1 };
  const frame = { ...frameFacts({}), ...named, id: `r${count++}`, logId: 'log', source, placedByHand: null, subjectAt: null };
  return { frame: { ...frame, ...over, sight, verdict }, atMs: 0, stay: STAY, by: 'time' };
}
const asked = (placed) => ({ walked: [{ log: LOG, placed }], kit: [BODY, LENS], standard: DEFAULT_STANDARD });
const normal = (random) => Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());

/** Walkers about a true speed, at 1/30 s: each at their own speed and distance. */
function speedRun(random, of) {
  const truth = 1.4 * Math.exp(0.5 * normal(random));
  const all = Array.from({ length: of }, () => {
    const speed = truth * Math.exp(0.25 * normal(random));
    const distance = 3 * Math.exp(0.2 * normal(random));
    return taken('moved', readOf((28 * speed) / distance / 30, random), { shutterS: 1 / 30, focusM: 3 });
  });
  const stop = { id: 'stop', movers: { speedMps: 1.4, travelAngleDeg: 90, travelSpreadDeg: 0 }, subject: { medianM: 3 } };
  return { truth, found: speedLesson(asked(all), stop) };
}

/** Somebody who takes smears up to so many circles, mostly. */
function smearRun(random, of) {
  const truth = 6 * 2 ** (2 * random() - 1);
  const all = Array.from({ length: of }, () => {
    const circles = truth * 2 ** (4 * random() - 2);
    const chance = 1 / (1 + Math.exp((Math.log2(circles / truth) - 0.5 * Math.log(4)) / 0.5));
    return taken(random() < chance ? 'good' : 'moved', readOf(circles * CIRCLE_MM, random));
  });
  return { truth, found: smearLesson(asked(all)) };
}

const table = {};
for (const [name, run] of Object.entries({ speed: speedRun, smear: smearRun })) {
  for (const of of COUNTS) {
    const random = randomOf(1000 + of);
    const runs = Array.from({ length: RUNS }, () => run(random, of));
    const found = runs.filter((one) => one.found.kind === 'found');
    const within = found.filter(({ truth, found: { low, high } }) => truth >= low && truth <= high).length;
    const ratios = found.map(({ truth, found: lesson }) => lesson.found / truth).toSorted((a, b) => a - b);
    const middle = ratios.length === 0 ? '–' : ratios[ratios.length >> 1].toFixed(2);
    table[`${name}, ${of} frames`] = { told: found.length, within, 'median ratio': middle };
  }
}
console.table(table);
