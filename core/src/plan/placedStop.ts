import type { Stop } from '../stop/index.js';
import { type District, metresFrom, placeAt, streetShape } from '../streets/index.js';
import { roundedPlace } from './place.js';

/**
 * A stop put down on a map, metres from its origin. Where it stood nowhere before, it takes the street that it now stands in as
 * the walls have it (axis, width) and looks along it; where the walls leave the street open, and where it only moves, what was
 * said of it stays.
 */
export function placedStop(
  district: Pick<District, 'origin' | 'buildings'>,
  stop: Stop,
  at: { readonly eastM: number; readonly northM: number },
): Stop {
  const position = roundedPlace(placeAt(district.origin, at));
  const placed: Stop = { ...stop, position };
  if (stop.position !== null) return placed;
  const { eastM, northM } = metresFrom(district.origin, position);
  const street = streetShape({ buildings: district.buildings, eastM, northM });
  if (street === null) return placed;
  const streetAxisDeg = Math.round(street.axisDeg) % 360;
  return { ...placed, streetAxisDeg, streetWidthM: Math.round(street.widthM * 10) / 10, shootingBearingDeg: streetAxisDeg };
}
