import { type BearingMask, HORIZON_BEARINGS, STEP } from './horizon.js';

/** What of prisms far away is hidden by what stands nearer, told from a circle round them. */

/** The bearings that a prism's circle takes up, as seen from a circle of places. Scratch, never shared out. */
const looked = { from: 0, to: 0 };

/** Half of the angle that a circle takes up, its sine given, or a little more than that: what it hides is then only more certain. */
function halfAngle(sine: number): number {
  return sine < 0.5 ? sine * (1 + 0.2 * sine * sine) : Math.asin(sine);
}

export function look(dx: number, dy: number, sine: number): void {
  const half = halfAngle(sine) / STEP + 1;
  const middle = Math.atan2(dx, dy) / STEP;
  looked.from = Math.floor(middle - half);
  looked.to = middle + half;
}

/** Whether at all bearings last looked at that matter, something nearer blocks at least as high. */
export function isCovered(tangents: Float32Array, highest: number, mask: BearingMask): boolean {
  for (let turn = looked.from; turn <= looked.to; turn++) {
    const bearing = turn < 0 ? turn + HORIZON_BEARINGS : turn >= HORIZON_BEARINGS ? turn - HORIZON_BEARINGS : turn;
    if (mask[bearing] === 1 && (tangents[bearing] as number) < highest) return false;
  }
  return true;
}

export const OCTANTS = 8;
const PER_OCTANT = HORIZON_BEARINGS / OCTANTS;
/** A circle with a smaller sine than this stays within its middle's octant and the two beside it. */
export const WITHIN_THREE_OCTANTS = 0.7;

/** The eighth of the compass that a direction lies in, clockwise from north. */
export function octantOf(dx: number, dy: number): number {
  if (dx >= 0) return dy >= 0 ? (dx <= dy ? 0 : 1) : dx >= -dy ? 2 : 3;
  return dy < 0 ? (dx >= dy ? 4 : 5) : -dx >= dy ? 6 : 7;
}

const oneOctant = new Float64Array(OCTANTS);

/** By octant, what is blocked at least over it and the two beside it: tells most of what is hidden without an angle. */
export function floorsInto(floors: Float64Array, tangents: Float32Array, mask: BearingMask): void {
  for (let octant = 0; octant < OCTANTS; octant++) {
    let least = Infinity;
    // A bearing on the border belongs to both.
    for (let k = 0; k <= PER_OCTANT; k++) {
      const bearing = (octant * PER_OCTANT + k) % HORIZON_BEARINGS;
      if (mask[bearing] === 1 && (tangents[bearing] as number) < least) least = tangents[bearing] as number;
    }
    oneOctant[octant] = least;
  }
  for (let octant = 0; octant < OCTANTS; octant++) {
    const [before, after] = [(octant + OCTANTS - 1) % OCTANTS, (octant + 1) % OCTANTS];
    floors[octant] = Math.min(oneOctant[before] as number, oneOctant[octant] as number, oneOctant[after] as number);
  }
}
