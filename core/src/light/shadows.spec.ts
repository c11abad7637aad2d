import fc from 'fast-check';
import { type Building, isSunlit, shadowScene, sunlitWindows, sunPosition } from './index.js';

const WALL: Building = {
  footprint: [
    [-10, 10],
    [10, 10],
    [10, 14],
    [-10, 14],
  ],
  heightM: 20,
};
const from = (azimuthDeg: number, altitudeDeg: number): { azimuthDeg: number; altitudeDeg: number } => ({
  azimuthDeg,
  altitudeDeg,
});

describe('one wall, 10 m to the north, 20 m high', () => {
  it.each([
    ['steeper than the top is lit', { eastM: 0, northM: 0 }, from(0, 64), true],
    ['lower than the top is shaded', { eastM: 0, northM: 0 }, from(0, 55), false],
    ['just over the near edge, 20/10 is 63.43°', { eastM: 0, northM: 0 }, from(0, 63.5), true],
    ['just under it', { eastM: 0, northM: 0 }, from(0, 63.4), false],
    ['sun from the side', { eastM: 0, northM: 0 }, from(90, 10), true],
    ['above the roof', { eastM: 0, northM: 12, heightM: 20.01 }, from(0, 5), true],
    ['on the roof', { eastM: 0, northM: 12, heightM: 20 }, from(0, 5), true],
    ['inside', { eastM: 0, northM: 12, heightM: 3 }, from(180, 45), false],
    ['inside, sun overhead', { eastM: 0, northM: 12, heightM: 3 }, from(0, 90), false],
    ['on the south face, sun in the south', { eastM: 0, northM: 10 }, from(180, 30), true],
    ['on the south face, sun behind', { eastM: 0, northM: 10 }, from(0, 30), false],
    ['along the south face', { eastM: -20, northM: 10 }, from(90, 5), true],
    ['just inside along it', { eastM: -20, northM: 10.01 }, from(90, 5), false],
    ['sun on the horizon', { eastM: 50, northM: -50 }, from(180, 0), false],
    ['sun below', { eastM: 50, northM: -50 }, from(180, -5), false],
    ['sun barely up, long shadow', { eastM: 0, northM: -5000 }, from(0, 0.2), false],
    ['azimuth is folded', { eastM: 0, northM: 0 }, from(-720, 55), false],
  ])('%s', (_, point, sun, lit) => {
    expect(isSunlit({ point, sun, buildings: [WALL] })).toBe(lit);
  });
});

describe('arches and concave plans', () => {
  const arch: Building = { ...WALL, baseM: 6 };
  it('lets low sun through under an arch', () => {
    // Underside 6 m over ground 10 to 14 m away: clear below 23.2° (6/14), blocked from there to 63.4°.
    expect(isSunlit({ point: { eastM: 0, northM: 0 }, sun: from(0, 20), buildings: [arch] })).toBe(true);
    expect(isSunlit({ point: { eastM: 0, northM: 0 }, sun: from(0, 35), buildings: [arch] })).toBe(false);
    expect(isSunlit({ point: { eastM: 0, northM: 12 }, sun: from(0, 90), buildings: [arch] })).toBe(false);
    expect(isSunlit({ point: { eastM: 0, northM: 12 }, sun: from(0, 40), buildings: [arch] })).toBe(true);
  });

  // A horseshoe open to the south; its court is outside.
  const horseshoe: Building = {
    footprint: [
      [0, 0],
      [10, 0],
      [10, 30],
      [20, 30],
      [20, 0],
      [30, 0],
      [30, 40],
      [0, 40],
    ],
    heightM: 15,
  };
  it('treats the court of a horseshoe as outside', () => {
    expect(isSunlit({ point: { eastM: 15, northM: 10 }, sun: from(180, 20), buildings: [horseshoe] })).toBe(true);
    expect(isSunlit({ point: { eastM: 15, northM: 10 }, sun: from(90, 20), buildings: [horseshoe] })).toBe(false);
    expect(isSunlit({ point: { eastM: 15, northM: 10 }, sun: from(0, 20), buildings: [horseshoe] })).toBe(false);
  });

  it('does not care for winding or the closing point', () => {
    const turned = { ...horseshoe, footprint: [...horseshoe.footprint].reverse() };
    const closed = { ...horseshoe, footprint: [...horseshoe.footprint, [0, 0] as const] };
    const point = { eastM: 15, northM: 10 };
    for (const sun of [from(180, 20), from(90, 20), from(33, 50), from(215, 12)]) {
      const lit = isSunlit({ point, sun, buildings: [horseshoe] });
      expect(isSunlit({ point, sun, buildings: [turned] })).toBe(lit);
      expect(isSunlit({ point, sun, buildings: [closed] })).toBe(lit);
    }
  });
});

/** A second implementation: short steps along the ray, even-odd at each. Slow, and right but for slivers. */
function marchedSunlit(
  point: { eastM: number; northM: number },
  sun: { azimuthDeg: number; altitudeDeg: number },
  town: Building[],
): boolean {
  const azimuth = (sun.azimuthDeg * Math.PI) / 180;
  const slope = Math.tan((sun.altitudeDeg * Math.PI) / 180);
  for (let d = 0.01; d * slope < 40; d += 0.02) {
    const x = point.eastM + d * Math.sin(azimuth);
    const y = point.northM + d * Math.cos(azimuth);
    for (const { footprint, heightM, baseM = 0 } of town) {
      if (d * slope <= baseM || d * slope >= heightM) continue;
      let inside = false;
      footprint.forEach(([bx, by], k) => {
        const [ax, ay] = footprint[(k + footprint.length - 1) % footprint.length] as readonly [number, number];
        if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) inside = !inside;
      });
      if (inside) return false;
    }
  }
  return true;
}

describe('against a march along the ray', () => {
  const block = fc
    .tuple(fc.integer({ min: -30, max: 30 }), fc.integer({ min: -30, max: 30 }), fc.integer({ min: 3, max: 30 }), fc.boolean())
    .map(([x, y, heightM, bent]): Building => ({
      footprint: bent
        ? [
            [x, y],
            [x + 9, y + 1],
            [x + 8, y + 9],
            [x + 5, y + 8],
            [x + 5, y + 4],
            [x, y + 4],
          ]
        : [
            [x, y],
            [x + 6, y - 2],
            [x + 8, y + 5],
            [x + 1, y + 7],
          ],
      heightM,
      ...(heightM > 12 ? { baseM: 4 } : {}),
    }));

  it('gives the same for random towns', () => {
    let asked = 0;
    let different = 0;
    fc.assert(
      fc.property(
        fc.array(block, { minLength: 1, maxLength: 14 }),
        fc.double({ min: 0, max: 360, noNaN: true }),
        fc.double({ min: 8, max: 80, noNaN: true }),
        (town, azimuthDeg, altitudeDeg) => {
          const scene = shadowScene({ buildings: town });
          for (let k = 0; k < 4; k++) {
            const point = { eastM: k * 7.3 - 12.17, northM: 11.31 - k * 5.9 };
            asked++;
            if (
              scene.isSunlit({ point, sun: { azimuthDeg, altitudeDeg } }) !==
              marchedSunlit(point, { azimuthDeg, altitudeDeg }, town)
            ) {
              different++;
            }
            expect(isSunlit({ point, sun: { azimuthDeg, altitudeDeg }, buildings: town })).toBe(
              scene.isSunlit({ point, sun: { azimuthDeg, altitudeDeg } }),
            );
          }
        },
      ),
      { numRuns: 150, seed: 7 },
    );
    // The march steps over slivers thinner than two centimetres; nothing else may differ.
    expect(asked).toBe(600);
    expect(different).toBeLessThanOrEqual(1);
  });
});

describe('sunlit windows', () => {
  const place = { latitude: 46.5, longitude: -20.7, timeZone: 'Atlantic/Azores' };
  // In the south, so that it stands before the sun; 20 m high and 10 m away, 20 m wide.
  const southWall: Building = {
    footprint: [
      [-10, -14],
      [10, -14],
      [10, -10],
      [-10, -10],
    ],
    heightM: 20,
  };
  const windows = (buildings: readonly Building[], day = '2027-03-13'): { start: Date; end: Date }[] =>
    sunlitWindows({ point: { eastM: 0, northM: 0 }, buildings, day, ...place });

  it('is the whole sun-up day on open ground', () => {
    const [only, ...rest] = windows([]);
    expect(rest).toEqual([]);
    const height = (time: Date | undefined): number => sunPosition({ time: time as Date, ...place }).altitudeDeg;
    expect(Math.abs(height(only?.start))).toBeLessThan(0.015); // 5 s of a sun that climbs 0.17° a minute
    expect(Math.abs(height(only?.end))).toBeLessThan(0.015);
  });

  it('has the gap that the wall makes, its ends where the sun passes the wall’s corners', () => {
    const [morning, afternoon, ...rest] = windows([southWall]);
    expect(rest).toEqual([]);
    const bearing = (time: Date | undefined): number => sunPosition({ time: time as Date, ...place }).azimuthDeg;
    // The near corners lie at 135° and 225°; up to 40.6° of sun stays under the 63° of the wall's top.
    expect(bearing(morning?.end)).toBeCloseTo(135, 1);
    expect(bearing(afternoon?.start)).toBeCloseTo(225, 1);
  });

  it('is clipped to the local day in polar summer, and empty on a skipped day', () => {
    const polar = sunlitWindows({
      point: { eastM: 0, northM: 0 },
      buildings: [],
      day: '2024-06-20',
      timeZone: 'Europe/Oslo',
      latitude: 75,
      longitude: 20,
    });
    expect(polar).toEqual([{ start: new Date('2024-06-19T22:00:00Z'), end: new Date('2024-06-20T22:00:00Z') }]);
    expect(
      sunlitWindows({ ...place, point: { eastM: 0, northM: 0 }, buildings: [], day: '2011-12-30', timeZone: 'Pacific/Apia' }),
    ).toEqual([]);
  });

  it('finds a slit that the sun crosses in under a minute', () => {
    // Two walls that leave 20 cm open at the end of a 60 m view: 0.19° of bearing, some 45 s of sun.
    const slit: Building[] = [
      {
        footprint: [
          [-60, -70],
          [-0.1, -70],
          [-0.1, -60],
          [-60, -60],
        ],
        heightM: 90,
      },
      {
        footprint: [
          [0.1, -70],
          [60, -70],
          [60, -60],
          [0.1, -60],
        ],
        heightM: 90,
      },
    ];
    const through = windows(slit).filter(({ end, start }) => end.getTime() - start.getTime() < 120_000);
    expect(through).toHaveLength(1);
    const middle = new Date(((through[0]?.start.getTime() as number) + (through[0]?.end.getTime() as number)) / 2);
    expect(sunPosition({ time: middle, ...place }).azimuthDeg).toBeCloseTo(180, 1);
  });
});

describe('what buildings it refuses', () => {
  const ask = (building: unknown): unknown => shadowScene({ buildings: [building as Building] });
  it.each([
    [
      {
        footprint: [
          [0, 0],
          [1, 0],
        ],
        heightM: 3,
      },
      RangeError,
      'buildings[0].footprint must be a polygon',
    ],
    [
      {
        footprint: [
          [0, 0],
          [1, 0],
          [1, 'x'],
        ],
        heightM: 3,
      },
      TypeError,
      'buildings[0].footprint[2][1]',
    ],
    [{ footprint: 'square', heightM: 3 }, TypeError, 'buildings[0].footprint'],
    [{ footprint: WALL.footprint, heightM: 0 }, RangeError, 'buildings[0].heightM'],
    [{ footprint: WALL.footprint, heightM: 5, baseM: 5 }, RangeError, 'greater than baseM (5)'],
    [{ footprint: WALL.footprint, heightM: 5, baseM: -1 }, RangeError, 'baseM'],
    [null, TypeError, 'buildings[0]'],
  ])('%#', (building, kind, message) => {
    expect(() => ask(building)).toThrow(kind as never);
    expect(() => ask(building)).toThrow(message as string);
    // One question asked without preparing refuses the same, in the same words.
    const once = (): unknown =>
      isSunlit({ point: { eastM: 0, northM: 0 }, sun: from(0, 20), buildings: [building as unknown as Building] });
    expect(once).toThrow(kind as never);
    expect(once).toThrow(message as string);
  });

  it('refuses a sun above the zenith and a point without a place', () => {
    const scene = shadowScene({ buildings: [] });
    expect(() => scene.isSunlit({ point: { eastM: 0, northM: 0 }, sun: from(0, 91) })).toThrow(RangeError);
    expect(() => scene.isSunlit({ point: { eastM: 0 } as never, sun: from(0, 10) })).toThrow(TypeError);
  });
});
