import type { District } from '../../streets/index.js';
import { MOST_CORNERS_IN_ALL } from './limits.js';

/** Corners of all outlines of a district: its houses with their courtyards, and its waters. */
function cornersOf({ buildings, waters }: District): number {
  const inHouses = buildings.reduce(
    (sum, { footprint, courtyards = [] }) => courtyards.reduce((all, ring) => all + ring.length, sum + footprint.length),
    0,
  );
  return waters.reduce((sum, ring) => sum + ring.length, inHouses);
}

/** Whether districts may be held together: whatever is held can be written to one archive, and read again. */
export function fitTogether(districts: readonly District[]): boolean {
  return districts.reduce((sum, district) => sum + cornersOf(district), 0) <= MOST_CORNERS_IN_ALL;
}

export const NO_ROOM = `Together the districts would have more than ${MOST_CORNERS_IN_ALL / 1e6} million corners of buildings and water, more than one file of yours can hold. Leave one out.`;
