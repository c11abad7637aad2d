import fc from 'fast-check';
import { paintScene } from './paintScene.js';
import type { Layer } from './scene.js';
import { person, type Shape, signedDistance } from './shapes.js';
import { BUILT_IN_SCENES } from '../scenes/index.js';

const SMALL = { width: 90, height: 60 } as const;
const EVERYTHING: Shape = { kind: 'everything' };
const BOX: Shape = { kind: 'box', x: 0.4, y: 0.3, width: 0.5, height: 0.4 };
const SHAPES: readonly Shape[] = [
  BOX,
  { kind: 'ellipse', x: 0.7, y: 0.5, radiusX: 0.4, radiusY: 0.1 },
  {
    kind: 'polygon',
    points: [
      { x: 0.1, y: 0.1 },
      { x: 1.2, y: 0.3 },
      { x: 0.5, y: 0.9 },
    ],
  },
  { kind: 'stroke', from: { x: 0.2, y: 0.2 }, to: { x: 1.1, y: 0.8 }, radius: 0.07 },
  person({ x: 0.7, y: 0.9 }, 0.6).whole,
];
const paint = (layers: readonly Layer[], withoutChanging = false) => paintScene({ seed: 5, layers }, { ...SMALL, withoutChanging });
const placeOf = (x: number, y: number): number => Math.floor(y * SMALL.height) * SMALL.width + Math.floor(x * SMALL.height);

describe('shapes', () => {
  it('never change by more than one goes, so that rows can be stepped over', () => {
    const coordinate = fc.double({ min: -0.5, max: 2, noNaN: true });
    fc.assert(
      fc.property(fc.constantFrom(...SHAPES), coordinate, coordinate, coordinate, coordinate, (shape, x, y, u, v) => {
        const distance = signedDistance(shape);
        return Math.abs(distance(x, y) - distance(u, v)) <= Math.hypot(x - u, y - v) + 1e-9;
      }),
      { numRuns: 2000 },
    );
  });
  it('are below 0 inside, and a box measures to its nearest edge or corner', () => {
    const box = signedDistance(BOX);
    expect(box(0.65, 0.5)).toBeCloseTo(-0.2, 12);
    expect(box(0.2, 0.5)).toBeCloseTo(0.2, 12);
    expect(box(0.1, -0.1)).toBeCloseTo(0.5, 12);
  });
});

describe('a painted scene', () => {
  it('is the same whether rows are stepped over or every cell is asked', () => {
    for (const shape of SHAPES) {
      const map = paint([
        { kind: 'fill', label: 'back', shape: EVERYTHING, ev: 4 },
        { kind: 'fill', label: 'front', shape, ev: 9 },
      ]);
      const distance = signedDistance(shape);
      const half = 0.5 / SMALL.height;
      const wrong = Array.from({ length: map.ev.length }, (_, place) => {
        const d = distance(((place % SMALL.width) + 0.5) / SMALL.height, (Math.floor(place / SMALL.width) + 0.5) / SMALL.height);
        const share = Math.min(1, Math.max(0, (half - d) / (2 * half)));
        return Math.abs((map.ev[place] as number) - Math.log2((1 - share) * 16 + share * 512));
      });
      expect(Math.max(...wrong)).toBeLessThan(1e-5);
    }
  });
  it('mixes a soft edge in luminance: halfway between EV 4 and EV 10 is log2 520', () => {
    const map = paint([
      { kind: 'fill', label: 'back', shape: EVERYTHING, ev: 4 },
      { kind: 'fill', label: 'front', shape: { kind: 'box', x: -1, y: -1, width: 1.75, height: 3 }, ev: 10, soft: 0.5 },
    ]);
    // The cell's middle lies half a cell beyond the edge of a half-height-wide ramp.
    const share = 0.5 - 0.5 / SMALL.height / 0.5;
    expect(map.ev[placeOf(0.75, 0.5)]).toBeCloseTo(Math.log2((1 - share) * 16 + share * 1024), 5);
  });
  it('lets light fall by stops, half of it through the middle of a penumbra, on the surfaces named', () => {
    const layers: Layer[] = [
      { kind: 'fill', label: 'ground', shape: EVERYTHING, ev: 5 },
      { kind: 'fill', label: 'coat', shape: { kind: 'box', x: 0, y: 0.5, width: 2, height: 1 }, ev: 3 },
      { kind: 'light', shape: { kind: 'box', x: -1, y: -1, width: 1.75, height: 3 }, stops: 4, penumbra: 0.5, on: ['ground'] },
    ];
    const map = paint(layers);
    const share = 0.5 - 0.5 / SMALL.height / 0.5;
    expect(map.ev[placeOf(0.1, 0.2)]).toBeCloseTo(9, 6);
    expect(map.ev[placeOf(0.75, 0.2)]).toBeCloseTo(5 + Math.log2(1 + 15 * share), 5);
    expect(map.ev[placeOf(0.1, 0.8)]).toBe(3);
  });
  it('adds a glow as luminance: at r₀ it is p over 2^1.5', () => {
    const at = { x: 0.5 / SMALL.height, y: 0.5 / SMALL.height };
    const radius = 30 / SMALL.height;
    const map = paint([
      { kind: 'fill', label: 'sky', shape: EVERYTHING, ev: 2 },
      { kind: 'glow', at, ev: 6, radius },
    ]);
    expect(map.ev[0]).toBeCloseTo(Math.log2(4 + 64), 2);
    expect(map.ev[30]).toBeCloseTo(Math.log2(4 + 64 / 2 ** 1.5), 2);
  });
  it('keeps a surface’s texture when a changing light is left out', () => {
    const layers: Layer[] = [
      { kind: 'fill', label: 'screen', shape: { kind: 'box', x: 0, y: 0, width: 0.5, height: 1 }, ev: 9, isChanging: true },
      { kind: 'fill', label: 'street', shape: { kind: 'box', x: 0.5, y: 0, width: 2, height: 1 }, ev: 4, textureEv: 1 },
    ];
    const [on, off] = [paint(layers), paint(layers, true)];
    const of = (map: typeof on) => Array.from(map.ev).filter((_, place) => place % SMALL.width > 40);
    expect(of(on)).toEqual(of(off));
    expect(off.ev[0]).toBeLessThan(-10);
  });
});

it('there are thirteen scenes, of 8 to 15 stops between their darkest and brightest thousandth, every key in its frame', () => {
  expect(BUILT_IN_SCENES).toHaveLength(13);
  for (const scene of BUILT_IN_SCENES) {
    const { ev, names } = paintScene(scene, { width: 408, height: 272 });
    const sorted = Float32Array.from(ev).sort();
    const range = (sorted[Math.floor(0.999 * ev.length)] as number) - (sorted[Math.floor(0.001 * ev.length)] as number);
    expect([scene.id, range > 7.9 && range < 15.1]).toEqual([scene.id, true]);
    expect([scene.id, scene.keys.every(({ label }) => names.includes(label))]).toEqual([scene.id, true]);
  }
});
