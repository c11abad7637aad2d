import fc from 'fast-check';
import { adviceOnKeeping, EXPOSURE_KEPT, keptWorth, type MixedLight } from './keepingExposure.js';

const TOLERANCE = { underEv: 1 / 3, overEv: 2 / 3, fadeEv: 1 };
const of = (change: 'clouds' | 'screen', frame: MixedLight, key: MixedLight, tone = 0) =>
  keptWorth(change, { frame, key, tone, tolerance: TOLERANCE });

describe('keeping an exposure while the light changes', () => {
  const screen: MixedLight = { steady: 2, changing: 100 };
  const steady: MixedLight = { steady: 30, changing: 0 };
  it('floats where the key changes with the frame: silhouettes before a screen, a street under clouds', () => {
    for (const change of ['screen', 'clouds'] as const) {
      const worth = of(change, screen, screen, 1);
      expect(worth.floating).toBeGreaterThan(0.9);
      expect(worth.locked).toBeLessThan(0.8);
      expect(adviceOnKeeping(worth)).toBe('floating');
    }
  });
  it('takes a reading off the key and holds it by hand where the key does not change', () => {
    const worth = of('screen', screen, steady);
    expect(worth.byHand).toBe(1);
    expect(worth.floating).toBeLessThan(0.75);
    expect(adviceOnKeeping(worth)).toBe('byHand');
  });
  it('finds a half-press of five seconds about as bad as any moment’s lock', () => {
    const { held, locked } = of('screen', screen, screen, 1);
    expect(Math.abs(held - locked)).toBeLessThan(0.15);
  });
  it('advises nothing where nothing leads, and costs nothing where nothing changes', () => {
    expect(adviceOnKeeping(keptWorth('steady', { frame: screen, key: screen, tone: 0, tolerance: TOLERANCE }))).toBeNull();
    for (const way of EXPOSURE_KEPT) expect(of('clouds', steady, steady)[way]).toBeCloseTo(1, 9);
  });
  it('is worth between nothing and everything, and as much however bright it all is', () => {
    const light = fc.record({
      steady: fc.double({ min: 0.01, max: 100, noNaN: true }),
      changing: fc.double({ min: 0, max: 100, noNaN: true }),
    });
    fc.assert(
      fc.property(light, light, fc.constantFrom('clouds' as const, 'screen' as const), (frame, key, change) => {
        const brighter = ({ steady: s, changing: c }: MixedLight): MixedLight => ({ steady: 8 * s, changing: 8 * c });
        const [one, other] = [of(change, frame, key), of(change, brighter(frame), brighter(key))];
        return EXPOSURE_KEPT.every((way) => one[way] >= 0 && one[way] <= 1 && Math.abs(one[way] - other[way]) < 1e-9);
      }),
      { numRuns: 40 },
    );
  });
});
