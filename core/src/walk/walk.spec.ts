import { distanceBetweenM, legBetween, walkLegs } from './index.js';
import type { Stop } from '../stop/index.js';

const stop = (over: Partial<Stop>): Stop => ({ position: null, arriveMin: 0, leaveMin: 0, walkMin: null, ...over }) as Stop;

describe('legs', () => {
  it('measures a degree of latitude as 111.195 km', () => {
    expect(distanceBetweenM({ latitude: 46, longitude: -20 }, { latitude: 47, longitude: -20 })).toBeCloseTo(111_195, -1);
    expect(distanceBetweenM({ latitude: 10, longitude: 10 }, { latitude: 10, longitude: 10 })).toBe(0);
  });

  it('reckons walking time from distance and pace, whole minutes up, and what is to spare', () => {
    const from = stop({ position: { latitude: 46.5, longitude: -20.7 }, leaveMin: 600 });
    const to = stop({ position: { latitude: 46.5027, longitude: -20.7 }, arriveMin: 620 });
    const leg = legBetween(from, to, 1.2); // 300.2 m as the crow flies, 390.3 m by the streets, 5.4 min
    expect(leg.distanceM).toBeCloseTo(390.3, 0);
    expect(leg).toMatchObject({ walkMin: 6, reachMin: 606, spareMin: 14, course: { kind: 'straight' } });
  });

  it('takes the time that was typed, and says when one is late', () => {
    const leg = legBetween(stop({ leaveMin: 600 }), stop({ arriveMin: 605, walkMin: 9 }), 1.2);
    expect(leg).toMatchObject({ walkMin: 9, spareMin: -4, course: { kind: 'unknown' } });
  });

  it('goes by the way that was found, steps at half the pace', () => {
    const there = stop({ position: { latitude: 46.5, longitude: -20.7 } });
    const way = { points: [], lengthM: 300, stepsM: 60 };
    // 240 m at 1.2 m/s are 200 s, 60 m of steps at 0.6 m/s 100 s: five minutes.
    expect(legBetween(there, there, 1.2, way)).toMatchObject({ distanceM: 300, walkMin: 5, course: { kind: 'streets', way } });
    expect(legBetween(there, stop({}), 1.2, way).course.kind).toBe('unknown');
    expect(legBetween(there, { ...there, walkMin: 2 }, 1.2, way).walkMin).toBe(2);
  });

  it('has one leg fewer than stops', () => {
    expect(walkLegs([], 1)).toEqual([]);
    expect(walkLegs([stop({})], 1)).toEqual([]);
    expect(walkLegs([stop({}), stop({}), stop({})], 1)).toHaveLength(2);
  });
});
