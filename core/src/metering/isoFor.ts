import type { PlacementMethod } from '../stop/index.js';
import { snapToMark } from '../units/index.js';

/** Whether less, more or the nearest exposure is taken where a mark does not meet it. */
export type ExposureSide = 'less' | 'more' | 'nearest';

/**
 * The marked ISO at which an aperture and a time give an exposure: where ISO floats. Null where the marks do not reach it.
 * 100·N²/(t·2^EV).
 */
export function isoFor(
  ev100: number,
  { fNumber, shutterS, isoMarks, side }: { fNumber: number; shutterS: number; isoMarks: readonly number[]; side: ExposureSide },
): number | null {
  const iso = (100 * fNumber ** 2) / (shutterS * 2 ** ev100);
  const direction = side === 'less' ? 'down' : side === 'more' ? 'up' : 'nearest';
  const [lowest, highest] = [Math.min(...isoMarks), Math.max(...isoMarks)];
  if (iso < lowest * 2 ** (-1 / 6) || iso > highest * 2 ** (1 / 6)) return null;
  return snapToMark({ value: Math.min(highest, Math.max(lowest, iso)), marks: isoMarks, direction });
}

/** Seconds that an exposure takes at an aperture and an ISO: 100·N²/(ISO·2^EV). */
export function secondsFor(ev100: number, { fNumber, iso }: { readonly fNumber: number; readonly iso: number }): number {
  return (100 * fNumber ** 2) / (iso * 2 ** ev100);
}

/** Which way a school takes a mark that does not meet its exposure; see `dialled`. */
export function sideOfSchool(school: PlacementMethod): ExposureSide {
  if (school === 'hold') return 'nearest';
  return school === 'shadows' ? 'more' : 'less';
}
