import type { SceneDescription } from '../map/scene.js';
import { person } from '../map/shapes.js';
import { box, downwards, ellipse, EVERYTHING, glow, lamps, light, polygon, surface } from './layers.js';

const LAMP_K = 2900;
const SCREEN_K = 6500;
const DUSK_K = 11000;
const STAGE_K = 3200;

/** People before a large screen on a square; a vendor beside it by a lamp of their own. */
function silhouetteScreen(): SceneDescription {
  const people = [person({ x: 0.5, y: 0.98 }, 0.62), person({ x: 0.84, y: 1.02 }, 0.7)];
  const vendor = person({ x: 1.34, y: 0.96 }, 0.5);
  const near = ellipse(0.13, 0.62, 0.06, 0.085);
  return {
    id: 'silhouetteScreen',
    seed: 14,
    layers: [
      surface('square', EVERYTHING, downwards(3.6, 4.2), { textureEv: 0.8 }),
      surface('sky', box(-0.1, -0.1, 1.8, 0.22), 0.2, { soft: 0.02 }),
      surface('frame', box(0.23, 0.06, 0.98, 0.64), 3),
      surface('screen', box(0.25, 0.08, 0.94, 0.6), downwards(9, 9.4, 0.08, 0.68), { textureEv: 0.6, isChanging: true }),
      light(polygon([0.24, 0.7], [1.2, 0.7], [1.4, 1], [0.1, 1]), 2.2, 0.1, { isChanging: true, on: ['square'] }),
      surface('people', { kind: 'any', of: people.map(({ whole }) => whole) }, 1.6, { textureEv: 0.6 }),
      surface('face', near, 3.4, { textureEv: 0.4, soft: 0.006 }),
      surface('hood', ellipse(0.11, 0.92, 0.12, 0.22), 2.4, { textureEv: 0.5 }),
      light(box(0.13, 0.5, 0.2, 0.3), 3.4, 0.03, { isChanging: true, on: ['face', 'hood'] }),
      surface('vendor', vendor.whole, 5.2, { textureEv: 0.5 }),
      ...lamps('lamp', [{ x: 1.43, y: 0.4 }, 12.5, 0.012]),
    ],
    keys: [
      { label: 'screen', part: 'all', tone: 1 },
      { label: 'vendor', part: 'all', tone: 0 },
      { label: 'face', part: 'litHalf', tone: 0 },
    ],
    focus: { x: 0.72, y: 0.36 },
    changes: 'screen',
    kelvin: { screen: SCREEN_K, face: SCREEN_K, square: LAMP_K, vendor: LAMP_K, lamp: LAMP_K },
  };
}

/** A square at night: lamps, lit windows, people on the ground by a lamp. */
function nightSquare(): SceneDescription {
  const people = [person({ x: 0.66, y: 0.86 }, 0.3), person({ x: 1.06, y: 0.92 }, 0.36)];
  return {
    id: 'nightSquare',
    seed: 16,
    layers: [
      surface('houses', EVERYTHING, downwards(0.8, 2.4), { textureEv: 0.8 }),
      surface('sky', polygon([0, 0], [1.5, 0], [1.5, 0.18], [0.9, 0.28], [0, 0.12]), -1.8),
      surface('ground', polygon([0, 0.66], [1.5, 0.62], [1.5, 1], [0, 1]), 3.4, { textureEv: 0.6 }),
      light(ellipse(0.82, 0.86, 0.6, 0.2), 2.2, 0.14, { on: ['ground'] }),
      surface('windows', box(0.22, 0.32, 0.07, 0.1), 7.4, { textureEv: 0.4, isLamp: true }),
      surface('windows', box(1.2, 0.36, 0.08, 0.1), 7.2, { textureEv: 0.4, isLamp: true }),
      surface('doorway', box(0.48, 0.44, 0.09, 0.22), -1.6, { textureEv: 0.5 }),
      surface('people', { kind: 'any', of: people.map(({ whole }) => whole) }, 2.6, { textureEv: 0.7 }),
      ...lamps('lamps', [{ x: 0.8, y: 0.3 }, 12.6, 0.022], [{ x: 0.34, y: 0.46 }, 12, 0.016], [{ x: 1.36, y: 0.5 }, 11.8, 0.014]),
    ],
    keys: [
      { label: 'ground', part: 'litHalf', tone: 0 },
      { label: 'people', part: 'all', tone: -1 },
    ],
    focus: { x: 0.82, y: 0.87 },
    changes: 'steady',
    kelvin: { houses: LAMP_K, ground: LAMP_K, windows: LAMP_K, lamps: LAMP_K, people: LAMP_K, sky: DUSK_K },
  };
}

/** A player in the spotlight, from the first row or from the back of the hall. */
function stage(id: 'stageNear' | 'stageBack', tall: number, foot: number, seed: number): SceneDescription {
  const player = person({ x: 0.76, y: foot }, tall);
  return {
    id,
    seed,
    layers: [
      surface('hall', EVERYTHING, downwards(1, -2), { textureEv: 0.7 }),
      surface('curtain', box(0.76 - 1.1 * tall, foot - 1.4 * tall, 2.2 * tall, 1.4 * tall), 3.8, { textureEv: 0.7, soft: 0.02 }),
      surface('boards', box(0.76 - 1.1 * tall, foot, 2.2 * tall, 0.12 * tall), 5.6, { textureEv: 0.5 }),
      surface('wing', box(0, 0, 0.24, 1), -3, { textureEv: 0.5 }),
      surface('clothes', player.whole, 4.2, { textureEv: 0.6 }),
      surface('skin', player.face, 8.6, { textureEv: 0.35 }),
      light(ellipse(0.76, foot - 0.5 * tall, 0.2 * tall, 0.55 * tall), 1.2, 0.1 * tall, { on: ['clothes', 'curtain'] }),
      ...lamps(
        'spots',
        [{ x: 0.76 - 0.8 * tall, y: foot - 1.5 * tall }, 13.6, 0.012 * tall],
        [{ x: 0.76 + 0.8 * tall, y: foot - 1.5 * tall }, 13.6, 0.012 * tall],
      ),
    ],
    keys: [{ label: 'skin', part: 'all', tone: 1 }],
    focus: { x: 0.76, y: foot - 0.92 * tall },
    changes: 'steady',
    kelvin: { skin: STAGE_K, clothes: STAGE_K, curtain: STAGE_K, boards: STAGE_K, spots: STAGE_K },
  };
}

/** A wet street at dusk: a pale sky above, its gleam below, shop windows at the sides. */
function wetStreet(): SceneDescription {
  const walker = person({ x: 0.68, y: 0.95 }, 0.6);
  return {
    id: 'wetStreet',
    seed: 21,
    layers: [
      surface('sky', EVERYTHING, downwards(6.4, 7.6, 0, 0.4)),
      surface('houses', polygon([0, 0], [0.58, 0.3], [0.6, 0.58], [0, 0.84]), 4, { textureEv: 0.8 }),
      surface('houses', polygon([1.5, 0], [0.92, 0.28], [0.9, 0.58], [1.5, 0.84]), 4.2, { textureEv: 0.8 }),
      surface('street', polygon([0, 0.82], [0.58, 0.56], [0.92, 0.56], [1.5, 0.82], [1.5, 1], [0, 1]), downwards(6, 4.6, 0.56, 1), {
        textureEv: 0.9,
      }),
      surface('passage', box(0.4, 0.5, 0.05, 0.13), -1.6, { textureEv: 0.5 }),
      surface('shop', polygon([0.04, 0.46], [0.3, 0.48], [0.3, 0.66], [0.04, 0.72]), 7.6, { textureEv: 0.5, isLamp: true }),
      glow({ x: 0.18, y: 0.58 }, 2.6, 0.14),
      surface('legs', walker.whole, 3.4, { textureEv: 0.6 }),
      surface('coat', walker.coat, 4.9, { textureEv: 0.6, soft: 0.004 }),
      surface('face', walker.face, 5.4, { textureEv: 0.3, soft: 0.004 }),
      ...lamps('lamps', [{ x: 1.12, y: 0.34 }, 12.4, 0.008], [{ x: 0.98, y: 0.42 }, 11.6, 0.005]),
    ],
    keys: [
      { label: 'coat', part: 'all', tone: -0.5 },
      { label: 'face', part: 'all', tone: 0 },
    ],
    focus: { x: 0.68, y: 0.6 },
    changes: 'steady',
    kelvin: { sky: DUSK_K, street: 8000, shop: LAMP_K, lamps: LAMP_K },
  };
}

export const SCENES_BY_NIGHT = [
  silhouetteScreen,
  nightSquare,
  () => stage('stageNear', 1.5, 1.8, 18),
  () => stage('stageBack', 0.4, 0.86, 19),
  wetStreet,
] as const;
