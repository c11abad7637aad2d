import type { Moment } from '../../outing/index.js';
import type { FrameSettings } from '../frames/frame.js';

/** What can be held against a card. */
export const COMPARED = ['shutter', 'aperture', 'iso', 'compensation', 'focus'] as const;
export type Compared = (typeof COMPARED)[number];

export interface Departure {
  readonly what: Compared;
  /** Stops of exposure that the frame got more (+) or less (−) by it than by the card; of focus, stops of distance. */
  readonly stops: number;
}

/** What is rounded in a file's figures, and a third that a dial was off by, are no departures, stops. */
export const DEPARTS_FROM_EV = 0.5;

function ratioStops(used: number | null, planned: number): number | null {
  return used === null || !Number.isFinite(planned) ? null : Math.log2(used / planned);
}

/**
 * What was used against the card, in stops: shutter log2(t/t₀), aperture 2·log2(N₀/N), ISO log2(S/S₀), compensation c − c₀, focus
 * log2(d/d₀). What a frame does not say is left out. A shutter faster than the card's is within what it allows ("or faster") as
 * far as ISO or aperture did not pay for it. Source: docs/log.md#planned-against-used.
 */
export function departures(used: FrameSettings, planned: Moment): readonly Departure[] {
  const shutter = ratioStops(used.shutterS, planned.shutterS);
  const aperture = ratioStops(used.fNumber, planned.fNumber);
  const all: readonly (readonly [Compared, number | null])[] = [
    ['shutter', shutter],
    ['aperture', aperture === null ? null : -2 * aperture],
    ['iso', ratioStops(used.iso, planned.iso)],
    [
      'compensation',
      used.compensationEv === null || planned.compensationEv === null ? null : used.compensationEv - planned.compensationEv,
    ],
    ['focus', ratioStops(used.focusM, planned.focusM)],
  ];
  return all.flatMap(([what, stops]) => (stops === null ? [] : [{ what, stops }]));
}

/** What really departs, the widest first. */
export function wideDepartures(used: FrameSettings, planned: Moment): readonly Departure[] {
  return departures(used, planned)
    .filter(({ stops }) => Math.abs(stops) >= DEPARTS_FROM_EV)
    .sort((a, b) => Math.abs(b.stops) - Math.abs(a.stops));
}
