import { hashed } from './hash.js';

/**
 * Made-up façades: storeys, bays, windows, shutters, shops and doors by a hash of the house and its edge. Reflectances are
 * judgement; their mean over façades is the model's 0.35. Lengths in metres.
 */
export interface Facade {
  readonly plaster: number;
  /** Nothing but plaster, plinth and cornice. */
  readonly isBlank: boolean;
  readonly topM: number;
  readonly groundFloorM: number;
  readonly storeyM: number;
  readonly bayM: number;
  readonly marginM: number;
  readonly bays: number;
  readonly windowWidthM: number;
  readonly windowHeightM: number;
  readonly hasShutters: boolean;
  readonly isShop: boolean;
  readonly doorBay: number;
  readonly seed: number;
}

const PLASTER = { low: 0.3, high: 0.51 };
const BLANK_SHARE = 0.12;
const SHUTTER_SHARE = 0.4;
const SHOP_SHARE = 0.35;
const NARROWEST_M = 3;
const SILL_M = 0.85;
const PLINTH_M = 0.65;
const CORNICE_M = 0.35;
const COURSE_M = 0.14;
const TRIM_M = 0.12;
const REFLECTANCE = { glass: 0.05, shutter: 0.22, door: 0.12 } as const;

export function facadeOf(house: number, edge: number, lengthM: number, topM: number): Facade {
  const by = (n: number): number => hashed(house, edge, n);
  const ofHouse = (n: number): number => hashed(house, n, 77);
  const between = (share: number, low: number, high: number): number => low + share * (high - low);
  const bayM = between(ofHouse(1), 2.3, 3.2);
  const bays = Math.max(1, Math.floor(lengthM / bayM));
  return {
    plaster: between(ofHouse(2), PLASTER.low, PLASTER.high),
    isBlank: lengthM < NARROWEST_M || by(3) < BLANK_SHARE,
    topM,
    groundFloorM: between(ofHouse(4), 3.4, 4.1),
    storeyM: between(ofHouse(5), 2.9, 3.4),
    bayM,
    bays,
    marginM: (lengthM - bays * bayM) / 2,
    windowWidthM: between(ofHouse(6), 0.95, 1.2),
    windowHeightM: between(ofHouse(7), 1.35, 1.7),
    hasShutters: ofHouse(8) < SHUTTER_SHARE,
    isShop: by(9) < SHOP_SHARE,
    doorBay: Math.floor(by(10) * bays),
    seed: Math.floor(by(11) * 2 ** 30),
  };
}

/** Share of a stretch that a strip covers. */
function covered(from: number, to: number, low: number, high: number): number {
  const length = Math.min(to, high) - Math.max(from, low);
  return length <= 0 ? 0 : Math.min(1, length / (to - from));
}

/** The same of a strip that comes again with every period, for so many of them. */
function coveredAgain(from: number, to: number, low: number, high: number, period: number, count: number): number {
  const upTo = (at: number): number => {
    const turn = Math.min(count, Math.max(0, Math.floor(at / period)));
    const rest = turn === count ? 0 : Math.min(high - low, Math.max(0, at - turn * period - low));
    return turn * (high - low) + rest;
  };
  return Math.min(1, Math.max(0, (upTo(to) - upTo(from)) / (to - from)));
}

/** What a cell of a façade shows: how much of it is glass, and what the rest reflects; which room is behind, for its light. */
export interface FacadeCell {
  reflectance: number;
  glass: number;
  room: number;
}

/** A place on a façade, averaged over a cell: along the wall from `u0` to `u1`, up from `z0` to `z1`. */
export function facadeAt(facade: Facade, u0: number, u1: number, z0: number, z1: number, cell: FacadeCell): void {
  const { plaster, topM, isBlank } = facade;
  let own = plaster * (1 - 0.28 * covered(z0, z1, 0, PLINTH_M) + 0.12 * covered(z0, z1, topM - CORNICE_M, topM));
  own *= 1 - 0.25 * covered(z0, z1, topM - 2 * CORNICE_M, topM - CORNICE_M);
  cell.glass = 0;
  cell.room = 0;
  cell.reflectance = own;
  if (isBlank) return;
  const { groundFloorM, storeyM, bayM, bays, marginM, windowWidthM, windowHeightM, hasShutters, isShop, doorBay, seed } = facade;
  own *= 1 + 0.08 * covered(z0, z1, groundFloorM - COURSE_M, groundFloorM);
  const storeys = Math.max(0, Math.floor((topM - CORNICE_M - groundFloorM - 0.2) / storeyM));
  const isGroundFloor = (z0 + z1) / 2 < groundFloorM;
  const bay = Math.min(bays - 1, Math.max(0, Math.floor(((u0 + u1) / 2 - marginM) / bayM)));
  const middle = bayM / 2;
  const across = (width: number): number =>
    coveredAgain(u0 - marginM, u1 - marginM, middle - width / 2, middle + width / 2, bayM, bays);
  let [glass, trim, wood] = [0, 0, 0];
  if (isGroundFloor) {
    const isDoor = bay === doorBay;
    const [low, high, width] = isDoor
      ? [0, 2.2, 1.05]
      : isShop
        ? [0.55, 2.9, bayM * 0.8]
        : [1.05, 1.05 + windowHeightM, windowWidthM];
    const tall = covered(z0, z1, low, high);
    if (isDoor) wood = tall * across(width);
    else glass = tall * across(width);
    trim = covered(z0, z1, low - TRIM_M, high + TRIM_M) * across(width + 2 * TRIM_M) - tall * across(width);
    cell.room = isShop ? -1 - (seed % 1000) : 1 + bay;
  } else if (storeys > 0) {
    const up = (low: number, high: number): number =>
      coveredAgain(z0 - groundFloorM, z1 - groundFloorM, low, high, storeyM, storeys);
    const tall = up(SILL_M, SILL_M + windowHeightM);
    glass = tall * across(windowWidthM);
    trim = up(SILL_M - TRIM_M, SILL_M + windowHeightM + TRIM_M) * across(windowWidthM + 2 * TRIM_M) - glass;
    if (hasShutters) wood = Math.max(0, tall * across(2 * windowWidthM) - glass);
    const storey = Math.floor(((z0 + z1) / 2 - groundFloorM) / storeyM);
    cell.room = 1 + bay + 64 * (1 + storey);
  }
  trim = Math.max(0, Math.min(1 - glass - wood, trim));
  const solid = Math.max(1e-6, 1 - glass);
  cell.glass = glass;
  cell.reflectance =
    ((1 - glass - wood - trim) * own + wood * (isGroundFloor ? REFLECTANCE.door : REFLECTANCE.shutter) + trim * own * 1.15) / solid;
}

/** Mean reflectance of a wall by its own façade, glass counted with what it scatters. */
export function meanReflectance(facade: Facade, lengthM: number): number {
  const cell: FacadeCell = { reflectance: 0, glass: 0, room: 0 };
  const [columns, rows] = [60, 60];
  let sum = 0;
  for (let k = 0; k < columns * rows; k++) {
    const [column, row] = [k % columns, Math.floor(k / columns)];
    facadeAt(
      facade,
      (column / columns) * lengthM,
      ((column + 1) / columns) * lengthM,
      (row / rows) * facade.topM,
      ((row + 1) / rows) * facade.topM,
      cell,
    );
    sum += (1 - cell.glass) * cell.reflectance + cell.glass * REFLECTANCE.glass;
  }
  return sum / (columns * rows);
}
