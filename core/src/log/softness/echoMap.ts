import type { PictureSpot } from '../frames/frame.js';
import { type EchoBlur, echoBlur, echoesOf, togetherOf } from './echoes.js';
import type { Luma } from './luma.js';
import type { PictureNoise } from './pictureNoise.js';
import type { Grid } from './windows.js';

/** What echoes say of a picture: all of it together, and about places over it. */
export interface EchoMap extends Grid {
  /** Null where nothing in it has enough contrast. */
  readonly whole: EchoBlur | null;
  /** Row by row, each part with those round it. */
  readonly about: readonly (EchoBlur | null)[];
}

/** Parts with more gradient than this, codes² a pixel², count fully; weaker ones by their share. */
const FULL_ENERGY = 20;
/** Somebody is taller than wide: how much the parts above, beside and at the corners count. */
const ABOVE = 0.6;
const BESIDE = 0.3;

/** Null for a picture that is smaller than a part. Source: docs/log.md#echoes. */
export function echoMapOf(luma: Luma, noise: PictureNoise): EchoMap | null {
  const found = echoesOf(luma, noise);
  if (found === null) return null;
  const { grid, parts } = found;
  const weighted = (share: (column: number, row: number) => number): EchoBlur | null => {
    const all = parts.flatMap((echoes, k) => {
      const weight = share(k % grid.across, Math.floor(k / grid.across));
      return echoes === null || weight === 0 ? [] : [{ echoes, weight: weight * Math.min(1, echoes.energy / FULL_ENERGY) }];
    });
    const together = togetherOf(all);
    return together === null ? null : echoBlur(together);
  };
  const near = (off: number, share: number): number => (off === 0 ? 1 : Math.abs(off) === 1 ? share : 0);
  return {
    ...grid,
    whole: weighted(() => 1),
    about: parts.map((_, k) =>
      weighted((column, row) => near(column - (k % grid.across), BESIDE) * near(row - Math.floor(k / grid.across), ABOVE)),
    ),
  };
}

/** About the place nearest to a spot. */
export function echoNear({ across, down, about }: EchoMap, { x, y }: PictureSpot): EchoBlur | null {
  const place = (share: number, count: number): number => Math.round(Math.min(1, Math.max(0, share)) * (count - 1));
  return about[place(y, down) * across + place(x, across)] ?? null;
}
