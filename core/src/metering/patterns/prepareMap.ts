import { luminances } from '../map/luminance.js';
import type { LuminanceMap } from '../map/luminanceMap.js';

/** Bins of EV: a 32nd of a stop each, from −16 to 36. */
export const BINS_A_STOP = 32;
export const LOWEST_BIN_EV = -16;
export const BINS = 52 * BINS_A_STOP;

export function binOf(ev: number): number {
  const bin = Math.floor((ev - LOWEST_BIN_EV) * BINS_A_STOP);
  return bin < 0 ? 0 : bin >= BINS ? BINS - 1 : bin;
}

/** The EV in the middle of a bin. */
export function evOfBin(bin: number): number {
  return LOWEST_BIN_EV + (bin + 0.5) / BINS_A_STOP;
}

/** A map made ready to be metered by any pattern, any number of times. */
export interface PreparedMap extends LuminanceMap {
  /** By cell. */
  readonly bin: Uint16Array;
  /** Cells by bin, of all and of lamps alone. */
  readonly histogram: Uint32Array;
  readonly lampHistogram: Uint32Array;
  /** Brighter than this a meter sees no more, EV. */
  readonly capEv: number;
  /**
   * What a meter sees: luminance (2^EV) summed along each row, `width + 1` places a row, the first 0; so a run of cells costs
   * one subtraction.
   */
  readonly sums: Float64Array;
  /** EVs of the brightest cells, ascending: a hundredth of them, and a few more. */
  readonly brightest: Float32Array;
}

/** A meter's own cell saturates so many stops over what it reads (s). */
const SATURATES_OVER_EV = 4;
const ROUNDS = 60;
const EXACT_EV = 1e-9;

/** The reading of a meter that saturates: the fixed point E = log2 mean min(2^EV, 2^(E + 4)), from the histogram. */
function saturatedAt(histogram: Uint32Array, saturatesOverEv: number): number {
  let cells = 0;
  for (const count of histogram) cells += count;
  let e = Infinity;
  for (let round = 0; round < ROUNDS; round++) {
    const cap = e + saturatesOverEv;
    let sum = 0;
    histogram.forEach((count, bin) => {
      if (count > 0) sum += count * 2 ** Math.min(evOfBin(bin), cap);
    });
    const next = Math.log2(sum / cells);
    if (Math.abs(next - e) < EXACT_EV) return next;
    e = next;
  }
  return e;
}

const BRIGHTEST_SHARE = 0.01;
/** Parts of a bin by which the last of them are told apart. */
const PARTS = 512;

/** From this EV up lie so many cells, and no more than those of a part of a bin on top. */
function thresholdFor(cells: number, ev: Float32Array, bin: Uint16Array, histogram: Uint32Array): number {
  let [lowest, above] = [BINS - 1, 0];
  while (lowest > 0 && above + (histogram[lowest] as number) < cells) above += histogram[lowest--] as number;
  const edge = LOWEST_BIN_EV + lowest / BINS_A_STOP;
  const parts = new Uint32Array(PARTS + 1);
  const partOf = (its: number): number => Math.min(PARTS, Math.max(0, Math.floor((its - edge) * BINS_A_STOP * PARTS)));
  for (let place = 0; place < ev.length; place++) {
    if (bin[place] !== lowest) continue;
    const part = partOf(ev[place] as number);
    parts[part] = (parts[part] as number) + 1;
  }
  let part = PARTS;
  while (part > 0 && above + (parts[part] as number) < cells) above += parts[part--] as number;
  return part === 0 ? edge : edge + part / (BINS_A_STOP * PARTS);
}

function brightestOf(ev: Float32Array, bin: Uint16Array, histogram: Uint32Array): Float32Array {
  const wanted = Math.ceil(BRIGHTEST_SHARE * ev.length);
  const from = thresholdFor(wanted, ev, bin, histogram);
  const above = from + 1 / (BINS_A_STOP * PARTS);
  let count = 0;
  for (const its of ev) if (its >= above) count++;
  // A flat surface has very many cells in its part of a bin: as many of them as are wanted stand for all.
  let alike = Math.max(0, wanted - count);
  const brightest: Float32Array = new Float32Array(count + alike);
  let next = 0;
  for (const its of ev) {
    if (its >= above) brightest[next++] = its;
    else if (its >= from && alike-- > 0) brightest[next++] = its;
  }
  return brightest.subarray(0, next).sort();
}

/** Source: docs/metering.md#patterns. */
export function prepareMap(map: LuminanceMap, { saturatesOverEv = SATURATES_OVER_EV } = {}): PreparedMap {
  const { width, height, ev, label, isLamp } = map;
  const bin = new Uint16Array(ev.length);
  const histogram = new Uint32Array(BINS);
  const lampHistogram = new Uint32Array(BINS);
  for (let place = 0; place < ev.length; place++) {
    const its = binOf(ev[place] as number);
    bin[place] = its;
    histogram[its] = (histogram[its] as number) + 1;
    if (isLamp[label[place] as number] === true) lampHistogram[its] = (lampHistogram[its] as number) + 1;
  }
  const capEv = saturatedAt(histogram, saturatesOverEv) + saturatesOverEv;
  const luminanceAt = luminances();
  const sums = new Float64Array(height * (width + 1));
  for (let row = 0; row < height; row++) {
    let sum = 0;
    const first = row * (width + 1);
    for (let column = 0; column < width; column++) {
      const its = ev[row * width + column] as number;
      sum += luminanceAt(its < capEv ? its : capEv);
      sums[first + column + 1] = sum;
    }
  }
  return { ...map, bin, histogram, lampHistogram, capEv, sums, brightest: brightestOf(ev, bin, histogram) };
}
