import type { Prism } from '../../light/index.js';
import { floorsInto, isCovered, look, octantOf, OCTANTS, WITHIN_THREE_OCTANTS } from './hiddenPrisms.js';
import {
  type BearingMask,
  EVERY_BEARING,
  HORIZON_BEARINGS,
  type Horizons,
  SHUT,
  type SpotPoint,
  TENTHS_PER_RADIAN,
} from './horizon.js';
import { blockSpan, type Station, bearingTenths } from './raiseHorizon.js';

/** Horizons measured: every prism there is against every place, as few of them as can be told apart. docs/formulas.md#horizon. */

/** Prisms are taken in belts round the points: from the second on, only those that can be seen over what is nearer. */
const BELTS_M = [12, 25, 50, 90, 150, 250, 400, Infinity] as const;

interface Circle {
  readonly eastM: number;
  readonly northM: number;
  readonly radiusM: number;
}

function circleRound(stations: readonly Station[]): Circle {
  const easts = stations.map(({ eastM }) => eastM);
  const norths = stations.map(({ northM }) => northM);
  const middle = (values: readonly number[]): number =>
    (values.reduce((a, b) => Math.min(a, b)) + values.reduce((a, b) => Math.max(a, b))) / 2;
  const [eastM, northM] = [middle(easts), middle(norths)];
  const radiusM = stations.reduce((most, station) => Math.max(most, Math.hypot(station.eastM - eastM, station.northM - northM)), 0);
  return { eastM, northM, radiusM };
}

/** The belt that a prism's nearest point lies in. */
function beltOf({ minX, minY, maxX, maxY }: Prism, { eastM, northM, radiusM }: Circle): number {
  const [dx, dy] = [Math.max(minX - eastM, 0, eastM - maxX), Math.max(minY - northM, 0, northM - maxY)];
  const gapM = Math.sqrt(dx * dx + dy * dy) - radiusM;
  let belt = 0;
  while (gapM > (BELTS_M[belt] as number)) belt++;
  return belt;
}
const AT_ONCE = 64;
/** Takes what nobody asks for. */
const NOWHERE = new Float32Array(HORIZON_BEARINGS);

function stationAt({ eastM, northM, heightM }: SpotPoint, aboveM: number | null, mask: BearingMask): Station {
  return {
    eastM,
    northM,
    lowM: heightM,
    highM: aboveM === null ? null : heightM + aboveM,
    low: new Float32Array(HORIZON_BEARINGS),
    high: aboveM === null ? NOWHERE : new Float32Array(HORIZON_BEARINGS),
    overLow: [],
    overHigh: [],
    mask,
  };
}

function* measure(stations: readonly Station[], prisms: readonly Prism[]): Generator<number> {
  if (stations.length === 0 || prisms.length === 0) return;
  const around = circleRound(stations);
  const belts: Prism[][] = BELTS_M.map(() => []);
  for (const prism of prisms) (belts[beltOf(prism, around)] as Prism[]).push(prism);
  for (const [belt, inBelt] of belts.entries()) {
    if (inBelt.length === 0) continue;
    const seen = belt === 0 || inBelt.length < FEW ? inBelt : visibleFrom(inBelt, stations, around);
    const circles = circlesOf(seen);
    for (let k = 0; k < stations.length && seen.length > 0; k++) {
      blockAll(seen, circles, stations[k] as Station, belt > 0);
      if (k % AT_ONCE === AT_ONCE - 1) yield (belt + k / stations.length) / BELTS_M.length;
    }
  }
}

function horizonsOf(
  stations: readonly Station[],
  of: (station: Station) => readonly [tangents: Float32Array, over: readonly number[]],
): Horizons {
  const groundTenths = new Uint16Array(stations.length * HORIZON_BEARINGS);
  const hanging = stations.map((station, k) => {
    const ground = groundTenths.subarray(k * HORIZON_BEARINGS, (k + 1) * HORIZON_BEARINGS);
    const [tangents, over] = of(station);
    const { mask } = station;
    for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
      const tangent = tangents[bearing] as number;
      if (tangent > 0 && mask[bearing] === 1)
        ground[bearing] = tangent === Infinity ? SHUT : Math.round(Math.atan(tangent) * TENTHS_PER_RADIAN);
    }
    return bearingTenths(over, ground);
  });
  return { groundTenths, hanging };
}

/**
 * The horizons of points among prisms, in steps: yields the share that is done, so that a worker can say so and stop.
 * Bearings outside the mask, which may be each point's own, are left open. Heights are above the same level as the prisms'.
 */
export function* horizonSteps(
  points: readonly SpotPoint[],
  prisms: readonly Prism[],
  mask: BearingMask | ((point: number) => BearingMask) = EVERY_BEARING,
): Generator<number, Horizons> {
  const stations = points.map((point, k) => stationAt(point, null, typeof mask === 'function' ? mask(k) : mask));
  yield* measure(stations, prisms);
  return horizonsOf(stations, ({ low, overLow }) => [low, overLow]);
}

/** The same from each point and from `aboveM` over it, in one pass: the walls and their bearings are the same. */
export function* twoHorizonSteps(
  points: readonly SpotPoint[],
  aboveM: number,
  prisms: readonly Prism[],
  mask: BearingMask = EVERY_BEARING,
): Generator<number, readonly [low: Horizons, high: Horizons]> {
  const stations = points.map((point) => stationAt(point, aboveM, mask));
  yield* measure(stations, prisms);
  return [
    horizonsOf(stations, ({ low, overLow }) => [low, overLow]),
    horizonsOf(stations, ({ high, overHigh }) => [high, overHigh]),
  ];
}

/** The prisms that some station may see over what is nearer; those that hang in the air hide nothing and are always kept. */
function visibleFrom(prisms: readonly Prism[], stations: readonly Station[], around: Circle): readonly Prism[] {
  const least = leastOf(stations, ({ low }) => low);
  const leastHigh = stations[0]?.highM === null ? null : leastOf(stations, ({ high }) => high);
  const lowestM = stations.reduce((lowest, { lowM }) => Math.min(lowest, lowM), Infinity);
  const lowestHighM = stations.reduce((lowest, { highM }) => Math.min(lowest, highM ?? Infinity), Infinity);
  return prisms.filter(({ midX, midY, radiusM, heightM }) => {
    const [dx, dy] = [midX - around.eastM, midY - around.northM];
    const apartM = Math.sqrt(dx * dx + dy * dy);
    const nearestM = apartM - radiusM - around.radiusM;
    if (nearestM <= 0) return true;
    look(dx, dy, (radiusM + around.radiusM) / apartM);
    if (!isCovered(least, (heightM - lowestM) / nearestM, EVERY_BEARING)) return true;
    return leastHigh !== null && !isCovered(leastHigh, (heightM - lowestHighM) / nearestM, EVERY_BEARING);
  });
}

/** By bearing, the least that any of the stations has blocked there; where none of them looks, everything. */
function leastOf(stations: readonly Station[], of: (station: Station) => Float32Array): Float32Array {
  const least = new Float32Array(HORIZON_BEARINGS).fill(Infinity);
  for (const station of stations) {
    const [mine, { mask }] = [of(station), station];
    for (let bearing = 0; bearing < HORIZON_BEARINGS; bearing++) {
      if (mask[bearing] === 1 && (mine[bearing] as number) < (least[bearing] as number)) least[bearing] = mine[bearing] as number;
    }
  }
  return least;
}

/** So few prisms are looked at one by one as soon as anything is said of all of them. */
const FEW = 80;

/** What blockAll asks of every prism, side by side: middle east and north, radius, height. */
const PER_CIRCLE = 4;

function circlesOf(prisms: readonly Prism[]): Float64Array {
  const circles = new Float64Array(prisms.length * PER_CIRCLE);
  prisms.forEach(({ midX, midY, radiusM, heightM }, k) => circles.set([midX, midY, radiusM, heightM], k * PER_CIRCLE));
  return circles;
}

const floorsLow = new Float64Array(OCTANTS);
const floorsHigh = new Float64Array(OCTANTS);

/** Blocks what a belt's prisms block; from the second belt on, only those that rise over what nearer ones do. */
function blockAll(prisms: readonly Prism[], circles: Float64Array, station: Station, mayHide: boolean): void {
  const { eastM, northM, lowM, low, high, mask } = station;
  const highM = station.highM ?? Infinity;
  const hasFloors = mayHide && prisms.length >= FEW;
  if (hasFloors) {
    floorsInto(floorsLow, low, mask);
    if (highM < Infinity) floorsInto(floorsHigh, high, mask);
  }
  for (let k = 0, at = 0; k < prisms.length; k++, at += PER_CIRCLE) {
    const heightM = circles[at + 3] as number;
    let seesLow = heightM > lowM;
    let seesHigh = heightM > highM;
    if (mayHide && (seesLow || seesHigh)) {
      const dx = (circles[at] as number) - eastM;
      const dy = (circles[at + 1] as number) - northM;
      const radiusM = circles[at + 2] as number;
      const apartM = Math.sqrt(dx * dx + dy * dy);
      const nearestM = apartM - radiusM;
      if (nearestM > 0) {
        const topLow = (heightM - lowM) / nearestM;
        const topHigh = (heightM - highM) / nearestM;
        if (hasFloors && radiusM < WITHIN_THREE_OCTANTS * apartM) {
          const octant = octantOf(dx, dy);
          seesLow = seesLow && topLow > (floorsLow[octant] as number);
          seesHigh = seesHigh && topHigh > (floorsHigh[octant] as number);
          if (!seesLow && !seesHigh) continue;
        }
        look(dx, dy, radiusM / apartM);
        seesLow = seesLow && !isCovered(low, topLow, mask);
        seesHigh = seesHigh && !isCovered(high, topHigh, mask);
      }
    }
    if (seesLow || seesHigh) blockSpan(prisms[k] as Prism, station, mask, seesLow, seesHigh);
  }
}
