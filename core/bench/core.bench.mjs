// Speeds of the core in Node, as ratios against a plain baseline of the same run where there is one.
import { readFileSync } from 'node:fs';
import Flatbush from 'flatbush';
import { dayProfileSteps, DEFAULT_STAY, goodFramesOfUsefulStay, planDay, planDaySteps } from '../dist/day/index.js';
import { DEFAULT_DISTRICT_OPTIONS, readDistrictSteps } from '../dist/formats/maps/index.js';
import { readArchive } from '../dist/formats/reading/index.js';
import { isSunlit, shadowScene, sunPosition, sunTrack } from '../dist/light/index.js';
import { compareApproaches, foundIn, lightLadder, prepareSearch, searchAt, searchSetUp } from '../dist/setup/index.js';
import { siteLookOf, stopDay, stopDayIn, stopLightOn, yearOfQualitySteps, yearOfSun } from '../dist/stop/index.js';
import {
  GRID_CELLS,
  gridPoints,
  metresFrom,
  placeAt,
  shadowPolygons,
  sightAt,
  siteScene,
  wayNetwork,
} from '../dist/streets/index.js';
import { finish } from '../dist/units/index.js';

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
  'a stop’s day without walls, minute by minute',
  each(() => walk.stops.forEach((site) => stopDay({ ...walk.place, site, day: walk.day, cloud: 0, halfFieldDeg: 32.7 }))),
);

// A capital's old town: a hundred streets each way, twenty thousand pieces.
const lines = Array.from({ length: 100 }, (_, k) => k);
const streets = lines.flatMap((k) => [
  { id: `e${k}`, kind: 'street', points: lines.map((j) => [j * 25, k * 25]) },
  { id: `n${k}`, kind: k % 7 === 0 ? 'steps' : 'street', points: lines.map((j) => [k * 25, j * 25]) },
]);
const netS = secondsOf(() => wayNetwork(streets), 3);
say('streets made ready, 20,000 pieces (in the worker)', `${(netS * 1000).toFixed(0)} ms`, times(netS * 1000));
const { between } = wayNetwork(streets);
const wayS = secondsOf(() => between({ eastM: 60, northM: 40 }, { eastM: 2300, northM: 2390 }), 5);
say('  a way from corner to corner of it', `${(wayS * 1000).toFixed(0)} ms`, times(wayS * 1000));

// The demo walk among its own buildings and among many: horizons of every cell once, then minutes by look-up.
const [district] = read.archive.districts;
const reach = { baseIso: 100, isoCeiling: 6400, widestFNumber: 2, smallestFNumber: 16, flashSyncS: 1 / 250, handheldS: 0.29 };
const dayInput = (site) => ({
  ...walk.place,
  site,
  day: walk.day,
  cloud: 0,
  halfFieldDeg: 32.7,
  subject: site.subject,
  travelAngleDeg: site.movers.travelAngleDeg,
  reach,
});
const ms = (seconds) => `${(seconds * 1000).toFixed(0)} ms`;

/** The town's own 150 buildings, or those with streets of blocks round them. */
function buildingsOf(count) {
  const own = district.buildings;
  if (count <= own.length) return own;
  const round = town(4 * count).filter(({ footprint: [[x, y]] }) =>
    walk.stops.every((stop) => {
      const { eastM, northM } = metresFrom(district.origin, stop.position);
      return Math.hypot(x - eastM, y - northM) > 60;
    }),
  );
  return [...own, ...round.slice(0, count - own.length)];
}

let lastScenes = [];
for (const count of [150, 2000]) {
  const buildings = buildingsOf(count);
  const sites = walk.stops.map((stop) => ({
    buildings,
    trees: district.trees,
    waters: district.waters,
    ...metresFrom(district.origin, stop.position),
  }));
  const measure = (k) => siteScene(sites[k], siteLookOf(dayInput(walk.stops[k])));
  const first = secondsOf(() => stopDayIn(measure(0), dayInput(walk.stops[0])), 5);
  const whole = secondsOf(() => walk.stops.forEach((stop, k) => stopDayIn(measure(k), dayInput(stop))), 3);
  lastScenes = walk.stops.map((_, k) => measure(k));
  const again = secondsOf(() => walk.stops.forEach((stop, k) => stopDayIn(lastScenes[k], dayInput(stop))), 3) / walk.stops.length;
  say(`first stop’s windows, ${buildings.length} buildings`, ms(first), 'target 500 ms');
  say(`the walk’s day, 8 stops, ${buildings.length} buildings`, ms(whole), `target 3000 ms; ${times(whole * 1000)}`);
  say(`a stop’s day again, walls measured, ${buildings.length} buildings`, ms(again), 'target 50 ms');
}

{
  const [k, stop] = [4, walk.stops[4]];
  const { day: _, cloud: __, ...year } = dayInput(stop);
  const input = { ...year, fromDay: '2027-01-01' };
  say('a year of sun and shade at one stop, 10 min', ms(secondsOf(() => yearOfSun(lastScenes[k], input), 3)), 'target 300 ms');
  const quality = secondsOf(() => finish(yearOfQualitySteps(lastScenes[k], input)), 1);
  say('a year of window quality, 10 min, in weeks', ms(quality), 'target 6000 ms');
}

/**
 * The same lit cells by shadow polygons: those of each minute among bounding boxes in a spatial index, each cell asked
 * whether one covers it. One stop's seen ground, every minute of daylight.
 */
{
  const stop = walk.stops[4];
  const site = { buildings: district.buildings, ...metresFrom(district.origin, stop.position) };
  const look = siteLookOf(dayInput(stop));
  const { start, end } = { start: new Date(`${walk.day}T07:50:00Z`), end: new Date(`${walk.day}T19:10:00Z`) };
  const suns = sunTrack({ start, end, stepS: 60, ...place, refraction: 'none' });
  const sunAt = (minute) => ({ azimuthDeg: suns.azimuthDeg[minute], altitudeDeg: suns.altitudeDeg[minute] });
  const lit = new Uint8Array(GRID_CELLS);
  const byHorizon = secondsOf(() => {
    const scene = siteScene(site, look);
    for (let minute = 0; minute < suns.timesMs.length; minute++) sightAt(scene, sunAt(minute), { groundLit: lit });
  }, 3);
  const scene = siteScene(site, look);
  const points = gridPoints(scene.camera, 0).filter((_, cell) => scene.seen[cell] === 1);
  const covers = (ring, x, y) => {
    let isIn = false;
    for (let a = 0, b = ring.length - 1; a < ring.length; b = a++) {
      const [[ax, ay], [bx, by]] = [ring[a], ring[b]];
      if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) isIn = !isIn;
    }
    return isIn;
  };
  const byPolygons = secondsOf(() => {
    for (let minute = 0; minute < suns.timesMs.length; minute++) {
      const rings = district.buildings.flatMap((building) => shadowPolygons({ building, sun: sunAt(minute) }));
      if (rings.length === 0) continue;
      const index = new Flatbush(rings.length);
      for (const ring of rings) {
        const [xs, ys] = [ring.map(([x]) => x), ring.map(([, y]) => y)];
        index.add(Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys));
      }
      index.finish();
      for (const { eastM, northM } of points) {
        let isShaded = false;
        index.search(eastM, northM, eastM, northM, (k) => {
          isShaded ||= covers(rings[k], eastM, northM);
          return false;
        });
      }
    }
  }, 1);
  // The horizons also answer for 1.6 m, the spot, the eye and 144 walls; the polygons only for the ground.
  say('lit ground of a day, one stop: horizons', ms(byHorizon));
  say('the same by shadow polygons in an index', ms(byPolygons), `${(byPolygons / byHorizon).toFixed(1)} x the horizons`);
}

for (const [count, target] of [
  [5000, 'target 3000 ms'],
  [8000, 'target 2000 ms'],
]) {
  const features = town(count).map(({ footprint, heightM }, k) => ({
    type: 'Feature',
    id: k,
    properties: { building: 'yes', height: heightM },
    geometry: {
      type: 'Polygon',
      coordinates: [
        [...footprint, footprint[0]].map(([x, y]) => {
          const { latitude, longitude } = placeAt(district.origin, { eastM: x, northM: y });
          return [longitude, latitude];
        }),
      ],
    },
  }));
  const text = JSON.stringify({ type: 'FeatureCollection', features });
  const options = { ...DEFAULT_DISTRICT_OPTIONS, id: 'd', name: 'd', origin: null };
  say(`${count} buildings from GeoJSON`, ms(secondsOf(() => finish(readDistrictSteps(text, options)), 3)), target);
  let id = 0;
  const nodes = [];
  const ways = features.map(({ geometry, properties }) => {
    const refs = geometry.coordinates[0].slice(0, -1).map(([lon, lat]) => {
      nodes.push(`<node id="${++id}" lat="${lat}" lon="${lon}"/>`);
      return id;
    });
    const list = [...refs, refs[0]].map((ref) => `<nd ref="${ref}"/>`).join('');
    return `<way id="${++id}">${list}<tag k="building" v="yes"/><tag k="height" v="${properties.height}"/></way>`;
  });
  const xml = `<osm>${nodes.join('')}${ways.join('')}</osm>`;
  say(`${count} buildings from OpenStreetMap XML`, ms(secondsOf(() => finish(readDistrictSteps(xml, options)), 3)), target);
}

/** A day of stops strewn over 25 minutes' walk; a fifth has light all day, the others for 20 to 110 minutes. */
function strewnDay(seed, count) {
  let state = seed;
  const random = () => (state = (Math.imul(state, 1_664_525) + 1_013_904_223) >>> 0) / 2 ** 32;
  const places = Array.from({ length: count + 1 }, () => [random() * 25, random() * 25]);
  const walkMin = (a, b) => Math.ceil(Math.hypot(places[a][0] - places[b][0], places[a][1] - places[b][1]));
  const all = Array.from({ length: count }, (_, k) => k);
  const visits = all.map((k) => {
    const isAllDay = random() < 0.2;
    const fromMin = isAllDay ? 360 : 360 + Math.floor(random() * 900);
    const minutes = isAllDay ? 1000 : 20 + Math.floor(random() * 90);
    const goodFramesPerMin = Array(minutes).fill(goodFramesOfUsefulStay(1, 10 + random() * 40));
    return { id: `v${k}`, worth: { kind: 'light', fromMin, goodFramesPerMin, weight: 1 }, ...DEFAULT_STAY };
  });
  const home = all.map((k) => walkMin(count, k));
  const walksMin = all.map((a) => all.map((b) => walkMin(a, b)));
  return { visits, walksMin, fromStartMin: home, toEndMin: home, earliestMin: 300, latestMin: 1500 };
}

{
  const days = (count) => [1, 2, 3].map((seed) => strewnDay(seed, count));
  const quick = (question) => {
    for (const { soFar } of planDaySteps(question)) if (soFar !== null) return soFar;
    return null;
  };
  const perDay = (count, work) => secondsOf(() => days(count).forEach(work), 3) / 3;
  const eight = perDay(8, quick);
  say('a day planned, 8 visits, on five minutes', ms(eight), `target 100 ms; ${times(eight * 1000)}`);
  const byMinute = perDay(8, (question) => planDay(question));
  say('  the same by the minute', ms(byMinute), times(byMinute * 1000));
  const twelve = perDay(12, (question) => planDay(question));
  say('a day planned, 12 visits', ms(twelve), `target 1500 ms; ${times(twelve * 1000)}`);
  for (const count of [8, 12]) {
    const profiles = perDay(count, (question) => finish(dayProfileSteps(question)));
    say(`all profiles of a day, ${count} visits`, ms(profiles), `target 2000 ms; ${times(profiles * 1000)}`);
  }
  for (const count of [16, 20, 24, 30]) {
    const spent = days(count).map((question) => {
      const begun = performance.now();
      let share = 1;
      for (const { soFar } of planDaySteps(question)) {
        share = soFar === null ? 1 : soFar.proof.kind === 'best' ? 0 : soFar.proof.share;
        if (share < 0.01 || performance.now() - begun > 60_000) break;
      }
      return { seconds: (performance.now() - begun) / 1000, share };
    });
    const worst = spent.reduce((a, b) => (b.seconds > a.seconds ? b : a));
    const gap = Math.max(...spent.map(({ share }) => share));
    say(
      `${count} visits, until the bound is within 1 % (worst of 3)`,
      `${worst.seconds.toFixed(1)} s`,
      `target 15 s; gap ${(100 * gap).toFixed(2)} %`,
    );
  }
}
