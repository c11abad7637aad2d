import fc from 'fast-check';
import {
  bracketFor,
  crossingTrailMm,
  dialled,
  digitalMedium,
  fireworksPlan,
  flashAtEv,
  flashEv,
  flashPower,
  filmMedium,
  fNumberForBoth,
  frameEv,
  gelMired,
  incidentEv,
  keyOf,
  type Medium,
  MID_GREY,
  placeKey,
  placeOnBody,
  recedingTrailMm,
  reflectedOverIncidentEv,
  rippleLeft,
  scaledFromTest,
  secondsForRipple,
  skyEvFor,
  SLOPES,
  standerGoneAfterS,
  toneOf,
  walkersVanish,
  WATER_LOOKS,
  WATER_MEMORY_S,
} from './index.js';
import type { PlacementMethod, Reading } from '../stop/index.js';

const RAW: Medium = { kind: 'raw', overEv: 3, underEv: 8 };
const STRAIGHT: Medium = { kind: 'straight', overEv: 2.3, underEv: 5 };
const SLIDE: Medium = { kind: 'slide', overEv: 2, underEv: 2.5 };
const NEGATIVE: Medium = { kind: 'blackAndWhiteNegative', overEv: 5, underEv: 3.5 };

let taken = 0;
const reading = (id: string, ev100: number, tone: number | null = null, over: Partial<Reading> = {}): Reading => ({
  id,
  name: id,
  kind: 'spot',
  ev100,
  tone,
  takenMs: ++taken,
  isLetGo: false,
  isLamp: false,
  isKey: false,
  ...over,
});
const KEY = { isKey: true };

function placed(readings: readonly Reading[], medium: Medium, school: PlacementMethod) {
  const found = placeKey(readings, medium, school);
  if (found === null) throw new Error('nothing placed');
  const at = (id: string) => found.falls.find((one) => one.id === id) ?? { toneEv: NaN, lostEv: NaN };
  return { ...found, at };
}

describe('readings', () => {
  it('of a surface lie over the incident light by its reflectance', () => {
    expect(reflectedOverIncidentEv(0.18)).toBeCloseTo(0.2, 2);
    expect(reflectedOverIncidentEv(0.9)).toBeCloseTo(2.52, 2);
    expect(reflectedOverIncidentEv(0.04)).toBeCloseTo(-1.97, 2);
    expect(incidentEv({ kind: 'greyCard', ev100: 12 })).toBeCloseTo(11.8, 2);
    expect(incidentEv({ kind: 'incident', ev100: 12 })).toBe(12);
  });
  it('of a frame are its exposure, and what it was off by', () => {
    expect(frameEv({ fNumber: 8, shutterS: 1 / 128, iso: 400 })).toBeCloseTo(11, 9);
    expect(frameEv({ fNumber: 8, shutterS: 1 / 128, iso: 400 }, -1)).toBeCloseTo(10, 9);
  });
  it('of a flash know no time, and add to the ambient light', () => {
    expect(flashEv({ fNumber: 8, iso: 400 })).toBeCloseTo(4, 9);
    expect(flashAtEv(4, 1 / 64)).toBeCloseTo(10, 9);
    expect(fNumberForBoth(8, 8)).toBeCloseTo(11.31, 2);
  });
});

describe('media', () => {
  it('hold less in the shadows with every stop over the base', () => {
    const body = { headroomEv: 3, shadowRangeEv: 8, straightOverEv: 2.3, straightUnderEv: 5, baseIso: 100 };
    expect(digitalMedium(body, 'raw', 100)).toEqual(RAW);
    expect(digitalMedium(body, 'straight', 100)).toEqual(STRAIGHT);
    expect(digitalMedium(body, 'raw', 1600)).toEqual({ kind: 'raw', overEv: 3, underEv: 4 });
  });
  it.each([
    [1600, 2, 5, -2.1],
    [200, -1, 5, -4.2],
    [400, 0, 5, -3.5],
  ])('a black-and-white 400 at %d pushed %d holds +%d/%d', (exposureIndex, pushStops, over, under) => {
    const found = filmMedium({
      filmKind: 'blackAndWhiteNegative',
      boxIso: 400,
      exposureIndex,
      pushStops,
      holdsOverEv: 5,
      holdsUnderEv: 3.5,
    });
    expect(found.overEv).toBeCloseTo(over, 9);
    expect(-found.underEv).toBeCloseTo(under, 9);
  });
});

describe('the key placed, by hand', () => {
  it('1: a wall, raw', () => {
    const scene = [reading('wall', 16.3, 2, KEY), reading('coat', 12.9), reading('doorway', 8)];
    const { room, ev100, key, at } = placed(scene, RAW, 'protect');
    expect([room.fromEv, room.toEv, key.ev100, ev100]).toEqual([16.3 - 3, 16, 16.3 - 2, 16.3 - 2]);
    expect([at('wall').toneEv, at('coat').toneEv, at('doorway').toneEv].map((one) => Number(one.toFixed(9)))).toEqual([
      2, -1.4, -6.3,
    ]);
    expect(room.fits).toBe(true);
  });
  it('2: the same on slide', () => {
    const scene = [reading('wall', 16.3, 2, KEY), reading('coat', 12.9), reading('doorway', 8)];
    const hold = placed(scene, SLIDE, 'hold');
    expect(hold.room.shortEv).toBeCloseTo(3.8, 9);
    expect(hold.at('wall').lostEv).toBe(0);
    expect(hold.at('doorway').lostEv).toBeCloseTo(-3.8, 9);
    const protect = placed(scene, SLIDE, 'protect');
    expect(protect.ev100).toBeCloseTo(14.6333333, 6);
    expect(protect.keyShiftEv).toBeCloseTo(-1 / 3, 9);
    expect(protect.at('doorway').lostEv).toBeCloseTo(-4.1333333, 6);
  });
  it('3: a key that lies outside the room', () => {
    const scene = [reading('coat', 14.2, 0, KEY), reading('ground', 14.6), reading('shade', 8.6)];
    const { room, ev100, at, keyTones } = placed(scene, STRAIGHT, 'hold');
    expect([room.fromEv, room.toEv]).toEqual([14.6 - 2.3, 8.6 + 5]);
    expect(ev100).toBe(14.2);
    expect(at('shade').lostEv).toBeCloseTo(-0.6, 9);
    expect(keyTones?.map((one) => Number(one.toFixed(9)))).toEqual([0.6, 1.9]);
  });
  it('4: lamps that may burn', () => {
    const scene = [
      reading('lamp', 14.5, null, { isLamp: true }),
      reading('window', 8.2),
      reading('ground', 5.3, 0, KEY),
      reading('door', 0.5),
    ];
    expect(placed(scene, RAW, 'protect').ev100).toBeCloseTo(11.8333333, 6);
    const burn = placed(scene, RAW, 'burn');
    expect(burn.ev100).toBeCloseTo(5.5333333, 6);
    expect(burn.at('ground').toneEv).toBeCloseTo(-0.2333333, 6);
    expect(burn.at('door').toneEv).toBeCloseTo(-5.0333333, 6);
    // What may burn is not lost, and what is kept fits: 8.2 down to 0.5 are 7.7 of 11 stops.
    expect(burn.at('lamp').lostEv).toBe(0);
    expect(burn.room.fits).toBe(true);
    expect(burn.room.fromEv).toBeCloseTo(5.2, 9);
    expect(placed(scene, RAW, 'protect').room.fits).toBe(false);
    // A lamp that is itself the key is kept.
    const asKey = placed(
      scene.map((one) => ({ ...one, isKey: one.id === 'lamp' })),
      RAW,
      'burn',
    );
    expect(asKey.room.fromEv).toBeCloseTo(11.5, 9);
  });
  it('5 and 6: shadows on a negative', () => {
    const scene = [reading('wall', 15.6), reading('face', 12.4, 1, KEY), reading('doorway', 9, -2)];
    const { ev100, at } = placed(scene, NEGATIVE, 'shadows');
    expect(ev100).toBe(11);
    expect([at('wall').toneEv, at('face').toneEv].map((one) => Number(one.toFixed(9)))).toEqual([4.6, 1.4]);
    const flat = [reading('card', 10.8, 0, { kind: 'greyCard' }), reading('shadow', 10.2)];
    expect(placed(flat, NEGATIVE, 'shadows').ev100).toBe(10.8);
  });
  it('7: which reading is the key', () => {
    const incident = reading('incident', 10, null, { kind: 'incident' });
    const face = reading('face', 10.4, 1);
    expect(keyOf([incident, face])?.ev100).toBe(10);
    expect(keyOf([incident, { ...face, isKey: true }])?.ev100).toBeCloseTo(9.4, 9);
    expect(keyOf([reading('a', 9), reading('b', 8, 1), reading('c', 7)])?.reading.id).toBe('b');
    expect(keyOf([reading('a', 9), reading('c', 7)])).toMatchObject({ tone: 0, ev100: 7 });
    expect(keyOf([{ ...face, isLetGo: true }])).toBeNull();
    expect(placeKey([], RAW, 'hold')).toBeNull();
    expect(placeKey([face], SLIDE, 'right')).toBeNull();
  });
  it('8: brackets', () => {
    const window = { topEv: 14.4, bottomEv: 3.2 };
    expect(bracketFor(window, RAW, [1, 2])).toMatchObject({ frames: 3, stepEv: 1, middleEv: expect.closeTo(11.4667, 3) });
    expect(bracketFor(window, STRAIGHT, [1, 2])).toMatchObject({ frames: 5, stepEv: 2, middleEv: expect.closeTo(10.3167, 3) });
    expect(bracketFor(window, STRAIGHT, [1, 2, 3])).toMatchObject({ frames: 3, stepEv: 3 });
    expect(bracketFor({ topEv: 12, bottomEv: 9 }, RAW, [1, 2])).toBeNull();
    // 13⅓ − 3 + ⅓ less ⅔ + 8 is 2 exactly: three frames a stop apart.
    expect(bracketFor({ topEv: 13 + 1 / 3, bottomEv: 2 / 3 }, RAW, [1, 2])).toMatchObject({ frames: 3, stepEv: 1 });
  });
  it.each([
    [1.6, 'hold', 'raw', 'third', 5 / 3],
    [1.6, 'protect', 'raw', 'third', 4 / 3],
    [1.64, 'protect', 'raw', 'third', 5 / 3],
    [1.25, 'hold', 'raw', 'half', 1],
    [-0.2, 'hold', 'blackAndWhiteNegative', 'third', 0],
    [0.4, 'hold', 'blackAndWhiteNegative', 'third', 2 / 3],
    [0.4, 'shadows', 'raw', 'third', 2 / 3],
    [1 + 0.05, 'shadows', 'raw', 'half', 1],
    [1.5 - 0.05, 'protect', 'raw', 'half', 1.5],
    [2 / 3 + 0.05, 'shadows', 'raw', 'third', 2 / 3],
    [11 - 14.6, 'hold', 'raw', 'third', null],
  ] as const)('9: %d by %s on %s in %ss is %d', (ev, school, kind, step, mark) => {
    const found = dialled(ev, { school, medium: { kind }, step, rangeEv: 3 });
    if (mark === null) expect(found).toEqual({ kind: 'byHand' });
    else expect(found).toEqual({ kind: 'dial', ev: expect.closeTo(mark, 9) });
  });
});

describe('whatever is read', () => {
  const ev = fc.double({ min: -6, max: 18, noNaN: true });
  const tone = fc.option(fc.double({ min: -3, max: 3, noNaN: true }), { nil: null });
  const one = fc.record({ ev, tone, isLamp: fc.boolean(), isLetGo: fc.boolean() });
  const scene = fc
    .array(one, { minLength: 1, maxLength: 7 })
    .map((all) =>
      all.map(({ ev: ev100, tone: wanted, ...rest }, k) =>
        reading(String(k), ev100, wanted, { ...rest, ...(k === 0 ? KEY : {}), isLetGo: k > 0 && rest.isLetGo }),
      ),
    );
  const medium = fc.constantFrom(RAW, STRAIGHT, SLIDE, NEGATIVE);

  it('one more never widens the room', () => {
    fc.assert(
      fc.property(scene, ev, medium, (readings, more, on) => {
        const [before, after] = [placed(readings, on, 'hold'), placed([...readings, reading('more', more)], on, 'hold')];
        expect(after.room.toEv - after.room.fromEv).toBeLessThanOrEqual(before.room.toEv - before.room.fromEv + 1e-9);
      }),
    );
  });
  it('places on a body by the ISO of the exposure that comes of it, not of what was set before', () => {
    // f/5.6 (2^2.5) at 1/512 s: 14 − EV is log2(ISO/100). The window at 12 is the key: ISO 400, two stops over base 100, so that a
    // raw of 8 stops holds 6 below: a face at 7, five under, is held. At ISO 12800, the card's before, it held one: lost by 4.
    const readings = [reading('face', 7), reading('window', 12, 0, KEY)];
    const body = { headroomEv: 3, shadowRangeEv: 8, straightOverEv: 2.3, straightUnderEv: 5, baseIso: 100 };
    const isoAt = (ev100: number): number => 100 * 2 ** (14 - ev100);
    const found = placeOnBody(readings, 'hold', { body, kind: 'raw', isoAt });
    expect(found).toMatchObject({ iso: 400, medium: { kind: 'raw', overEv: 3, underEv: 6 } });
    expect(found?.placement.falls.map(({ lostEv }) => lostEv)).toEqual([0, 0]);
    expect(placed(readings, digitalMedium(body, 'raw', 12800), 'hold').at('face').lostEv).toBeCloseTo(-4, 9);
    // As it comes out of the camera it holds 5 − 2 below: the face is lost by two.
    expect(placeOnBody(readings, 'hold', { body, kind: 'straight', isoAt })?.placement.falls[0]?.lostEv).toBeCloseTo(-2, 9);
    expect(placeOnBody([], 'hold', { body, kind: 'raw', isoAt })).toBeNull();
  });

  it('protect clips no kept light, and protect ≥ burn ≥ hold ≥ shadows', () => {
    fc.assert(
      fc.property(scene, medium, (readings, on) => {
        const protect = placed(readings, on, 'protect');
        const keptIds = new Set(readings.filter(({ isLetGo }) => !isLetGo).map(({ id }) => id));
        expect(protect.falls.every(({ id, lostEv }) => !keptIds.has(id) || lostEv <= 1e-9)).toBe(true);
        const [burn, hold, shadows] = (['burn', 'hold', 'shadows'] as const).map((school) => placed(readings, on, school).ev100);
        expect([protect.ev100, burn, hold, shadows]).toEqual(
          [protect.ev100, burn, hold, shadows].sort((a, b) => (b ?? 0) - (a ?? 0)),
        );
      }),
    );
  });
  it('a brighter key moves hold by as much, the others by at most that and never the other way', () => {
    fc.assert(
      fc.property(scene, fc.double({ min: 0, max: 3, noNaN: true }), medium, (readings, by, on) => {
        const toned = readings.map((its, k) => (k === 0 ? { ...its, tone: 0 } : its));
        const moved = toned.map((its, k) => (k === 0 ? { ...its, tone: by } : its));
        for (const school of ['hold', 'protect', 'burn'] as const) {
          const change = placed(moved, on, school).ev100 - placed(toned, on, school).ev100;
          expect(change).toBeLessThanOrEqual(1e-9);
          expect(change).toBeGreaterThanOrEqual(-by - 1e-9);
          if (school === 'hold') expect(change).toBeCloseTo(-by, 9);
        }
      }),
    );
  });
});

describe('the curve', () => {
  it.each([RAW, STRAIGHT, SLIDE, NEGATIVE])(
    'of $kind has mid-grey and both ends exact, rises, and has its slope at mid-grey',
    (medium) => {
      expect(toneOf(0, medium)).toBeCloseTo(MID_GREY, 12);
      expect([toneOf(medium.overEv, medium), toneOf(-medium.underEv, medium), toneOf(99, medium), toneOf(-99, medium)]).toEqual([
        1, 0, 1, 0,
      ]);
      const tones = Array.from({ length: 121 }, (_, k) => toneOf(-6 + k / 10, medium));
      expect(tones.every((one, k) => k === 0 || one >= (tones[k - 1] as number))).toBe(true);
      const g = Math.max(SLOPES[medium.kind], (1 - MID_GREY) / medium.overEv);
      expect((toneOf(1e-6, medium) - MID_GREY) / 1e-6).toBeCloseTo(g, 4);
    },
  );
});

describe('night', () => {
  it('scales a test shot, reciprocity last', () => {
    const test = { fNumber: 2.8, shutterS: 0.25, iso: 6400 };
    expect(scaledFromTest(test, { fNumber: 8, iso: 100 })).toBeCloseTo(130.6, 1);
    const film = { reciprocity: { exponent: 1.3, thresholdS: 1 } };
    expect(scaledFromTest(test, { fNumber: 8, iso: 100 }, film)).toBeCloseTo(563, 0);
    expect(scaledFromTest(test, { fNumber: 8, iso: 100 }, { addedEv: 1 })).toBeCloseTo(261.2, 1);
  });

  // Walkers of 1.4 ± 0.3 m/s straight across 20 m.
  const crowd = (perMinute: number) => ({
    perSecond: perMinute / 60,
    speedMps: 1.4,
    speedSpreadMps: 0.3,
    travelAngleDeg: 90,
    viewM: 20,
  });
  it.each([
    [12, 15, 0.075, 0.024, 9, 0.08],
    [12, 60, 0.075, 0.0061, 9, 0.08],
    [60, 120, 0.374, 0.0068, 20, 0.47],
  ])('%d a minute in %d s: veil %d, unevenness %d, gone after %d s, %d stops', (perMinute, seconds, veil, uneven, gone, stops) => {
    const found = walkersVanish(crowd(perMinute), seconds);
    expect(found.veil).toBeCloseTo(veil, 3);
    expect(found.unevenness).toBeCloseTo(uneven, 3);
    expect(Math.round(found.goneAfterS)).toBe(gone);
    expect(found.veilStops).toBeCloseTo(stops, 2);
  });
  it('somebody who stands 20 s needs eight minutes', () => {
    expect(standerGoneAfterS(20)).toBeCloseTo(500, 9);
  });
  it('draws trails across and away', () => {
    const lens = { focalLengthMm: 28, frameMm: 36 };
    // 28 mm · 10 m/s · 1 s over 20 m; and 3 m beside, from 10 to 40 m: 28 · 3 · (1/10 − 1/40).
    expect(crossingTrailMm(lens, { speedMps: 10, distanceM: 20 }, 1)).toBeCloseTo(14, 9);
    expect(crossingTrailMm(lens, { speedMps: 10, distanceM: 20 }, 60)).toBe(36);
    expect(recedingTrailMm(lens, { besideM: 3, fromM: 10, toM: 40 })).toBeCloseTo(6.3, 9);
    // 50·2.5/3 = 41.7 mm lies outside of the half frame of 18; 50·2.5/47.4 = 2.64: 15.36 are on it. At 85 mm both ends lie outside.
    const full = (focalLengthMm: number) => ({ focalLengthMm, frameMm: 36 });
    expect(recedingTrailMm(full(50), { besideM: 2.5, fromM: 3, toM: 47.4 })).toBeCloseTo(15.36, 2);
    expect(recedingTrailMm(full(85), { besideM: 2.5, fromM: 3, toM: 6 })).toBe(0);
  });
  it('smooths water', () => {
    expect(rippleLeft(7, 1)).toBeCloseTo(0.495, 3);
    expect(rippleLeft(22, 1)).toBeCloseTo(0.295, 3);
    expect(rippleLeft(0, 1)).toBe(1);
    const seconds = (water: keyof typeof WATER_MEMORY_S) =>
      Object.values(WATER_LOOKS).map((left) => secondsForRipple(left, WATER_MEMORY_S[water]));
    expect(seconds('weir').map((one) => Number(one.toPrecision(1)))).toEqual([0.2, 0.6, 6]);
    expect(seconds('stream').map((one) => Number(one.toPrecision(1)))).toEqual([0.7, 2, 20]);
    expect(seconds('sea').map(Math.round)).toEqual([7, 21, 199]);
  });
  it('opens for fireworks as long as the sky lets it', () => {
    expect(fireworksPlan({ skyEv100: 0, iso: 100, burstS: 4 })).toMatchObject({ fNumber: 11, openS: 30.25, bursts: 7 });
    expect(fireworksPlan({ skyEv100: 2, iso: 100, burstS: 4 }).bursts).toBe(1);
    expect(fireworksPlan({ skyEv100: 0, iso: 400, brightness: 'faint', burstS: 4 }).fNumber).toBe(16);
  });
  it('lifts with flash under a sky', () => {
    // Guide number 20 at f/4 and ISO 400 reaches 10 m at full power: at 5 m a quarter, a stop and a third less is 0.099.
    expect(flashPower({ fNumber: 4, iso: 400, distanceM: 5, guideNumberM: 20, toneEv: 0 })).toBeCloseTo(0.25, 9);
    expect(flashPower({ fNumber: 4, iso: 400, distanceM: 5, guideNumberM: 20, toneEv: -4 / 3 })).toBeCloseTo(0.0992, 4);
    // Between 1/256 and 1/32 lie three stops of sky.
    const at = (shutterS: number) => skyEvFor({ fNumber: 4, shutterS, iso: 400 }, -2 / 3);
    expect(at(1 / 256)).toBeCloseTo(12 - 2 - 2 / 3, 9);
    expect(at(1 / 256) - at(1 / 32)).toBeCloseTo(3, 9);
    expect(Math.round(gelMired(2900, 5500))).toBe(163);
  });
});
