import { type Building, shadowScene, type Prism, readPrism, type SunPosition } from '../light/index.js';
import { castRay } from '../streets/index.js';
import { castColumn, newColumn } from './column.js';
import { edgesOf } from './edges.js';
import { castShadow, litShare, type Shadow, sunRayOf } from './shade.js';

const DEG = Math.PI / 180;

function seeded(seed: number): () => number {
  let state = seed;
  return () => (state = (state * 48_271) % 2_147_483_647) / 2_147_483_647;
}

/** A quarter of crooked houses, two with courtyards, round a place that stays free. */
function quarter(seed: number): Building[] {
  const next = seeded(seed);
  const houses: Building[] = [];
  for (let column = -5; column <= 5; column++) {
    for (let row = -5; row <= 5; row++) {
      if (column === 0 || row === 0) continue;
      const [x, y] = [column * 16 + next() * 2, row * 16 + next() * 2];
      const [w, d, turn] = [9 + next() * 3, 9 + next() * 3, (next() - 0.5) * 0.3];
      const at = (u: number, v: number): [number, number] => [
        x + u * Math.cos(turn) - v * Math.sin(turn),
        y + u * Math.sin(turn) + v * Math.cos(turn),
      ];
      const corners = [at(0, 0), at(w, 0), at(w, d), at(0, d)];
      const hole = [at(3, 3), at(6, 3), at(6, 6), at(3, 6)];
      houses.push({ footprint: corners, heightM: 5 + next() * 15, ...(next() < 0.3 ? { courtyards: [hole] } : {}) });
    }
  }
  return houses;
}
const prismsOf = (houses: readonly Building[]): Prism[] => houses.map((house, k) => readPrism(house, `houses[${k}]`));

describe('a column of a look', () => {
  it('meets what a ray meets, at any slope, at its distance', () => {
    const prisms = prismsOf(quarter(5));
    const edges = edgesOf(prisms);
    const column = newColumn();
    const next = seeded(9);
    let differing = 0;
    const asked = 6000;
    for (let n = 0; n < asked; n++) {
      const from = { eastM: 1 + next() * 13, northM: (next() - 0.5) * 150, heightM: 1.6 };
      const bearingDeg = next() * 360;
      const elevationDeg = -25 + next() * 75;
      const hit = castRay({ from, bearingDeg, elevationDeg, groundM: 0, prisms });
      const slope = Math.tan(elevationDeg * DEG);
      const look = { x: from.eastM, y: from.northM, eyeM: 1.6, groundM: 0 };
      castColumn(edges, look, Math.sin(bearingDeg * DEG), Math.cos(bearingDeg * DEG), column);
      let kind = slope < 0 ? 'ground' : 'sky';
      let distanceM = slope < 0 ? -1.6 / slope : Infinity;
      for (let k = 0; k < column.count; k++) {
        if (slope >= (column.high[k] as number)) continue;
        if (slope < (column.low[k] as number)) break;
        kind = 'wall';
        distanceM = column.distanceM[k] as number;
        break;
      }
      const isSame =
        kind === hit.kind &&
        (hit.kind !== 'wall' ||
          Math.abs(Math.hypot(hit.point.eastM - from.eastM, hit.point.northM - from.northM) - distanceM) < 0.002);
      if (!isSame) differing++;
    }
    expect(differing).toBeLessThanOrEqual(asked / 1000);
  });
});

describe('the shadow over a place', () => {
  it('by hand: a wall of 12 m, 6 m towards a sun at 30°: 8.54 m; the sun 40° off its normal: over 7.83 m, 7.48 m', () => {
    const wall = readPrism(
      {
        footprint: [
          [-500, 6],
          [500, 6],
          [500, 10],
          [-500, 10],
        ],
        heightM: 12,
      },
      'wall',
    );
    const shadow: Shadow = { heightM: 0, edgeM: 0 };
    const over = (azimuthDeg: number): Shadow => {
      castShadow(edgesOf([wall]), 0, 0, sunRayOf({ azimuthDeg, altitudeDeg: 30 }), Infinity, shadow);
      return shadow;
    };
    expect(over(0).heightM).toBeCloseTo(8.54, 2);
    expect(over(40).edgeM).toBeCloseTo(7.83, 2);
    expect(over(40).heightM).toBeCloseTo(7.48, 2);
  });
  it('lights what the rays of the sun reach', () => {
    const houses = quarter(7);
    const scene = shadowScene({ buildings: houses });
    const edges = edgesOf(prismsOf(houses));
    const next = seeded(3);
    const shadow: Shadow = { heightM: 0, edgeM: 0 };
    let differing = 0;
    const asked = 8000;
    for (let n = 0; n < asked; n++) {
      const point = { eastM: 1 + next() * 13, northM: (next() - 0.5) * 160, heightM: next() < 0.6 ? 0 : next() * 14 };
      const sun: SunPosition = { azimuthDeg: next() * 360, altitudeDeg: 1 + next() * 60 };
      const ray = sunRayOf(sun);
      castShadow(edges, point.eastM, point.northM, ray, Infinity, shadow);
      const isLit = litShare(shadow, point.heightM, ray) >= 0.5;
      if (isLit !== scene.isSunlit({ point, sun })) differing++;
    }
    expect(differing).toBeLessThanOrEqual(asked / 1000);
  });
});
