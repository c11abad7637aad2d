import { toneOf } from '../curve.js';
import type { Medium } from '../medium.js';
import { BINS, evOfBin, type PreparedMap } from '../patterns/prepareMap.js';
import { castOf } from './whiteBalance.js';

export interface RenderOptions {
  readonly medium: Medium;
  /** EV at ISO 100. */
  readonly exposureEv: number;
  /** What the picture takes for white, kelvin; null for a picture in greys. */
  readonly whiteBalanceK: number | null;
  /** Colour of the light on each surface by its label; daylight where it is left out. */
  readonly kelvin?: Readonly<Record<string, number>>;
}

export const DAYLIGHT_K = 5500;
const OPAQUE = 0xff000000;

/** A picture's bytes by bin: red, green and blue as little-endian RGBA words. */
function toneTable({ medium, exposureEv }: RenderOptions, [red, green, blue]: readonly [number, number, number]): Uint32Array {
  const byteOf = (stops: number): number => Math.round(255 * toneOf(stops, medium));
  return Uint32Array.from({ length: BINS }, (_, bin) => {
    const f = evOfBin(bin) - exposureEv;
    return (OPAQUE | (byteOf(f + blue) << 16) | (byteOf(f + green) << 8) | byteOf(f + red)) >>> 0;
  });
}

/** A map as a picture of a medium at an exposure: 8 bit RGBA, row by row. Source: docs/metering.md#curve. */
export function renderMap({ bin, label, names }: PreparedMap, options: RenderOptions): Uint8ClampedArray<ArrayBuffer> {
  const { whiteBalanceK, kelvin = {} } = options;
  const tables = names.map((name) =>
    toneTable(options, whiteBalanceK === null ? [0, 0, 0] : castOf(kelvin[name] ?? DAYLIGHT_K, whiteBalanceK)),
  );
  const table = new Uint32Array(Math.max(1, names.length) * BINS);
  tables.forEach((its, k) => table.set(its, k * BINS));
  const words = new Uint32Array(bin.length);
  for (let place = 0; place < bin.length; place++) {
    words[place] = table[(label[place] as number) * BINS + (bin[place] as number)] as number;
  }
  return new Uint8ClampedArray(words.buffer);
}
