import { RAD_PER_DEG } from '../../units/index.js';
import { isStrictlyInside, type Prism } from '../../light/index.js';
import type { SpotPoint } from './horizon.js';
const TOUCH_M = 1e-6;

/** What a look in one direction meets first. */
export type RayHit =
  | { readonly kind: 'sky' }
  | { readonly kind: 'ground'; readonly point: SpotPoint }
  /** Water seen so flat that it mirrors the sky. */
  | { readonly kind: 'water' }
  /** The underside of an arch or overhang: never in the sun. */
  | { readonly kind: 'ceiling' }
  /** `face` names the wall: number of the prism and of its edge. `normalDeg` is the bearing that it looks to. */
  | {
      readonly kind: 'wall';
      readonly point: SpotPoint;
      readonly normalDeg: number;
      readonly face: string;
      readonly edge: WallEdge;
    };

/** A wall from end to end, metres. */
export interface WallEdge {
  readonly ax: number;
  readonly ay: number;
  readonly bx: number;
  readonly by: number;
  readonly baseM: number;
  readonly topM: number;
}

interface Crossing {
  readonly distanceM: number;
  readonly face: string;
  /** The wall's first end and what leads from it to the other, seen from where the look begins. */
  readonly ax: number;
  readonly ay: number;
  readonly edgeX: number;
  readonly edgeY: number;
}

function crossingsOf(prism: Prism, number: number, { eastM, northM }: SpotPoint, dx: number, dy: number): Crossing[] {
  const met: Crossing[] = [];
  prism.rings.forEach((ring, r) => {
    for (let k = 0, before = ring.length - 2; k < ring.length; before = k, k += 2) {
      const ax = (ring[before] as number) - eastM;
      const ay = (ring[before + 1] as number) - northM;
      const edgeX = (ring[k] as number) - eastM - ax;
      const edgeY = (ring[k + 1] as number) - northM - ay;
      const across = dx * edgeY - dy * edgeX;
      if (across === 0) continue;
      const distanceM = (ax * edgeY - ay * edgeX) / across;
      const share = (ax * dy - ay * dx) / across;
      if (distanceM > TOUCH_M && share >= 0 && share < 1)
        met.push({ distanceM, face: `${number}.${r}.${k / 2}`, ax, ay, edgeX, edgeY });
    }
  });
  return met.sort((a, b) => a.distanceM - b.distanceM);
}

/** The bearing that a wall met from direction (dx, dy) looks to. */
function facing({ edgeX, edgeY }: Crossing, dx: number, dy: number): number {
  const [nx, ny] = edgeX * -dy + edgeY * dx > 0 ? [-edgeY, edgeX] : [edgeY, -edgeX];
  return (Math.atan2(nx, ny) / RAD_PER_DEG + 360) % 360;
}

interface FirstHit {
  readonly distanceM: number;
  readonly hit: (point: SpotPoint) => RayHit;
}

/** First meeting with one prism: a wall between base and roof, its underside from below, its roof from above. */
function firstHit(prism: Prism, number: number, from: SpotPoint, dx: number, dy: number, slope: number): FirstHit | null {
  const met = crossingsOf(prism, number, from, dx, dy);
  const startsInside = met.length % 2 === 1;
  for (let k = 0; k < met.length; k++) {
    const crossing = met[k] as Crossing;
    const entersHere = (k % 2 === 0) !== startsInside;
    const heightM = from.heightM + slope * crossing.distanceM;
    if (entersHere && heightM > prism.baseM && heightM < prism.heightM) {
      const normalDeg = facing(crossing, dx, dy);
      const edge = wallEdge(prism, from, crossing);
      return { distanceM: crossing.distanceM, hit: (point) => ({ kind: 'wall', point, normalDeg, face: crossing.face, edge }) };
    }
    if (entersHere) continue;
    const enteredM = k === 0 ? 0 : (met[k - 1] as Crossing).distanceM;
    const wasAtM = from.heightM + slope * enteredM;
    if (wasAtM <= prism.baseM && heightM > prism.baseM) {
      return { distanceM: (prism.baseM - from.heightM) / slope, hit: () => ({ kind: 'ceiling' }) };
    }
    if (wasAtM >= prism.heightM && heightM < prism.heightM) {
      return { distanceM: (prism.heightM - from.heightM) / slope, hit: (point) => ({ kind: 'ground', point }) };
    }
  }
  return null;
}

function wallEdge({ baseM, heightM: topM }: Prism, { eastM, northM }: SpotPoint, { ax, ay, edgeX, edgeY }: Crossing): WallEdge {
  const [x, y] = [ax + eastM, ay + northM];
  return { ax: x, ay: y, bx: x + edgeX, by: y + edgeY, baseM, topM };
}

/** A hair in front of the wall, so that the wall itself does not stand in its own light. */
const BEFORE_WALL_M = 1e-3;

/** Flatter than this, water shows the sky and nothing of itself. */
const MIRROR_UNDER_DEG = 10;

/** What a look from a point in a direction meets: a building, the level ground or water at `groundM`, or the sky. */
export function castRay({
  from,
  bearingDeg,
  elevationDeg,
  groundM,
  prisms,
  waters = [],
}: {
  readonly from: SpotPoint;
  readonly bearingDeg: number;
  readonly elevationDeg: number;
  readonly groundM: number;
  readonly prisms: readonly Prism[];
  /** Outlines of water, as prisms of any height. */
  readonly waters?: readonly Prism[];
}): RayHit {
  const [dx, dy] = [Math.sin(bearingDeg * RAD_PER_DEG), Math.cos(bearingDeg * RAD_PER_DEG)];
  const slope = Math.tan(elevationDeg * RAD_PER_DEG);
  const groundAtM = slope < 0 ? (groundM - from.heightM) / slope : Infinity;
  let first: FirstHit | null = null;
  let nearestM = groundAtM;
  for (let number = 0; number < prisms.length; number++) {
    const prism = prisms[number] as Prism;
    const middleX = prism.midX - from.eastM;
    const middleY = prism.midY - from.northM;
    if (Math.abs(middleX * dy - middleY * dx) > prism.radiusM) continue;
    const along = middleX * dx + middleY * dy;
    // Behind the look, or farther than what it has met already.
    if (along < -prism.radiusM || along - prism.radiusM > nearestM) continue;
    const met = firstHit(prism, number, from, dx, dy, slope);
    if (met === null || met.distanceM >= nearestM) continue;
    first = met;
    nearestM = met.distanceM;
  }
  const distanceM = first === null ? groundAtM : first.distanceM - BEFORE_WALL_M;
  if (distanceM === Infinity) return { kind: 'sky' };
  const point = {
    eastM: from.eastM + distanceM * dx,
    northM: from.northM + distanceM * dy,
    heightM: from.heightM + slope * distanceM,
  };
  const isMirror =
    first === null &&
    elevationDeg > -MIRROR_UNDER_DEG &&
    waters.some((water) => isStrictlyInside(water, point.eastM, point.northM));
  if (isMirror) return { kind: 'water' };
  return first === null ? { kind: 'ground', point: { ...point, heightM: groundM } } : first.hit(point);
}
