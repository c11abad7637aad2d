/** Side of a tile, cells; a power of two, so that a tile is repeated by a mask. */
const TILE = 256;
const MASK = TILE - 1;
/** Coarse grain of the first tile and fine of the second, cells between two drawn values. */
const COARSE = 32;
const FINE = 4;
const COARSE_SHARE = 0.6;

/** Numbers from 0 to 1 that follow from a whole number: a 32-bit mixing generator. */
export function seeded(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), state | 1);
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61);
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 2 ** 32;
  };
}

const smooth = (t: number): number => t * t * (3 - 2 * t);

/** Values from −1 to 1 drawn at every `grain` cells and run smoothly between them, round the tile's edges. */
function tileOf(random: () => number, grain: number): Float32Array {
  const drawn = TILE / grain;
  const values = Float32Array.from({ length: drawn * drawn }, () => 2 * random() - 1);
  const at = (row: number, column: number): number => values[(row % drawn) * drawn + (column % drawn)] as number;
  return Float32Array.from({ length: TILE * TILE }, (_, k) => {
    const [v, u] = [Math.floor(k / TILE) / grain, (k % TILE) / grain];
    const [row, column] = [Math.floor(v), Math.floor(u)];
    const [ty, tx] = [smooth(v - row), smooth(u - column)];
    const above = at(row, column) * (1 - tx) + at(row, column + 1) * tx;
    const below = at(row + 1, column) * (1 - tx) + at(row + 1, column + 1) * tx;
    return above * (1 - ty) + below * ty;
  });
}

/** What a surface's texture is at a cell of the full map, −1 to 1. */
export type Texture = (column: number, row: number) => number;

type Tiles = readonly [coarse: Float32Array, fine: Float32Array];

/** Tiles of the seeds that were asked for last: a stop's frame is painted anew with every minute. */
const made = new Map<number, Tiles>();
const MOST_KEPT = 4;

function tilesOf(seed: number): Tiles {
  const known = made.get(seed);
  if (known !== undefined) return known;
  const random = seeded(seed);
  const tiles: Tiles = [tileOf(random, COARSE), tileOf(random, FINE)];
  const [oldest] = made.keys();
  if (made.size >= MOST_KEPT && oldest !== undefined) made.delete(oldest);
  made.set(seed, tiles);
  return tiles;
}

/** Two tiles of a scene's own seed, one coarse and one fine, shifted for each surface. */
export function textures(seed: number): (surface: number) => Texture {
  const [coarse, fine] = tilesOf(seed);
  return (surface) => {
    const shift = (surface * 97) & MASK;
    return (column, row) => {
      const place = (((row + shift) & MASK) << 8) | ((column + 3 * shift) & MASK);
      return COARSE_SHARE * (coarse[place] as number) + (1 - COARSE_SHARE) * (fine[place] as number);
    };
  };
}
