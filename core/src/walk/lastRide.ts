import type { Place } from '../light/index.js';

/** The last tram or train home: not to be missed. */
export interface LastRide {
  /** What it is, as the hand says it: "tram 28", "last train". */
  readonly name: string;
  /** When it goes, a minute of the walk. */
  readonly atMin: number;
  /** Where one gets on; null: where the day ends. */
  readonly position: Place | null;
}

/** One is there so many minutes before it goes (s). */
export const RIDE_MARGIN_MIN = 3;

/** The latest minute at which one goes to a last ride that is so many minutes off on foot. */
export function leaveForRideMin({ atMin }: Pick<LastRide, 'atMin'>, footMin: number): number {
  return atMin - RIDE_MARGIN_MIN - Math.ceil(footMin);
}
