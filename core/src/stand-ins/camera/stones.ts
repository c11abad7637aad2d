import { seeded } from '../../metering/index.js';

/** How far one stone is from the next in tone, stops to either side. */
const TONE_EV = 0.55;
/** How far a stone's middle may stray from its place in the rows, stones. */
const STRAY = 0.38;
const TABLE = 256;

/** Tone of a surface at a place of it, stops, the place in sizes of a stone; so many of them are a pixel wide. */
export type Stones = (across: number, along: number, perPixel: number) => number;

/**
 * Irregular stones of one tone each, whose edges run every way: a scene's own texture has no edges, and what has none is as soft
 * when it is sharp. Each place belongs to the nearest of the strewn middles; an edge is a pixel wide.
 */
export function stonesOfOneSize(seed: number): Stones {
  const random = seeded(seed);
  const offAcross = Float64Array.from({ length: TABLE }, () => 0.5 + STRAY * (2 * random() - 1));
  const offAlong = Float64Array.from({ length: TABLE }, () => 0.5 + STRAY * (2 * random() - 1));
  const tones = Float64Array.from({ length: TABLE }, () => TONE_EV * (2 * random() - 1));
  const order = Uint8Array.from({ length: TABLE }, (_, k) => k);
  for (let k = TABLE - 1; k > 0; k--) {
    const other = Math.floor(random() * (k + 1));
    [order[k], order[other]] = [order[other] as number, order[k] as number];
  }
  return (u, v, perPixel) => {
    const [column, row] = [Math.floor(u), Math.floor(v)];
    let nearest = Infinity;
    let second = Infinity;
    let tone = 0;
    let other = 0;
    for (let i = column - 1; i <= column + 1; i++) {
      const shift = order[i & 255] as number;
      for (let j = row - 1; j <= row + 1; j++) {
        const one = order[(shift + j) & 255] as number;
        const dx = i + (offAcross[one] as number) - u;
        const dy = j + (offAlong[one] as number) - v;
        const away = dx * dx + dy * dy;
        if (away < nearest) {
          second = nearest;
          other = tone;
          nearest = away;
          tone = tones[one] as number;
        } else if (away < second) {
          second = away;
          other = tones[one] as number;
        }
      }
    }
    // Half the difference is the way to the edge between the two.
    const share = Math.min(1, (Math.sqrt(second) - Math.sqrt(nearest)) / 2 / perPixel);
    return tone * (0.5 + share / 2) + other * (0.5 - share / 2);
  };
}

/** Stones are made of smaller ones, and those again: sizes and tones of each, of the largest. */
const SIZES = [1, 0.36, 0.13] as const;
const TONES = [0.8, 0.55, 0.4] as const;
/** What is smaller than so many pixels is one tone. */
const LEAST_PX = 1.5;

/**
 * Stones of three sizes laid over one another: as in real surfaces, the finer the detail the less it differs, and there is some at every
 * size (Field, 1987). What is finer than a picture can show is left out.
 */
export function stones(seed: number): Stones {
  const layers = SIZES.map((size, k) => ({ size, share: TONES[k] as number, toneAt: stonesOfOneSize(seed + 0x9e37 * k) }));
  return (across, along, perPixel) => {
    let tone = 0;
    for (const { size, share, toneAt } of layers) {
      if (size < LEAST_PX * perPixel) break;
      tone += share * toneAt(across / size, along / size, perPixel / size);
    }
    return tone;
  };
}
