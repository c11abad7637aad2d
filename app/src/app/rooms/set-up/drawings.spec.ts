import type { Limit } from '@roam-dial/core/setup';
import { distanceAtX, distanceX, groundPlot, groundReachM, lengthTicks, wedgePath } from './what-holds/ground-strip.geometry';
import {
  borderPath,
  chanceContours,
  fieldAt,
  largestBox,
  type LimitsFields,
  maskPath,
  type LimitsPlot,
} from './what-holds/limits-chart.geometry';
import { personPath } from './where-to-stand/frame-view';

const PLOT: LimitsPlot = { x: 10, y: 0, width: 40, height: 30, columns: 4, rows: 3 };
/** Three fields of four in the upper two rows. */
const has = (column: number, row: number): boolean => column < 3 && row < 2;

describe('the limits chart’s geometry', () => {
  it.each([
    [10, 0, { column: 0, row: 0 }],
    [29.9, 29.9, { column: 1, row: 2 }],
    [-50, 500, { column: 0, row: 2 }],
    [500, -1, { column: 3, row: 0 }],
  ])('finds the field under %d, %d', (x, y, place) => {
    expect(fieldAt(PLOT, x, y)).toEqual(place);
  });
  it('draws a mask row by row', () => {
    expect(maskPath(PLOT, has)).toBe('M10,0H40V10H10ZM10,10H40V20H10Z');
    expect(maskPath(PLOT, () => false)).toBe('');
  });
  it('borders it once round: ten edges of ten pixels', () => {
    expect(borderPath(PLOT, has).match(/M/g)).toHaveLength(10);
  });
  it('finds where a name has most room', () => {
    expect(largestBox(PLOT, has)).toEqual({ x: 10, y: 0, width: 30, height: 20 });
    expect(largestBox(PLOT, (column) => column === 3)).toEqual({ x: 40, y: 0, width: 10, height: 30 });
    expect(largestBox(PLOT, () => false)).toBeNull();
  });
  it('draws a line of equal chance where the chance crosses it, and none where it never does', () => {
    const fields: LimitsFields = {
      columns: 4,
      rows: 3,
      fields: Array.from({ length: 12 }, (_, k) => ({
        column: k % 4,
        row: Math.floor(k / 4),
        chance: (k % 4) / 3,
        limits: [] as Limit[],
      })),
    };
    const [half] = chanceContours(PLOT, fields, [0.5]);
    const xs = [...(half?.path ?? '').matchAll(/[ML]([\d.]+),/g)].map(([, x]) => Number(x));
    // Between the middles of the second and the third column: 1/3 at 25 px, 2/3 at 35 px.
    expect(xs.length).toBeGreaterThan(1);
    expect(xs.every((x) => Math.abs(x - 30) < 0.2)).toBe(true);
    expect(chanceContours(PLOT, fields, [1.5])).toEqual([]);
  });
});

describe('the ground strip’s geometry', () => {
  const plot = groundPlot(14, 22, 600, 200, 12);
  it('has one scale both ways, and goes back and forth', () => {
    expect(distanceX(plot, 3)).toBe(14 + 150);
    expect(distanceAtX(plot, 164)).toBe(3);
    expect(distanceX(plot, Infinity)).toBe(614);
    expect(distanceAtX(plot, 0)).toBe(0);
  });
  it('opens the wedge as the field does, and turns level at the edge of the ground', () => {
    // Half a metre to each metre: 100 px are reached at 4 m.
    expect(wedgePath(plot, 2, Infinity, 0.5)).toBe('M114,72L214,22L614,22L614,222L214,222L114,172Z');
    expect(wedgePath(plot, 1, 2, 0.5)).toBe('M64,97L114,72L114,172L64,147Z');
  });
  it('reaches past all that matters, but never to infinity', () => {
    expect(groundReachM([2, 5, Infinity])).toBeCloseTo(5.5);
    expect(groundReachM([0.5])).toBe(4);
    expect(groundReachM([5000])).toBe(60);
  });
  it('labels as many lengths as there is room for', () => {
    expect(lengthTicks(12, 1, 600)).toEqual([2, 4, 6, 8, 10, 12]);
    expect(lengthTicks(4, 1, 600)).toEqual([0.5, 1, 1.5, 2, 2.5, 3, 3.5, 4]);
    // 12 m are 39 ft.
    expect(lengthTicks(12, 0.3048, 600)).toEqual([5, 10, 15, 20, 25, 30, 35]);
  });
});

describe('the frame', () => {
  const yOf = (path: string): number[] => [...path.matchAll(/[ML]?[\d.]+,([\d.]+)(?=[LZM])/g)].map(([, y]) => Number(y));
  it('stands a person half its height with the eyes on the horizon, and cuts one too tall', () => {
    const [half, whole] = [personPath(108, 72, 0.5), personPath(108, 72, 3)].map((path) => Math.max(...yOf(path)));
    // 36 px tall, 1.6/1.7 of it under the horizon at 36 px.
    expect(half).toBeCloseTo(36 + 36 * (1.6 / 1.7), 0);
    expect(whole).toBe(71);
  });
});
