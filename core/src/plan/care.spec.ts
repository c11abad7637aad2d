import { DEFAULT_APPROACH, DEFAULT_INTENTS, type Stop } from '../stop/index.js';
import type { Walk } from '../walk/index.js';
import { caresAt, caresOf, caresOfLook } from './index.js';

const stop = (id: string, over: Partial<Stop> = {}): Stop =>
  ({
    id,
    intent: DEFAULT_INTENTS.facade,
    position: null,
    pavement: 'right',
    approach: null,
    consent: 'asked',
    arriveMin: 600,
    leaveMin: 630,
    ...over,
  }) as Stop;
const walk = (...stops: Stop[]): Walk =>
  ({
    day: '2027-03-13',
    place: { name: 'Made-up', timeZone: 'Atlantic/Azores', latitude: 46.5, longitude: -20.7, isInvented: true },
    approach: DEFAULT_APPROACH,
    stops,
  }) as unknown as Walk;

describe('what to mind', () => {
  it.each([
    [{}, []],
    [{ intent: DEFAULT_INTENTS.intoTheSun }, ['sun']],
    [{ intent: DEFAULT_INTENTS.silhouette }, ['sun']],
    [{ intent: { ...DEFAULT_INTENTS.silhouette, background: 'wall' } }, []],
    [{ pavement: 'middle' }, ['road']],
    [{ intent: DEFAULT_INTENTS.longExposure }, ['water']],
    [{ intent: { ...DEFAULT_INTENTS.longExposure, of: 'trails' } }, ['road']],
    [{ intent: DEFAULT_INTENTS.flashLift }, ['flash']],
    [{ approach: { ...DEFAULT_APPROACH, support: 'tripod' } }, ['tripod']],
    [{ intent: DEFAULT_INTENTS.fireworks, consent: 'unasked' }, ['fireworks']],
    [{ intent: DEFAULT_INTENTS.passingCandid, consent: 'unasked' }, ['people']],
    // The sun goes down at 18:25 there, and is 6 degrees under half an hour later.
    [{ arriveMin: 1110, leaveMin: 1125 }, []],
    [{ arriveMin: 1110, leaveMin: 1150 }, ['dark']],
  ] as [Partial<Stop>, string[]][])('%j: %j', (over, cares) => {
    const one = stop('a', over);
    expect(caresAt(walk(one), one)).toEqual(cares);
  });

  it('is said once a walk, with where it arises; what is set aside counts for nothing', () => {
    const sun = { intent: DEFAULT_INTENTS.intoTheSun };
    const of = walk(
      stop('a', sun),
      stop('b', { ...sun, arriveMin: 900, leaveMin: 970 }),
      stop('c', { pavement: 'middle', isSetAside: true }),
    );
    expect(caresOf(of)).toEqual([
      { care: 'sun', stopIds: ['a', 'b'] },
      { care: 'longDay', stopIds: [] },
    ]);
    expect(caresOf(walk())).toEqual([]);
  });
});

describe('what to mind while one looks', () => {
  // The view is to 350, the street runs north.
  const at = { shootingBearingDeg: 350, streetAxisDeg: 0, pavement: 'right' } as const;
  it.each([
    [at, 10, 24, ['sun']],
    [at, 10, 25, []],
    [at, 10, 315, []],
    [at, 10, 316, ['sun']],
    [at, 0, 350, []],
    [{ ...at, pavement: 'middle' as const }, -5, 350, ['road']],
    [{ ...at, pavement: 'middle' as const }, 10, 0, ['sun', 'road']],
    [{ ...at, pavement: 'middle' as const, shootingBearingDeg: 345 }, -5, 0, []],
    [{ ...at, pavement: 'middle' as const, shootingBearingDeg: 194 }, -5, 0, ['road']],
  ])('of %j with the sun at %d over %d', (stop, altitudeDeg, azimuthDeg, cares) => {
    expect(caresOfLook(stop, { altitudeDeg, azimuthDeg })).toEqual(cares);
  });
});
