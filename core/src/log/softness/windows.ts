/** A grid over a picture. */
export interface WindowGrid {
  readonly across: number;
  readonly down: number;
}

/** Cells of a grid that lie beside one another in a row of it: from one up to the one before another. */
export interface CellRun {
  readonly from: number;
  readonly to: number;
}

function runsOf(
  grid: WindowGrid,
  top: number,
  bottom: number,
  sidesOf: (row: number) => readonly [left: number, right: number],
): CellRun[] {
  const runs: CellRun[] = [];
  for (let row = Math.max(0, top); row < Math.min(grid.down, bottom); row++) {
    const [left, right] = sidesOf(row);
    const [from, to] = [Math.max(0, left), Math.min(grid.across, right)];
    if (from < to) runs.push({ from: row * grid.across + from, to: row * grid.across + to });
  }
  return runs;
}

/** The cells of a square with so many a side that begins at a cell, those that lie in the picture. */
export function squareOf(grid: WindowGrid, left: number, top: number, side: number): readonly CellRun[] {
  return runsOf(grid, top, top + side, () => [left, left + side]);
}

/** The cells whose middles lie within a radius of a point, in cells from the picture's corner. */
export function discOf(grid: WindowGrid, atX: number, atY: number, radius: number): readonly CellRun[] {
  return runsOf(grid, Math.floor(atY - radius), Math.ceil(atY + radius), (row) => {
    const half = Math.sqrt(Math.max(0, radius * radius - (row + 0.5 - atY) ** 2));
    return [Math.ceil(atX - half - 0.5), Math.floor(atX + half - 0.5) + 1];
  });
}
