import { crowdShareAt } from '../day/index.js';
import type { StopDay, Stop } from '../stop/index.js';
import type { WalkPlace } from '../walk/index.js';

/** How many people one would rather meet when one comes back. */
export const RETURN_CROWDS = ['any', 'emptier', 'busier'] as const;
export type ReturnCrowd = (typeof RETURN_CROWDS)[number];

/** A place noted for another time. */
export interface Return {
  readonly id: string;
  /** The stop as it was, its stay around the wanted minute. */
  readonly stop: Stop;
  readonly place: WalkPlace;
  readonly districtId: string | null;
  /** The light that is wanted: how the sun stands on this day at this minute. */
  readonly day: string;
  readonly lightMin: number;
  readonly crowd: ReturnCrowd;
  /** What was wrong when it was noted. */
  readonly wrong: string;
  readonly notedMs: number;
}

/** Less than this of the day's best light is another light (s). */
const GOOD_ENOUGH = 0.7;

/**
 * The minute of a stop's day at which to come back for fewer or for more people in its light: where, among the minutes with at
 * least 0.7 of the day's best light, least or most pass; the nearest to `aroundMin` of equals. The minute itself where the crowd
 * does not matter, or no light is known.
 */
export function minuteToComeBack(
  { quality }: Pick<StopDay, 'quality'>,
  crowdByHour: readonly number[],
  crowd: ReturnCrowd,
  aroundMin: number,
): number {
  const best = quality.reduce((most, one) => Math.max(most, one), 0);
  if (crowd === 'any' || best === 0) return aroundMin;
  const sign = crowd === 'busier' ? -1 : 1;
  let found = { minute: aroundMin, share: Infinity, awayMin: Infinity };
  quality.forEach((one, minute) => {
    if (one < GOOD_ENOUGH * best) return;
    const [share, awayMin] = [sign * crowdShareAt(crowdByHour, minute), Math.abs(minute - aroundMin)];
    const isBetter = share < found.share - 1e-9 || (share < found.share + 1e-9 && awayMin < found.awayMin);
    if (isBetter) found = { minute, share, awayMin };
  });
  return found.minute;
}
