import { type Boxed, type Prism, type PrismGrid, prismGrid } from '../light/index.js';

/**
 * The walls of a place: edges of prisms that stand on the ground, each with the side that it turns outwards. Heights are over
 * the district's ground, metres; lengths of all arrays are `count`.
 */
export interface Edges {
  readonly count: number;
  readonly ax: Float64Array;
  readonly ay: Float64Array;
  readonly bx: Float64Array;
  readonly by: Float64Array;
  /** Outward normal, of length 1. */
  readonly nx: Float64Array;
  readonly ny: Float64Array;
  readonly lengthM: Float64Array;
  readonly topM: Float64Array;
  /** Which prism it is of. */
  readonly house: Uint32Array;
  readonly tallestM: number;
  /** Null where nothing stands. */
  readonly grid: PrismGrid | null;
}

/** @param prisms outlines anticlockwise, courtyards clockwise: what is built lies to the left of every edge. */
export function edgesOf(prisms: readonly Prism[]): Edges {
  const boxes: Boxed[] = [];
  const rows: (readonly [ax: number, ay: number, bx: number, by: number, topM: number, house: number])[] = [];
  prisms.forEach(({ rings, heightM, baseM }, house) => {
    if (baseM > 0) return;
    for (const ring of rings) {
      for (let k = 0; k < ring.length; k += 2) {
        const next = (k + 2) % ring.length;
        const [ax, ay, bx, by] = [ring[k], ring[k + 1], ring[next], ring[next + 1]] as [number, number, number, number];
        rows.push([ax, ay, bx, by, heightM, house]);
        boxes.push({ minX: Math.min(ax, bx), minY: Math.min(ay, by), maxX: Math.max(ax, bx), maxY: Math.max(ay, by) });
      }
    }
  });
  const column = (k: 0 | 1 | 2 | 3 | 4): Float64Array => Float64Array.from(rows, (row) => row[k]);
  const lengthM = Float64Array.from(rows, ([ax, ay, bx, by]) => Math.hypot(bx - ax, by - ay));
  return {
    count: rows.length,
    ...{ ax: column(0), ay: column(1), bx: column(2), by: column(3), topM: column(4), lengthM },
    nx: Float64Array.from(rows, ([, ay, , by], k) => (by - ay) / (lengthM[k] as number)),
    ny: Float64Array.from(rows, ([ax, , bx], k) => (ax - bx) / (lengthM[k] as number)),
    house: Uint32Array.from(rows, ([, , , , , house]) => house),
    tallestM: rows.reduce((tallest, [, , , , topM]) => Math.max(tallest, topM), 0),
    grid: boxes.length === 0 ? null : prismGrid(boxes),
  };
}
