import type { District } from '../../streets/index.js';
import { MOST_CORNERS_IN_ALL } from './limits.js';

/** Corners of all lines of a district: its houses with their courtyards, its waters and its streets. */
function cornersOf({ buildings, waters, ways = [] }: District): number {
  const inHouses = buildings.reduce(
    (sum, { footprint, courtyards = [] }) => courtyards.reduce((all, ring) => all + ring.length, sum + footprint.length),
    0,
  );
  const inWaters = waters.reduce((sum, ring) => sum + ring.length, inHouses);
  return ways.reduce((sum, { points }) => sum + points.length, inWaters);
}

/** Whether districts may be held together: whatever is held can be written to one archive, and read again. */
export function fitTogether(districts: readonly District[]): boolean {
  return districts.reduce((sum, district) => sum + cornersOf(district), 0) <= MOST_CORNERS_IN_ALL;
}

export const NO_ROOM = `Together the districts would have more than ${MOST_CORNERS_IN_ALL / 1e6} million corners of buildings, water and streets, more than one file of yours can hold. Leave one out.`;
