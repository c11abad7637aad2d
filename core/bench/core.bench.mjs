// Speeds of the core in Node, as ratios against a plain baseline of the same run where there is one.
import { readFileSync } from 'node:fs';
import {
  compareApproaches,
  foundIn,
  isSunlit,
  lightLadder,
  prepareSearch,
  searchAt,
  searchSetUp,
  shadowScene,
  stopDay,
  stopLightOn,
  sunPosition,
  sunTrack,
} from '../dist/index.js';
import { readArchive } from '../dist/formats/index.js';

/** Seconds a call, the median of several runs after one to warm up. */
function secondsOf(work, runs = 7) {
  work();
  const times = Array.from({ length: runs }, () => {
    const begun = performance.now();
    work();
    return performance.now() - begun;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)] / 1000;
}

function say(what, figure, target = '') {
  process.stdout.write(`${what.padEnd(58)} ${figure.padStart(22)}  ${target}\n`);
}
const rate = (n) => (n >= 1e6 ? `${(n / 1e6).toFixed(2)} M/s` : `${Math.round(n).toLocaleString('en')} /s`);

const place = { latitude: 46.5, longitude: -20.7 };
const start = new Date('2027-01-01T00:00:00Z');
const end = new Date('2028-01-01T00:00:00Z');

const positions = 2000;
const single =
  positions /
  secondsOf(() => {
    for (let k = 0; k < positions; k++) sunPosition({ time: new Date(start.getTime() + k * 4_000_000), ...place });
  });
const samples = 525_601;
const track = samples / secondsOf(() => sunTrack({ start, end, stepS: 60, ...place }), 3);
say('sun positions, one by one', rate(single));
say('sun track, a year at one minute', rate(track), `target 1 M/s; ${(track / single).toFixed(0)} x the single position`);

/** A town of blocks along a grid of streets, some bent, some with an arch; the same every time. */
function town(count) {
  const side = Math.ceil(Math.sqrt(count));
  return Array.from({ length: count }, (_, k) => {
    const x = (k % side) * 18 - side * 9;
    const y = Math.floor(k / side) * 18 - side * 9;
    const heightM = 6 + ((k * 7) % 13);
    const bent = [
      [x, y],
      [x + 11, y],
      [x + 11, y + 11],
      [x + 6, y + 11],
      [x + 6, y + 6],
      [x, y + 6],
    ];
    const plain = [
      [x, y],
      [x + 11, y + 1],
      [x + 10, y + 11],
      [x + 1, y + 10],
    ];
    return { footprint: k % 3 === 0 ? bent : plain, heightM, ...(k % 11 === 0 ? { baseM: 3 } : {}) };
  });
}

/** Sun over the day against points in the streets. */
function questions(count) {
  return Array.from({ length: count }, (_, k) => ({
    point: { eastM: ((k * 37) % 300) - 150, northM: ((k * 53) % 300) - 150, heightM: k % 2 === 0 ? 0 : 1.6 },
    sun: { azimuthDeg: 95 + ((k * 11) % 170), altitudeDeg: 3 + ((k * 5) % 50) },
  }));
}

for (const count of [200, 2000]) {
  const buildings = town(count);
  const scene = shadowScene({ buildings });
  const many = questions(20_000);
  const few = many.slice(0, 40);
  const indexed = many.length / secondsOf(() => many.forEach((question) => scene.isSunlit(question)), 5);
  const plain = few.length / secondsOf(() => few.forEach((question) => isSunlit({ ...question, buildings })), 3);
  say(
    `shadow tests, ${count} buildings, prepared scene`,
    rate(indexed),
    `${(indexed / plain).toFixed(0)} x asking without preparing`,
  );
}

const read = readArchive(readFileSync(new URL('../../app/public/demo.json', import.meta.url), 'utf8'));
if (!read.ok) throw new Error(read.message);
const { kit, standard, walks } = read.archive;
const [walk] = walks;
const byId = (id) => kit.find((item) => item.id === id);
const inputs = walk.stops.map((stop) => ({
  intent: stop.intent,
  subject: stop.subject,
  movers: stop.movers,
  light: stopLightOn({ ...walk.place, site: stop, day: walk.day, cloud: walk.cloud, minuteOfDay: stop.arriveMin }),
  body: byId(walk.bodyId),
  lens: byId(stop.lensId),
  focalLengthMm: stop.focalLengthMm,
  film: null,
  flash: null,
  standard,
  approach: stop.approach ?? walk.approach,
}));
const each = (work) => `${((secondsOf(work, 21) * 1000) / inputs.length).toFixed(2)} ms`;

/** Median and 95th percentile of many single calls, ms. */
function spreadOf(calls) {
  calls.forEach((call) => call());
  const times = Array.from({ length: 15 }, () => calls)
    .flat()
    .map((call) => {
      const begun = performance.now();
      call();
      return performance.now() - begun;
    })
    .sort((a, b) => a - b);
  const at = (share) => times[Math.floor((times.length - 1) * share)];
  return { median: at(0.5), p95: at(0.95), text: `${at(0.5).toFixed(1)} / ${at(0.95).toFixed(1)} ms` };
}

// Baseline of the same run: a million exponentials, so that a slow moment of the machine shows.
const baseline = secondsOf(() => {
  let sum = 0;
  for (let k = 0; k < 1_000_000; k++) sum += Math.exp(-(k % 97) / 10);
  return sum;
}, 5);
say('baseline: a million exponentials', `${(baseline * 1000).toFixed(1)} ms`);
const whole = spreadOf(inputs.map((input) => () => searchSetUp(input)));
const times = (ms) => `${(ms / (baseline * 1000)).toFixed(2)} x baseline`;
say('whole search, a demo stop (median / 95th)', whole.text, `target 15 / 30 ms; ${times(whole.median)}`);
const prepared = inputs.map(prepareSearch);
say(
  'search at another light, scene prepared',
  spreadOf(prepared.map((scene, k) => () => foundIn(searchAt(scene, inputs[k].light.keyEv100)))).text,
);
const centre = inputs.map((input) => ({ ...input, approach: { ...input.approach, focus: 'centrePoint' } }));
say('whole search, centre point', spreadOf(centre.map((input) => () => searchSetUp(input))).text, 'target 15 / 30 ms');
const ladders = spreadOf(inputs.map((input) => () => lightLadder(input)));
say('light ladder (in the worker)', ladders.text, `target 80 ms; ${times(ladders.median)}`);
const schools = spreadOf(inputs.slice(0, 2).map((input) => () => compareApproaches(input)));
say('approaches compared (in the worker)', schools.text);
say(
  'a stop’s day, minute by minute with windows',
  each(() => walk.stops.forEach((site) => stopDay({ ...walk.place, site, day: walk.day, cloud: 0, halfFieldDeg: 32.7 }))),
);
