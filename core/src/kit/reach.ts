import { marksOf, markedBetween, snapToMark, type StopStep } from '../units/index.js';
import type { Body, Film, Lens } from './items.js';
import type { Standard } from './standard.js';

/** Widest aperture at a focal length: the table's rows joined by straight lines, its ends held. */
export function widestFNumberAt(lens: Lens, focalLengthMm: number): number {
  const rows = lens.widest;
  const [first, last] = [rows[0], rows.at(-1)];
  if (first === undefined || last === undefined) throw new RangeError('lens.widest must have at least one row, got none');
  if (focalLengthMm <= first.focalLengthMm) return first.fNumber;
  for (let k = 1; k < rows.length; k++) {
    const [from, to] = [rows[k - 1] as (typeof rows)[number], rows[k] as (typeof rows)[number]];
    if (focalLengthMm > to.focalLengthMm) continue;
    const share = (focalLengthMm - from.focalLengthMm) / (to.focalLengthMm - from.focalLengthMm);
    return from.fNumber + share * (to.fNumber - from.fNumber);
  }
  return last.fNumber;
}

/** Apertures that the lens can be set to at a focal length: its series, and its two ends even off it. Ascending. */
export function lensApertures(lens: Lens, focalLengthMm: number): readonly number[] {
  return markedBetween('aperture', lens.clickStep, widestFNumberAt(lens, focalLengthMm), lens.smallestFNumber);
}

/** Shutters marked on the body, ascending in time (fastest first). */
export function bodyShutters(body: Body): readonly number[] {
  return markedBetween('shutter', body.markStep, body.fastestShutterS, body.slowestShutterS);
}

/** The values of a slowest auto shutter that most bodies offer: a series between two marks. */
export function slowestAutoSeries(step: StopStep, fastestS: number, slowestS: number): readonly number[] {
  return marksOf('shutter', step)
    .map((mark) => mark.exact)
    .filter((exact) => exact >= fastestS * (1 - 1e-9) && exact <= slowestS * (1 + 1e-9));
}

/** Distances tried where the lens has no engraved ones, metres. */
export const FOCUS_DISTANCES_M: readonly number[] = [0.5, 0.7, 1, 1.2, 1.5, 2, 2.5, 3, 4, 5, 7, 10, 15, 30, Infinity];

export function focusPositionsM(lens: Lens): readonly number[] {
  const marked = lens.engravedDistancesM.length > 0 ? lens.engravedDistancesM : FOCUS_DISTANCES_M;
  return marked.filter((distanceM) => distanceM >= lens.closestFocusM * (1 - 1e-9));
}

/** Diagonals between 36 x 24, 24 x 16, 17 x 13 mm and smaller, and the ISO up to which each is usually taken (s). */
const CEILINGS = [
  { fromDiagonalMm: 36, iso: 12_800 },
  { fromDiagonalMm: 25, iso: 6400 },
  { fromDiagonalMm: 18, iso: 3200 },
  { fromDiagonalMm: 0, iso: 1600 },
] as const;

/** The ISO ceiling of a body of which nobody has said another: by its format, never above what it has. Source: docs/formulas.md#search. */
export function usualIsoCeiling(body: Pick<Body, 'sensorWidthMm' | 'sensorHeightMm' | 'highestIso' | 'baseIso'>): number {
  const diagonalMm = Math.hypot(body.sensorWidthMm, body.sensorHeightMm);
  const usual = CEILINGS.find(({ fromDiagonalMm }) => diagonalMm >= fromDiagonalMm)?.iso ?? body.highestIso;
  return Math.max(body.baseIso, Math.min(body.highestIso, usual));
}

/** The person's own ceiling for this body, else the usual one of its format, as a mark of it, never above what the body has. */
export function isoCeilingOf(body: Body, standard: Standard): number {
  const own = standard.isoCeilingByBody[body.id] ?? usualIsoCeiling(body);
  const marks = markedBetween('iso', body.markStep, body.baseIso, body.highestIso);
  return snapToMark({ value: Math.max(own, body.baseIso), marks, direction: 'down' }) ?? body.baseIso;
}

/** A film loaded to be exposed at an ISO with a push: the index is what is left without that. The inverse of `rollIso`. */
export function filmExposedAt(film: Film, iso: number, pushStops: number): Film {
  return { ...film, exposureIndex: iso / 2 ** pushStops, pushStops };
}

/** The one ISO of a roll: its exposure index, pushed or pulled. */
export function rollIso(film: Film): number {
  return film.exposureIndex * 2 ** film.pushStops;
}
