import { type ArtificialLight, MINUTES_PER_DAY } from '../light/index.js';
import { isWithinHours } from './hours.js';

/** When a town's street lamps are dimmed or switched off, every night. */
export interface LampsOut {
  /** Minutes of the wall clock, 0..1439. */
  readonly fromMin: number;
  /** When they shine again as before; absent: not before the next dusk. */
  readonly toMin?: number;
  /** Share of their light that is left; 0: off, 1: they burn all night. */
  readonly leftShare: number;
}

/** Lamps of the street; windows, stalls, screens and signs keep hours of their own. */
const STREET_LAMPS: readonly ArtificialLight[] = ['lane', 'sideStreet', 'lampStreet', 'arcade'];

export function areStreetLamps(lamps: ArtificialLight): boolean {
  return STREET_LAMPS.includes(lamps);
}

/** Lamps that are out until the next dusk are it no longer than this. */
const NOON = MINUTES_PER_DAY / 2;

/** Share of their light that street lamps have at a minute of a walk, by the town's hours alone. */
export function streetLampsShare(out: LampsOut | undefined, minute: number): number {
  // On again when they go out: they never do.
  if (out === undefined || out.toMin === out.fromMin) return 1;
  return isWithinHours({ fromMin: out.fromMin, toMin: (out.toMin ?? NOON) - 1 }, minute) ? out.leftShare : 1;
}
