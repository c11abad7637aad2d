/** Range of the approximation of the colours of hot bodies, kelvin. */
export const LOWEST_K = 1700;
export const HIGHEST_K = 15000;

/**
 * Chromaticity x, y of a hot body: M. Krystek, "An algorithm to calculate correlated colour temperature", Color Research and
 * Application 10 (1985), in u and v of 1960, within 8e-5 of Planck's law from 1000 to 15000 K.
 */
export function chromaticityOf(kelvin: number): readonly [x: number, y: number] {
  const t = Math.min(HIGHEST_K, Math.max(LOWEST_K, kelvin));
  const u = (0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t) / (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t);
  const v = (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t) / (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t);
  const below = 2 * u - 8 * v + 4;
  return [(3 * u) / below, (2 * v) / below];
}

/** Red, green and blue (linear sRGB) of a hot body of luminance 1. Matrix: IEC 61966-2-1. */
function linearOf(kelvin: number): readonly [red: number, green: number, blue: number] {
  const [x, y] = chromaticityOf(kelvin);
  const [bigX, bigZ] = [x / y, (1 - x - y) / y];
  const red = 3.2404542 * bigX - 1.5371385 - 0.4985314 * bigZ;
  const green = -0.969266 * bigX + 1.8760108 + 0.041556 * bigZ;
  const blue = 0.0556434 * bigX - 0.2040259 + 1.0572252 * bigZ;
  return [red, green, blue];
}

const LEAST = 1e-3;
const LUMA = [0.2126, 0.7152, 0.0722] as const;

/**
 * What a white balance leaves of a light's colour: stops by which red, green and blue come out over grey, at the luminance that
 * it has. All 0 where the light is what is taken for white.
 */
export function castOf(lightK: number, whiteBalanceK: number): readonly [red: number, green: number, blue: number] {
  const [light, white] = [linearOf(lightK), linearOf(whiteBalanceK)];
  const ratio = light.map((value, k) => Math.max(LEAST, value) / Math.max(LEAST, white[k] as number));
  const luminance = ratio.reduce((sum, value, k) => sum + value * (LUMA[k] as number), 0);
  const [red, green, blue] = ratio.map((value) => Math.log2(value / luminance)) as [number, number, number];
  return [red, green, blue];
}

/** How far apart two lights look, mired: 10⁶/light − 10⁶/white; above 0 the light comes out warm. */
export function warmthMired(lightK: number, whiteBalanceK: number): number {
  return 1e6 / lightK - 1e6 / whiteBalanceK;
}
