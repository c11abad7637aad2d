// The streets that the town grew along: they follow the slope, which rises from the river in the south-west to the north-east.
import { ahead } from './plane.mjs';
import { STOPS } from './stops.mjs';

const { tollard, quenmill, tannery, vessen, orrel, causey, weir, arcade } = STOPS;

/** Corners that several streets have in common. */
const TRAM_EAST = ahead(tollard, 70, 46, -2);
const TRAM_WEST = ahead(tollard, 70, -34, -2);
const ARCADE_WEST = ahead(arcade, 80, -30);
const ARCADE_EAST = ahead(arcade, 80, 40);
const MARKET_SOUTH_WEST = [40, -8];
const MARKET_SOUTH_EAST = [84, -12];
const MARKET_NORTH_WEST = [40, 42];
const MARKET_NORTH_EAST = [84, 38];
const ARCH = ahead(orrel, 48, -3);
const STEPS_FOOT = [28, 88];
const CLOCK_GAP = ahead(vessen, 80, -52.5, -2);
const CLOCK_NORTH = ahead(vessen, 80, -56, -21);
const HALL_SOUTH_WEST = ahead(vessen, 80, -58, 31);
const EAST_GATE = ahead(vessen, 80, 72, 0);
const CAUSEY_EAST = ahead(causey, 252, -44);
const CAUSEY_WEST = ahead(causey, 252, 92);
const TANNERY_NORTH = ahead(tannery, 35, 46, 2);
const TANNERY_SOUTH = ahead(tannery, 35, -46, 2);
const SLUICE = ahead(quenmill, 35, 0, -2);
const MILL_BRIDGE = ahead(quenmill, 35, -30, -2);
const WEIR_SOUTH = ahead(weir, 340, -62, 2);
const WEIR_NORTH = ahead(weir, 340, 62, 2);
const UNDER_WEST = [-128, 40];
const RIDGE_EAST = [118, 150];

/** Along the middle; `covered` runs under a house. */
export const STREETS = [
  {
    name: 'Tram Street',
    kind: 'street',
    widthM: 9,
    line: [[-262, -124], TRAM_WEST, TRAM_EAST, [-118, -56], [-84, -40], ARCADE_WEST],
  },
  { name: 'Long Arcade', kind: 'street', widthM: 8, covered: true, line: [ARCADE_WEST, ARCADE_EAST] },
  { name: 'Arcade Street', kind: 'street', widthM: 7, line: [ARCADE_EAST, MARKET_SOUTH_WEST] },
  {
    name: 'Vessen Street',
    kind: 'street',
    widthM: 10,
    line: [CLOCK_GAP, ahead(vessen, 80, 60, -2), EAST_GATE, [246, 40], [276, 22]],
  },
  {
    name: 'Clock Passage',
    kind: 'path',
    widthM: 4,
    line: [CLOCK_GAP, ahead(vessen, 80, -52.5, -20), CLOCK_NORTH, MARKET_NORTH_EAST],
  },
  {
    name: 'Hall Back',
    kind: 'street',
    widthM: 6,
    line: [CLOCK_GAP, ahead(vessen, 80, -48, 31), HALL_SOUTH_WEST, MARKET_SOUTH_EAST],
  },
  {
    name: 'Hall Back',
    kind: 'street',
    widthM: 6,
    line: [ahead(vessen, 80, -48, 31), ahead(vessen, 80, 20, 32), ahead(vessen, 80, 66, 26), EAST_GATE],
  },
  { name: 'Tannery Row', kind: 'street', widthM: 12, line: [TANNERY_SOUTH, ahead(tannery, 35, 0, 2), TANNERY_NORTH] },
  { name: 'Tanners’ Way', kind: 'street', widthM: 5, line: [TANNERY_NORTH, [116, -44], [92, -26], MARKET_SOUTH_EAST] },
  { name: 'Tanners’ Way', kind: 'street', widthM: 5, line: [TANNERY_SOUTH, [36, -166], [0, -188], [-44, -206], MILL_BRIDGE] },
  { name: 'Orrel Steps', kind: 'steps', widthM: 6, line: [ahead(orrel, 48, 15), ARCH] },
  { name: 'Orrel Steps', kind: 'steps', widthM: 4.2, line: [ARCH, ahead(orrel, 48, -14), [42, 112], STEPS_FOOT] },
  { name: 'Foot Street', kind: 'street', widthM: 5, line: [STEPS_FOOT, [33, 62], MARKET_NORTH_WEST] },
  {
    name: 'Under Ridge',
    kind: 'street',
    widthM: 5,
    line: [WEIR_SOUTH, [-150, 24], UNDER_WEST, [-96, 62], [-52, 78], [-10, 84], STEPS_FOOT],
  },
  { name: 'Under Ridge', kind: 'street', widthM: 4.5, line: [STEPS_FOOT, [62, 94], [98, 96], [140, 96], [196, 104], [240, 92]] },
  { name: 'Causey Lane', kind: 'street', widthM: 7, line: [CAUSEY_EAST, CAUSEY_WEST] },
  {
    name: 'Ridge Street',
    kind: 'street',
    widthM: 6,
    line: [CAUSEY_EAST, [8, 176], [40, 186], [84, 174], RIDGE_EAST, [150, 136], [196, 104]],
  },
  { name: 'Weir Walk', kind: 'street', widthM: 7, line: [[-142, -34], WEIR_SOUTH, WEIR_NORTH, [-196, 152], CAUSEY_WEST] },
  {
    name: 'Tram Street',
    kind: 'street',
    widthM: 6,
    line: [
      [-118, -56],
      [-142, -34],
    ],
  },
  { name: 'Quenmill Lane', kind: 'street', widthM: 5, line: [TRAM_EAST, [-138, -112], [-122, -142], SLUICE, MILL_BRIDGE] },
  {
    name: 'Dyers’ Lane',
    kind: 'street',
    widthM: 4.5,
    line: [
      [-84, -40],
      [-66, -82],
      [-58, -120],
      [-32, -150],
      [0, -188],
    ],
  },
  { name: 'Barley Lane', kind: 'street', widthM: 4.5, line: [[-66, -82], [-20, -74], [24, -62], [60, -44], MARKET_SOUTH_EAST] },
  { name: 'Salt Lane', kind: 'street', widthM: 4, line: [ARCADE_WEST, [-62, -12], [-52, 30], [-52, 78]] },
  { name: 'Bell Lane', kind: 'street', widthM: 4, line: [ARCADE_EAST, [22, 24], [-10, 84]] },
  {
    name: 'Market Square',
    kind: 'street',
    widthM: 6,
    line: [MARKET_SOUTH_WEST, MARKET_NORTH_WEST, MARKET_NORTH_EAST, MARKET_SOUTH_EAST, MARKET_SOUTH_WEST],
  },
  { name: 'Gate Lane', kind: 'street', widthM: 5, line: [EAST_GATE, [222, 72], [240, 92]] },
  { name: 'South Gate', kind: 'street', widthM: 5, line: [TANNERY_NORTH, [160, -62], [206, -36], [246, 40]] },
];

/** Open ground: the market, the tram's square, the tanners' yard, the river's edge. */
export const SQUARES = [
  [MARKET_SOUTH_WEST, MARKET_SOUTH_EAST, MARKET_NORTH_EAST, MARKET_NORTH_WEST].map(([e, n], k) => [
    e + [-6, 4, 4, -6][k],
    n + [-5, -5, 6, 6][k],
  ]),
  [ahead(tollard, 70, -34, -15), ahead(tollard, 70, 42, -15), ahead(tollard, 70, 42, 12), ahead(tollard, 70, -34, 12)],
  [ahead(tannery, 305, 13, -30), ahead(tannery, 305, 13, 30), ahead(tannery, 305, -17, 40), ahead(tannery, 305, -17, -40)],
  [ahead(weir, 340, -56, 20), ahead(weir, 340, 56, 20), ahead(weir, 340, 60, -8), ahead(weir, 340, -60, -8)],
  [ahead(quenmill, 35, -14, -4), ahead(quenmill, 35, 40, -4), ahead(quenmill, 35, 40, 7), ahead(quenmill, 35, -14, 5)],
];

/** Where the town ends: its old wall, and the gardens beyond. */
export const TOWN = [
  [-262, -150], [-214, -166], [-168, -160], [-146, -196], [-104, -226], [-40, -232], [14, -214], [60, -192], [100, -166],
  [146, -118], [196, -66], [238, -30], [266, 14], [262, 62], [244, 108], [206, 134], [156, 162], [112, 190], [56, 206],
  [0, 196], [-60, 186], [-120, 168], [-176, 170], [-226, 158], [-240, 130], [-190, -10], [-200, -52], [-262, -78],
]; // prettier-ignore

/** The river comes down past the mill, along the tram's bank, and over the weir; the mill race leaves it above the sluice. */
export const RIVER = [
  [
    [-700, 420], [-262, 300], [-247, 190], ahead(weir, 340, 64, -6.5), ahead(weir, 340, 30, -6), ahead(weir, 340, -30, -6),
    ahead(weir, 340, -66, -7), [-196, -8], [-216, -50], [-280, -72], [-282, -150], [-222, -186], [-176, -182], [-154, -214],
    [-108, -246], [-30, -252], [40, -300], [40, -420], [-700, -420],
  ],
  [ahead(quenmill, 35, -76, -6), ahead(quenmill, 35, 12, -5), ahead(quenmill, 35, 58, -7), ahead(quenmill, 35, 60, -13), ahead(quenmill, 35, 10, -11), ahead(quenmill, 35, -76, -13)],
]; // prettier-ignore
