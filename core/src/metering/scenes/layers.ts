import type { Fill, Glow, Light } from '../map/scene.js';
import type { Shape, Spot } from '../map/shapes.js';

/** Short ways to write a scene down. Places in heights of the frame, which is 1.5 wide. */

export const EVERYTHING: Shape = { kind: 'everything' };

export function box(x: number, y: number, width: number, height: number): Extract<Shape, { kind: 'box' }> {
  return { kind: 'box', x, y, width, height };
}

export function polygon(...points: readonly (readonly [x: number, y: number])[]): Shape {
  return { kind: 'polygon', points: points.map(([x, y]) => ({ x, y })) };
}

export function ellipse(x: number, y: number, radiusX: number, radiusY: number): Shape {
  return { kind: 'ellipse', x, y, radiusX, radiusY };
}

type More<T> = Omit<Partial<T>, 'kind'>;

export function surface(label: string, shape: Shape, ev: Fill['ev'], more: More<Fill> = {}): Fill {
  return { kind: 'fill', label, shape, ev, ...more };
}

export function light(shape: Shape, stops: number, penumbra: number, more: More<Light> = {}): Light {
  return { kind: 'light', shape, stops, penumbra, ...more };
}

export function glow(at: Spot, ev: number, radius: number, more: More<Glow> = {}): Glow {
  return { kind: 'glow', at, ev, radius, ...more };
}

/** A lamp: where, how bright its bulb reads, and how large it is. */
export type Lamp = readonly [at: Spot, ev: number, radius: number];

/** Lamps: their bulbs, then the light scattered round them, all of it together. */
export function lamps(label: string, ...all: readonly Lamp[]): readonly (Fill | Glow)[] {
  return [
    ...all.map(([{ x, y }, ev, radius]) => surface(label, ellipse(x, y, radius, radius), ev, { isLamp: true })),
    ...all.map(([at, ev, radius]) => glow(at, ev - 8.5, 2.2 * radius)),
  ];
}

/** A gradient from the top of the frame, or of a part of it, to its bottom. */
export function downwards(topEv: number, bottomEv: number, top = 0, bottom = 1): Fill['ev'] {
  return { from: { x: 0, y: top, ev: topEv }, to: { x: 0, y: bottom, ev: bottomEv } };
}
