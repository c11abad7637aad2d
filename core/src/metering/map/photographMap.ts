import { linearOfCode } from '../curve.js';
import type { LuminanceMap } from './luminanceMap.js';

/** Pixels of a photograph: 8 bit RGBA as sRGB, row by row. */
export interface Photograph {
  readonly width: number;
  readonly height: number;
  readonly rgba: Uint8ClampedArray;
  /** EV at ISO 100 of its exposure; null where it does not say. */
  readonly exposureEv: number | null;
}

/** What is taken where a photograph does not say its exposure: an overcast day. Tones and compensations do not depend on it. */
export const UNSAID_EV = 12;
/** From this byte on a pixel says only that it is at least so bright. */
const AT_LEAST = 250;
/** What a grey card comes out at. */
const GREY = 0.18;
/** Darker than anything that 8 bit tell. */
const LEAST = 2 ** -13;

/**
 * A photograph as a scene: EV = its exposure + log2(Y/0.18), Y linear from sRGB (Rec. 709). What is white is only known to be
 * at least so bright, so what lies above is not known, nor any EV that its own curve has bent: compensations and tones hold.
 * Source: docs/metering.md#scenes.
 */
export function photographMap({ width, height, rgba, exposureEv }: Photograph): LuminanceMap {
  const base = exposureEv ?? UNSAID_EV;
  const linear = Float64Array.from({ length: 256 }, (_, code) => linearOfCode(code));
  const ev = new Float32Array(width * height);
  const label = new Uint8Array(width * height);
  for (let place = 0; place < ev.length; place++) {
    const [red, green, blue] = [rgba[4 * place] as number, rgba[4 * place + 1] as number, rgba[4 * place + 2] as number];
    const y = 0.2126 * (linear[red] as number) + 0.7152 * (linear[green] as number) + 0.0722 * (linear[blue] as number);
    ev[place] = base + Math.log2(Math.max(LEAST, y) / GREY);
    if (Math.max(red, green, blue) >= AT_LEAST) label[place] = 1;
  }
  return { width, height, ev, label, names: ['picture', 'white'], isLamp: [false, false] };
}
