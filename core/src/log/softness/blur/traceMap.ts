import type { PictureSpot } from '../../frames/frame.js';
import { blurTrace, type BlurTrace } from './blurTrace.js';
import { cepstraOf, type Cepstrum, meanCepstrum, PART_PX } from './cepstrum.js';
import type { Luma } from '../luma.js';
import type { WindowGrid } from '../windows.js';

/** What cepstra say of a picture: of all of it together, and about places over it. */
export interface TraceMap extends WindowGrid {
  /** Null where nothing in it has enough contrast. */
  readonly whole: BlurTrace | null;
  /** Row by row, each part with those above and below: somebody is taller than wide. */
  readonly about: readonly (BlurTrace | null)[];
}

/** How much the parts above and below count. */
const ABOVE = 0.7;

/** Null for a picture that is smaller than a part. Source: docs/log.md#traces. */
export function traceMapOf(luma: Luma, noiseCodes: number): TraceMap | null {
  const cepstra = cepstraOf(luma, noiseCodes);
  if (cepstra === null) return null;
  const { across, down, parts } = cepstra;
  const traceOf = (of: readonly { readonly part: Cepstrum | null | undefined; readonly weight: number }[]): BlurTrace | null => {
    const mean = meanCepstrum(of.flatMap(({ part, weight }) => (part == null ? [] : [{ cepstrum: part, weight }])));
    return mean === null ? null : blurTrace(mean);
  };
  return {
    across,
    down,
    whole: traceOf(parts.map((part) => ({ part, weight: 1 }))),
    about: parts.map((part, k) =>
      traceOf([
        { part, weight: 1 },
        { part: parts[k - across], weight: ABOVE },
        { part: parts[k + across], weight: ABOVE },
      ]),
    ),
  };
}

/** About the place nearest to a spot, in a picture of a size. */
export function traceNear(
  { across, down, about }: TraceMap,
  { width, height }: Pick<Luma, 'width' | 'height'>,
  { x, y }: PictureSpot,
): BlurTrace | null {
  const place = (share: number, length: number, count: number): number => {
    const between = (share * length - PART_PX / 2) / Math.max(1, length - PART_PX);
    return Math.round(Math.min(1, Math.max(0, between)) * (count - 1));
  };
  return about[place(y, height, down) * across + place(x, width, across)] ?? null;
}
