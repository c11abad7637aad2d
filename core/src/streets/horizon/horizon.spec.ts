import fc from 'fast-check';
import { block } from '../../../reference/blocks.js';
import { type Building, readPrism, shadowScene, sunTrack } from '../../light/index.js';
import {
  EVERY_BEARING,
  type Horizons,
  horizonSteps,
  isOpen,
  skyDirection,
  skyShareOf,
  type SpotPoint,
  sunBearings,
} from '../index.js';
import { finish } from '../../units/index.js';

const horizonOf = (points: readonly SpotPoint[], buildings: readonly Building[], mask = EVERY_BEARING): Horizons =>
  finish(
    horizonSteps(
      points,
      buildings.map((building) => readPrism(building, 'building')),
      mask,
    ),
  );
const GROUND: SpotPoint = { eastM: 0, northM: 0, heightM: 0 };

describe('a horizon worked by hand', () => {
  const at = (horizon: Horizons, azimuthDeg: number, altitudeDeg: number): boolean =>
    isOpen(horizon, 0, skyDirection({ azimuthDeg, altitudeDeg }));

  it('blocks up to the angle of a wall 10 m off and 10 m high, 45°, and beside it nothing', () => {
    const horizon = horizonOf([GROUND], [block(-20, 10, 20, 14, 10)]);
    expect([at(horizon, 0, 44.9), at(horizon, 0, 45.1)]).toEqual([false, true]);
    // At 45° the wall is 10·√2 off: atan(10/14.142) = 35.26°.
    expect([at(horizon, 45, 35.1), at(horizon, 45, 35.4)]).toEqual([false, true]);
    // Its end stands at atan(20/10) = 63.43°.
    expect([at(horizon, 63, 1), at(horizon, 64, 1), at(horizon, 180, 0.1)]).toEqual([false, true, true]);
    expect(at(horizon, 180, 0)).toBe(false);
  });

  it('lets light in under an arch, between its far underside and its near roof', () => {
    // Underside 4 m up, from 8 to 12 m off, roof at 9 m: blocked from atan(4/12) = 18.43° to atan(9/8) = 48.37°.
    const horizon = horizonOf([GROUND], [block(-30, 8, 30, 12, 9, 4)]);
    expect([18.3, 18.6, 48.2, 48.5].map((altitude) => at(horizon, 0, altitude))).toEqual([true, false, false, true]);
  });

  it('is shut inside a building and open to the zenith in its courtyard', () => {
    const yard = { ...block(-20, -20, 20, 20, 10), courtyards: [block(-5, -5, 5, 5, 1).footprint] };
    const inside = horizonOf([{ ...GROUND, eastM: 10 }], [yard]);
    expect(isOpen(inside, 0, skyDirection({ azimuthDeg: 0, altitudeDeg: 90 }))).toBe(false);
    const court = horizonOf([GROUND], [yard]);
    expect([at(court, 90, 63.3), at(court, 90, 63.6)]).toEqual([false, true]);
  });

  it('sees half of the sky from the foot of an endless wall and a third from the middle of a canyon', () => {
    const foot = horizonOf([GROUND], [block(-9000, 0.01, 9000, 12, 9000)]);
    expect(skyShareOf(foot, 0)).toBeCloseTo(0.5, 2);
    // 8 m wide, 12 m walls, a plate 1.6 m up in its middle: sin(atan(4/10.4)) = 0.359, the textbook share of a slot.
    const canyon = horizonOf([{ ...GROUND, heightM: 1.6 }], [block(-5000, 4, 5000, 16, 12), block(-5000, -16, 5000, -4, 12)]);
    expect(skyShareOf(canyon, 0)).toBeCloseTo(0.359, 2);
    expect(skyShareOf(horizonOf([GROUND], []), 0)).toBe(1);
  });
});

/** Random towns of turned boxes, some of them arches, some with a courtyard. */
const building = fc
  .record({
    x: fc.double({ min: -120, max: 120, noNaN: true }),
    y: fc.double({ min: -120, max: 120, noNaN: true }),
    width: fc.double({ min: 4, max: 25, noNaN: true }),
    depth: fc.double({ min: 4, max: 25, noNaN: true }),
    turn: fc.double({ min: 0, max: 3, noNaN: true }),
    heightM: fc.double({ min: 5, max: 25, noNaN: true }),
    kind: fc.constantFrom('plain', 'plain', 'arch', 'court'),
  })
  .map(({ x, y, width, depth, turn, heightM, kind }): Building => {
    const ring = (share: number): [number, number][] =>
      [
        [-1, -1],
        [1, -1],
        [1, 1],
        [-1, 1],
      ].map(([a = 0, b = 0]) => {
        const [u, v] = [(a * width * share) / 2, (b * depth * share) / 2];
        return [x + u * Math.cos(turn) - v * Math.sin(turn), y + u * Math.sin(turn) + v * Math.cos(turn)];
      });
    return {
      footprint: ring(1),
      heightM,
      ...(kind === 'arch' ? { baseM: 3.5 } : {}),
      ...(kind === 'court' ? { courtyards: [ring(0.5)] } : {}),
    };
  });

describe('horizons against rays', () => {
  it('say for every look-up what isSunlit says of some sun within 0.25° and 0.05°', () => {
    fc.assert(
      fc.property(
        fc.array(building, { minLength: 1, maxLength: 25 }),
        fc.array(
          fc.record({
            azimuthDeg: fc.double({ min: 0, max: 359.99, noNaN: true }),
            altitudeDeg: fc.double({ min: 0.2, max: 75, noNaN: true }),
          }),
          { minLength: 30, maxLength: 30 },
        ),
        fc.constantFrom(0, 1.6),
        (buildings, suns, heightM) => {
          const scene = shadowScene({ buildings });
          const points = [0, 7, -11].map((eastM) => ({ eastM, northM: eastM / 2, heightM }));
          const horizons = horizonOf(points, buildings);
          points.forEach((point, k) => {
            for (const sun of suns) {
              const found = isOpen(horizons, k, skyDirection(sun));
              const around = [-0.25, -0.2, -0.15, -0.1, -0.05, 0, 0.05, 0.1, 0.15, 0.2, 0.25].flatMap((turn) =>
                [-0.05, -0.025, 0, 0.025, 0.05].map((lift) =>
                  scene.isSunlit({ point, sun: { azimuthDeg: sun.azimuthDeg + turn, altitudeDeg: sun.altitudeDeg + lift } }),
                ),
              );
              expect(around).toContain(found);
            }
          });
        },
      ),
      { numRuns: 60 },
    );
  });

  it('end a point’s sun within two minutes in 99 of 100 cases, glimpses under two minutes aside', () => {
    // A town: blocks of every shape of the sample above, moved onto streets that do not overlap.
    const buildings = fc.sample(building, { numRuns: 64, seed: 11 }).map((one, k): Building => {
      const [[x = 0, y = 0] = []] = one.footprint;
      const [toX, toY] = [((k % 8) - 4) * 30, (Math.floor(k / 8) - 4) * 30];
      const move = ([a, b]: readonly [number, number]): [number, number] => [a - x + toX, b - y + toY];
      const courtyards = one.courtyards?.map((ring) => ring.map(move));
      return { ...one, footprint: one.footprint.map(move), ...(courtyards === undefined ? {} : { courtyards }) };
    });
    const scene = shadowScene({ buildings });
    const track = sunTrack({
      start: new Date('2027-03-13T06:00:00Z'),
      end: new Date('2027-03-13T21:00:00Z'),
      stepS: 15,
      latitude: 46.5,
      longitude: -20.7,
      refraction: 'none',
    });
    const points = Array.from({ length: 120 }, (_, k) => ({
      eastM: (k % 12) * 9 - 50,
      northM: Math.floor(k / 12) * 9 - 40,
      heightM: 1.6,
    }));
    const horizons = horizonOf(points, buildings, sunBearings(46.5));
    const endsOf = (isLit: (sun: { azimuthDeg: number; altitudeDeg: number }) => boolean): number[] => {
      const lit = Array.from(track.timesMs, (_, k) =>
        isLit({ azimuthDeg: track.azimuthDeg[k] as number, altitudeDeg: track.altitudeDeg[k] as number }),
      );
      return lit.flatMap((now, k) => (k > 0 && now !== lit[k - 1] ? [k / 4] : []));
    };
    let [close, all] = [0, 0];
    points.forEach((point, k) => {
      const exact = endsOf((sun) => scene.isSunlit({ point, sun }));
      const found = endsOf((sun) => isOpen(horizons, k, skyDirection(sun)));
      // Half a degree is two minutes of sun: a glimpse (or a post) narrower than that is below the horizon's resolution.
      const steady = exact.filter((minute, j) => minute - (exact[j - 1] ?? -9) >= 2 && (exact[j + 1] ?? 9999) - minute >= 2);
      all += steady.length;
      close += steady.filter((minute) => found.some((other) => Math.abs(other - minute) <= 2)).length;
    });
    expect(all).toBeGreaterThan(200);
    expect(close / all).toBeGreaterThanOrEqual(0.99);
  });

  it('keeps the bearings of the sun alone where it is told to', () => {
    const mask = sunBearings(46.5);
    // Midsummer sunrise at 46.5° N: cos A = sin 23.44/cos 46.5 = 0.578, A = 54.7°; nothing farther north, all of the south.
    expect([mask[0], mask[2 * 50], mask[2 * 57], mask[360], mask[2 * 310]]).toEqual([0, 0, 1, 1, 0]);
    expect(sunBearings(70).every((kept) => kept === 1)).toBe(true);
  });
});
