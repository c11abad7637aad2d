import { blurMaps } from './blurMap.js';
import type { FullSize } from './fullSize.js';
import { cropped, type Luma } from './luma.js';
import { noiseOfPicture, noiseOfTile } from './pictureNoise.js';
import type { Blur } from './spread.js';
import { type Tones, tonesOf } from './tones.js';

/** Tiles along the longer and the shorter side of a picture. */
export const TILES_LONG = 24;
export const TILES_SHORT = 16;
/** A tile is read with those beside it: alone it has too few edges. */
const WINDOW_TILES = 2;

/** What was measured in a picture. */
export interface SoftnessReading extends Tones {
  /** Of the whole picture, pixels. */
  readonly width: number;
  readonly height: number;
  readonly across: number;
  readonly down: number;
  /** By tile, row by row, read with those to its right and below it; null where they have too little to read. */
  readonly tiles: readonly (Blur | null)[];
  /** Each tile alone: of few can anything be read, but of a small subject nothing else can. */
  readonly single: readonly (Blur | null)[];
  /** Standard deviation of a pixel's noise, codes of 255; and the same at the size that pictures are looked at. */
  readonly noise: number;
  readonly noiseSeen: number;
  /** Widths read at full size; absent where the picture was looked through at its full size as a whole. */
  readonly full?: FullSize;
}

/** Pictures are looked at with about so many pixels. */
const SEEN_PIXELS = 2e6;

/** Tiles of a picture of these sides. */
export function tileGrid(width: number, height: number): { readonly across: number; readonly down: number } {
  return width >= height ? { across: TILES_LONG, down: TILES_SHORT } : { across: TILES_SHORT, down: TILES_LONG };
}

/** A reading of a picture. Source: docs/log.md#blur. */
export function readSoftness(luma: Luma): SoftnessReading {
  const { width, height } = luma;
  const grid = tileGrid(width, height);
  const { across, down } = grid;
  const parts = Array.from({ length: (across * down) / 4 }, (_, k) => {
    const [column, row] = [2 * (k % (across / 2)), 2 * Math.floor(k / (across / 2))];
    return cropped(luma, (column * width) / across, (row * height) / down, (2 * width) / across, (2 * height) / down);
  });
  const noise = noiseOfPicture(parts.map(noiseOfTile));
  const seen = Math.min(1, Math.sqrt(SEEN_PIXELS / (width * height)));
  const [tiles, single] = blurMaps(luma, noise, grid, [WINDOW_TILES, 1] as const);
  return {
    width,
    height,
    ...grid,
    tiles,
    single,
    noise: noise.overall,
    noiseSeen: noise.overall * seen,
    ...tonesOf(luma),
  };
}
