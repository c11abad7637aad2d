import { RAD_PER_DEG } from '../units/index.js';
import { aheadOf, asideOf, CELL_M, GRID_CELLS, GRID_SIDE } from './groundGrid.js';

/** The largest 4-connected lit patch of the ground in front of the camera. */
export interface LitPatch {
  readonly areaM2: number;
  /** Middle of it, from the camera. */
  readonly aheadM: number;
  readonly asideM: number;
  /** Its length along the walkers' path. */
  readonly alongPathM: number;
}

const queue = new Int16Array(GRID_CELLS);
const taken = new Uint8Array(GRID_CELLS);

/** Cells of one patch into `queue`, from `start`; how many. */
function flood(lit: Uint8Array, start: number): number {
  queue[0] = start;
  taken[start] = 1;
  let count = 1;
  const visit = (cell: number): void => {
    if (taken[cell] === 1 || lit[cell] === 0) return;
    taken[cell] = 1;
    queue[count++] = cell;
  };
  for (let k = 0; k < count; k++) {
    const cell = queue[k] as number;
    const column = cell % GRID_SIDE;
    if (column > 0) visit(cell - 1);
    if (column < GRID_SIDE - 1) visit(cell + 1);
    if (cell >= GRID_SIDE) visit(cell - GRID_SIDE);
    if (cell < GRID_CELLS - GRID_SIDE) visit(cell + GRID_SIDE);
  }
  return count;
}

/**
 * The largest lit patch. `travelAngleDeg` is the walkers' path against the axis of the camera: 0 at it, 90 across; of the
 * two sides that it can lie on, the longer counts. Null where nothing is lit.
 */
export function largestPatch(lit: Uint8Array, travelAngleDeg: number): LitPatch | null {
  taken.fill(0);
  let best: Int16Array | null = null;
  for (let cell = 0; cell < GRID_CELLS; cell++) {
    if (lit[cell] === 0 || taken[cell] === 1) continue;
    const count = flood(lit, cell);
    if (best === null || count > best.length) best = queue.slice(0, count);
  }
  if (best === null) return null;
  const [ahead, aside] = [Math.cos(travelAngleDeg * RAD_PER_DEG), Math.sin(travelAngleDeg * RAD_PER_DEG)];
  let [sumAhead, sumAside] = [0, 0];
  const reach = [Infinity, -Infinity, Infinity, -Infinity];
  for (const cell of best) {
    const a = aheadOf(Math.floor(cell / GRID_SIDE));
    const b = asideOf(cell % GRID_SIDE);
    sumAhead += a;
    sumAside += b;
    const [one, other] = [a * ahead + b * aside, a * ahead - b * aside];
    reach[0] = Math.min(reach[0] as number, one);
    reach[1] = Math.max(reach[1] as number, one);
    reach[2] = Math.min(reach[2] as number, other);
    reach[3] = Math.max(reach[3] as number, other);
  }
  const span = Math.max((reach[1] as number) - (reach[0] as number), (reach[3] as number) - (reach[2] as number));
  return {
    areaM2: best.length * CELL_M ** 2,
    aheadM: sumAhead / best.length,
    asideM: sumAside / best.length,
    alongPathM: span + CELL_M,
  };
}

const squares = new Uint8Array(GRID_CELLS);

/** Side of the largest wholly lit square, metres: side(cell) = 1 + the least of the three before it. */
export function largestSquareM(lit: Uint8Array): number {
  let most = 0;
  for (let cell = 0; cell < GRID_CELLS; cell++) {
    const isEdge = cell < GRID_SIDE || cell % GRID_SIDE === 0;
    const before = isEdge
      ? 0
      : Math.min(squares[cell - 1] as number, squares[cell - GRID_SIDE] as number, squares[cell - GRID_SIDE - 1] as number);
    squares[cell] = lit[cell] === 1 ? before + 1 : 0;
    most = Math.max(most, squares[cell] as number);
  }
  return most * CELL_M;
}

/** Length of the border between lit and shaded among the cells that count, metres. */
export function borderM(lit: Uint8Array, counts: Uint8Array): number {
  let edges = 0;
  for (let cell = 0; cell < GRID_CELLS; cell++) {
    if (counts[cell] === 0) continue;
    const right = cell + 1;
    if (right % GRID_SIDE !== 0 && counts[right] === 1 && lit[cell] !== lit[right]) edges++;
    const below = cell + GRID_SIDE;
    if (below < GRID_CELLS && counts[below] === 1 && lit[cell] !== lit[below]) edges++;
  }
  return edges * CELL_M;
}

export const CREEP_OVER_MIN = 10;

/**
 * How fast the shadow's edge moves: area changed ÷ mean length of the border ÷ minutes, m/min; 0 without a border. The lengths
 * of the two borders may be given where they are known.
 */
export function creepMPerMin(
  now: Uint8Array,
  later: Uint8Array,
  counts: Uint8Array,
  bordersM: readonly [now: number, later: number] = [borderM(now, counts), borderM(later, counts)],
): number {
  const meanBorderM = (bordersM[0] + bordersM[1]) / 2;
  if (meanBorderM === 0) return 0;
  let changed = 0;
  for (let cell = 0; cell < GRID_CELLS; cell++) if (counts[cell] === 1 && now[cell] !== later[cell]) changed++;
  return (changed * CELL_M ** 2) / meanBorderM / CREEP_OVER_MIN;
}
