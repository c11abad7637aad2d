import { GRID_CELLS, GRID_SIDE } from '@roam-dial/core/streets';
import { bearingBetween, litBorder, litStrips, placeFrom } from './street-plan/street-plan.layers';
import { lengthOf, rayEnd, sectionScale } from '../rooms/light/now/street-section.geometry';

const CUT = {
  leftM: -3,
  rightM: 5,
  leftHeightM: 12,
  rightHeightM: 9,
  litGround: [],
  litLeftWall: [],
  litRightWall: [],
  profileDeg: 60,
};

describe('the street section', () => {
  const scale = sectionScale(CUT, 400, 260);
  it('has one scale across and up, and holds both walls', () => {
    expect(scale.x(1) - scale.x(0)).toBeCloseTo(scale.y(0) - scale.y(1), 9);
    expect(scale.x(-3)).toBeGreaterThan(0);
    expect(scale.x(5)).toBeLessThan(400);
    expect(scale.y(12)).toBeGreaterThan(0);
  });
  it('draws the ray from the head to the edge, at the sun’s angle', () => {
    const end = rayEnd(60, scale, 0, 1.6, 400);
    const [dx, dy] = [(end?.x ?? 0) - scale.x(0), scale.y(1.6) - (end?.y ?? 0)];
    // From the left horizon: 60° leans to the left.
    expect((Math.atan2(dy, -dx) * 180) / Math.PI).toBeCloseTo(60, 6);
    expect(end?.y).toBeCloseTo(0, 6);
    expect(rayEnd(null, scale, 0, 1.6, 400)).toBeNull();
    expect(rayEnd(179, scale, 0, 1.6, 400)?.x).toBeCloseTo(400, 6);
  });
  it('adds up spans', () => {
    expect(
      lengthOf([
        { fromM: 0, toM: 2 },
        { fromM: 3, toM: 3.5 },
      ]),
    ).toBe(2.5);
  });
});

describe('the plan', () => {
  const view = { eastM: 100, northM: 50, shootingBearingDeg: 90 };
  const cells = (...lit: readonly (readonly [row: number, column: number])[]): Uint8Array => {
    const all = new Uint8Array(GRID_CELLS);
    for (const [row, column] of lit) all[row * GRID_SIDE + column] = 1;
    return all;
  };
  it('puts what is ahead to the east of one who looks east, and his right to the south', () => {
    const [east, north] = placeFrom(view, 10, 2);
    expect([east, north]).toEqual([expect.closeTo(110, 9), expect.closeTo(48, 9)]);
    expect(bearingBetween([0, 0], [0, -5])).toBe(180);
    expect(bearingBetween([0, 0], [-5, 0])).toBe(270);
  });
  it('joins the lit cells of a row to a strip', () => {
    const strips = litStrips(cells([0, 10], [0, 11], [0, 12], [1, 3]), view);
    expect(strips).toHaveLength(2);
    const [first] = strips;
    const norths = (first ?? []).map(([, north]) => north);
    expect(Math.max(...norths) - Math.min(...norths)).toBeCloseTo(1.5, 9);
  });
  it('rounds them with a border: a square of two by two cells has four metres of it', () => {
    const lines = litBorder(cells([4, 4], [4, 5], [5, 4], [5, 5]), view);
    const total = lines.reduce((sum, [[ax, ay], [bx, by]]) => sum + Math.hypot(bx - ax, by - ay), 0);
    expect(total).toBeCloseTo(4, 9);
    expect(litBorder(cells(), view)).toEqual([]);
  });
});
