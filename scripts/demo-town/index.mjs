// Draws the plan of Orrel, the demo's invented hill town, into app/public/demo.json: streets along the slope, closed blocks of
// houses with yards behind, and at the eight stops what their light was worked out by hand for.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
// Compiled by `npm run build:core`.
import { writeArchive } from '../../core/dist/formats/archive/index.js';
import { placeAt } from '../../core/dist/streets/index.js';
import { blocksOf } from './blocks.mjs';
import { housesOf } from './houses.mjs';
import { apart, areaOf, bands, bearing, common, numbersFrom, rounded, toLine, without } from './plane.mjs';
import { HEROES, SIGHTS, STANDS, STOPS } from './stops.mjs';
import { RIVER, SQUARES, STREETS, TOWN } from './streets.mjs';
import { netOf } from './ways.mjs';

const FILE = join(dirname(dirname(dirname(fileURLToPath(import.meta.url)))), 'app/public/demo.json');
const ORIGIN = { latitude: 46.5, longitude: -20.7 };
const SEED = 46502070;
const draw = numbersFrom(SEED);

/** Between what stands at the stops and the houses behind it. */
const YARD_M = 2.5;
const heroRings = HEROES.map(({ footprint }) => (areaOf(footprint) < 0 ? [...footprint].reverse() : footprint));
const kept = heroRings.flatMap((ring) => [ring, ...bands([...ring, ring[0]], 2 * YARD_M)]);
const streetBands = STREETS.flatMap(({ line, widthM }) => bands(line, widthM));
const banks = RIVER.flatMap((ring) => [ring, ...bands([...ring, ring[0]], 6)]);

const lanes = [];
const grounds = without(TOWN, [...streetBands, ...SQUARES, ...kept, ...banks]);
const blocks = grounds.flatMap((ground) => blocksOf(ground, draw, lanes));

const toHeroes = (place) => Math.min(...heroRings.map((ring) => toLine(place, ring, true)));
const isBuilt = (place) => toHeroes(place) > YARD_M + 0.4;

/** As high as it may be there, so that the light of the stops stays their own. */
function highestM(ring) {
  const corners = ring.flatMap((corner, k) => [
    corner,
    [0, 1].map((axis) => (corner[axis] + ring[(k + 1) % ring.length][axis]) / 2),
  ]);
  return Math.min(
    ...SIGHTS.map(({ stop, fromDeg, toDeg, slope, reachM }) => {
      const seen = corners.filter((corner) => {
        const towards = bearing(stop, corner);
        return towards >= fromDeg && towards <= toDeg && apart(stop, corner) < reachM;
      });
      return 1.6 + slope * Math.min(Infinity, ...seen.map((corner) => apart(stop, corner)));
    }),
  );
}

/** Higher towards the hall and the ridge, never two neighbours quite the same. */
function heightOf(ring) {
  const inward = Math.max(0, 1 - apart(ring[0], [60, 60]) / 260);
  return Math.round((6 + 2.5 * inward + 2.2 * draw()) * 2) / 2;
}

const houses = [];
for (const ring of blocks.flatMap((block) => housesOf(block, draw, isBuilt))) {
  const heightM = Math.min(heightOf(ring), Math.floor(highestM(ring) * 2) / 2);
  const overlaps = (other) =>
    apart(ring[0], other[0]) < 40 && common(ring, other).reduce((sum, part) => sum + areaOf(part), 0) > 0.5;
  if (heightM < 4 || heroRings.some(overlaps) || houses.some(({ footprint }) => overlaps(footprint))) continue;
  houses.push({ footprint: ring, heightM });
}

/** The square's limes. */
const trees = [
  [24, 14],
  [32, 17],
  [16, 11],
  [40, 20],
].map(([east, north]) => ({ eastM: STOPS.tollard[0] + east, northM: STOPS.tollard[1] + north, radiusM: 2.5, heightM: 8 }));

const LANE_NAMES = [
  'Nail Lane', 'Wick Lane', 'Thimble Row', 'Oat Lane', 'Cinder Lane', 'Lantern Steps', 'Pepper Lane', 'Quill Lane', 'Rope Walk',
  'Low Bell', 'Sieve Lane', 'Candle Steps', 'Kiln Lane', 'Moss Steps', 'Plum Lane', 'Hatter’s Row', 'Anvil Lane', 'Hemp Lane',
  'Sexton’s Row', 'Glazier’s Lane', 'Fennel Steps', 'Bobbin Lane', 'Crane Lane', 'Tallow Lane', 'Vine Steps', 'Pewter Lane',
  'Starling Lane', 'Loom Lane', 'Ash Steps', 'Cooper’s Row',
]; // prettier-ignore

/** The slope rises to the north-east: what goes straight up it is stairs. */
const UPHILL_DEG = 40;
function laneKind(line) {
  const off = Math.abs(((bearing(line[0], line.at(-1)) - UPHILL_DEG + 270) % 180) - 90);
  return off < 28 ? 'steps' : 'street';
}

const net = netOf(STREETS, lanes, heroRings);
const ways = net.flatMap((points, k) => {
  if (points.length < 2) return [];
  const street = STREETS[k];
  const lane = lanes[k - STREETS.length];
  const kind = street?.kind ?? laneKind(points);
  const name = street?.name ?? LANE_NAMES[(k - STREETS.length) % LANE_NAMES.length];
  const widthM = street?.widthM ?? lane.widthM;
  return [
    { id: `way-${String(k + 1).padStart(3, '0')}`, name, kind, widthM, ...(street?.covered ? { isCovered: true } : {}), points },
  ];
});

const buildings = [...HEROES, ...houses].map((building, k) => ({
  id: `orrel-${String(k + 1).padStart(3, '0')}`,
  heightSource: 'given',
  ...building,
}));

const demo = JSON.parse(readFileSync(FILE, 'utf8'));
const waters = RIVER.map((ring) => ring.map((corner) => corner.map(rounded)));
demo.districts = [{ id: 'orrel', name: 'Orrel, invented', origin: ORIGIN, buildings, trees, waters, ways }];
const positionOf = ([eastM, northM]) => {
  const { latitude, longitude } = placeAt(ORIGIN, { eastM, northM });
  return { latitude: Math.round(latitude * 1e7) / 1e7, longitude: Math.round(longitude * 1e7) / 1e7 };
};
demo.walks = demo.walks.map((walk) => ({
  ...walk,
  districtId: 'orrel',
  // A stop that was not laid out with the town stays where it is.
  stops: walk.stops.map((stop) => {
    const place = STANDS[stop.id] ?? STOPS[stop.id];
    return place === undefined ? stop : { ...stop, sunGap: null, position: positionOf(place) };
  }),
}));
const { format: _, version: __, ...archive } = demo;
writeFileSync(FILE, writeArchive(archive));
process.stdout.write(`${buildings.length} buildings, ${HEROES.length} of them at the stops; ${ways.length} ways\n`);
