import { RAD_PER_DEG } from '../../units/index.js';
import { type BearingMask, HORIZON_BEARINGS } from './horizon.js';
/** The obliquity of the ecliptic, rounded up: the sun's declination never leaves it. */
const MOST_DECLINATION_DEG = 23.5;
/** Bearings on either side that are kept for the resolution of the marking. */
const MARGIN = 3;

/**
 * The bearings at which the sun ever stands over the horizon (by at least −1°) at a latitude: the others need no horizon.
 * tan A and sin h from declination and hour angle, the usual spherical triangle.
 */
export function sunBearings(latitude: number): BearingMask {
  if (latest?.latitude !== latitude) latest = { latitude, mask: masked(latitude) };
  return latest.mask;
}

/** A walk's stops lie at one latitude. */
let latest: { readonly latitude: number; readonly mask: BearingMask } | null = null;

function masked(latitude: number): BearingMask {
  const mask = new Uint8Array(HORIZON_BEARINGS);
  const [sinPlace, cosPlace] = [Math.sin(latitude * RAD_PER_DEG), Math.cos(latitude * RAD_PER_DEG)];
  for (let declination = -MOST_DECLINATION_DEG; declination <= MOST_DECLINATION_DEG; declination += 0.5) {
    const [sinSun, cosSun] = [Math.sin(declination * RAD_PER_DEG), Math.cos(declination * RAD_PER_DEG)];
    for (let hourAngle = -180; hourAngle < 180; hourAngle += 0.5) {
      const cosHour = Math.cos(hourAngle * RAD_PER_DEG);
      if (sinPlace * sinSun + cosPlace * cosSun * cosHour < Math.sin(-RAD_PER_DEG)) continue;
      const east = -cosSun * Math.sin(hourAngle * RAD_PER_DEG);
      const north = cosPlace * sinSun - sinPlace * cosSun * cosHour;
      const bearing = Math.round((Math.atan2(east, north) / RAD_PER_DEG) * (HORIZON_BEARINGS / 360));
      for (let k = bearing - MARGIN; k <= bearing + MARGIN; k++) mask[(k + 2 * HORIZON_BEARINGS) % HORIZON_BEARINGS] = 1;
    }
  }
  return mask;
}
