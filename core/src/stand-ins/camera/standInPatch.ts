import { seeded } from '../../metering/index.js';
import type { StandInPicture } from './standInCamera.js';

/** A wall in the shade, out of focus, exposed to mid-grey. */
export interface StandInPatch {
  readonly width: number;
  readonly height: number;
  readonly iso: number;
  /** What a pixel gathers of mid-grey at ISO 100, electrons, and what reading it adds, their deviation. */
  readonly electronsAt100: number;
  readonly readElectrons: number;
  readonly seed: number;
}

const MID_GREY = 0.18;
const codeOf = (light: number): number => 255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);

/** Signal to noise of such a patch, pixel by pixel: N/√(N + r²), N less by each stop of ISO. */
export function ratioOfPatch({ iso, electronsAt100, readElectrons }: Omit<StandInPatch, 'width' | 'height' | 'seed'>): number {
  const electrons = (electronsAt100 * 100) / iso;
  return electrons / Math.sqrt(electrons + readElectrons ** 2);
}

/** The patch with its noise, grey, coded as sRGB; the same for the same seed. Simulated. */
export function takePatch(patch: StandInPatch): StandInPicture {
  const { width, height, seed } = patch;
  const [random, ratio] = [seeded(seed), ratioOfPatch(patch)];
  const rgba = new Uint8ClampedArray(4 * width * height);
  for (let place = 0; place < rgba.length; place += 4) {
    const normal = Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
    const code = codeOf(Math.max(0, MID_GREY * (1 + normal / ratio)));
    rgba.fill(code, place, place + 3);
    rgba[place + 3] = 255;
  }
  return { width, height, rgba };
}
