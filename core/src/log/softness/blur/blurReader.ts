import { type Edges, edgesOf, SECTORS } from './edges.js';
import { halved, type Luma } from '../luma.js';
import { halvedNoise, type PictureNoise } from './pictureNoise.js';
import { type Blur, blurOf, type SectorEdges, SHARPER_QUANTILE } from './spread.js';
import type { CellRun, WindowGrid } from '../windows.js';

/** Wider than this, in pixels of the scale at hand, the next coarser scale is asked. */
const WIDE_PX = 2.2;
const MOST_HALVINGS = 4;
/** Pictures whose sides are below this are too small to be read. */
const LEAST_SIDE_PX = 24;
/** What the sharpest edge comes to in pixels of its scale, and how much wider than that a coarser reading must be to be believed. */
const FLOOR_PX = 0.65;
const FOOLED_RATIO = 1.5;

/** Edges of a picture at one scale, those of a direction and of a cell of a grid together. */
interface Scale {
  readonly perPixel: number;
  readonly cells: number;
  readonly edges: SectorEdges;
  /** Where those of a sector and a cell begin: sector by sector, in it cell by cell, so that a run of cells lies together. */
  readonly starts: Uint32Array;
}

/** A counting sort by sector and cell. */
function byCell(edges: Edges, { width, height }: Luma, { across, down }: WindowGrid): Omit<Scale, 'perPixel'> {
  const { count, column, row, sector } = edges;
  const cells = across * down;
  const starts = new Uint32Array(cells * SECTORS + 1);
  const keys = new Uint32Array(count);
  for (let k = 0; k < count; k++) {
    const cell = Math.floor(((row[k] as number) * down) / height) * across + Math.floor(((column[k] as number) * across) / width);
    const key = (sector[k] as number) * cells + cell;
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
  return { cells, edges: { strength, variance }, starts };
}

/** Edges of some runs of cells, sector by sector, written into room that is used again. */
function ofRuns({ cells, edges, starts }: Scale, runs: readonly CellRun[], room: SectorEdges): readonly SectorEdges[] {
  let filled = 0;
  return Array.from({ length: SECTORS }, (_, sector) => {
    const from = filled;
    for (const run of runs) {
      const [first, end] = [starts[sector * cells + run.from] as number, starts[sector * cells + run.to] as number];
      for (let k = first; k < end; k++, filled++) {
        room.strength[filled] = edges.strength[k] as number;
        room.variance[filled] = edges.variance[k] as number;
      }
    }
    return { strength: room.strength.subarray(from, filled), variance: room.variance.subarray(from, filled) };
  });
}

function scalesOf(luma: Luma, noise: PictureNoise, grid: WindowGrid): readonly Scale[] {
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

/**
 * The blur of what lies in some runs of cells of a grid over a picture, by a quantile of the widths of each direction; null where
 * there are too few edges, or they run too much alike.
 */
export type BlurReader = (runs: readonly CellRun[], quantile?: number) => Blur | null;

/**
 * Reads the blur by edges of several scales, from the finest: the coarser ones for what is wide, or hidden by noise.
 * Source: docs/log.md#blur.
 */
export function blurReader(luma: Luma, noise: PictureNoise, grid: WindowGrid): BlurReader {
  const scales = scalesOf(luma, noise, grid);
  const most = Math.max(0, ...scales.map(({ edges }) => edges.strength.length));
  const room = { strength: new Float32Array(most), variance: new Float32Array(most) };
  return (runs, quantile = SHARPER_QUANTILE) => {
    let found: Blur | null = null;
    for (const scale of scales) {
      const { perPixel } = scale;
      const here = blurOf(ofRuns(scale, runs, room), perPixel, quantile);
      if (here === null) continue;
      if (found !== null && found.majorPx <= (WIDE_PX * perPixel) / 2 && !isFooled(found, here, perPixel)) break;
      found = here;
    }
    return found;
  };
}
