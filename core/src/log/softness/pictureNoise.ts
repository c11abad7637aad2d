import type { Luma } from './luma.js';

/** Tiles this dark or bright lose their noise with their tones. */
const DARKEST = 25;
const BRIGHTEST = 215;
/** Of all tiles the quieter tell: in the others it is detail. */
const QUIETER_SHARE = 0.25;
/** 1/(6·0.6745): the mask's gain of noise, and the median's of a normal curve. */
const PER_MEDIAN = 1 / (6 * 0.6745);
/** Every so many pixels is enough of a tile. */
const STRIDE = 2;

/**
 * Standard deviation of a tile's noise, codes: the median of |N∗I| over 6·0.6745, N the difference of two Laplacians, which a
 * plane and most edges do not answer to. Null where the tile is nearly black or white. Source: Immerkær, 1996, with a median.
 */
export function noiseOfTile({ width, height, values }: Luma): number | null {
  let sum = 0;
  for (const value of values) sum += value;
  const mean = sum / values.length;
  if (!(mean >= DARKEST && mean <= BRIGHTEST)) return null;
  const answers: number[] = [];
  for (let row = 1; row < height - 1; row += STRIDE) {
    for (let place = row * width + 1; place < (row + 1) * width - 1; place += STRIDE) {
      const at = (by: number): number => values[place + by] as number;
      const corners = at(-width - 1) + at(-width + 1) + at(width - 1) + at(width + 1);
      const sides = at(-width) + at(-1) + at(1) + at(width);
      answers.push(Math.abs(corners - 2 * sides + 4 * at(0)));
    }
  }
  answers.sort((a, b) => a - b);
  return (answers[answers.length >> 1] ?? 0) * PER_MEDIAN;
}

/** The noise of a picture by that of its tiles, codes; 0 where none of them tells. */
export function noiseOfPicture(tiles: readonly (number | null)[]): number {
  const known = tiles.filter((one): one is number => one !== null).sort((a, b) => a - b);
  return known[Math.floor(known.length * QUIETER_SHARE)] ?? 0;
}
