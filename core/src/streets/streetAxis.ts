import { EYE_HEIGHT_M } from '../optics/index.js';
import { type Building, readPrism } from '../light/index.js';
import { checkOptions, RAD_PER_DEG } from '../units/index.js';
import { castRay } from './horizon/castRay.js';

/** A street as its walls show it from a place in it. */
export interface StreetShape {
  /** The way it runs, 0 <= axisDeg < 180. */
  readonly axisDeg: number;
  readonly widthM: number;
  /** From the place to the wall on its left. */
  readonly leftM: number;
  readonly leftHeightM: number;
  readonly rightHeightM: number;
}

const FARTHEST_M = 150;

/**
 * The street round a place: its axis is the direction in which one sees farthest both ways, its width the distance between
 * the walls across it (the median over ±15°, each brought square to the axis). Where the axis is known from elsewhere it is taken
 * as given. Null where it has no wall on one side.
 */
export function streetShape(options: {
  readonly buildings: readonly Building[];
  readonly eastM: number;
  readonly northM: number;
  readonly axisDeg?: number;
}): StreetShape | null {
  checkOptions('options', options);
  const { buildings, eastM, northM } = options;
  const prisms = buildings
    .map((building, k) => readPrism(building, `buildings[${k}]`))
    .filter(
      ({ minX, maxX, minY, maxY }) =>
        Math.hypot(Math.max(minX - eastM, 0, eastM - maxX), Math.max(minY - northM, 0, northM - maxY)) <= FARTHEST_M,
    );
  const from = { eastM, northM, heightM: EYE_HEIGHT_M };
  const looks = Array.from({ length: 360 }, (_, bearingDeg) => {
    const hit = castRay({ from, bearingDeg, elevationDeg: 0, groundM: 0, prisms });
    if (hit.kind !== 'wall') return { freeM: FARTHEST_M, prism: null };
    const freeM = Math.hypot(hit.point.eastM - eastM, hit.point.northM - northM);
    return { freeM: Math.min(freeM, FARTHEST_M), prism: prisms[Number(hit.face.split('.')[0])] ?? null };
  });
  const at = (bearingDeg: number): (typeof looks)[number] => looks[((bearingDeg % 360) + 360) % 360] as (typeof looks)[number];
  const through = (bearingDeg: number): number => at(bearingDeg).freeM + at(bearingDeg + 180).freeM;
  const axisDeg = options.axisDeg === undefined ? middleOfBest(through) : Math.round(options.axisDeg) % 180;
  const side = (turn: number): { freeM: number; heightM: number } | null => {
    const near = Array.from({ length: 31 }, (_, k) => k - 15).flatMap((off) => {
      const { freeM, prism } = at(axisDeg + turn + off);
      return prism === null ? [] : [{ freeM: freeM * Math.cos(off * RAD_PER_DEG), heightM: prism.heightM }];
    });
    return near.length === 0
      ? null
      : (near.sort((a, b) => a.freeM - b.freeM)[near.length >> 1] as { freeM: number; heightM: number });
  };
  const [left, right] = [side(-90), side(90)];
  if (left === null || right === null) return null;
  return { axisDeg, widthM: left.freeM + right.freeM, leftM: left.freeM, leftHeightM: left.heightM, rightHeightM: right.heightM };
}

/** The middle of the run of bearings in which one sees nearly as far as in the best. */
function middleOfBest(through: (bearingDeg: number) => number): number {
  const longest = Math.max(...Array.from({ length: 180 }, (_, k) => through(k)));
  const best = Array.from({ length: 180 }, (_, k) => k).find((k) => through(k) === longest) ?? 0;
  const isLong = (bearingDeg: number): boolean => through(bearingDeg) >= 0.95 * longest;
  let [from, to] = [best, best];
  while (isLong(from - 1) && best - from < 45) from--;
  while (isLong(to + 1) && to - best < 45) to++;
  return ((Math.round((from + to) / 2) % 180) + 180) % 180;
}
