import type { Ramp, RampFigure, Ways, WindowReason } from './quality.js';

/** Why a picture has no light on a day: what failed when it came nearest, and by how much. */
export interface MissingLight {
  /** `brief` where everything held, but for too short a time. */
  readonly reason: WindowReason | 'brief';
  /** Minute of the day at which it came nearest. */
  readonly atMin: number;
  /** What it was then and what a window needs; null where it is a matter of yes or no. */
  readonly figure: RampFigure | null;
}

/** A ramp opens at this. */
const OPENS_AT = 0.25;

/** Shortfalls that weigh the same, in the unit of each: a stop of contrast, ten degrees of sun, a metre of patch. Judgement. */
const ALIKE: Readonly<Record<RampFigure['unit'], number>> = { stops: 1, ev: 1, degrees: 10, share: 0.25, metres: 1, minutes: 5 };
/** What a shut gate weighs; a figure far off comes near to that, never over. Judgement. */
const SHUT = 4;

function shortOf({ value, figure }: Ramp): number {
  if (value >= OPENS_AT) return 0;
  if (figure === undefined) return SHUT;
  const short = Math.abs(figure.is - figure.needs) / ALIKE[figure.unit];
  return (SHUT * short) / (SHUT + short);
}

/** What fails twice for one reason counts once, by its worse half. */
function totalOf(ramps: readonly Ramp[]): number {
  const byReason = new Map<WindowReason, number>();
  for (const one of ramps) byReason.set(one.reason, Math.max(byReason.get(one.reason) ?? 0, shortOf(one)));
  return [...byReason.values()].reduce((sum, short) => sum + short, 0);
}

/**
 * What failed on a day without windows: of all ways and minutes the one that came nearest (shortfalls added up, each in its own
 * unit's weight; the first of equals), and of its ramps the one that was shortest. Null where there is no minute.
 */
export function missingLight(waysByMinute: readonly Ways[], shortestMin: number): MissingLight | null {
  let best: { readonly total: number; readonly atMin: number; readonly ramps: readonly Ramp[] } | null = null;
  for (const [atMin, ways] of waysByMinute.entries()) {
    for (const ramps of ways) {
      const total = totalOf(ramps);
      if (best === null || total < best.total - 1e-9) best = { total, atMin, ramps };
    }
  }
  if (best === null) return null;
  const { atMin, ramps, total } = best;
  if (total === 0) {
    const minutes = waysByMinute.filter((ways) => ways.some((one) => totalOf(one) === 0)).length;
    return { reason: 'brief', atMin, figure: { is: minutes, needs: shortestMin, unit: 'minutes' } };
  }
  const worst = ramps.reduce((most, one) => (shortOf(one) > shortOf(most) ? one : most));
  return { reason: worst.reason, atMin, figure: worst.figure ?? null };
}
