import { luminances } from './luminance.js';
import { FULL_MAP, type LuminanceMap } from './luminanceMap.js';
import { type Texture, textures } from './noise.js';
import type { Fill, Glow, Gradient, Layer, Light, Rim, SceneDescription } from './scene.js';
import { type SignedDistance, signedDistance } from './shapes.js';

export interface PaintOptions {
  readonly width?: number;
  readonly height?: number;
  /** Leave out what is there only while the changing light is at its full. */
  readonly withoutChanging?: boolean;
}

/** A map while it is painted; `cell` is a cell's side in heights of the frame, `full` what it is of the full map's. */
interface Canvas extends LuminanceMap {
  readonly cell: number;
  readonly perFull: number;
}

interface Covered {
  /** Cells from one to another (not included) of a row lie wholly inside. */
  readonly inside: (from: number, to: number, row: number) => void;
  /** A cell lies on the edge: so much of it, 0 to 1, is the shape's; `distance` as of `signedDistance`. */
  readonly edge: (place: number, share: number, row: number, column: number) => void;
}

/** Goes through the cells that a shape covers, stepping over the rest by its distance. `soft` is the width of its edge. */
function cover({ width, height, cell }: Canvas, distance: SignedDistance, soft: number, { inside, edge }: Covered): void {
  const half = Math.max(soft, cell) / 2;
  for (let row = 0; row < height; row++) {
    const y = (row + 0.5) * cell;
    let column = 0;
    while (column < width) {
      const d = distance((column + 0.5) * cell, y);
      if (d >= half) {
        column += Math.max(1, Math.floor((d - half) / cell));
      } else if (d <= -half) {
        const to = Math.min(width, column + 1 + Math.floor((-d - half) / cell));
        inside(column, to, row);
        column = to;
      } else {
        edge(row * width + column, (half - d) / (2 * half), row, column);
        column++;
      }
    }
  }
}

type EvAt = (column: number, row: number) => number;

/** What a surface reads at a cell, its texture included. */
function evOfFill({ ev, textureEv = 0 }: Fill, texture: Texture, { cell, perFull }: Canvas): EvAt {
  const rough: EvAt = textureEv === 0 ? () => 0 : (column, row) => textureEv * texture((column * perFull) | 0, (row * perFull) | 0);
  if (typeof ev === 'number') return (column, row) => ev + rough(column, row);
  const along = placeOn(ev);
  return (column, row) => along((column + 0.5) * cell, (row + 0.5) * cell) + rough(column, row);
}

function placeOn({ from, to }: Gradient): (x: number, y: number) => number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const square = dx * dx + dy * dy || 1;
  return (x, y) => {
    const t = ((x - from.x) * dx + (y - from.y) * dy) / square;
    return from.ev + (t < 0 ? 0 : t > 1 ? 1 : t) * (to.ev - from.ev);
  };
}

function fill(canvas: Canvas, layer: Fill, label: number, texture: Texture): void {
  const { ev, width } = canvas;
  const evAt = evOfFill(layer, texture, canvas);
  cover(canvas, signedDistance(layer.shape), layer.soft ?? 0, {
    inside: (from, to, row) => {
      for (let column = from; column < to; column++) ev[row * width + column] = evAt(column, row);
      canvas.label.fill(label, row * width + from, row * width + to);
    },
    edge: (place, share, row, column) => {
      ev[place] = Math.log2((1 - share) * 2 ** (ev[place] as number) + share * 2 ** evAt(column, row));
      if (share >= 0.5) canvas.label[place] = label;
    },
  });
}

/** Stops that a light adds where a share of it arrives. */
const gain = (stops: number, share: number): number => Math.log2(1 + (2 ** stops - 1) * share);

function light(canvas: Canvas, { shape, stops, penumbra, on }: Light): void {
  const { ev, width, names } = canvas;
  const isOn = on === undefined ? null : names.map((name) => on.includes(name));
  const add = (place: number, by: number): void => {
    if (isOn === null || isOn[canvas.label[place] as number] === true) ev[place] = (ev[place] as number) + by;
  };
  cover(canvas, signedDistance(shape), penumbra, {
    inside: (from, to, row) => {
      for (let place = row * width + from; place < row * width + to; place++) add(place, stops);
    },
    edge: (place, share) => add(place, gain(stops, share)),
  });
}

function rim(canvas: Canvas, { shape, stops, width: rimWidth }: Rim): void {
  const { ev, cell, width } = canvas;
  const distance = signedDistance(shape);
  const add = (place: number, row: number, column: number): void => {
    const inward = -distance((column + 0.5) * cell, (row + 0.5) * cell);
    if (inward >= 0 && inward < rimWidth) ev[place] = (ev[place] as number) + gain(stops, 1 - inward / rimWidth);
  };
  cover(canvas, distance, 0, {
    inside: (from, to, row) => {
      for (let column = from; column < to; column++) add(row * width + column, row, column);
    },
    edge: (place, _share, row, column) => add(place, row, column),
  });
}

/** Luminance added is left out below this share of what is there: under a thousandth of a stop. */
const UNSEEN_SHARE = 5e-4;

/** Up to here log2(1 + s) is s·(1 − s/2 + s²/3)/ln 2 within a ten-thousandth of a stop: most of a frame, without a logarithm. */
const SMALL_SHARE = 0.1;

function addedStops(share: number): number {
  return share < SMALL_SHARE ? share * (1 - share / 2 + (share * share) / 3) * Math.LOG2E : Math.log2(1 + share);
}

/** Glows that follow on one another add up before the frame's luminance is brought to them: once for all of them. */
function glow({ ev, width, height, cell }: Canvas, glows: readonly Glow[]): void {
  const luminanceAt = luminances();
  const lamps = glows.map(({ at, ev: peak, radius }) => ({ ...at, peak: 2 ** peak, perSquare: 1 / radius ** 2 }));
  for (let row = 0; row < height; row++) {
    const y = (row + 0.5) * cell;
    for (let column = 0; column < width; column++) {
      const x = (column + 0.5) * cell;
      let added = 0;
      for (const lamp of lamps) {
        const q = 1 + ((x - lamp.x) ** 2 + (y - lamp.y) ** 2) * lamp.perSquare;
        added += lamp.peak / (q * Math.sqrt(q));
      }
      const place = row * width + column;
      const was = ev[place] as number;
      const share = added / luminanceAt(was);
      if (share > UNSEEN_SHARE) ev[place] = was + addedStops(share);
    }
  }
}

/** Layers in order, glows that follow on one another together. */
function grouped(layers: readonly Layer[]): readonly (Exclude<Layer, Glow> | readonly Glow[])[] {
  const groups: (Exclude<Layer, Glow> | Glow[])[] = [];
  for (const layer of layers) {
    const last = groups.at(-1);
    if (layer.kind !== 'glow') groups.push(layer);
    else if (Array.isArray(last)) last.push(layer);
    else groups.push([layer]);
  }
  return groups;
}

function isGlows(group: Layer | readonly Glow[]): group is readonly Glow[] {
  return Array.isArray(group);
}

/** Darker than anything: where nothing has been painted. */
const NOTHING_EV = -12;

/** Paints a scene on a map of its frame. Source: docs/metering.md#scenes. */
export function paintScene({ seed, layers }: Pick<SceneDescription, 'seed' | 'layers'>, options: PaintOptions = {}): LuminanceMap {
  const { width = FULL_MAP.width, height = FULL_MAP.height, withoutChanging = false } = options;
  const painted = layers.filter(({ isChanging }) => !(withoutChanging && isChanging === true));
  const fills = layers.filter((layer): layer is Fill => layer.kind === 'fill');
  const names = [...new Set(fills.map((layer) => layer.label))];
  const isLamp = names.map((name) => fills.some((layer) => layer.label === name && layer.isLamp === true));
  const canvas: Canvas = {
    width,
    height,
    ev: new Float32Array(width * height).fill(NOTHING_EV),
    label: new Uint8Array(width * height),
    names,
    isLamp,
    cell: 1 / height,
    perFull: FULL_MAP.height / height,
  };
  const texture = textures(seed);
  grouped(painted).forEach((group) => {
    if (isGlows(group)) glow(canvas, group);
    // By its place among all layers: a surface keeps its texture when another one is left out.
    else if (group.kind === 'fill') fill(canvas, group, names.indexOf(group.label), texture(layers.indexOf(group)));
    else if (group.kind === 'light') light(canvas, group);
    else rim(canvas, group);
  });
  const { cell: _, perFull: __, ...map } = canvas;
  return map;
}
