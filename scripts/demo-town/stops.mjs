// What stands at the eight stops, laid out so that their light can be worked out by hand: core/reference/town-sheet.md.
import { ahead, rounded } from './plane.mjs';

/** Where the stops stand, metres east and north of the origin. */
export const STOPS = {
  tollard: [-200, -95],
  quenmill: [-95, -172],
  tannery: [85, -104],
  vessen: [150, 35],
  orrel: [60, 135],
  causey: [-60, 152],
  weir: [-190, 75],
  arcade: [-20, -20],
};

/** Where one stands apart from what was laid out there: on the sill, in the middle of the race. */
export const STANDS = { quenmill: [-102.2, -166.95] };

/** A block from `along` to `along` and `right` to `right` of a stop that looks along `axisDeg`. */
function block(stop, axisDeg, [along0, along1], [right0, right1], heightM, more = {}) {
  const corner = (along, right) => ahead(stop, axisDeg, along, right).map(rounded);
  const footprint = [corner(along0, right0), corner(along1, right0), corner(along1, right1), corner(along0, right1)];
  return { footprint, heightM, ...more };
}

/** Houses of one height in a row along the street, no two of one width; their backs end where they like. */
function row(stop, axisDeg, [from, to], [face, back], widthsM, heightM) {
  const houses = [];
  for (let along = from, k = 0; along < to - 1e-9; k++) {
    const widthM = widthsM[k % widthsM.length];
    const end = to - along - widthM < 4 ? to : along + widthM;
    const depthM = (back - face) * (1 - 0.12 * ((k * 5) % 4 === 0) - 0.08 * ((k * 7) % 3 === 0));
    const right = Math.abs(face) < Math.abs(back) ? [face, face + depthM] : [back - depthM, back];
    houses.push(block(stop, axisDeg, [along, end], right, heightM));
    along = end;
  }
  return houses;
}

const OF_TOWN = [8, 10.5, 7, 9, 11.5, 6.5, 9.5];

const { tollard, quenmill, tannery, vessen, orrel, causey, weir, arcade } = STOPS;
export const HEROES = [
  // Tram square: the sign hangs on the depot, south of the stop.
  block(tollard, 70, [-14, 26], [12, 26], 9, { name: 'Tollard Depot' }),
  ...row(tollard, 70, [-30, 40], [-15, -26], OF_TOWN, 10),
  // The mill stands upstream, to the right of the look.
  block(quenmill, 35, [14, 34], [7, 19], 11, { name: 'Quenmill' }),
  block(quenmill, 35, [-24, -10], [5, 14], 7),
  // Tannery Front: its face 13 m ahead of the camera (bearing 305), a row 9 m high 30 m from that face.
  block(tannery, 305, [13, 27], [-22, 22], 14, { name: 'Tannery' }),
  ...row(tannery, 35, [-40, 40], [17, 27], OF_TOWN, 9),
  // Hall Street, 10 m wide: the hall 3 m to the right of the camera, houses 7 m to its left, the clock house across.
  block(vessen, 80, [-40, 60], [3, 27], 14, { name: 'Vessen Hall' }),
  ...row(vessen, 80, [-50, 60], [-7, -17], OF_TOWN, 12),
  block(vessen, 80, [-62, -55], [-17, 27], 14, { name: 'Clock House' }),
  // Orrel Steps, a lane 6 m wide: an arch 2.6 m wide and 6 m high, 1.5 m thick, closes it 1.5 m behind the camera.
  ...row(orrel, 48, [-3, 25], [3, 12], [9, 10, 9], 14),
  ...row(orrel, 48, [-3, 25], [-3, -12], [10, 9, 9], 14),
  block(orrel, 48, [-3, -1.5], [1.3, 3], 14),
  block(orrel, 48, [-3, -1.5], [-3, -1.3], 14),
  block(orrel, 48, [-3, -1.5], [-1.3, 1.3], 14, { baseM: 6, name: 'Orrel Arch' }),
  block(orrel, 48, [16, 25], [-3, 3], 14),
  // Causey Lane, 7 m wide, houses of 11 m on both sides, open to the west beyond.
  ...row(causey, 252, [-40, 90], [3.5, 13], OF_TOWN, 11),
  ...row(causey, 252, [-40, 90], [-3.5, -13], [9, 7.5, 11, 8, 6.5, 10], 11),
  // Weir Rail: open to the river, a row of 10 m houses 20 m behind the camera.
  ...row(weir, 340, [-50, 50], [20, 30], OF_TOWN, 10),
  // Long Arcade: houses over a passage 8 m wide and 4.5 m high, shops on both sides.
  ...row(arcade, 80, [-30, 40], [-4, 4], [17.5], 11).map((house) => ({ ...house, baseM: 4.5, name: 'Long Arcade' })),
  ...row(arcade, 80, [-30, 40], [4, 14], OF_TOWN, 11),
  ...row(arcade, 80, [-30, 40], [-4, -14], OF_TOWN, 11),
];

/**
 * What stands farther off must not come into the sun of a stop that waits for it: within these bearings it may be as high as
 * so many metres and a slope to the stop.
 */
export const SIGHTS = [
  { stop: causey, fromDeg: 236, toDeg: 270, slope: 0.12, reachM: 500 },
  { stop: orrel, fromDeg: 183, toDeg: 270, slope: 0.17, reachM: 160 },
  { stop: tannery, fromDeg: 90, toDeg: 225, slope: 0.2, reachM: 120 },
  { stop: weir, fromDeg: 60, toDeg: 130, slope: 0.3, reachM: 90 },
];
