import type { Limit } from '@roam-dial/core/setup';
import { contours } from 'd3-contour';

/** One field of the chart: a column of marks across and a row of apertures, both counted from the left and the top. */
export interface LimitsField {
  readonly column: number;
  readonly row: number;
  readonly chance: number;
  /** The worst first; empty on the island. */
  readonly limits: readonly Limit[];
}

/** Fields in reading order: `row * columns + column`. */
export interface LimitsFields {
  readonly columns: number;
  readonly rows: number;
  readonly fields: readonly LimitsField[];
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Maps fields onto the drawing. */
export interface LimitsPlot extends Box {
  readonly columns: number;
  readonly rows: number;
}

export function columnX(plot: LimitsPlot, column: number): number {
  return plot.x + (column / plot.columns) * plot.width;
}

export function rowY(plot: LimitsPlot, row: number): number {
  return plot.y + (row / plot.rows) * plot.height;
}

/** The field under a point of the drawing, held at the edges. */
export function fieldAt(plot: LimitsPlot, x: number, y: number): { readonly column: number; readonly row: number } {
  const hold = (place: number, count: number): number => Math.min(count - 1, Math.max(0, Math.floor(place)));
  return {
    column: hold(((x - plot.x) / plot.width) * plot.columns, plot.columns),
    row: hold(((y - plot.y) / plot.height) * plot.rows, plot.rows),
  };
}

type Mask = (column: number, row: number) => boolean;

/** Runs of a mask, row by row, as one path of rectangles. */
export function maskPath(plot: LimitsPlot, has: Mask): string {
  const parts: string[] = [];
  for (let row = 0; row < plot.rows; row++) {
    let from: number | null = null;
    for (let column = 0; column <= plot.columns; column++) {
      const isIn = column < plot.columns && has(column, row);
      if (isIn && from === null) from = column;
      if (isIn || from === null) continue;
      const [x0, x1, y0, y1] = [columnX(plot, from), columnX(plot, column), rowY(plot, row), rowY(plot, row + 1)];
      parts.push(`M${x0},${y0}H${x1}V${y1}H${x0}Z`);
      from = null;
    }
  }
  return parts.join('');
}

/** The border of a mask, edge by edge; edges of the chart count where the mask reaches them. */
export function borderPath(plot: LimitsPlot, has: Mask): string {
  const parts: string[] = [];
  const isIn: Mask = (column, row) => column >= 0 && row >= 0 && column < plot.columns && row < plot.rows && has(column, row);
  for (let row = 0; row < plot.rows; row++) {
    for (let column = 0; column < plot.columns; column++) {
      if (!isIn(column, row)) continue;
      const [x0, x1, y0, y1] = [columnX(plot, column), columnX(plot, column + 1), rowY(plot, row), rowY(plot, row + 1)];
      if (!isIn(column, row - 1)) parts.push(`M${x0},${y0}H${x1}`);
      if (!isIn(column, row + 1)) parts.push(`M${x0},${y1}H${x1}`);
      if (!isIn(column - 1, row)) parts.push(`M${x0},${y0}V${y1}`);
      if (!isIn(column + 1, row)) parts.push(`M${x1},${y0}V${y1}`);
    }
  }
  return parts.join('');
}

/** The largest rectangle of fields that a mask fills: where its name has most room; null for an empty mask. */
export function largestBox(plot: LimitsPlot, has: Mask): Box | null {
  const heights = new Array<number>(plot.columns).fill(0);
  let best: { readonly area: number; readonly box: Box } | null = null;
  for (let row = 0; row < plot.rows; row++) {
    for (let column = 0; column < plot.columns; column++) heights[column] = has(column, row) ? (heights[column] as number) + 1 : 0;
    for (let from = 0; from < plot.columns; from++) {
      let least = Infinity;
      for (let to = from; to < plot.columns && (heights[to] as number) > 0; to++) {
        least = Math.min(least, heights[to] as number);
        const [x, y] = [columnX(plot, from), rowY(plot, row + 1 - least)];
        const box = { x, y, width: columnX(plot, to + 1) - x, height: rowY(plot, row + 1) - y };
        // A name is wide: height beyond two lines is worth nothing.
        const area = box.width * Math.min(box.height, 44);
        if (best === null || area > best.area) best = { area, box };
      }
    }
  }
  return best?.box ?? null;
}

export interface ChanceContour {
  readonly chance: number;
  readonly path: string;
}

/** Lines of equal chance through the middles of the fields. */
export function chanceContours(
  plot: LimitsPlot,
  { columns, rows, fields }: LimitsFields,
  chances: readonly number[],
): readonly ChanceContour[] {
  if (columns < 2 || rows < 2) return [];
  const values = fields.map(({ chance }) => chance);
  const inside = { x0: plot.x + 0.5, x1: plot.x + plot.width - 0.5, y0: plot.y + 0.5, y1: plot.y + plot.height - 0.5 };
  return contours()
    .size([columns, rows])
    .thresholds([...chances])(values)
    .map(({ value, coordinates }) => ({
      chance: value,
      path: coordinates
        .flat()
        .map((ring) =>
          openLine(
            ring.map(([x = 0, y = 0]) => [columnX(plot, x), rowY(plot, y)] as const),
            inside,
          ),
        )
        .join(''),
    }))
    .filter(({ path }) => path !== '');
}

/** A ring without its stretches along the chart's own edge. */
function openLine(
  ring: readonly (readonly [number, number])[],
  { x0, x1, y0, y1 }: { readonly x0: number; readonly x1: number; readonly y0: number; readonly y1: number },
): string {
  let path = '';
  let isDown = false;
  for (const [x, y] of ring) {
    const isEdge = x < x0 || x > x1 || y < y0 || y > y1;
    if (!isEdge) path += `${isDown ? 'L' : 'M'}${x.toFixed(1)},${y.toFixed(1)}`;
    isDown = !isEdge;
  }
  return path;
}
