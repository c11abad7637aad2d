import { shareLeftOut, type Subject } from '../../stop/index.js';
import type { Crowd, DepthAndMotion } from './crowd.js';
import type { TimeGrid } from './timeGrid.js';
import { type WeightedZone, zoneTable } from './zoneTable.js';

/** Half of a zone left out, in 1/distance, leaves nothing of the picture. */
const LOST_PER_SHARE = 2;

/** What is left of a picture of all of a zone: 1 − 2·(the share of it that is not sharp), not under 0. */
function coverOf(zones: readonly WeightedZone[], wanted: Pick<Subject, 'nearM' | 'farM'>): number {
  return zones.reduce((sum, { weight, sharp }) => sum + weight * Math.max(0, 1 - LOST_PER_SHARE * shareLeftOut(wanted, sharp)), 0);
}

/**
 * For pictures of all of it, from near to far: what is sharp has to cover the zone, whoever may stand where, so that depth and
 * motion are apart. Source: docs/formulas.md#zone.
 */
export function coverTable(
  crowd: Crowd,
  zones: readonly (readonly WeightedZone[])[],
  wanted: Pick<Subject, 'nearM' | 'farM'>,
  grid: TimeGrid,
): DepthAndMotion {
  const { motion } = zoneTable(crowd, [], grid);
  const depth = Float64Array.from(zones, (zone) => coverOf(zone, wanted));
  const joint = new Float64Array(zones.length * grid.count);
  depth.forEach((share, zone) => {
    for (let time = 0; time < grid.count; time++) joint[zone * grid.count + time] = share * (motion[time] as number);
  });
  return { grid, joint, motion, depth };
}
