import { cieSky, evOfLux } from '../light/index.js';
import { METER_PATTERNS } from '../kit/index.js';
import {
  type KeySurface,
  keyOfSight,
  measureLight,
  measureView,
  frameSeenAt,
  meterSight,
  type SightInstant,
  type SightQuestion,
} from './index.js';

const QUESTION: SightQuestion = {
  site: { buildings: [], eastM: 0, northM: 0 },
  bearingDeg: 0,
  frame: { sensorWidthMm: 36, sensorHeightMm: 24, focalLengthMm: 28, isUpright: false, tiltDeg: 0, riseMm: 0 },
  size: { width: 120, height: 80 },
  personM: 4,
};
const HOUSE = {
  footprint: [
    [-30, 12],
    [30, 12],
    [30, 20],
    [-30, 20],
  ] as const,
  heightM: 12,
};
const CLEAR_30: SightInstant = {
  ...{ sun: { azimuthDeg: 180, altitudeDeg: 30 }, cloud: 0, dayOfYear: null, areTreesInLeaf: true, lamps: null },
};

function seen(over: Partial<SightQuestion> = {}, instant: Partial<SightInstant> = {}) {
  const view = measureView({ ...QUESTION, ...over });
  const sight = frameSeenAt(view, measureLight(view), { ...CLEAR_30, ...instant });
  const key = (surface: KeySurface, tone = 0) => keyOfSight(view, sight, { surface, tone });
  return { view, sight, key };
}

describe('the key of a view', () => {
  it('of people is the light on their front: sun behind the camera on open ground, by hand EV 15.0', () => {
    // 83.8·cos 30° + ½·11.76 + ½·0.22·(41.9 + 11.76) klx = 84.3 klx.
    const found = seen().key('person', -1);
    expect(found?.readEv).toBeCloseTo(evOfLux(84_300), 1);
    expect(found?.exposureEv).toBeCloseTo((found?.readEv as number) + 1, 9);
    // Its cells are the coat and the skin, in the middle of the frame.
    expect(found?.at.x).toBeCloseTo(0.75, 1);
    expect(seen({ personM: null }).key('person')).toBeNull();
  });
  it('of a pool is the light of the sunlit ground nearby, on a plate square to the sun or level', () => {
    // 83.8 + ½·11.76 klx against 41.9 + 11.76.
    expect(seen().key('pool')?.readEv).toBeCloseTo(evOfLux(89_680), 2);
    expect(seen().key('level')?.readEv).toBeCloseTo(evOfLux(11_760), 1);
    expect(seen({}, { cloud: 1 }).key('pool')).toBeNull();
    expect(seen({}, { cloud: 1 }).key('sunlit ground')).toBeNull();
  });
  it('of a façade is its plaster in the sun, and in the shade where none of it is lit; none on open ground', () => {
    const site = { ...QUESTION.site, buildings: [HOUSE] };
    const [lit, shaded] = [seen({ site }), seen({ site }, { sun: { azimuthDeg: 0, altitudeDeg: 30 } })];
    expect(lit.key('wall')?.name).toBe('lit walls');
    expect(shaded.key('wall')?.name).toBe('walls');
    // Somewhere between plaster of 0.30 and 0.51 in 84.3 klx.
    const over = (lit.key('wall')?.readEv as number) - evOfLux(84_300);
    expect(over).toBeGreaterThan(Math.log2(0.28 / 0.1571));
    expect(over).toBeLessThan(Math.log2(0.52 / 0.1571));
    expect(seen().key('wall')).toBeNull();
  });
  it('of a sky is what stands low in the middle of it: behind a person, before no roof', () => {
    const sky = cieSky({ sun: CLEAR_30.sun, cloud: 0 });
    const low = Math.log2(8 * sky(0.06, Math.PI));
    expect(Math.abs((seen({}, {}).key('sky')?.readEv as number) - low)).toBeLessThan(0.35);
    const behindHouse = seen({ site: { ...QUESTION.site, buildings: [{ ...HOUSE, heightM: 6 }] } });
    expect(behindHouse.key('sky')).toBeNull();
    expect(behindHouse.key('anySky')).not.toBeNull();
  });
  it('of a screen is the screen: so much of the frame as was asked for, as far as it is not larger than 4.5 by 3 m', () => {
    const night = { sun: { azimuthDeg: 0, altitudeDeg: -20 }, screenEv: 9 };
    const alone = seen({ screenShare: 0.1, personM: null }, night);
    expect(alone.key('screen', 1)).toMatchObject({ readEv: expect.closeTo(9, 5), exposureEv: expect.closeTo(8, 5) });
    expect(alone.key('screen')?.share).toBeCloseTo(0.1, 1.7);
    // 4.5 x 3 m at 9 m before 28 mm: 14 x 9.33 of 36 x 24 mm.
    expect(seen({ screenShare: 1, personM: null }, night).key('screen')?.share).toBeCloseTo((14 * 9.33) / (36 * 24), 1.7);
    expect(seen({ screenShare: 0.2 }, { ...night, screenEv: null }).key('screen')).toBeNull();
    expect(() => seen({ screenShare: 1.5 })).toThrow(/screenShare/);
  });
});

it('a view is metered by every pattern, its key first among its tones', () => {
  const { view, sight } = seen();
  const { metered } = meterSight(view, sight, { surface: 'person', tone: 0, straightOverEv: 2.3 });
  expect(metered.patterns.map(({ pattern }) => pattern)).toEqual(METER_PATTERNS);
  expect(metered.patterns.every(({ readEv }) => readEv > 11 && readEv < 17)).toBe(true);
  expect(metered.tones[0]).toMatchObject({ kind: 'incident', isKey: true, tone: 0 });
  expect(metered.tones.slice(1).map(({ name }) => name)).toEqual(expect.arrayContaining(['sky', 'lit ground']));
  // A reading on the spot moves the map and its key alike.
  const brighter = frameSeenAt(view, measureLight(view), { ...CLEAR_30, offsetEv: 1 });
  const moved = meterSight(view, brighter, { surface: 'person', tone: 0, offsetEv: 1, straightOverEv: 2.3 }).metered;
  expect((moved.key?.readEv as number) - (metered.key?.readEv as number)).toBeCloseTo(1, 6);
  const none = meterSight(view, sight, { surface: 'wall', tone: 0, straightOverEv: 2.3 }).metered;
  expect(none.key).toBeNull();
  expect(none.tones.some(({ isKey }) => isKey)).toBe(false);
});
