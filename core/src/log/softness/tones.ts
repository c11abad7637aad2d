import { STRAIGHT_HOLDS } from '../../kit/index.js';
import { type Medium, toneOf } from '../../metering/index.js';
import { cropped, type Luma } from './luma.js';

/** What the tones of a picture say of its light. */
export interface Tones {
  /** Luminance under which a thousandth of the picture lies, as a share of its mean. */
  readonly blackShare: number;
  /** The same under which a fiftieth lies, and the middle of all blocks, each by its own darkest. Absent in readings kept before. */
  readonly darkShare?: number;
  readonly blockDarkShare?: number;
  /**
   * The same of the least of each pixel's three colours, by the middle and the darker quarter of smaller blocks: with nothing before
   * the lens some colour is nearly black nearly everywhere. Source: He, Sun and Tang, 2009 (the dark channel).
   */
  readonly hazeShare?: number;
  readonly leastHazeShare?: number;
  /** Stops from mid-grey of its mean luminance: what a meter of the whole frame would read off it. */
  readonly midToneEv: number;
}

/** Files are taken for pictures straight out of a camera: its curve is the medium's of that name. */
const STRAIGHT: Medium = { kind: 'straight', overEv: STRAIGHT_HOLDS.straightOverEv, underEv: STRAIGHT_HOLDS.straightUnderEv };
const DARK_SHARE = 0.001;
const DARKER_SHARE = 0.02;
const BLOCK_DARK_SHARE = 0.02;
const STEP_EV = 1 / 64;

/** Stops from mid-grey by code: the curve read backwards. */
function stopsByCode(): Float64Array {
  const stops = new Float64Array(256);
  let at = -STRAIGHT.underEv;
  for (let code = 0; code < 256; code++) {
    while (at < STRAIGHT.overEv && 255 * toneOf(at, STRAIGHT) < code) at += STEP_EV;
    stops[code] = at;
  }
  return stops;
}

let made: Float64Array | null = null;
const stopsOf = (code: number): number => (made ??= stopsByCode())[code] as number;

/** Of a pixel by its code, whatever made the file: nearly all are written for screens. Source: IEC 61966-2-1. */
const LIGHT_OF_CODE = Float64Array.from({ length: 256 }, (_, code) => {
  const value = code / 255;
  return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
});

type Counts = Float64Array;

function countsOf(values: Float32Array): Counts {
  const counts = new Float64Array(256);
  for (const value of values) {
    const code = Math.min(255, Math.max(0, Math.round(value)));
    counts[code] = (counts[code] as number) + 1;
  }
  return counts;
}

const meanBy = (counts: Counts, of: (code: number) => number): number =>
  counts.reduce((sum, count, code) => sum + count * of(code), 0) / counts.reduce((sum, count) => sum + count, 0);
const lightOf = (code: number): number => LIGHT_OF_CODE[code] as number;

/** The code under which a share lies. */
function codeAt(counts: Counts, share: number): number {
  let left = share * counts.reduce((sum, count) => sum + count, 0);
  return Math.max(
    0,
    counts.findIndex((count) => (left -= count) <= 0),
  );
}

/** Blocks along the sides of a picture, the dark of each of which is asked for; by all colours, and by the least of them. */
const BLOCKS = 6;
const LEAST_BLOCKS = 16;

/** How dark the darkest of each block is, the darkest block first: light strayed over a part lifts that, and few pictures are bright all over. */
function darkOfBlocks(luma: Luma, mean: number, along: number): readonly number[] {
  const { width, height } = luma;
  const darks = Array.from({ length: along * along }, (_, k) => {
    const [column, row] = [k % along, Math.floor(k / along)];
    const block = cropped(luma, (column * width) / along, (row * height) / along, width / along, height / along);
    return lightOf(codeAt(countsOf(block.values), BLOCK_DARK_SHARE)) / mean;
  });
  return darks.sort((a, b) => a - b);
}

/** The dark channel, by blocks; nothing of a picture whose colours are not known. */
function hazeOf({ width, height, least }: Luma, mean: number): Pick<Tones, 'hazeShare' | 'leastHazeShare'> {
  if (least === undefined || mean === 0) return {};
  const darks = darkOfBlocks({ width, height, values: least }, mean, LEAST_BLOCKS);
  return { hazeShare: darks[darks.length >> 1] as number, leastHazeShare: darks[darks.length >> 2] as number };
}

/** Source: docs/log.md#veil. */
export function tonesOf(luma: Luma): Tones {
  const counts = countsOf(luma.values);
  const mean = meanBy(counts, lightOf);
  const straight = meanBy(counts, (code) => 2 ** stopsOf(code));
  const shareAt = (share: number): number => (mean === 0 ? 0 : lightOf(codeAt(counts, share)) / mean);
  const darks = darkOfBlocks(luma, mean, BLOCKS);
  return {
    blackShare: shareAt(DARK_SHARE),
    darkShare: shareAt(DARKER_SHARE),
    blockDarkShare: mean === 0 ? 0 : (darks[darks.length >> 1] as number),
    ...hazeOf(luma, mean),
    midToneEv: Math.max(-STRAIGHT.underEv, Math.log2(straight)),
  };
}
