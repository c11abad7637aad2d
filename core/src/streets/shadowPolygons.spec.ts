import fc from 'fast-check';
import { block } from '../../reference/blocks.js';
import { isSunlit } from '../light/index.js';
import { shadowPolygons } from './index.js';

const sun = (azimuthDeg: number, altitudeDeg: number) => ({ azimuthDeg, altitudeDeg });

describe('shadows for drawing', () => {
  const contains = (ring: readonly (readonly [number, number])[], [x, y]: readonly [number, number]): boolean => {
    let isIn = false;
    ring.forEach(([ax, ay], k) => {
      const [bx, by] = ring[(k + ring.length - 1) % ring.length] as readonly [number, number];
      if (ay > y !== by > y && x < ax + ((y - ay) / (by - ay)) * (bx - ax)) isIn = !isIn;
    });
    return isIn;
  };
  it('cover the ground that isSunlit calls shaded, and no other', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 359, noNaN: true }),
        fc.double({ min: 8, max: 70, noNaN: true }),
        fc.boolean(),
        fc.array(fc.tuple(fc.double({ min: -60, max: 60, noNaN: true }), fc.double({ min: -60, max: 60, noNaN: true })), {
          minLength: 20,
          maxLength: 20,
        }),
        (azimuthDeg, altitudeDeg, isArch, places) => {
          const building = block(-6, -4, 8, 5, 10, isArch ? 4 : 0);
          const outlines = shadowPolygons({ building, sun: sun(azimuthDeg, altitudeDeg) });
          for (const place of places) {
            const isDrawn = outlines.some((ring) => contains(ring, place));
            const point = { eastM: place[0], northM: place[1] };
            expect([place, isDrawn]).toEqual([
              place,
              !isSunlit({ point, sun: sun(azimuthDeg, altitudeDeg), buildings: [building] }),
            ]);
          }
        },
      ),
      { numRuns: 60 },
    );
  });
  it('turn all the same way, and are none with the sun down', () => {
    const area = (ring: readonly (readonly [number, number])[]): number =>
      ring.reduce((sum, [x, y], k) => {
        const [nx, ny] = ring[(k + 1) % ring.length] as readonly [number, number];
        return sum + x * ny - nx * y;
      }, 0);
    expect(shadowPolygons({ building: block(0, 0, 4, 4, 5), sun: sun(200, 30) }).every((ring) => area(ring) >= 0)).toBe(true);
    expect(shadowPolygons({ building: block(0, 0, 4, 4, 5), sun: sun(200, 0.2) })).toEqual([]);
  });
});
