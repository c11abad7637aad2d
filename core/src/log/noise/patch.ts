import { medianOf } from '../middle.js';
import type { Luma } from '../softness/luma.js';
import { linearOfCode } from '../../metering/index.js';

/** What the middle of an even, mid-grey picture says of its noise. */
export interface PatchReading {
  /** Mean, as a share of the brightest. */
  readonly level: number;
  /** Mean over standard deviation of what is left once its shading is taken away. */
  readonly signalToNoise: number;
  /** How far its blocks differ beyond what their noise makes of them, as a share of the mean. */
  readonly unevenness: number;
}

/** Blocks so large, pixels: within one, shading is a plane. */
const BLOCK_PX = 16;
const FEWEST_BLOCKS = 16;
/** A plane takes three of a block's degrees of freedom. */
const PLANE = 3;

/** Linear light by codes of 255, whole ones looked up: a step between two is as good as straight. */
const LINEAR = Float64Array.from({ length: 257 }, (_, code) => linearOfCode(Math.min(255, code)));
function linear(code: number): number {
  const at = Math.min(255, Math.max(0, code));
  const whole = Math.floor(at);
  const [from, to] = [LINEAR[whole] as number, LINEAR[whole + 1] as number];
  return from + (at - whole) * (to - from);
}

/** Mean of a block, and the variance about the plane nearest to it. */
function blockAt({ width, values }: Luma, left: number, top: number): { readonly mean: number; readonly variance: number } {
  const middle = (BLOCK_PX - 1) / 2;
  let [sum, bySum, downSum, squares] = [0, 0, 0, 0];
  for (let row = 0; row < BLOCK_PX; row++) {
    for (let column = 0; column < BLOCK_PX; column++) {
      const value = linear(values[(top + row) * width + left + column] as number);
      sum += value;
      bySum += value * (column - middle);
      downSum += value * (row - middle);
      squares += value * value;
    }
  }
  const count = BLOCK_PX * BLOCK_PX;
  // Of places 0 to n − 1 the squares about their middle sum to n(n² − 1)/12, for each of the n lines across.
  const spread = (BLOCK_PX * BLOCK_PX * (BLOCK_PX * BLOCK_PX - 1)) / 12;
  const left2 = squares - (sum * sum) / count - (bySum * bySum + downSum * downSum) / spread;
  return { mean: sum / count, variance: Math.max(0, left2) / (count - PLANE) };
}

/**
 * Noise of an even patch in linear light (sRGB): the middle, over blocks of 16 by 16 pixels, of the variance about each one's plane.
 * Null for one that is too small. Source: docs/log.md#noise-test.
 */
export function readPatch(luma: Luma): PatchReading | null {
  const [across, down] = [Math.floor(luma.width / BLOCK_PX), Math.floor(luma.height / BLOCK_PX)];
  if (across * down < FEWEST_BLOCKS) return null;
  const blocks = Array.from({ length: across * down }, (_, k) =>
    blockAt(luma, BLOCK_PX * (k % across), BLOCK_PX * Math.floor(k / across)),
  );
  const level = blocks.reduce((sum, { mean }) => sum + mean, 0) / blocks.length;
  const variance = medianOf(blocks.map((block) => block.variance));
  const ofMeans = blocks.reduce((sum, { mean }) => sum + (mean - level) ** 2, 0) / blocks.length;
  const beyond = Math.sqrt(Math.max(0, ofMeans - variance / (BLOCK_PX * BLOCK_PX)));
  return {
    level,
    signalToNoise: variance === 0 ? Infinity : level / Math.sqrt(variance),
    unevenness: level === 0 ? Infinity : beyond / level,
  };
}

/** Why a patch says nothing of noise. */
export type PatchProblem = 'tooSmall' | 'tooDark' | 'tooBright' | 'uneven';

/** Mid-grey is 0.18; a stop and a half either way still says what a picture shows (s). */
const LEVELS = { low: 0.06, high: 0.55 };
/** A wall in the shade falls off less than this from its middle (s). */
const MOST_UNEVEN = 0.12;

/** Whether it can be told by; what is wrong with it otherwise. */
export function problemOfPatch(patch: PatchReading | null): PatchProblem | null {
  if (patch === null) return 'tooSmall';
  if (patch.level < LEVELS.low) return 'tooDark';
  if (patch.level > LEVELS.high) return 'tooBright';
  return patch.unevenness > MOST_UNEVEN ? 'uneven' : null;
}
