import type { PictureSpot } from '../frames/frame.js';
import { blurReader } from './blur/blurReader.js';
import { cropped, type Luma } from './luma.js';
import { noiseOfPicture, noiseOfTile } from './blur/pictureNoise.js';
import type { Blur } from './blur/spread.js';

/** Widths that were read in small parts of a picture at its full size. */
export interface FullSize {
  /** Of the whole picture, pixels. */
  readonly width: number;
  readonly height: number;
  readonly across: number;
  readonly down: number;
  /** Of the middle of each cell, row by row; null where it has too little to read. */
  readonly blurs: readonly (Blur | null)[];
}

/** Odd, so that one lies in the middle, where a subject is looked for first. */
const LONG = 7;
const SHORT = 5;
/** Side of a part, pixels: all of them are as many as the whole picture has at the size of its map. */
export const FULL_PART_PX = 192;
/** A part's noise is told from so many tiles a side. */
const TILES = 4;

export interface FullPart {
  readonly left: number;
  readonly top: number;
}

/** Where parts of a picture of these sides are read at full size: in the middle of each cell of a grid. */
export function fullParts(
  width: number,
  height: number,
): { readonly across: number; readonly down: number; readonly parts: readonly FullPart[] } {
  const [across, down] = width >= height ? [LONG, SHORT] : [SHORT, LONG];
  const parts = Array.from({ length: across * down }, (_, k) => {
    const [column, row] = [k % across, Math.floor(k / across)];
    return {
      left: Math.round(((column + 0.5) / across) * width - FULL_PART_PX / 2),
      top: Math.round(((row + 0.5) / down) * height - FULL_PART_PX / 2),
    };
  });
  return { across, down, parts };
}

/** The blur of a part, pixels of the full size. */
export function partBlur(part: Luma): Blur | null {
  const side = part.width / TILES;
  const tiles = Array.from({ length: TILES * TILES }, (_, k) =>
    noiseOfTile(cropped(part, (k % TILES) * side, Math.floor(k / TILES) * side, side, side)),
  );
  return blurReader(part, noiseOfPicture(tiles), { across: 1, down: 1 })([{ from: 0, to: 1 }]);
}

/** What was read at full size nearest to a spot. */
export function fullSizeAt({ across, down, blurs }: FullSize, { x, y }: PictureSpot): Blur | null {
  const [column, row] = [Math.min(across - 1, Math.floor(x * across)), Math.min(down - 1, Math.floor(y * down))];
  return blurs[row * across + column] ?? null;
}
