import type { Luma } from '../luma.js';

/** Tiles this dark or bright lose their noise with their tones. */
const DARKEST = 25;
const BRIGHTEST = 215;
/** Of all tiles the quieter tell: in the others it is detail. */
const QUIETER_SHARE = 0.25;
/** 1/(6·0.6745): the mask's gain of noise, and the median's of a normal curve. */
const PER_MEDIAN = 1 / (6 * 0.6745);
/** Every so many pixels is enough of a tile. */
const STRIDE = 2;
/** Stretches of tones, codes, and tiles that one must have to tell by itself. */
const STRETCH = 32;
const LEAST_IN_STRETCH = 3;

/** What a tile tells of noise. */
export interface TileNoise {
  /** Its mean, codes. */
  readonly mean: number;
  /** Standard deviation of a pixel's noise, codes. */
  readonly noise: number;
}

/**
 * Noise of a tile, codes: the median of |N∗I| over 6·0.6745, N the difference of two Laplacians, which a plane and most edges do
 * not answer to. Null where the tile is nearly black or white. Source: Immerkær, 1996, with a median.
 */
export function noiseOfTile({ width, height, values }: Luma): TileNoise | null {
  let sum = 0;
  for (const value of values) sum += value;
  const mean = sum / values.length;
  if (!(mean >= DARKEST && mean <= BRIGHTEST)) return null;
  const answers = new Float32Array(Math.ceil(height / STRIDE) * Math.ceil(width / STRIDE));
  let count = 0;
  for (let row = 1; row < height - 1; row += STRIDE) {
    const [above, here, below] = [(row - 1) * width, row * width, (row + 1) * width];
    for (let column = 1; column < width - 1; column += STRIDE) {
      const at = (line: number, by: number): number => values[line + column + by] as number;
      const corners = at(above, -1) + at(above, 1) + at(below, -1) + at(below, 1);
      const sides = at(above, 0) + at(here, -1) + at(here, 1) + at(below, 0);
      answers[count++] = Math.abs(corners - 2 * sides + 4 * at(here, 0));
    }
  }
  const sorted = answers.subarray(0, count).sort();
  return { mean, noise: (sorted[count >> 1] ?? 0) * PER_MEDIAN };
}

/** The tile that tells for several: quiet, and not the quietest. */
function quieter<T extends TileNoise>(tiles: readonly T[]): T | null {
  const sorted = [...tiles].sort((a, b) => a.noise - b.noise);
  return sorted[Math.floor(sorted.length * QUIETER_SHARE)] ?? null;
}

/** The noise of a picture, codes: of all its tiles, and by the code around a pixel, for grain is strongest in the middle tones. */
export interface PictureNoise {
  readonly overall: number;
  /** Which of the tiles told it; null where none could. */
  readonly toldBy: number | null;
  readonly atCode: (code: number) => number;
}

/** No noise, for what is known to have none. */
export const NOISELESS: PictureNoise = { overall: 0, toldBy: null, atCode: () => 0 };

/** From the quieter tiles of each stretch of tones; where a stretch has too few, from all. */
export function noiseOfPicture(tiles: readonly (TileNoise | null)[]): PictureNoise {
  const known = tiles.flatMap((one, place) => (one === null ? [] : [{ ...one, place }]));
  const teller = quieter(known);
  const overall = teller?.noise ?? 0;
  const stretches = Array.from({ length: Math.ceil(256 / STRETCH) }, (_, k) => {
    const within = known.filter(({ mean }) => Math.floor(mean / STRETCH) === k);
    return within.length < LEAST_IN_STRETCH ? overall : (quieter(within)?.noise ?? 0);
  });
  return {
    overall,
    toldBy: teller?.place ?? null,
    atCode: (code) => stretches[Math.min(stretches.length - 1, Math.max(0, Math.floor(code / STRETCH)))] as number,
  };
}

/** The same at a scale half as fine: the mean of four pixels has half of their noise. */
export function halvedNoise({ overall, toldBy, atCode }: PictureNoise): PictureNoise {
  return { overall: overall / 2, toldBy, atCode: (code) => atCode(code) / 2 };
}
