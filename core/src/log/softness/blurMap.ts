import { type Edges, edgesOf } from './edges.js';
import { halved, type Luma } from './luma.js';
import { halvedNoise, type PictureNoise } from './pictureNoise.js';
import { type Blur, blurOf, type EdgeSample } from './spread.js';

/** Wider than this, in pixels of the scale at hand, the next coarser scale is asked. */
const WIDE_PX = 2.2;
const MOST_HALVINGS = 4;
/** Pictures whose sides are below this are too small to be read. */
const LEAST_SIDE_PX = 24;
/** What the sharpest edge comes to in pixels of its scale, and how much wider than that a coarser reading must be to be believed. */
const FLOOR_PX = 0.65;
const FOOLED_RATIO = 1.5;

/** Edges of a picture at one scale, by the cell of a grid that they lie in. */
interface Scale {
  readonly perPixel: number;
  readonly cells: readonly (readonly EdgeSample[])[];
}

/** A grid over a picture. */
export interface Grid {
  readonly across: number;
  readonly down: number;
}

function byCell(
  { count, column, row, sector, strength, variance }: Edges,
  { width, height }: Luma,
  { across, down }: Grid,
): Scale['cells'] {
  const cells = Array.from({ length: across * down }, (): EdgeSample[] => []);
  for (let k = 0; k < count; k++) {
    const cell = Math.floor(((row[k] as number) * down) / height) * across + Math.floor(((column[k] as number) * across) / width);
    (cells[cell] as EdgeSample[]).push({
      sector: sector[k] as number,
      strength: strength[k] as number,
      variance: variance[k] as number,
    });
  }
  return cells;
}

function scalesOf(luma: Luma, noise: PictureNoise, grid: Grid): readonly Scale[] {
  const scales: Scale[] = [];
  let [scaled, noiseHere] = [luma, noise];
  for (let halvings = 0; halvings <= MOST_HALVINGS && Math.min(scaled.width, scaled.height) >= LEAST_SIDE_PX; halvings++) {
    scales.push({ perPixel: 2 ** halvings, cells: byCell(edgesOf(scaled, noiseHere), scaled, grid) });
    [scaled, noiseHere] = [halved(scaled), halvedNoise(noiseHere)];
  }
  return scales;
}

/** Whether a coarser reading contradicts a finer one: noise has edges of its own, sharp ones, where a picture has none. */
function isFooled(finer: Blur, coarser: Blur, coarserPixel: number): boolean {
  return coarser.majorPx > FOOLED_RATIO * Math.hypot(finer.majorPx, FLOOR_PX * coarserPixel);
}

/** The blur by edges of several scales, from the finest: the coarser ones for what is wide, or hidden by noise. */
function blurOfScales(scales: readonly { readonly perPixel: number; readonly samples: readonly EdgeSample[] }[]): Blur | null {
  let found: Blur | null = null;
  for (const { perPixel, samples } of scales) {
    const here = blurOf(samples, perPixel);
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
    return blurOfScales(
      scales.map((scale) => ({
        perPixel: scale.perPixel,
        samples: window.flatMap((cell) => scale.cells[cell] as readonly EdgeSample[]),
      })),
    );
  };
  const mapOf = (cells: number): readonly (Blur | null)[] =>
    Array.from({ length: across * down }, (_, k) => blurIn(k % across, Math.floor(k / across), cells));
  return windowsCells.map(mapOf) as unknown as { readonly [K in keyof Windows]: readonly (Blur | null)[] };
}
