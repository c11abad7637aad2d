import { blurReader } from './blur/blurReader.js';
import type { FullSize } from './fullSize.js';
import { cropped, halved, type Luma } from './luma.js';
import { noiseOfPicture, noiseOfTile, type PictureNoise } from './blur/pictureNoise.js';
import type { Blur } from './blur/spread.js';
import { type Tones, tonesOf } from './tones.js';
import { type TraceMap, traceMapOf } from './blur/traceMap.js';
import { discOf, type WindowGrid, squareOf } from './windows.js';

/** Tiles along the longer and the shorter side of a picture. */
export const TILES_LONG = 24;
export const TILES_SHORT = 16;
/** A tile is read with those beside it: alone it has too few edges. */
const WINDOW_TILES = 2;
/** Cells along a side of a tile, by which edges are gathered. */
const TILE_CELLS = 4;
/** Somebody is read about places so many cells apart, in a disc that widens until something can be read there, cells. */
const PLACE_CELLS = 2;
const RADII_CELLS = [3.2, 4.8, 6.4] as const;
/** About a place it is not the sharpest edges that tell: behind somebody who is soft, the sharp ground begins. */
const ABOUT_QUANTILE = 0.45;

/** What was measured in a picture. */
export interface SoftnessReading extends Tones {
  /** Of the whole picture, pixels. */
  readonly width: number;
  readonly height: number;
  readonly across: number;
  readonly down: number;
  /** By tile, row by row, read with those to its right and below it; null where they have too little to read. */
  readonly tiles: readonly (Blur | null)[];
  /** About the middles of the quarters of tiles, row by row (`placeGrid`): somebody is as the widest of the four round them. */
  readonly about: readonly (Blur | null)[];
  /** Standard deviation of a pixel's noise, codes of 255; and the same at the size that pictures are looked at. */
  readonly noise: number;
  readonly noiseSeen: number;
  /** Where it was read, by blocks of two by two tiles, row by row. Absent where nothing was even enough, and in readings kept before. */
  readonly noiseBlock?: number;
  /** What is left of it at half the size: half of what is noise, more of what is fine detail. Absent in readings kept before. */
  readonly noiseLeft?: number;
  /** Of how far red lies over green, at half the size: things change their colour seldom, noise does everywhere. */
  readonly colourNoise?: number;
  /** Null for a picture too small for them; absent in readings kept before. */
  readonly traces?: TraceMap | null;
  /** Widths read at full size; absent where the picture was looked through at its full size as a whole. */
  readonly full?: FullSize;
}

/** Pictures are looked at with about so many pixels. */
const SEEN_PIXELS = 2e6;

/** Tiles of a picture of these sides. */
export function tileGrid(width: number, height: number): WindowGrid {
  return width >= height ? { across: TILES_LONG, down: TILES_SHORT } : { across: TILES_SHORT, down: TILES_LONG };
}

/** Places that somebody is read about, along the sides of a picture. */
export function placeGrid({ across, down }: WindowGrid): WindowGrid {
  const perTile = TILE_CELLS / PLACE_CELLS;
  return { across: perTile * across, down: perTile * down };
}

function readWindows(luma: Luma, noise: PictureNoise, tiles: WindowGrid): Pick<SoftnessReading, 'tiles' | 'about'> {
  const cells = { across: TILE_CELLS * tiles.across, down: TILE_CELLS * tiles.down };
  const places = placeGrid(tiles);
  const read = blurReader(luma, noise, cells);
  const blurAbout = (column: number, row: number): Blur | null => {
    for (const radius of RADII_CELLS) {
      const blur = read(discOf(cells, PLACE_CELLS * (column + 0.5), PLACE_CELLS * (row + 0.5), radius), ABOUT_QUANTILE);
      if (blur !== null) return blur;
    }
    return null;
  };
  const mapOf = <T>({ across, down }: WindowGrid, at: (column: number, row: number) => T): readonly T[] =>
    Array.from({ length: across * down }, (_, k) => at(k % across, Math.floor(k / across)));
  return {
    tiles: mapOf(tiles, (column, row) => read(squareOf(cells, TILE_CELLS * column, TILE_CELLS * row, TILE_CELLS * WINDOW_TILES))),
    about: mapOf(places, blurAbout),
  };
}

/** The noise of a picture, by blocks of four tiles. */
function noiseIn(luma: Luma, { across, down }: WindowGrid): PictureNoise {
  const [wide, tall] = [(2 * luma.width) / across, (2 * luma.height) / down];
  const blocks = Array.from({ length: (across * down) / 4 }, (_, k) => {
    const [column, row] = [k % (across / 2), Math.floor(k / (across / 2))];
    return cropped(luma, column * wide, row * tall, wide, tall);
  });
  return noiseOfPicture(blocks.map(noiseOfTile));
}

function colourNoiseIn({ width, height, redOverGreen }: Luma, grid: WindowGrid): Pick<SoftnessReading, 'colourNoise'> {
  if (redOverGreen === undefined) return {};
  return { colourNoise: noiseIn(halved({ width, height, values: redOverGreen }), grid).overall };
}

/** A reading of a picture. Source: docs/log.md#blur. */
export function readSoftness(luma: Luma): SoftnessReading {
  const { width, height } = luma;
  const grid = tileGrid(width, height);
  const noise = noiseIn(luma, grid);
  const seen = Math.min(1, Math.sqrt(SEEN_PIXELS / (width * height)));
  return {
    width,
    height,
    ...grid,
    ...readWindows(luma, noise, grid),
    noise: noise.overall,
    noiseSeen: noise.overall * seen,
    ...(noise.toldBy === null ? {} : { noiseBlock: noise.toldBy }),
    noiseLeft: noise.overall === 0 ? 1 : noiseIn(halved(luma), grid).overall / noise.overall,
    ...colourNoiseIn(luma, grid),
    traces: traceMapOf(luma, noise.overall),
    ...tonesOf(luma),
  };
}
