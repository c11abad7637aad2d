// Fits what the signs of a picture count for (core/src/log/softness/verdictWeights.ts) on the photographs to tune on. After
// `npm run build:core`:
//   node scripts/fit-verdicts.mjs [--readings FILE]
// The ridge, and how sure the sums may be, are those that do best on packages left out of the fit; the table is of those, too.
import { writeFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { evidenceOf, leftByPlan, leftBySettings, LOOKS, SIGNS, signsOf, weighable } from '../core/dist/log/index.js';
import { meantOf, settingsOf } from './photographs/circumstances.mjs';
import { framesOf } from './photographs/frames.mjs';
import { readingsOf } from './photographs/kept-readings.mjs';
import { crossFitted, fitted, likelihoodsAt, lossOf, temperatureOf } from './photographs/regression.mjs';
import { report } from './photographs/report.mjs';

const { values } = parseArgs({ options: { readings: { type: 'string', default: '' } } });
const RIDGES = [0.005, 0.015];
const DIGITS = 4;
const MADE_UP_EACH = 10;
const MADE_UP_SEED = 500_000;
const MADE_UP_COUNTS = 1;

const photographs = await framesOf('tuning');
// The demo's camera is made up: its frames are to be told, too, but count less.
const madeUp = Array.from({ length: MADE_UP_EACH * LOOKS.length }, (_, k) => {
  const fault = LOOKS[k % LOOKS.length];
  return { fault, seed: MADE_UP_SEED + 31 * k, name: `made up/${k}`, kind: 'made up' };
});
const made = await readingsOf(madeUp, values.readings === '' ? '' : `${values.readings}.made-up`, 'readMadeUp');
const frames = [...photographs, ...madeUp.map((one, k) => ({ ...one, subject: made[k].subject }))];
const readings = [...(await readingsOf(photographs, values.readings)), ...made.map(({ reading }) => reading)];
const signs = frames.map(({ subject }, k) => signsOf(readings[k], evidenceOf(readings[k], subject)));

const rounded = (value) => Number(value.toPrecision(DIGITS));
const known = (sign) => signs.map((one) => one[sign]).filter((value) => value !== null);
const mean = (list) => list.reduce((sum, one) => sum + one, 0) / Math.max(1, list.length);
const means = SIGNS.map((sign) => rounded(mean(known(sign))));
const spreads = SIGNS.map((sign, k) => rounded(Math.sqrt(mean(known(sign).map((one) => (one - means[k]) ** 2))) || 1));

/** Of each look what settings and plan leave of it. */
function leftOf(frame) {
  const settings = settingsOf(frame);
  const [bySettings, byPlan] = [leftBySettings(settings), leftByPlan(settings, meantOf(frame))];
  return LOOKS.map((look) => (look === 'good' ? 1 : bySettings[look] * byPlan[look]));
}
const all = frames.map((frame, k) => ({
  ...frame,
  inputs: weighable(signs[k], { means, spreads }),
  left: leftOf(frame),
  of: LOOKS.indexOf(frame.fault === 'untouched' ? 'good' : frame.fault),
}));
// All faults alike, and as many good ones as of two of them.
for (const row of all) {
  const alike = all.filter(({ of }) => of === row.of).length;
  row.weight = ((LOOKS[row.of] === 'good' ? 2 : 1) / alike) * (row.kind === 'made up' ? MADE_UP_COUNTS : 1);
}
// Not every card says that a soft ground was meant: half of each frame that has one goes without.
const rows = all.flatMap((row) => {
  if (row.depth !== 'isolating') return [row];
  const half = { ...row, weight: row.weight / 2 };
  return [half, { ...half, left: leftOf({ ...row, depth: 'free' }) }];
});
const tried = RIDGES.map((ridge) => {
  const left = crossFitted(rows, LOOKS.length, ridge);
  const temperature = temperatureOf(left);
  const given = left.map((row) => ({ ...row, found: likelihoodsAt(row, temperature) }));
  const loss = lossOf(given);
  console.log(`ridge ${ridge}: loss ${loss.toFixed(3)} on packages left out, sums divided by ${temperature.toFixed(1)}`);
  return { ridge, given, loss, temperature };
});
const best = tried.reduce((least, one) => (one.loss < least.loss ? one : least));
report(
  best.given.map((row) => {
    const most = Math.max(...row.found);
    return { ...row, look: LOOKS[row.found.indexOf(most)], confidence: most, smear: null };
  }),
);

const weights = fitted(rows, LOOKS.length, best.ridge).map((row) => row.map((one) => one / best.temperature));
const list = (numbers) => `[${Array.from(numbers, rounded).join(', ')}]`;
writeFileSync(
  new URL('../core/src/log/softness/verdictWeights.ts', import.meta.url),
  `// Made by scripts/fit-verdicts.mjs: not to be changed by hand.

/** Of each sign, in the order of SIGNS, its mean and its spread over the frames that it was fitted on. */
export const MEANS: readonly number[] = ${list(means)};
export const SPREADS: readonly number[] = ${list(spreads)};

/** Of each look, in the order of LOOKS: how likely it is before any sign, then of each sign its weight, and those beyond its bends above and below. */
export const WEIGHTS: readonly (readonly number[])[] = [
${weights.map((row) => `  ${list(row)},`).join('\n')}
];
`,
);
