import { RAD_PER_DEG } from '../../units/index.js';
import { type Crowd, type DepthAndMotion, HALF_EXTENT_M } from './crowd.js';
import { scoreOf } from './distances.js';
import { normalBelowFast } from './normalTable.js';
import type { SmearRule } from './smear.js';
import { log2TimeOf, type TimeGrid } from './timeGrid.js';

/** How the centre point is used: locked at u, turned by an angle, and late. */
export interface CentrePoint {
  readonly offsetDeg: number;
  readonly delayS: number;
}

const SPEED_NODES = 25;
const SPEED_REACH = 3.5;

interface Way {
  readonly speedMps: number;
  readonly radians: number;
  readonly weight: number;
}

/** Every speed (standing for those below 0) with every direction, weights summing to 1. */
function ways({ speeds, angles }: Crowd): readonly Way[] {
  const scores = Array.from({ length: SPEED_NODES }, (_, k) => ((2 * k) / (SPEED_NODES - 1) - 1) * SPEED_REACH);
  const weights = scores.map((score) => Math.exp(-(score ** 2) / 2));
  const sum = weights.reduce((a, b) => a + b);
  return scores.flatMap((score, k) =>
    Array.from(angles.radians, (radians, j) => ({
      speedMps: Math.max(0, speeds.meanMps + score * speeds.spreadMps),
      radians,
      weight: ((weights[k] as number) / sum) * (angles.weights[j] as number),
    })),
  );
}

/** Ends of the intervals of one lock, ascending, and how many there are. Scratch, never shared out. */
const ends = new Float64Array(8);
let endCount = 0;

/** Keeps the ends in order as they come. */
function addEnd(u: number, least: number): void {
  if (!(u > least)) return;
  let k = endCount++;
  for (; k > 0 && (ends[k - 1] as number) > u; k--) ends[k] = ends[k - 1] as number;
  ends[k] = u;
}

/** Adds the roots of a·u² + b·u + c. */
function addRoots(a: number, b: number, c: number, least: number): void {
  const squared = b * b - 4 * a * c;
  if (squared <= 0) return;
  const root = Math.sqrt(squared);
  addEnd((-b - root) / (2 * a), least);
  addEnd((-b + root) / (2 * a), least);
}

/**
 * The lock distances u at which a subject is sharp after recomposing and moving on, interval by interval: with x = u·cos φ − d,
 * d = v·cos θ·τ, near(u) ≤ x ≤ far(u) where near, far = u/(1 ± κ(u − f)), κ = N·c/f². Both ends are quadratics in u, so that
 * the answer is a few intervals between their roots.
 */
function eachLockInterval(
  perM: number,
  focalM: number,
  cosOffset: number,
  shiftM: number,
  visit: (fromM: number, toM: number) => void,
): void {
  const a = cosOffset * perM;
  endCount = 0;
  addRoots(a, cosOffset * (1 - perM * focalM) - shiftM * perM - 1, -shiftM * (1 - perM * focalM), focalM);
  addRoots(a, 1 - cosOffset * (1 + perM * focalM) - shiftM * perM, shiftM * (1 + perM * focalM), focalM);
  addEnd(shiftM / cosOffset, focalM);
  let from = focalM;
  for (let k = 0; k <= endCount; k++) {
    const to = k === endCount ? Infinity : (ends[k] as number);
    const u = to === Infinity ? from * 2 + 1 : (from + to) / 2;
    const x = u * cosOffset - shiftM;
    const bend = perM * (u - focalM);
    if (to > from && x > 0 && x * (1 + bend) >= u && x * (1 - bend) <= u) visit(from, to);
    from = to;
  }
}

/** The same as a list. */
export function lockIntervalsM(zone: {
  readonly perM: number;
  readonly focalM: number;
  readonly cosOffset: number;
  readonly shiftM: number;
}): readonly (readonly [number, number])[] {
  const found: [number, number][] = [];
  eachLockInterval(zone.perM, zone.focalM, zone.cosOffset, zone.shiftM, (from, to) => found.push([from, to]));
  return found;
}

/** A direction as smear has it: squares of how far it goes across, and of how fast it grows. */
interface Course {
  readonly across: number;
  readonly along: number;
}

function courseOf(radians: number): Course {
  return { across: Math.sin(radians) ** 2, along: (HALF_EXTENT_M * Math.cos(radians)) ** 2 };
}

/** The distance beyond which a walker's smear stays under a limit: image speed x time = limit, solved for u. */
function smearBeyondM(
  focalLengthMm: number,
  speedMps: number,
  { across, along }: Course,
  limitMm: number,
  shutterS: number,
): number {
  const drawn = focalLengthMm * speedMps * shutterS;
  if (drawn === 0) return 0;
  const perM = limitMm / drawn;
  const focalM = focalLengthMm / 1000;
  const first = Math.sqrt((across + Math.sqrt(across * across + 4 * perM * perM * along)) / 2) / perM;
  const far = first + focalM;
  const second = Math.sqrt(across + along / (far * far)) / perM;
  return focalM + Math.sqrt(first * second);
}

/** The same for one walker. */
export function smearDistanceM(
  focalLengthMm: number,
  { speedMps, radians }: Omit<Way, 'weight'>,
  limitMm: number,
  shutterS: number,
): number {
  return smearBeyondM(focalLengthMm, speedMps, courseOf(radians), limitMm, shutterS);
}

/**
 * The table for the centre point, where the sharp zone goes with the distance locked at: for every speed and direction
 * the distances that are sharp and smeared as is wanted are intervals, whose shares the law of distances gives at once.
 * One zone an aperture; `allowancesMm` is the geometric blur that each aperture may have (null: diffraction exceeds c).
 */
export function centrePointTable(
  crowd: Crowd,
  { offsetDeg, delayS }: CentrePoint,
  apertures: readonly { readonly fNumber: number; readonly allowanceMm: number | null }[],
  grid: TimeGrid,
): DepthAndMotion {
  const { distances, focalLengthMm, smear } = crowd;
  const cosOffset = Math.cos(offsetDeg * RAD_PER_DEG);
  const shareBelow = (distanceM: number): number => normalBelowFast(scoreOf(distances, distanceM));
  const joint = new Float64Array(apertures.length * grid.count);
  const depth = new Float64Array(apertures.length);
  const motion = new Float64Array(grid.count);
  const [from, to] = [new Float64Array(grid.count), new Float64Array(grid.count)];

  const times = Float64Array.from({ length: grid.count }, (_, time) => 2 ** log2TimeOf(grid, time));
  const zones = apertures.map(({ fNumber, allowanceMm }) =>
    allowanceMm === null ? null : (1000 * fNumber * allowanceMm) / focalLengthMm ** 2,
  );
  const focalM = focalLengthMm / 1000;
  for (const way of ways(crowd)) {
    const isPanned = smear.kind === 'panned';
    const course = courseOf(isPanned ? (Math.sign(Math.sin(way.radians)) * Math.PI) / 2 : way.radians);
    const speedMps = isPanned ? way.speedMps * Math.abs(Math.sin(way.radians)) : way.speedMps;
    fillEdges(from, to, times, smear, (limitMm, shutterS) =>
      shareBelow(smearBeyondM(focalLengthMm, speedMps, course, limitMm, shutterS)),
    );
    for (let time = 0; time < grid.count; time++) {
      motion[time] = (motion[time] as number) + way.weight * Math.max(0, (to[time] as number) - (from[time] as number));
    }
    const shiftM = way.speedMps * Math.cos(way.radians) * delayS;
    let zone = 0;
    const take = (nearest: number, farthest: number): void => {
      const [low, high] = [shareBelow(nearest), shareBelow(farthest)];
      depth[zone] = (depth[zone] as number) + way.weight * (high - low);
      addShares(joint, zone * grid.count, from, to, low, high, way.weight);
    };
    for (; zone < zones.length; zone++) {
      const perM = zones[zone];
      if (typeof perM === 'number') eachLockInterval(perM, focalM, cosOffset, shiftM, take);
    }
  }
  return { grid, joint, depth, motion };
}

/** By time, the shares of the people nearer than whom all smear too much, and nearer than whom they smear as is wanted. */
function fillEdges(
  from: Float64Array,
  to: Float64Array,
  times: Float64Array,
  smear: SmearRule,
  edge: (limitMm: number, shutterS: number) => number,
): void {
  if (smear.kind === 'nothingMoves') {
    from.fill(0);
    to.fill(1);
    return;
  }
  if (smear.fromMm === 0) to.fill(1);
  for (let time = 0; time < times.length; time++) {
    const shutterS = times[time] as number;
    from[time] = edge(smear.toMm, shutterS);
    if (smear.fromMm !== 0) to[time] = edge(smear.fromMm, shutterS);
  }
}

/** Adds to a row, time by time, the share of the people between two shares who smear as is wanted. */
function addShares(
  joint: Float64Array,
  row: number,
  from: Float64Array,
  to: Float64Array,
  low: number,
  high: number,
  weight: number,
): void {
  // The longer the time, the farther away all smear too much: past the far end nobody is left.
  for (let time = 0; time < from.length && (from[time] as number) < high; time++) {
    const share = Math.min(high, to[time] as number) - Math.max(low, from[time] as number);
    if (share > 0) joint[row + time] = (joint[row + time] as number) + weight * share;
  }
}
