/** Metres on the ground to pixels, the same along and across, so that the wedge opens as it really does. */
export interface GroundPlot {
  readonly x: number;
  readonly y: number;
  readonly middleY: number;
  readonly width: number;
  readonly height: number;
  readonly pxPerM: number;
}

/** Farthest distance drawn: past the zone and most of the people, but never to infinity. */
export function groundReachM(interestM: readonly number[], leastM = 4, mostM = 60): number {
  const finite = interestM.filter((distanceM) => Number.isFinite(distanceM));
  return Math.min(mostM, Math.max(leastM, Math.max(...finite, 0) * 1.1));
}

export function groundPlot(x: number, y: number, width: number, height: number, reachM: number): GroundPlot {
  return { x, y, middleY: y + height / 2, width, height, pxPerM: width / reachM };
}

export function distanceX({ x, width, pxPerM }: GroundPlot, distanceM: number): number {
  return x + Math.min(width, distanceM * pxPerM);
}

export function distanceAtX({ x, pxPerM }: GroundPlot, px: number): number {
  return Math.max(0, (px - x) / pxPerM);
}

/** The field of view between two distances, seen from above; `halfPerM` is half its width for each metre of distance. */
export function wedgePath(plot: GroundPlot, fromM: number, toM: number, halfPerM: number): string {
  const endM = Math.min(toM, plot.width / plot.pxPerM);
  const halfPx = (distanceM: number): number => Math.min(plot.height / 2, distanceM * halfPerM * plot.pxPerM);
  const edges = cutAt(fromM, endM, plot.height / 2 / (halfPerM * plot.pxPerM));
  const upper = edges.map((m) => `${distanceX(plot, m)},${plot.middleY - halfPx(m)}`);
  const lower = [...edges].reverse().map((m) => `${distanceX(plot, m)},${plot.middleY + halfPx(m)}`);
  return `M${[...upper, ...lower].join('L')}Z`;
}

/** Where the field runs out of the drawing its edge turns level. */
function cutAt(fromM: number, toM: number, cornerM: number): readonly number[] {
  return cornerM > fromM && cornerM < toM ? [fromM, cornerM, toM] : [fromM, toM];
}

/** Ticks of a length axis that are readable: 1, 2 or 5 times a power of ten of the unit. */
export function lengthTicks(reachM: number, unitM: number, widthPx: number, labelPx = 56): readonly number[] {
  const units = reachM / unitM;
  const most = Math.max(1, Math.floor(widthPx / labelPx));
  const steps = [0.5, 1, 2, 3, 5, 10, 20, 50];
  const step = steps.find((one) => units / one <= most) ?? 100;
  const count = Math.floor(units / step);
  return Array.from({ length: count }, (_, k) => (k + 1) * step);
}
