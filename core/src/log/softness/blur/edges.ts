import { type Luma, smoothed } from '../luma.js';
import type { PictureNoise } from './pictureNoise.js';

/** Half a turn in equal sectors: an edge lies in that of the direction across it. */
export const SECTORS = 8;

/** Edge points of a picture at one scale, one after the other. */
export interface Edges {
  readonly count: number;
  /** Pixels of the scale. */
  readonly column: Uint16Array;
  readonly row: Uint16Array;
  readonly sector: Uint8Array;
  /** Codes a pixel, after the finer blur. */
  readonly strength: Float32Array;
  /** The square of the edge's spread, pixels of the scale; `Infinity` where it is too wide to be told. */
  readonly variance: Float32Array;
}

/** The two blurs whose gradients are held against one another, pixels. */
const FINE_PX = 1;
const COARSE_PX = 2;
/** Edges weaker than this many times what noise makes of a gradient, or than this many codes a pixel, tell nothing. */
const OVER_NOISE = 6;
const LEAST_GRADIENT = 1.6;
/** What is left of a code of noise in a gradient after the finer blur: 1/(√(8π)·σ²). */
const NOISE_IN_GRADIENT = 1 / (Math.sqrt(8 * Math.PI) * FINE_PX * FINE_PX);
/** So near to a picture's edge nothing is read: the blurs reach over it. */
const MARGIN_PX = 3;
/** A gradient nearer to level, or to upright, than half of an eighth of a turn points at the neighbour there; others at a corner. */
const HALF_EIGHTH = Math.tan(Math.PI / 8);

const sectorOf = (acrossRad: number): number => (Math.round((acrossRad / Math.PI) * SECTORS) + 2 * SECTORS) % SECTORS;

/** Of an edge whose squared gradients stand so; none is sharper than a step. */
function varianceOf(ratio: number): number {
  if (ratio <= 1) return Infinity;
  return ratio >= (COARSE_PX / FINE_PX) ** 2 ? 0 : (COARSE_PX ** 2 - ratio * FINE_PX ** 2) / (ratio - 1);
}

/**
 * Where a picture changes most along its own gradient, with the spread of each such edge: of a step blurred by σ the gradients
 * after two more blurs, f and c, stand as R² = (σ² + c²)/(σ² + f²), so σ² = (c² − R²f²)/(R² − 1).
 * Source: the gradients of a re-blurred edge, Zhuo and Sim, 2011; docs/log.md#blur.
 */
export function edgesOf(luma: Luma, noise: PictureNoise): Edges {
  const { width, height } = luma;
  const [fine, coarse] = [smoothed(luma, FINE_PX).values, smoothed(luma, COARSE_PX).values];
  const least = Float32Array.from({ length: 256 }, (_, code) =>
    Math.max(LEAST_GRADIENT, OVER_NOISE * noise.atCode(code) * NOISE_IN_GRADIENT),
  );
  const gradient = new Float32Array(width * height);
  for (let row = 1; row < height - 1; row++) {
    for (let place = row * width + 1; place < (row + 1) * width - 1; place++) {
      const dx = ((fine[place + 1] as number) - (fine[place - 1] as number)) / 2;
      const dy = ((fine[place + width] as number) - (fine[place - width] as number)) / 2;
      gradient[place] = Math.sqrt(dx * dx + dy * dy);
    }
  }
  const most = Math.ceil((width * height) / 4);
  const edges = {
    column: new Uint16Array(most),
    row: new Uint16Array(most),
    sector: new Uint8Array(most),
    strength: new Float32Array(most),
    variance: new Float32Array(most),
  };
  let count = 0;
  for (let row = MARGIN_PX; row < height - MARGIN_PX; row++) {
    for (let column = MARGIN_PX; column < width - MARGIN_PX && count < most; column++) {
      const place = row * width + column;
      const strength = gradient[place] as number;
      if (strength < (least[Math.min(255, Math.max(0, Math.round(fine[place] as number)))] as number)) continue;
      const dx = (fine[place + 1] as number) - (fine[place - 1] as number);
      const dy = (fine[place + width] as number) - (fine[place - width] as number);
      const [wide, tall] = [Math.abs(dx), Math.abs(dy)];
      const stepX = wide <= HALF_EIGHTH * tall ? 0 : Math.sign(dx);
      const next = stepX + (tall <= HALF_EIGHTH * wide ? 0 : Math.sign(dy)) * width;
      if (strength < (gradient[place + next] as number) || strength <= (gradient[place - next] as number)) continue;
      const afterX = ((coarse[place + 1] as number) - (coarse[place - 1] as number)) / 2;
      const afterY = ((coarse[place + width] as number) - (coarse[place - width] as number)) / 2;
      const ratio = (strength * strength) / (afterX * afterX + afterY * afterY);
      edges.column[count] = column;
      edges.row[count] = row;
      edges.sector[count] = sectorOf(Math.atan2(dy, dx));
      edges.strength[count] = strength;
      edges.variance[count] = varianceOf(ratio);
      count++;
    }
  }
  return { count, ...edges };
}
