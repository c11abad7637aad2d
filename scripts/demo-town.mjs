// Draws the plan of Orrel, the demo's invented town, into app/public/demo.json. Streets at the eight stops are laid out so
// that their light can be worked out by hand (core/reference/town-sheet.md); the other houses fill the space between.
import { readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
// Compiled by `npm run build:core`.
import { writeArchive } from '../core/dist/index.js';

const FILE = join(dirname(dirname(fileURLToPath(import.meta.url))), 'app/public/demo.json');
const RAD = Math.PI / 180;
const BUILDINGS = 150;

/** Where the stops stand, metres east and north of the origin. */
const STOPS = {
  tollard: [-420, -260],
  quenmill: [-180, -420],
  tannery: [150, -180],
  vessen: [330, 60],
  orrel: [120, 240],
  causey: [-120, 330],
  weir: [-360, 180],
  arcade: [-60, -60],
};

/** A block from `along` to `along` and `right` to `right` of a stop that looks along `axisDeg`. */
function block([eastM, northM], axisDeg, [along0, along1], [right0, right1], heightM, more = {}) {
  const [sin, cos] = [Math.sin(axisDeg * RAD), Math.cos(axisDeg * RAD)];
  const corner = (along, right) => [eastM + along * sin + right * cos, northM + along * cos - right * sin];
  const rounded = (value) => Math.round(value * 1000) / 1000;
  const footprint = [corner(along0, right0), corner(along1, right0), corner(along1, right1), corner(along0, right1)];
  return { footprint: footprint.map((point) => point.map(rounded)), heightM, ...more };
}

/** Houses of one height in a row along the street. */
function row(stop, axisDeg, [from, to], side, houseM, heightM, more) {
  const count = Math.round((to - from) / houseM);
  const at = (k) => from + ((to - from) * k) / count;
  return Array.from({ length: count }, (_, k) => block(stop, axisDeg, [at(k), at(k + 1)], side, heightM, more));
}

const { tollard, quenmill, tannery, vessen, orrel, causey, weir, arcade } = STOPS;
const heroes = [
  // Tram square: the sign hangs on the depot, south of the stop.
  block(tollard, 70, [-14, 26], [12, 26], 9, { name: 'Tollard Depot' }),
  ...row(tollard, 70, [-30, 40], [-26, -15], 14, 10),
  // The mill stands upstream, to the right of the look.
  block(quenmill, 35, [14, 34], [7, 19], 11, { name: 'Quenmill' }),
  block(quenmill, 35, [-24, -10], [5, 14], 7),
  // Tannery Front: its face 13 m ahead of the camera (bearing 305), a row 9 m high 30 m from that face.
  block(tannery, 305, [13, 27], [-22, 22], 14, { name: 'Tannery' }),
  ...row(tannery, 35, [-40, 40], [17, 27], 10, 9),
  // Hall Street, 10 m wide: the hall 3 m to the right of the camera, houses 7 m to its left, the clock house across.
  block(vessen, 80, [-40, 60], [3, 27], 14, { name: 'Vessen Hall' }),
  ...row(vessen, 80, [-50, 60], [-17, -7], 10, 12),
  block(vessen, 80, [-62, -55], [-17, 27], 14, { name: 'Clock House' }),
  // Orrel Steps, a lane 6 m wide: an arch 2.6 m wide and 6 m high, 1.5 m thick, closes it 1.5 m behind the camera.
  ...row(orrel, 48, [-3, 25], [3, 12], 9, 14),
  ...row(orrel, 48, [-3, 25], [-12, -3], 9, 14),
  block(orrel, 48, [-3, -1.5], [1.3, 3], 14),
  block(orrel, 48, [-3, -1.5], [-3, -1.3], 14),
  block(orrel, 48, [-3, -1.5], [-1.3, 1.3], 14, { baseM: 6, name: 'Orrel Arch' }),
  block(orrel, 48, [16, 25], [-3, 3], 14),
  // Causey Lane, 7 m wide, houses of 11 m on both sides, open to the west beyond.
  ...row(causey, 252, [-40, 90], [3.5, 13], 13, 11),
  ...row(causey, 252, [-40, 90], [-13, -3.5], 13, 11),
  // Weir Rail: open to the river, a row of 10 m houses 20 m behind the camera.
  ...row(weir, 340, [-50, 50], [20, 30], 10, 10),
  // Long Arcade: houses over a passage 8 m wide and 4.5 m high, shops on both sides.
  ...row(arcade, 80, [-30, 40], [-4, 4], 17.5, 11, { baseM: 4.5, name: 'Long Arcade' }),
  ...row(arcade, 80, [-30, 40], [4, 14], 14, 11),
  ...row(arcade, 80, [-30, 40], [-14, -4], 14, 11),
];

/** Even numbers in [0, 1) that are the same every time. */
function* numbers(seed) {
  for (let state = seed; ;) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    yield state / 2 ** 32;
  }
}

const bearingOf = ([fromE, fromN], [e, n]) => (Math.atan2(e - fromE, n - fromN) / RAD + 360) % 360;
const apart = ([ax, ay], [bx, by]) => Math.hypot(ax - bx, ay - by);

/** Places that have to stay open: round each stop, and where the sun comes from at those that wait for it. */
function isKeptOpen(place) {
  const inSector = (stop, fromDeg, toDeg, reachM) => {
    const bearing = bearingOf(stop, place);
    return apart(stop, place) < reachM && bearing >= fromDeg && bearing <= toDeg;
  };
  return (
    Object.values(STOPS).some((stop) => apart(stop, place) < 36) ||
    inSector(causey, 240, 266, 420) ||
    inSector(orrel, 185, 268, 80) ||
    inSector(tannery, 95, 220, 70) ||
    (place[0] < -345 && place[1] > -120)
  );
}

function fillers(count) {
  const next = numbers(46502070);
  const draw = () => next.next().value;
  const corners = heroes.flatMap(({ footprint }) => footprint);
  const found = [];
  for (let north = -500; north <= 480 && found.length < count; north += 44) {
    for (let east = -520; east <= 480 && found.length < count; east += 44) {
      const place = [east + 14 * draw(), north + 14 * draw()];
      const [width, depth, turn, height] = [draw(), draw(), draw(), draw()];
      if (isKeptOpen(place) || corners.some((corner) => apart(corner, place) < 26)) continue;
      const [halfW, halfD] = [5 + 5 * width, 4 + 4 * depth];
      const heightM = 6 + Math.round(4 * height);
      const axisDeg = Math.round(90 * turn);
      found.push(block(place, axisDeg, [-halfW, halfW], [-halfD, halfD], heightM));
    }
  }
  return found;
}

/** The square's limes. */
const trees = [
  [-396, -246],
  [-388, -243],
  [-404, -249],
  [-380, -240],
].map(([eastM, northM]) => ({ eastM, northM, radiusM: 2.5, heightM: 8 }));

/** The river, west of the promenade. */
const waters = [
  [
    [-700, -120],
    [-395, -120],
    [-366, 130],
    [-366, 230],
    [-420, 520],
    [-700, 520],
  ],
];

const spread = (all, count) => Array.from({ length: count }, (_, k) => all[Math.floor((k * all.length) / count)]);
const more = fillers(1000);
if (more.length < BUILDINGS - heroes.length) throw new Error(`only ${heroes.length + more.length} houses fit`);
const buildings = [...heroes, ...spread(more, BUILDINGS - heroes.length)].map((building, k) => ({
  id: `orrel-${String(k + 1).padStart(3, '0')}`,
  heightSource: 'given',
  ...building,
}));

const demo = JSON.parse(readFileSync(FILE, 'utf8'));
demo.districts = [{ id: 'orrel', name: 'Orrel, invented', origin: { latitude: 46.5, longitude: -20.7 }, buildings, trees, waters }];
demo.walks = demo.walks.map((walk) => ({
  ...walk,
  districtId: 'orrel',
  stops: walk.stops.map((stop) => ({ ...stop, sunGap: null })),
}));
const { format: _, version: __, ...archive } = demo;
writeFileSync(FILE, writeArchive(archive));
process.stdout.write(`${buildings.length} buildings, ${heroes.length} of them at the stops\n`);
