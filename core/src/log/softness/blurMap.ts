import { type Edges, edgesOf, SECTORS } from './edges.js';
import { halved, type Luma } from './luma.js';
import { halvedNoise, type PictureNoise } from './pictureNoise.js';
import { type Blur, blurOf, type SectorEdges } from './spread.js';

/** Wider than this, in pixels of the scale at hand, the next coarser scale is asked. */
const WIDE_PX = 2.2;
const MOST_HALVINGS = 4;
/** Pictures whose sides are below this are too small to be read. */
const LEAST_SIDE_PX = 24;
/** What the sharpest edge comes to in pixels of its scale, and how much wider than that a coarser reading must be to be believed. */
const FLOOR_PX = 0.65;
const FOOLED_RATIO = 1.5;

/** Edges of a picture at one scale, those of a cell of a grid and of a direction together. */
interface Scale {
  readonly perPixel: number;
  readonly edges: SectorEdges;
  /** Where those of a cell and a sector begin: cell by cell, in it sector by sector. */
  readonly starts: Uint32Array;
}

/** A grid over a picture. */
export interface Grid {
  readonly across: number;
  readonly down: number;
}

/** A counting sort by cell and sector. */
function byCell(edges: Edges, { width, height }: Luma, { across, down }: Grid): Pick<Scale, 'edges' | 'starts'> {
  const { count, column, row, sector } = edges;
  const starts = new Uint32Array(across * down * SECTORS + 1);
  const keys = new Uint32Array(count);
  for (let k = 0; k < count; k++) {
    const cell = Math.floor(((row[k] as number) * down) / height) * across + Math.floor(((column[k] as number) * across) / width);
    const key = cell * SECTORS + (sector[k] as number);
    keys[k] = key;
    starts[key + 1] = (starts[key + 1] as number) + 1;
  }
  for (let key = 1; key < starts.length; key++) starts[key] = (starts[key] as number) + (starts[key - 1] as number);
  const next = starts.slice();
  const [strength, variance] = [new Float32Array(count), new Float32Array(count)];
  for (let k = 0; k < count; k++) {
    const key = keys[k] as number;
    const at = next[key] as number;
    next[key] = at + 1;
    strength[at] = edges.strength[k] as number;
    variance[at] = edges.variance[k] as number;
  }
  return { edges: { strength, variance }, starts };
}

/** The edges of some cells, sector by sector. */
function ofCells({ edges, starts }: Scale, cells: readonly number[]): readonly SectorEdges[] {
  return Array.from({ length: SECTORS }, (_, sector) => {
    const spans = cells.map((cell) => {
      const key = cell * SECTORS + sector;
      return [starts[key] as number, starts[key + 1] as number] as const;
    });
    const count = spans.reduce((sum, [from, to]) => sum + to - from, 0);
    const [strength, variance] = [new Float32Array(count), new Float32Array(count)];
    let filled = 0;
    for (const [from, to] of spans) {
      strength.set(edges.strength.subarray(from, to), filled);
      variance.set(edges.variance.subarray(from, to), filled);
      filled += to - from;
    }
    return { strength, variance };
  });
}

function scalesOf(luma: Luma, noise: PictureNoise, grid: Grid): readonly Scale[] {
  const scales: Scale[] = [];
  let [scaled, noiseHere] = [luma, noise];
  for (let halvings = 0; halvings <= MOST_HALVINGS && Math.min(scaled.width, scaled.height) >= LEAST_SIDE_PX; halvings++) {
    scales.push({ perPixel: 2 ** halvings, ...byCell(edgesOf(scaled, noiseHere), scaled, grid) });
    [scaled, noiseHere] = [halved(scaled), halvedNoise(noiseHere)];
  }
  return scales;
}

/** Whether a coarser reading contradicts a finer one: noise has edges of its own, sharp ones, where a picture has none. */
function isFooled(finer: Blur, coarser: Blur, coarserPixel: number): boolean {
  return coarser.majorPx > FOOLED_RATIO * Math.hypot(finer.majorPx, FLOOR_PX * coarserPixel);
}

/** The blur by edges of several scales, from the finest: the coarser ones for what is wide, or hidden by noise. */
function blurOfScales(scales: readonly Scale[], cells: readonly number[]): Blur | null {
  let found: Blur | null = null;
  for (const scale of scales) {
    const { perPixel } = scale;
    const here = blurOf(ofCells(scale, cells), perPixel);
    if (here === null) continue;
    if (found !== null && found.majorPx <= (WIDE_PX * perPixel) / 2 && !isFooled(found, here, perPixel)) break;
    found = here;
  }
  return found;
}

/**
 * The blur at every cell of a grid, for each width of the windows that it is read in: a cell and those to its right and below it,
 * so many a side. Null where there are too few edges, or they run too much alike. Source: docs/log.md#blur.
 */
export function blurMaps<Windows extends readonly number[]>(
  luma: Luma,
  noise: PictureNoise,
  grid: Grid,
  windowsCells: Windows,
): { readonly [K in keyof Windows]: readonly (Blur | null)[] } {
  const { across, down } = grid;
  const scales = scalesOf(luma, noise, grid);
  const blurIn = (column: number, row: number, cells: number): Blur | null => {
    const window: number[] = [];
    for (let y = row; y < Math.min(down, row + cells); y++) {
      for (let x = column; x < Math.min(across, column + cells); x++) window.push(y * across + x);
    }
    return blurOfScales(scales, window);
  };
  const mapOf = (cells: number): readonly (Blur | null)[] =>
    Array.from({ length: across * down }, (_, k) => blurIn(k % across, Math.floor(k / across), cells));
  return windowsCells.map(mapOf) as unknown as { readonly [K in keyof Windows]: readonly (Blur | null)[] };
}
