import { area, line } from 'd3-shape';

export interface WalkRow {
  /** Whether its windows are known; until then there are none. */
  readonly isMeasured: boolean;
  readonly stopId: string;
  readonly name: string;
  /** Not on this day: its light is shown, no stay. */
  readonly isSetAside: boolean;
  readonly arriveMin: number;
  readonly leaveMin: number;
  /** Distance along the route, metres. */
  readonly alongM: number;
  /** Walking minutes to the next stop; null at the last. */
  readonly walkMin: number | null;
  readonly windows: readonly {
    readonly fromMin: number;
    readonly toMin: number;
    readonly isSun: boolean;
    /** Which light it is, where the stop has windows in both. */
    readonly label?: 'sun' | 'shade' | null;
  }[];
  readonly crowdByHour: readonly number[];
}

/**
 * Heights of the rows, the first at the top as in any list of them, by distance along the route; never nearer to each other than `leastPx`,
 * for which the chart grows where it must.
 */
export function rowHeights(rows: readonly WalkRow[], topPx: number, bottomPx: number, leastPx: number): readonly number[] {
  if (rows.length === 0) return [];
  if (rows.length === 1) return [(topPx + bottomPx) / 2];
  const gaps = rows.slice(1).map((row, k) => Math.max(0, row.alongM - (rows[k] as WalkRow).alongM));
  const total = gaps.reduce((a, b) => a + b, 0) || 1;
  const spare = Math.max(0, bottomPx - topPx - gaps.length * leastPx);
  let y = topPx;
  return [y, ...gaps.map((gap) => (y += leastPx + (gap / total) * spare))];
}

export interface WalkerLine {
  /** At a stop. */
  readonly stays: readonly { readonly stopId: string; readonly path: string }[];
  /** Time to spare before setting off. */
  readonly spares: readonly string[];
  readonly goings: readonly { readonly path: string; readonly isLate: boolean }[];
}

type Point = readonly [minute: number, yPx: number];

/** A line through minutes and heights. */
function pathOver(x: (minute: number) => number): (points: readonly Point[]) => string {
  const drawn = line<Point>(
    ([minute]) => x(minute),
    ([, y]) => y,
  );
  return (points) => drawn(points as Point[]) ?? '';
}

/** Stays of another day over the same rows, in the order in which it had them; what has no row is left out. */
export function otherLine(
  stays: readonly { readonly id: string; readonly fromMin: number; readonly toMin: number }[],
  rows: readonly WalkRow[],
  heights: readonly number[],
  x: (minute: number) => number,
): string {
  const points = stays.flatMap(({ id, fromMin, toMin }): readonly Point[] => {
    const y = heights[rows.findIndex(({ stopId }) => stopId === id)];
    return y === undefined
      ? []
      : [
          [fromMin, y],
          [toMin, y],
        ];
  });
  return pathOver(x)(points);
}

/** What a day is worth by when one of its stays begins, drawn over its row: the best touches the top, half a picture less the foot. */
export interface RowProfile {
  readonly fromMin: number;
  readonly stepMin: number;
  /** Millionths of a picture by step; null where no plan has it then. */
  readonly values: readonly (number | null)[];
  readonly bestValue: number;
}

const PROFILE_PX = 16;
const HALF_A_PICTURE = 500_000;

/** The area of a profile, in pieces where it has gaps. */
export function profilePath(profile: RowProfile, footPx: number, x: (minute: number) => number): string {
  const { fromMin, stepMin, values, bestValue } = profile;
  const height = (value: number): number => PROFILE_PX * Math.max(0, 1 - (bestValue - value) / HALF_A_PICTURE);
  const drawn = area<number>()
    .defined((slot) => values[slot] != null)
    .x((slot) => x(fromMin + slot * stepMin))
    .y0(footPx)
    .y1((slot) => footPx - height(values[slot] ?? -Infinity));
  return drawn(values.map((_, slot) => slot)) ?? '';
}

/** Solid and level at a stop, dotted while there is time to spare, going down only while walking. */
export function walkerLine(all: readonly WalkRow[], heights: readonly number[], x: (minute: number) => number): WalkerLine {
  const path = pathOver(x);
  const rows = all.filter(({ isSetAside }) => !isSetAside);
  const stays = rows.map((row, k) => ({
    stopId: row.stopId,
    path: path([
      [row.arriveMin, heights[k] as number],
      [row.leaveMin, heights[k] as number],
    ]),
  }));
  const spares: string[] = [];
  const goings: { path: string; isLate: boolean }[] = [];
  rows.slice(0, -1).forEach((row, k) => {
    const next = rows[k + 1] as WalkRow;
    const [here, there] = [heights[k] as number, heights[k + 1] as number];
    const walkMin = row.walkMin ?? 0;
    const setOff = Math.max(row.leaveMin, next.arriveMin - walkMin);
    if (setOff > row.leaveMin)
      spares.push(
        path([
          [row.leaveMin, here],
          [setOff, here],
        ]),
      );
    goings.push({
      path: path([
        [setOff, here],
        [setOff + walkMin, there],
      ]),
      isLate: setOff + walkMin > next.arriveMin,
    });
  });
  return { stays, spares, goings };
}

/** Minutes of a stay that lie within the stop's windows. */
export function minutesInLight({
  arriveMin,
  isSetAside,
  leaveMin,
  windows,
}: Pick<WalkRow, 'arriveMin' | 'isSetAside' | 'leaveMin' | 'windows'>): number {
  if (isSetAside) return 0;
  const covered = new Set<number>();
  for (const { fromMin, toMin } of windows) {
    for (let minute = Math.max(fromMin, arriveMin); minute <= Math.min(toMin, leaveMin - 1); minute++) covered.add(minute);
  }
  return covered.size;
}

/** Legs on which one would come too late, with the minutes. */
export function lateLegs(all: readonly WalkRow[]): readonly { readonly name: string; readonly byMin: number }[] {
  const rows = all.filter(({ isSetAside }) => !isSetAside);
  return rows.slice(1).flatMap((next, k) => {
    const row = rows[k] as WalkRow;
    const byMin = row.leaveMin + (row.walkMin ?? 0) - next.arriveMin;
    return byMin > 0 ? [{ name: next.name, byMin }] : [];
  });
}
