/** Signal to noise by ISO: a straight line of their logarithms. */
export interface NoiseCurve {
  readonly at: (iso: number) => number;
  /** Where it falls to a ratio, and what that may be off by, stops (68 %). */
  readonly isoFor: (signalToNoise: number) => number;
  readonly errorStops: number;
}

/** Photons alone make the ratio fall by the root of two a stop; reading them makes it fall faster, up to twice. */
const PHOTON_SLOPE = -0.5;
const SLOPES = { low: -1.2, high: -0.2 };
/** Two points so near to one another leave the slope open: it is taken for that of photons. */
const LEAST_STOPS_APART = 1;

/**
 * The line nearest to log2 of the ratios over log2 of the ISO. One point, or points within a stop, take the slope of photons, −½; a
 * slope that no camera has is held. Null without a point. Source: docs/log.md#noise-test.
 */
export function noiseCurve(points: readonly { readonly iso: number; readonly ratio: number }[]): NoiseCurve | null {
  const logs = points
    .filter(({ iso, ratio }) => iso > 0 && ratio > 0 && Number.isFinite(ratio))
    .map(({ iso, ratio }) => ({ x: Math.log2(iso), y: Math.log2(ratio) }));
  if (logs.length === 0) return null;
  const mean = (of: (one: { readonly x: number; readonly y: number }) => number): number =>
    logs.reduce((sum, one) => sum + of(one), 0) / logs.length;
  const [x0, y0] = [mean(({ x }) => x), mean(({ y }) => y)];
  const xs = logs.map(({ x }) => x);
  const isWide = Math.max(...xs) - Math.min(...xs) >= LEAST_STOPS_APART;
  const along = mean(({ x, y }) => (x - x0) * (y - y0)) / mean(({ x }) => (x - x0) ** 2);
  const slope = isWide ? Math.min(SLOPES.high, Math.max(SLOPES.low, along)) : PHOTON_SLOPE;
  const left = mean(({ x, y }) => (y - y0 - slope * (x - x0)) ** 2);
  return {
    at: (iso) => 2 ** (y0 + slope * (Math.log2(iso) - x0)),
    isoFor: (ratio) => 2 ** (x0 + (Math.log2(ratio) - y0) / slope),
    errorStops: logs.length < 3 ? Infinity : Math.sqrt(left / (logs.length - 2)) / Math.abs(slope),
  };
}
