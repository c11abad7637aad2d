/** What a grid holds lies in a box: a prism, or a wall. */
export interface Boxed {
  readonly minX: number;
  readonly minY: number;
  readonly maxX: number;
  readonly maxY: number;
}

/**
 * Prisms, or walls, by the squares of a grid that their boxes lie in, so that a ray meets them from near to far, square by square, and
 * stops at the first that blocks it.
 */
export interface PrismGrid {
  readonly minX: number;
  readonly minY: number;
  readonly sideM: number;
  readonly columns: number;
  readonly rows: number;
  /** Where each square's prisms begin in `items`; one more than there are squares. */
  readonly starts: Uint32Array;
  readonly items: Uint32Array;
}

/** Squares are about so large that one holds a house or two. */
const LEAST_SIDE_M = 12;
const MOST_SQUARES = 1 << 18;

/** Calls back with every square that a prism's box touches. */
function eachSquare(grid: Omit<PrismGrid, 'starts' | 'items'>, prism: Boxed, visit: (square: number) => void): void {
  const { minX, minY, sideM, columns, rows } = grid;
  const column = (x: number): number => Math.min(columns - 1, Math.max(0, Math.floor((x - minX) / sideM)));
  const row = (y: number): number => Math.min(rows - 1, Math.max(0, Math.floor((y - minY) / sideM)));
  for (let r = row(prism.minY); r <= row(prism.maxY); r++) {
    for (let c = column(prism.minX); c <= column(prism.maxX); c++) visit(r * columns + c);
  }
}

/** @param prisms at least one */
export function prismGrid(prisms: readonly Boxed[]): PrismGrid {
  let [minX, minY, maxX, maxY] = [Infinity, Infinity, -Infinity, -Infinity];
  for (const prism of prisms) {
    minX = Math.min(minX, prism.minX);
    minY = Math.min(minY, prism.minY);
    maxX = Math.max(maxX, prism.maxX);
    maxY = Math.max(maxY, prism.maxY);
  }
  const [width, height] = [maxX - minX, maxY - minY];
  const fitting = Math.sqrt((width * height) / prisms.length);
  const sideM = Math.max(LEAST_SIDE_M, fitting, Math.sqrt((width * height) / MOST_SQUARES), Math.max(width, height) / 4096);
  const shape = { minX, minY, sideM, columns: Math.floor(width / sideM) + 1, rows: Math.floor(height / sideM) + 1 };
  const starts = new Uint32Array(shape.columns * shape.rows + 1);
  for (const prism of prisms) eachSquare(shape, prism, (square) => (starts[square + 1] = (starts[square + 1] as number) + 1));
  for (let square = 1; square < starts.length; square++)
    starts[square] = (starts[square] as number) + (starts[square - 1] as number);
  const items = new Uint32Array(starts[starts.length - 1] as number);
  const filled = starts.slice();
  prisms.forEach((prism, k) =>
    eachSquare(shape, prism, (square) => {
      items[filled[square] as number] = k;
      filled[square] = (filled[square] as number) + 1;
    }),
  );
  return { ...shape, starts, items };
}

/** Where a ray from `from` along `by` enters and leaves the span from `low` to `high`. */
function spanOf(from: number, by: number, low: number, high: number): readonly [enter: number, leave: number] {
  if (by === 0) return from >= low && from <= high ? [-Infinity, Infinity] : [Infinity, -Infinity];
  const [a, b] = [(low - from) / by, (high - from) / by];
  return a < b ? [a, b] : [b, a];
}

/**
 * Walks a ray from (x, y) along the unit vector (dx, dy) over the squares, as far as `farM`; true as soon as one of the prisms
 * of a square blocks it. A prism may be asked about more than once; with the distances at which the ray enters and leaves the
 * square, so that what is met in it is met once.
 */
export function walkGrid(
  grid: PrismGrid,
  { x, y, dx, dy }: { readonly x: number; readonly y: number; readonly dx: number; readonly dy: number },
  farM: number,
  blocks: (prism: number, enterM: number, leaveM: number) => boolean,
): boolean {
  const { minX, minY, sideM, columns, rows, starts, items } = grid;
  const [enterX, leaveX] = spanOf(x, dx, minX, minX + columns * sideM);
  const [enterY, leaveY] = spanOf(y, dy, minY, minY + rows * sideM);
  const enter = Math.max(0, enterX, enterY);
  const leave = Math.min(farM, leaveX, leaveY);
  if (enter > leave) return false;
  const clamp = (value: number, count: number): number => Math.min(count - 1, Math.max(0, Math.floor(value / sideM)));
  let column = clamp(x + enter * dx - minX, columns);
  let row = clamp(y + enter * dy - minY, rows);
  const [stepX, stepY] = [dx > 0 ? 1 : -1, dy > 0 ? 1 : -1];
  const [perX, perY] = [dx === 0 ? Infinity : sideM / Math.abs(dx), dy === 0 ? Infinity : sideM / Math.abs(dy)];
  let nextX = dx === 0 ? Infinity : (minX + (column + (dx > 0 ? 1 : 0)) * sideM - x) / dx;
  let nextY = dy === 0 ? Infinity : (minY + (row + (dy > 0 ? 1 : 0)) * sideM - y) / dy;
  let at = enter;
  for (;;) {
    const square = row * columns + column;
    const next = Math.min(nextX, nextY);
    for (let k = starts[square] as number; k < (starts[square + 1] as number); k++) {
      if (blocks(items[k] as number, at, next)) return true;
    }
    at = next;
    if (nextX < nextY) {
      if (nextX > leave) return false;
      column += stepX;
      nextX += perX;
    } else {
      if (nextY > leave) return false;
      row += stepY;
      nextY += perY;
    }
    if (column < 0 || column >= columns || row < 0 || row >= rows) return false;
  }
}
