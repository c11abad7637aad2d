import type { Stop } from '../stop/index.js';
import { type District, metresFrom, placeAt } from '../streets/index.js';
import { roundedPlace } from './place.js';
import { streetAt } from './streetAt.js';

/**
 * A stop put down on a map, metres from its origin. Where it stood nowhere before, it takes the street that it now stands in
 * (axis, width, side) and looks along it; where no street is known, and where it only moves, what was said of it stays.
 */
export function placedStop(
  district: Pick<District, 'origin' | 'buildings' | 'ways'>,
  stop: Stop,
  at: { readonly eastM: number; readonly northM: number },
): Stop {
  const position = roundedPlace(placeAt(district.origin, at));
  const placed: Stop = { ...stop, position };
  if (stop.position !== null) return placed;
  const street = streetAt(district, metresFrom(district.origin, position));
  if (street === null) return placed;
  const { axisDeg, side, widthM } = street;
  return {
    ...placed,
    streetAxisDeg: axisDeg,
    streetWidthM: widthM ?? stop.streetWidthM,
    pavement: side,
    shootingBearingDeg: axisDeg,
  };
}
