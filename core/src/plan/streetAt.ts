import { EYE_HEIGHT_M } from '../optics/index.js';
import type { Pavement, Stop } from '../stop/index.js';
import { castRay, type District, footOn, type Point, streetShape, type Way, type WayKind } from '../streets/index.js';
import { readPrism } from '../light/index.js';
import { DEG_PER_RAD } from '../units/index.js';

/** The street that a place lies in, as a map and its walls have it. */
export interface Street {
  /** Null: the map does not name it, or has no streets. */
  readonly name: string | null;
  /** Null: known by its walls alone. */
  readonly kind: WayKind | null;
  /** The way it runs, 0 <= axisDeg < 180, whole degrees. */
  readonly axisDeg: number;
  /** Between the walls, else as the map says; null where neither is known. Tenths of a metre. */
  readonly widthM: number | null;
  /** Where across it the place lies, as one sees it who looks along the axis. */
  readonly side: Pavement;
}

/** Farther from its middle than this one does not stand in a lane (s); in a wider street, half its width. */
const IN_LANE_M = 15;
/** Farther from the middle than this share of the width one stands on a side (s). */
const SIDE_FROM_SHARE = 0.2;

interface Near {
  readonly way: Way;
  readonly offsetM: number;
  readonly axisDeg: number;
  /** To the right of the axis, metres. */
  readonly rightM: number;
  readonly foot: Point;
}

function nearestOn(way: Way, at: Point): Near | null {
  let nearest: Near | null = null;
  for (let k = 1; k < way.points.length; k++) {
    const [from, to] = [way.points[k - 1] as readonly [number, number], way.points[k] as readonly [number, number]];
    const [dx, dy] = [to[0] - from[0], to[1] - from[1]];
    const { offsetM, ...foot } = footOn(from, to, at);
    if ((dx === 0 && dy === 0) || (nearest !== null && offsetM >= nearest.offsetM)) continue;
    const bearing = Math.atan2(dx, dy) * DEG_PER_RAD;
    const axisDeg = ((bearing % 180) + 180) % 180;
    const turned = Math.abs(((bearing - axisDeg + 540) % 360) - 180) < 90 ? 1 : -1;
    const rightM = (turned * ((at.eastM - from[0]) * dy - (at.northM - from[1]) * dx)) / Math.hypot(dx, dy);
    nearest = { way, offsetM, axisDeg, rightM, foot };
  }
  return nearest;
}

const reachOf = ({ widthM = 0 }: Way): number => Math.max(IN_LANE_M, widthM / 2);

/** The nearest street from which no wall divides the place. */
function wayAt({ ways = [], buildings }: Pick<District, 'ways' | 'buildings'>, at: Point): Near | null {
  const near = ways
    .flatMap((way) => nearestOn(way, at) ?? [])
    .filter(({ way, offsetM }) => offsetM <= reachOf(way))
    .sort((a, b) => a.offsetM - b.offsetM);
  if (near.length === 0) return null;
  const prisms = buildings
    .map((building, k) => readPrism(building, `buildings[${k}]`))
    .filter(({ midX, midY, radiusM }) => Math.hypot(midX - at.eastM, midY - at.northM) - radiusM <= (near.at(-1)?.offsetM ?? 0));
  const isFree = ({ offsetM, foot }: Near): boolean => {
    const bearingDeg = Math.atan2(foot.eastM - at.eastM, foot.northM - at.northM) * DEG_PER_RAD;
    const hit = castRay({ from: { ...at, heightM: EYE_HEIGHT_M }, bearingDeg, elevationDeg: 0, groundM: 0, prisms });
    return hit.kind !== 'wall' || Math.hypot(hit.point.eastM - at.eastM, hit.point.northM - at.northM) >= offsetM;
  };
  return near.find(isFree) ?? null;
}

function sideOf(rightM: number, widthM: number | null): Pavement {
  const share = widthM === null || widthM === 0 ? 0 : rightM / widthM;
  if (Math.abs(share) < SIDE_FROM_SHARE) return 'middle';
  return share < 0 ? 'left' : 'right';
}

/** The street at a place, by the map's streets, else by the walls alone; null where neither shows one. */
export function streetAt(district: Pick<District, 'buildings' | 'ways'>, at: Point): Street | null {
  const near = wayAt(district, at);
  const walls = streetShape({ buildings: district.buildings, ...at, ...(near === null ? {} : { axisDeg: near.axisDeg }) });
  if (near === null && walls === null) return null;
  const widthM = walls?.widthM ?? near?.way.widthM ?? null;
  const rightM = walls === null ? (near?.rightM ?? 0) : walls.leftM - walls.widthM / 2;
  return {
    name: near?.way.name ?? null,
    kind: near?.way.kind ?? null,
    axisDeg: Math.round(near?.axisDeg ?? walls?.axisDeg ?? 0) % 180,
    widthM: widthM === null ? null : Math.round(widthM * 10) / 10,
    side: sideOf(rightM, widthM),
  };
}

/** The stop with the street that the map has where it stands; the camera keeps its look. */
export function withStreet(stop: Stop, { axisDeg, widthM, side }: Street): Stop {
  return { ...stop, streetAxisDeg: axisDeg, streetWidthM: widthM ?? stop.streetWidthM, pavement: side };
}

/** Closer than a map is drawn (s). */
const SAME_AXIS_DEG = 4;
const SAME_WIDTH_M = 0.5;

/** Whether a stop has its street as the map has it; a street has no direction, 10 and 190 degrees are one axis. */
export function isStreetOf(stop: Stop, { axisDeg, widthM, side }: Street): boolean {
  const turnDeg = (((stop.streetAxisDeg - axisDeg) % 180) + 180) % 180;
  const isAxis = Math.min(turnDeg, 180 - turnDeg) <= SAME_AXIS_DEG;
  const isWidth = widthM === null || Math.abs(stop.streetWidthM - widthM) <= SAME_WIDTH_M;
  return isAxis && isWidth && stop.pavement === side;
}
