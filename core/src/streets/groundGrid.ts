import { EYE_HEIGHT_M } from '../optics/index.js';
import { RAD_PER_DEG } from '../units/index.js';
import { isStrictlyInside, passesThrough, type Prism } from '../light/index.js';
import type { SpotPoint } from './horizon/horizon.js';

/** The ground in front of the camera: 24 x 24 cells of half a metre; docs/formulas.md#ground-grid. */
export const GRID_SIDE = 24;
export const CELL_M = 0.5;
export const GRID_CELLS = GRID_SIDE * GRID_SIDE;

/** Metres ahead of the camera of row `row`, and to its right of column `column`. */
export const aheadOf = (row: number): number => CELL_M / 2 + CELL_M * row;
export const asideOf = (column: number): number => CELL_M / 2 + CELL_M * column - (GRID_SIDE * CELL_M) / 2;

export interface Camera {
  readonly eastM: number;
  readonly northM: number;
  /** Height of the ground it stands on. */
  readonly groundM: number;
  readonly shootingBearingDeg: number;
  readonly halfFieldDeg: number;
  /** The frame's long side upright; lying by default. */
  readonly isFrameUpright?: boolean;
}

/** Where the camera is held. */
export function eyeOf({ eastM, northM, groundM }: Camera): SpotPoint {
  return { eastM, northM, heightM: groundM + EYE_HEIGHT_M };
}

/** The place `aheadM` in front of the camera and `asideM` to its right. */
export function placeBefore(camera: Camera, aheadM: number, asideM: number, aboveGroundM: number): SpotPoint {
  const [sin, cos] = [Math.sin(camera.shootingBearingDeg * RAD_PER_DEG), Math.cos(camera.shootingBearingDeg * RAD_PER_DEG)];
  return {
    eastM: camera.eastM + aheadM * sin + asideM * cos,
    northM: camera.northM + aheadM * cos - asideM * sin,
    heightM: camera.groundM + aboveGroundM,
  };
}

/** Cell centres at one height, rows ahead, columns from left to right. */
export function gridPoints(camera: Camera, aboveGroundM: number): SpotPoint[] {
  return Array.from({ length: GRID_CELLS }, (_, cell) =>
    placeBefore(camera, aheadOf(Math.floor(cell / GRID_SIDE)), asideOf(cell % GRID_SIDE), aboveGroundM),
  );
}

/** From the camera to the farthest cell. */
const GRID_REACH_M = GRID_SIDE * CELL_M * Math.hypot(1, 0.5);

function boxGapM({ minX, minY, maxX, maxY }: Prism, { eastM, northM }: Camera): number {
  return Math.hypot(Math.max(minX - eastM, 0, eastM - maxX), Math.max(minY - northM, 0, northM - maxY));
}

/** 1 for the cells in the field of view, outside buildings and in line of sight from the eye. */
export function seenCells(camera: Camera, prisms: readonly Prism[]): Uint8Array {
  const heightM = camera.groundM + EYE_HEIGHT_M;
  const inTheWay = prisms.filter(
    (prism) => prism.baseM < heightM && prism.heightM > heightM && boxGapM(prism, camera) <= GRID_REACH_M,
  );
  return Uint8Array.from(gridPoints(camera, EYE_HEIGHT_M), (point, cell) => {
    const aheadM = aheadOf(Math.floor(cell / GRID_SIDE));
    const asideM = asideOf(cell % GRID_SIDE);
    if (Math.abs(Math.atan2(asideM, aheadM)) > camera.halfFieldDeg * RAD_PER_DEG) return 0;
    const apartM = Math.hypot(aheadM, asideM);
    const ray = {
      x: camera.eastM,
      y: camera.northM,
      dx: (point.eastM - camera.eastM) / apartM,
      dy: (point.northM - camera.northM) / apartM,
    };
    const hides = (prism: Prism): boolean =>
      isStrictlyInside(prism, point.eastM, point.northM) || passesThrough(prism, ray, 0, apartM);
    return inTheWay.some(hides) ? 0 : 1;
  });
}
