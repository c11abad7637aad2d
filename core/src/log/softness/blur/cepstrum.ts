import type { Luma } from '../luma.js';
import { SquareTransform } from './squareTransform.js';
import type { WindowGrid } from '../windows.js';

/** Side of a part whose cepstrum is taken, pixels. */
export const PART_PX = 128;
const PLACES = PART_PX ** 2;
/** Parts lie at most so far apart, shares of their side. */
const APART = 0.75;
/** Parts that vary less, codes², show nothing. */
const LEAST_VARIANCE = 30;
/** Less than this at a frequency is rounding to whole codes and to the steps of a JPEG, codes. */
const LEAST_NOISE = 0.5;
/** Frequencies up to about this count, cycles a pixel: beyond lie noise and what compression left. */
const REACH = 0.2;
/** The lowest frequencies are those of the window, cycles a pixel. */
const LOWEST = 1.5 / PART_PX;
/** Longest blur that is looked for, pixels. */
export const LONGEST_PX = 42;
/** Rows of a cepstrum that are kept: lags to a pixel beyond the longest. */
const ROWS = LONGEST_PX + 2;

/**
 * A power cepstrum: what the logarithm of a part's power spectrum is made of, by lags in pixels, row by row, those to the left at
 * the end of a row; what lies above is what lies below turned round, and is not kept. A blur multiplies the spectrum of a scene,
 * so that it adds to this, the same in every part: a line over which a picture is smeared leaves a sharp dip at its length along it, a
 * disc a ring of dips at its diameter. Source: Bogert, Healy and Tukey, 1963; Cannon, 1976; docs/log.md#traces.
 */
export type Cepstrum = Float32Array;
/** Where a lag is in a cepstrum. */
export const lagAt = (x: number, y: number): number => y * PART_PX + ((x + PART_PX) % PART_PX);

export interface Cepstra extends WindowGrid {
  /** Null where a part is plain. */
  readonly parts: readonly (Cepstrum | null)[];
}

/** Of a spectrum the rows down to the highest frequency; those below are the same turned round. */
const KEPT = (PART_PX / 2 + 1) * PART_PX;
const BACK = Int32Array.from({ length: KEPT }, (_, at) => {
  const column = at % PART_PX;
  return ((PLACES - (at - column)) % PLACES) + ((PART_PX - column) % PART_PX);
});

const cyclesPerPx = (k: number): number => (k > PART_PX / 2 ? k - PART_PX : k) / PART_PX;
const radiusAt = (place: number): number => Math.hypot(cyclesPerPx(place % PART_PX), cyclesPerPx(Math.floor(place / PART_PX)));

const HANN = Float64Array.from({ length: PART_PX }, (_, k) => 0.5 - 0.5 * Math.cos((2 * Math.PI * (k + 0.5)) / PART_PX));
const HANN_POWER = HANN.reduce((sum, one) => sum + one * one, 0) ** 2;

/** How much each frequency counts; the first and the last of the rows kept stand for themselves alone, the others for two. */
const WEIGHTS = Float64Array.from({ length: KEPT }, (_, place) => {
  const radius = radiusAt(place);
  return radius < LOWEST ? 0 : Math.exp(-0.5 * (radius / REACH) ** 2);
});
const COUNTS = WEIGHTS.map((weight, place) => (place < PART_PX || place >= KEPT - PART_PX ? 1 : 2) * weight);
const SCALE = PLACES / COUNTS.reduce((sum, one) => sum + one, 0);

function weighed(one: Float64Array, other: Float64Array): number {
  let sum = 0;
  for (let k = 0; k < KEPT; k++) sum += (COUNTS[k] as number) * (one[k] as number) * (other[k] as number);
  return sum;
}

function addTo(sum: Float64Array | Float32Array, share: number, one: ArrayLike<number>): void {
  for (let k = 0; k < one.length; k++) sum[k] = (sum[k] as number) + share * (one[k] as number);
}

/** What any scene's spectrum is like: a power of the frequency and a smooth fall. Each at right angles to those before it, by the weights. */
const TREND = ((): readonly Float64Array[] => {
  const kinds: readonly ((radius: number) => number)[] = [() => 1, Math.log, (radius) => radius, (radius) => radius * radius];
  const found: Float64Array[] = [];
  for (const kind of kinds) {
    const one = WEIGHTS.map((weight, place) => (weight === 0 ? 0 : kind(radiusAt(place))));
    for (const before of found) addTo(one, -weighed(one, before), before);
    const size = Math.sqrt(weighed(one, one));
    found.push(one.map((value) => value / size));
  }
  return found;
})();

/** Reads parts two at a time: one as the real, one as the imaginary part of one transform, there and back. */
class CepstrumReader {
  private readonly transform = new SquareTransform(PART_PX);
  private readonly one = new Float64Array(PLACES);
  private readonly two = new Float64Array(PLACES);
  private readonly logs = [new Float64Array(KEPT), new Float64Array(KEPT)] as const;

  both(luma: Luma, noiseCodes: number, corners: readonly (readonly [left: number, top: number])[]): readonly (Cepstrum | null)[] {
    const { one, two, logs, transform } = this;
    const variances = [one, two].map((into, k) => this.put(luma, corners[k] ?? null, into));
    transform.forward(one, two);
    const floor = Math.max(LEAST_NOISE, noiseCodes) ** 2 * HANN_POWER;
    for (let at = 0; at < KEPT; at++) {
      const back = BACK[at] as number;
      const [r, i, rBack, iBack] = [one[at] as number, two[at] as number, one[back] as number, two[back] as number];
      // Of two real squares in one transform: the even and the odd part.
      logs[0][at] = Math.log(((r + rBack) ** 2 + (i - iBack) ** 2) / 4 + floor);
      logs[1][at] = Math.log(((i + iBack) ** 2 + (rBack - r) ** 2) / 4 + floor);
    }
    this.flatten(logs[0], one);
    this.flatten(logs[1], two);
    // Both are even, so that their transforms are real.
    transform.backward(one, two, ROWS);
    return corners.map((_, k) =>
      (variances[k] as number) < LEAST_VARIANCE ? null : Float32Array.from((k === 0 ? one : two).subarray(0, ROWS * PART_PX)),
    );
  }

  /** A part less its mean, under the window; how much it varies, codes². */
  private put({ values, width }: Luma, corner: readonly [left: number, top: number] | null, into: Float64Array): number {
    if (corner === null) {
      into.fill(0);
      return 0;
    }
    const [left, top] = corner;
    let [sum, squares] = [0, 0];
    for (let row = 0; row < PART_PX; row++) {
      for (let column = 0; column < PART_PX; column++) {
        const value = values[(top + row) * width + left + column] as number;
        into[row * PART_PX + column] = value;
        sum += value;
        squares += value * value;
      }
    }
    const mean = sum / PLACES;
    for (let row = 0; row < PART_PX; row++) {
      for (let column = 0; column < PART_PX; column++) {
        const at = row * PART_PX + column;
        into[at] = ((into[at] as number) - mean) * (HANN[row] as number) * (HANN[column] as number);
      }
    }
    return squares / PLACES - mean * mean;
  }

  /** A log spectrum less what any scene has, each frequency as it counts, all rows of it. */
  private flatten(logs: Float64Array, into: Float64Array): void {
    for (const one of TREND) addTo(logs, -weighed(logs, one), one);
    for (let at = 0; at < KEPT; at++) {
      const value = (logs[at] as number) * (WEIGHTS[at] as number) * SCALE;
      into[at] = value;
      into[BACK[at] as number] = value;
    }
  }
}

let reader: CepstrumReader | null = null;

/** Where parts of a picture lie: evenly over it, null where it is smaller than one. */
export function partGrid({ width, height }: Pick<Luma, 'width' | 'height'>): WindowGrid | null {
  if (Math.min(width, height) < PART_PX) return null;
  const count = (length: number): number => 1 + Math.ceil((length - PART_PX) / (APART * PART_PX));
  return { across: count(width), down: count(height) };
}

/** The cepstra of all parts, row by row. */
export function cepstraOf(luma: Luma, noiseCodes: number): Cepstra | null {
  const grid = partGrid(luma);
  if (grid === null) return null;
  reader ??= new CepstrumReader();
  const { across, down } = grid;
  const place = (at: number, count: number, length: number): number =>
    count === 1 ? 0 : Math.round((at * (length - PART_PX)) / (count - 1));
  const corners = Array.from({ length: across * down }, (_, k): readonly [number, number] => [
    place(k % across, across, luma.width),
    place(Math.floor(k / across), down, luma.height),
  ]);
  const parts: (Cepstrum | null)[] = [];
  for (let k = 0; k < corners.length; k += 2) parts.push(...reader.both(luma, noiseCodes, corners.slice(k, k + 2)));
  return { ...grid, parts };
}

/** The mean of several, each by its weight: what they have in common. Null of none. */
export function meanCepstrum(parts: readonly { readonly cepstrum: Cepstrum; readonly weight: number }[]): Cepstrum | null {
  const all = parts.reduce((sum, { weight }) => sum + weight, 0);
  if (all === 0) return null;
  const mean = new Float32Array(ROWS * PART_PX);
  for (const { cepstrum, weight } of parts) addTo(mean, weight / all, cepstrum);
  return mean;
}
