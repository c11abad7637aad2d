import { walkGrid } from '../light/index.js';
import type { Edges } from './edges.js';

/**
 * What one bearing shows from a place, from below upwards: pieces of walls, each from one slope to another (tangents of the
 * elevation), nearest first. Below a piece that does not reach down to the one before there is ground.
 */
export interface Column {
  count: number;
  /** Level distance, metres. */
  readonly distanceM: Float64Array;
  readonly low: Float64Array;
  readonly high: Float64Array;
  /** The edge whose wall it is; under 0 a roof seen from above, of edge −1 − k. */
  readonly edge: Int32Array;
}

const MOST_PIECES = 64;
const MOST_CROSSINGS = 512;
/** Corners of two walls that meet are either's. */
const CORNER = 1e-9;
const TOUCH_M = 1e-6;

export function newColumn(): Column {
  return {
    count: 0,
    distanceM: new Float64Array(MOST_PIECES),
    low: new Float64Array(MOST_PIECES),
    high: new Float64Array(MOST_PIECES),
    edge: new Int32Array(MOST_PIECES),
  };
}

export interface LookFrom {
  readonly x: number;
  readonly y: number;
  /** Heights over the district's ground: of the eye, and of the ground that it stands over. */
  readonly eyeM: number;
  readonly groundM: number;
}

/** Crossings of the ray that is being followed, by distance. Scratch, never shared out. */
const found = { count: 0, distanceM: new Float64Array(MOST_CROSSINGS), edge: new Int32Array(MOST_CROSSINGS) };

function keep(distanceM: number, edge: number): void {
  if (found.count === MOST_CROSSINGS) return;
  let at = found.count++;
  for (; at > 0 && (found.distanceM[at - 1] as number) > distanceM; at--) {
    found.distanceM[at] = found.distanceM[at - 1] as number;
    found.edge[at] = found.edge[at - 1] as number;
  }
  found.distanceM[at] = distanceM;
  found.edge[at] = edge;
}

/** Level distance at which a ray crosses an edge; NaN where it passes beside it. `facing` is its direction on the normal. */
export function crossingM(edges: Edges, k: number, x: number, y: number, dx: number, dy: number, facing: number): number {
  const ax = edges.ax[k] as number;
  const ay = edges.ay[k] as number;
  const distanceM = ((ax - x) * (edges.nx[k] as number) + (ay - y) * (edges.ny[k] as number)) / facing;
  const ex = (edges.bx[k] as number) - ax;
  const ey = (edges.by[k] as number) - ay;
  const along = (x + distanceM * dx - ax) * ex + (y + distanceM * dy - ay) * ey;
  const square = ex * ex + ey * ey;
  return along >= -CORNER * square && along <= (1 + CORNER) * square ? distanceM : NaN;
}

/** Walls and roofs along a level direction of length 1, into `column`. Source: docs/formulas.md#eye-level. */
export function castColumn(edges: Edges, { x, y, eyeM, groundM }: LookFrom, dx: number, dy: number, column: Column): void {
  column.count = 0;
  if (edges.grid === null) return;
  found.count = 0;
  let highest = -Infinity;
  walkGrid(edges.grid, { x, y, dx, dy }, Infinity, (k, enterM, leaveM) => {
    if (enterM > 0 && (edges.tallestM - eyeM) / enterM <= highest) return true;
    const facing = dx * (edges.nx[k] as number) + dy * (edges.ny[k] as number);
    const top = edges.topM[k] as number;
    if (facing === 0 || (facing > 0 && top >= eyeM)) return false;
    const distanceM = crossingM(edges, k, x, y, dx, dy, facing);
    if (!(distanceM > TOUCH_M && distanceM >= enterM && distanceM < leaveM)) return false;
    keep(distanceM, facing < 0 ? k : -1 - k);
    if (facing < 0) highest = Math.max(highest, (top - eyeM) / distanceM);
    return false;
  });
  stack(edges, eyeM, groundM, column);
}

/** Of the crossings those that stand over what is before them. */
function stack(edges: Edges, eyeM: number, groundM: number, column: Column): void {
  let highest = -Infinity;
  for (let k = 0; k < found.count && column.count < MOST_PIECES; k++) {
    const distanceM = found.distanceM[k] as number;
    const edge = found.edge[k] as number;
    const high = ((edges.topM[edge < 0 ? -1 - edge : edge] as number) - eyeM) / distanceM;
    const low = edge < 0 ? highest : Math.max(highest, (groundM - eyeM) / distanceM);
    if (high <= low || (edge < 0 && highest === -Infinity)) continue;
    const at = column.count++;
    column.distanceM[at] = distanceM;
    column.low[at] = low;
    column.high[at] = high;
    column.edge[at] = edge;
    highest = high;
  }
}
