import type { SceneDescription } from '../map/scene.js';
import { person } from '../map/shapes.js';
import { box, downwards, ellipse, EVERYTHING, glow, lamps, light, polygon, surface } from './layers.js';

const WARM_LAMP_K = 2900;
const SHADE_K = 7500;
const LOW_SUN_K = 4200;

/** Somebody in a dark coat passes a whitewashed wall in the sun; a doorway stands open. */
function whiteWall(): SceneDescription {
  const walker = person({ x: 0.92, y: 0.93 }, 0.62);
  return {
    id: 'whiteWall',
    seed: 11,
    layers: [
      surface('wall', EVERYTHING, downwards(16.35, 16.15), { textureEv: 0.22 }),
      surface('pavement', polygon([0, 0.86], [1.5, 0.84], [1.5, 1], [0, 1]), 14.7, { textureEv: 0.35 }),
      surface('doorway', box(0.18, 0.3, 0.2, 0.57), downwards(8.6, 7.6, 0.3, 0.87), { textureEv: 0.5 }),
      surface('lintel', box(0.15, 0.26, 0.26, 0.04), 14.4, { textureEv: 0.3 }),
      surface('shutters', box(1.2, 0.18, 0.18, 0.28), 13.4, { textureEv: 0.3 }),
      light(polygon([0, 0], [1.5, 0], [1.5, 0.05], [0, 0.1]), -4.2, 0.015),
      light(polygon([0.93, 0.92], [1.3, 0.99], [1.2, 1], [0.86, 0.95]), -3.4, 0.02),
      surface('legs', walker.whole, 11.6, { textureEv: 0.5 }),
      surface('coat', walker.coat, 12.8, { textureEv: 0.5, soft: 0.004 }),
      surface('face', walker.face, 14.6, { textureEv: 0.4, soft: 0.004 }),
    ],
    keys: [
      { label: 'wall', part: 'all', tone: 2 },
      { label: 'coat', part: 'all', tone: -2 },
      { label: 'face', part: 'all', tone: 0 },
    ],
    focus: { x: 0.66, y: 0.4 },
    changes: 'steady',
    kelvin: { doorway: SHADE_K },
  };
}

/** Three people in dark coats before dark stone, and a strip of the sky. */
function darkCoats(): SceneDescription {
  const people = [person({ x: 0.42, y: 1.02 }, 0.9), person({ x: 0.78, y: 1.06 }, 0.98), person({ x: 1.14, y: 1 }, 0.84)];
  return {
    id: 'darkCoats',
    seed: 12,
    layers: [
      surface('stone', EVERYTHING, downwards(8.9, 8.1), { textureEv: 0.7 }),
      surface('sky', polygon([1.36, 0], [1.5, 0], [1.5, 0.12], [1.42, 0.06]), 10.2, { soft: 0.01 }),
      surface('window', box(0.06, 0.1, 0.14, 0.2), downwards(9.9, 8.6, 0.1, 0.3)),
      surface('cellar', box(0.02, 0.72, 0.18, 0.2), 2.2, { textureEv: 0.6 }),
      ...people.flatMap((one) => [
        surface('trousers', one.whole, 5.4, { textureEv: 0.9 }),
        surface('coats', one.coat, 7.4, { textureEv: 0.6, soft: 0.004 }),
        surface('faces', one.face, 9.5, { textureEv: 0.35, soft: 0.004 }),
      ]),
    ],
    keys: [
      { label: 'coats', part: 'all', tone: -2 },
      { label: 'faces', part: 'all', tone: 0 },
    ],
    focus: { x: 0.78, y: 0.55 },
    changes: 'steady',
    kelvin: { stone: SHADE_K, coats: SHADE_K, faces: SHADE_K, sky: 9000 },
  };
}

/** A pool of sun on the shaded floor of a lane, and somebody walking through it. */
function lightPool(): SceneDescription {
  const walker = person({ x: 0.8, y: 0.86 }, 0.62);
  return {
    id: 'lightPool',
    seed: 13,
    layers: [
      surface('walls', EVERYTHING, downwards(9.8, 8.4), { textureEv: 0.8 }),
      surface('lane', polygon([0.55, 0.42], [0.95, 0.42], [1.6, 1], [-0.1, 1]), 8.9, { textureEv: 0.5 }),
      surface('doorway', box(0.1, 0.3, 0.16, 0.48), 4.4, { textureEv: 0.6 }),
      surface('far end', polygon([0.66, 0.14], [0.84, 0.14], [0.86, 0.42], [0.64, 0.42]), 10.4, { textureEv: 0.4 }),
      light(polygon([0.56, 0.68], [1.02, 0.65], [1.1, 0.88], [0.5, 0.91]), 6, 0.03, { isChanging: true }),
      light(polygon([1.1, 0.05], [1.34, 0], [1.38, 0.3], [1.12, 0.3]), 5, 0.03, { isChanging: true, on: ['walls'] }),
      surface('legs', walker.whole, 7.6, { textureEv: 0.6 }),
      surface('coat', walker.coat, 8.3, { textureEv: 0.7, soft: 0.004 }),
      surface('face', walker.face, 9.3, { textureEv: 0.4, soft: 0.004 }),
      surface('legs', walker.whole, 13.4, { textureEv: 0.6, isChanging: true }),
      surface('coat', walker.coat, 14.2, { textureEv: 0.7, soft: 0.004, isChanging: true }),
      surface('face', walker.face, 15.2, { textureEv: 0.4, soft: 0.004, isChanging: true }),
      light(polygon([0.66, 0.2], [0.74, 0.2], [0.74, 0.9], [0.66, 0.9]), -2.2, 0.03, { on: ['coat', 'face'] }),
    ],
    keys: [
      { label: 'coat', part: 'all', tone: 0 },
      { label: 'lane', part: 'litHalf', tone: 2 / 3 },
    ],
    focus: { x: 0.8, y: 0.5 },
    changes: 'clouds',
    kelvin: { walls: SHADE_K, doorway: SHADE_K },
  };
}

/** A low sun at the end of a lane: somebody comes along with their near side in the shade. */
function backLitLane(): SceneDescription {
  const walker = person({ x: 0.62, y: 0.94 }, 0.66);
  return {
    id: 'backLitLane',
    seed: 15,
    layers: [
      surface('sky', EVERYTHING, downwards(14.1, 15.2, 0, 0.5)),
      surface('walls', polygon([0, 0], [0.56, 0.24], [0.6, 0.56], [0, 0.9]), downwards(10.6, 9.4), { textureEv: 0.7 }),
      surface('walls', polygon([1.5, 0], [1, 0.2], [0.96, 0.56], [1.5, 0.9]), downwards(10.6, 9.4), { textureEv: 0.7 }),
      surface('ground', polygon([0, 0.88], [0.58, 0.55], [0.98, 0.55], [1.5, 0.88], [1.5, 1], [0, 1]), 12.4, { textureEv: 0.8 }),
      surface('archway', box(0.1, 0.36, 0.12, 0.34), 5.6, { textureEv: 0.5 }),
      surface('sun', ellipse(0.82, 0.4, 0.016, 0.016), 22, { isLamp: true }),
      glow({ x: 0.82, y: 0.4 }, 16.6, 0.08),
      surface('near side', walker.whole, 8.7, { textureEv: 0.6 }),
      surface('face', walker.face, 9.9, { textureEv: 0.3 }),
      { kind: 'rim', shape: walker.whole, stops: 2, width: 0.005 },
    ],
    keys: [
      { label: 'near side', part: 'all', tone: -2 },
      { label: 'face', part: 'all', tone: 0 },
    ],
    focus: { x: 0.62, y: 0.6 },
    changes: 'steady',
    kelvin: { sky: LOW_SUN_K, ground: LOW_SUN_K, sun: LOW_SUN_K, walls: SHADE_K, 'near side': SHADE_K, face: SHADE_K },
  };
}

/** Snow on a hillside road under a bright sky, a walker and a shed. */
function snow(): SceneDescription {
  const walker = person({ x: 0.98, y: 0.86 }, 0.42);
  return {
    id: 'snow',
    seed: 17,
    layers: [
      surface('sky', EVERYTHING, downwards(14.2, 15.1, 0, 0.4)),
      surface('wood', polygon([0, 0.26], [0.5, 0.2], [0.9, 0.3], [1.5, 0.28], [1.5, 0.4], [0, 0.42]), 11.2, { textureEv: 1 }),
      surface('snow', polygon([0, 0.4], [0.7, 0.36], [1.5, 0.38], [1.5, 1], [0, 1]), downwards(16, 16.25, 0.36, 1), {
        textureEv: 0.3,
      }),
      light(polygon([0, 0.82], [0.5, 0.8], [1.1, 0.95], [1, 1], [0, 1]), -1.3, 0.06, { on: ['snow'] }),
      surface('shed', box(0.22, 0.3, 0.26, 0.2), 12, { textureEv: 0.6 }),
      surface('gap', box(0.31, 0.38, 0.07, 0.12), 7.4, { textureEv: 0.5 }),
      surface('coat', walker.whole, 12, { textureEv: 0.6 }),
      surface('face', walker.face, 14.6, { textureEv: 0.3 }),
    ],
    keys: [
      { label: 'snow', part: 'all', tone: 2 },
      { label: 'face', part: 'all', tone: 0 },
    ],
    focus: { x: 0.6, y: 0.64 },
    changes: 'steady',
    kelvin: { sky: 8000, wood: SHADE_K },
  };
}

/** Somebody beside a window, seen from inside the room. */
function windowInside(): SceneDescription {
  return {
    id: 'windowInside',
    seed: 20,
    layers: [
      surface('room', EVERYTHING, { from: { x: 0.2, y: 0.5, ev: 6.6 }, to: { x: 1.5, y: 0.5, ev: 4.2 } }, { textureEv: 0.6 }),
      surface('street outside', box(0.08, 0.08, 0.4, 0.62), downwards(13.2, 12.2, 0.08, 0.7), { textureEv: 0.7 }),
      surface('roofs', polygon([0.08, 0.4], [0.3, 0.3], [0.48, 0.36], [0.48, 0.7], [0.08, 0.7]), 11.4, { textureEv: 0.7 }),
      surface('bars', box(0.27, 0.06, 0.02, 0.66), 6.2, { soft: 0.004 }),
      surface('bars', box(0.06, 0.38, 0.44, 0.018), 6.2, { soft: 0.004 }),
      surface('sill', box(0.04, 0.7, 0.5, 0.05), 10.6, { textureEv: 0.3 }),
      surface('cupboard', box(1.16, 0.2, 0.34, 0.8), 2.4, { textureEv: 0.6 }),
      surface('jumper', { kind: 'any', of: [ellipse(0.8, 0.95, 0.24, 0.36)] }, 6.8, { textureEv: 0.6 }),
      surface('cheek', ellipse(0.76, 0.46, 0.1, 0.135), 7.1, { textureEv: 0.3, soft: 0.006 }),
      light(box(0.5, 0.3, 0.26, 0.4), 1.6, 0.08, { on: ['cheek', 'jumper'] }),
      surface('hair', ellipse(0.79, 0.36, 0.1, 0.075), 4.4, { textureEv: 0.6, soft: 0.006 }),
    ],
    keys: [{ label: 'cheek', part: 'litHalf', tone: 1 }],
    focus: { x: 0.73, y: 0.46 },
    changes: 'steady',
    kelvin: { room: WARM_LAMP_K, cupboard: WARM_LAMP_K, 'street outside': 6500, roofs: 6500 },
  };
}

/** An even street under cloud: nothing to mend. */
function evenStreet(): SceneDescription {
  const walker = person({ x: 0.72, y: 0.95 }, 0.62);
  return {
    id: 'evenStreet',
    seed: 22,
    layers: [
      surface('sky', EVERYTHING, downwards(14, 13.6, 0, 0.4)),
      surface('houses', polygon([0, -0.2], [0.64, 0.3], [0.66, 0.6], [0, 0.84]), 12.1, { textureEv: 0.8 }),
      surface('houses', polygon([1.5, -0.24], [0.86, 0.28], [0.84, 0.6], [1.5, 0.84]), 12.2, { textureEv: 0.8 }),
      surface('windows', box(0.16, 0.36, 0.07, 0.12), 9.4, { textureEv: 0.5 }),
      surface('windows', box(1.28, 0.34, 0.07, 0.12), 9.4, { textureEv: 0.5 }),
      surface('street', polygon([0, 0.82], [0.6, 0.58], [0.9, 0.58], [1.5, 0.82], [1.5, 1], [0, 1]), 12, { textureEv: 0.5 }),
      surface('cellar', box(0.34, 0.6, 0.07, 0.07), 5.2, { textureEv: 0.4 }),
      surface('legs', walker.whole, 10.2, { textureEv: 0.5 }),
      surface('coat', walker.coat, 12, { textureEv: 0.5, soft: 0.004 }),
      surface('face', walker.face, 12.8, { textureEv: 0.3, soft: 0.004 }),
      light(EVERYTHING, 1.8, 0.001, { isChanging: true }),
    ],
    keys: [
      { label: 'coat', part: 'all', tone: 0 },
      { label: 'face', part: 'all', tone: 1 },
    ],
    focus: { x: 0.72, y: 0.6 },
    changes: 'clouds',
    kelvin: { sky: 6500 },
  };
}

/** A square in the sun, seen through the dark arches of an arcade. */
function arcade(): SceneDescription {
  const arch = (x: number): readonly [number, number][] => [
    [x, 0.92],
    [x, 0.4],
    [x + 0.04, 0.28],
    [x + 0.13, 0.22],
    [x + 0.22, 0.28],
    [x + 0.26, 0.4],
    [x + 0.26, 0.92],
  ];
  return {
    id: 'arcade',
    seed: 23,
    layers: [
      surface('vault', EVERYTHING, downwards(7.2, 8.6), { textureEv: 0.8 }),
      surface('floor', polygon([0, 0.9], [1.5, 0.9], [1.5, 1], [0, 1]), 9.4, { textureEv: 0.5 }),
      surface('square', polygon(...arch(0.14)), downwards(14.1, 14.9, 0.14, 0.92), { textureEv: 0.5 }),
      surface('square', polygon(...arch(0.62)), downwards(14.1, 14.9, 0.14, 0.92), { textureEv: 0.5 }),
      surface('square', polygon(...arch(1.1)), downwards(14.1, 14.9, 0.14, 0.92), { textureEv: 0.5 }),
      surface('corner', polygon([0.46, 0.4], [0.56, 0.4], [0.56, 0.9], [0.46, 0.9]), 5, { textureEv: 0.6 }),
      surface('walker', person({ x: 0.7, y: 0.9 }, 0.4).whole, 11.6, { textureEv: 0.6 }),
      ...lamps('lantern', [{ x: 0.52, y: 0.18 }, 11.4, 0.012]),
    ],
    keys: [{ label: 'square', part: 'all', tone: 1 }],
    focus: { x: 0.79, y: 0.4 },
    changes: 'steady',
    kelvin: { vault: SHADE_K, floor: SHADE_K, lantern: WARM_LAMP_K },
  };
}

export const SCENES_BY_DAY = [whiteWall, darkCoats, lightPool, backLitLane, snow, windowInside, evenStreet, arcade] as const;
