import type { Stop } from '../stop/index.js';
import { type District, metresFrom, placeAt } from '../streets/index.js';
import { roundedPlace } from './place.js';
import { isStreetOf, type Street, streetAt, withStreet } from './streetAt.js';

/**
 * A stop put down on a map, metres from its origin. Where it stood nowhere before, it takes the street that it now stands in
 * (axis, width, side) and looks along it. Moved, it takes the street of its new place where it had that of the old one from the
 * map and looked along it; what somebody has said otherwise stays.
 */
export function placedStop(
  district: Pick<District, 'origin' | 'buildings' | 'ways'>,
  stop: Stop,
  at: { readonly eastM: number; readonly northM: number },
): Stop {
  const position = roundedPlace(placeAt(district.origin, at));
  const placed: Stop = { ...stop, position };
  const before = stop.position === null ? null : streetAt(district, metresFrom(district.origin, stop.position));
  // Where it lay the map knew no street, or somebody has typed another.
  if (stop.position !== null && (before === null || !isStreetOf(stop, before))) return placed;
  const street = streetAt(district, metresFrom(district.origin, position));
  if (street === null) return before === null ? placed : { ...placed, streetWidthM: UNKNOWN_WIDTH_M };
  const there = { ...withStreet(placed, street), streetWidthM: street.widthM ?? UNKNOWN_WIDTH_M };
  const along = lookAlong(stop, before, street);
  return along === null ? there : { ...there, shootingBearingDeg: along };
}

/** Width of a street of which only the line is known, metres (s). */
const UNKNOWN_WIDTH_M = 8;

/** The look along the new street for one that looked along the old, either way; null where it looked elsewhere. */
function lookAlong({ shootingBearingDeg }: Stop, before: Street | null, { axisDeg }: Street): number | null {
  if (before === null) return axisDeg;
  const turn = (((shootingBearingDeg - before.axisDeg) % 360) + 360) % 360;
  return turn === 0 || turn === 180 ? (axisDeg + turn) % 360 : null;
}
