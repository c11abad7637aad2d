import { aheadOf, asideOf, CELL_M, GRID_SIDE, type Outline } from '@roam-dial/core/streets';
import { RAD_PER_DEG } from '@roam-dial/core/units';

export interface Viewpoint {
  readonly eastM: number;
  readonly northM: number;
  readonly shootingBearingDeg: number;
}

/** Metres ahead and to the right of a viewpoint as metres east and north. */
export function placeFrom({ eastM, northM, shootingBearingDeg }: Viewpoint, aheadM: number, asideM: number): [number, number] {
  const [sin, cos] = [Math.sin(shootingBearingDeg * RAD_PER_DEG), Math.cos(shootingBearingDeg * RAD_PER_DEG)];
  return [eastM + aheadM * sin + asideM * cos, northM + aheadM * cos - asideM * sin];
}

const ARC_STEPS = 12;

/** All that is as far before a viewpoint, from one edge of its field to the other, as a line. */
export function zoneArc(view: Viewpoint, distanceM: number, halfFieldDeg: number): readonly (readonly [number, number])[] {
  return Array.from({ length: ARC_STEPS + 1 }, (_, k) => {
    const off = halfFieldDeg * ((2 * k) / ARC_STEPS - 1);
    return placeFrom({ ...view, shootingBearingDeg: view.shootingBearingDeg + off }, distanceM, 0);
  });
}

/** Lit cells of the ground as strips across the look, one a run of cells. */
export function litStrips(lit: Uint8Array, view: Viewpoint): readonly Outline[] {
  const strips: Outline[] = [];
  for (let row = 0; row < GRID_SIDE; row++) {
    for (let column = 0; column < GRID_SIDE; column++) {
      if (lit[row * GRID_SIDE + column] !== 1) continue;
      const from = column;
      while (column + 1 < GRID_SIDE && lit[row * GRID_SIDE + column + 1] === 1) column++;
      const [near, far] = [aheadOf(row) - CELL_M / 2, aheadOf(row) + CELL_M / 2];
      const [left, right] = [asideOf(from) - CELL_M / 2, asideOf(column) + CELL_M / 2];
      strips.push([
        placeFrom(view, near, left),
        placeFrom(view, near, right),
        placeFrom(view, far, right),
        placeFrom(view, far, left),
      ]);
    }
  }
  return strips;
}

/** The border of the lit cells: edges between lit and unlit, as lines. */
export function litBorder(lit: Uint8Array, view: Viewpoint): readonly (readonly [[number, number], [number, number]])[] {
  const isLit = (row: number, column: number): boolean =>
    row >= 0 && row < GRID_SIDE && column >= 0 && column < GRID_SIDE && lit[row * GRID_SIDE + column] === 1;
  const lines: [[number, number], [number, number]][] = [];
  for (let row = 0; row <= GRID_SIDE; row++) {
    for (let column = 0; column <= GRID_SIDE; column++) {
      const [near, left] = [row * CELL_M, (column - GRID_SIDE / 2) * CELL_M];
      if (isLit(row, column) !== isLit(row - 1, column))
        lines.push([placeFrom(view, near, left), placeFrom(view, near, left + CELL_M)]);
      if (isLit(row, column) !== isLit(row, column - 1))
        lines.push([placeFrom(view, near, left), placeFrom(view, near + CELL_M, left)]);
    }
  }
  return lines;
}

/** Bearing from one place to another, 0 <= b < 360. */
export function bearingBetween([fromE, fromN]: readonly [number, number], [toE, toN]: readonly [number, number]): number {
  return (Math.atan2(toE - fromE, toN - fromN) / RAD_PER_DEG + 360) % 360;
}
