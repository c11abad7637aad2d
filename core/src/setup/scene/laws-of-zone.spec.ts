import { BODY, FILM_400, FILM_BODY, LENS_28 } from '../../../reference/sampleKit.js';
import { sampleStop } from '../../../reference/sampleStops.js';
import { reciprocityCorrectedS, reciprocityMeteredS } from '../../exposure/index.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, type Subject, withEnds } from '../../stop/index.js';
import { dialCard, evaluateSetUp, homeState, lightLadder, searchSetUp, type SetUpInput } from '../index.js';

const candid = (subject: Subject, over: Partial<SetUpInput> = {}): SetUpInput =>
  sampleStop(DEFAULT_INTENTS.passingCandid, 11, { subject, ...over });
const PASSERS: Subject = { nearM: 2, farM: 4.5, medianM: 3, spread: 0.25 };

describe('the zone and the card', () => {
  it('near typed nearer opens the zone, and the card follows', () => {
    const hand = { fNumber: 4, focusM: 3, shutterS: 2 ** -9, iso: null, support: 'handheld' as const };
    const chance = (nearM: number): number => evaluateSetUp(candid(withEnds(PASSERS, 'whoeverPasses', { nearM })), hand).chance;
    expect(chance(0.5)).toBeLessThan(chance(2.9) - 0.1);
  });
  it('all of it: whole where the sharp part covers it, half gone where a quarter of it lies outside', () => {
    // f/7.1 at 3 m is sharp from 1.706 to 12.41 m (sheet 2).
    const hand = { fNumber: 2 ** (17 / 6), focusM: 3, shutterS: 2 ** -9, iso: null, support: 'handheld' as const };
    const depth = (nearM: number, farM: number): number =>
      evaluateSetUp(candid({ ...PASSERS, nearM, farM, law: 'allOfIt' }), hand).factors.depth;
    expect(depth(1.8, 12)).toBe(1);
    // 1 − 1/3 = 0.667; 1/1.706 − 1/3 = 0.2528: 0.379 covered, 0.621 left out.
    expect(depth(1, 3)).toBe(0);
    // 1/1.5 − 1/10 = 0.5667; 1/1.706 − 0.1 = 0.4862: 0.142 left out, 0.716 of the worth stays.
    expect(depth(1.5, 10)).toBeCloseTo(0.716, 2);
  });
  it('is at infinity where the hand is: not at the nearest mark there is', () => {
    const far = candid({ nearM: 60, farM: 400, medianM: 150, spread: 0.5 });
    const hand = { fNumber: 8, focusM: Infinity, shutterS: 2 ** -9, iso: null, support: 'handheld' as const };
    expect(evaluateSetUp(far, hand).hand.focusM).toBe(Infinity);
    expect(evaluateSetUp(far, hand).chance).toBeGreaterThan(0.9);
    const near = candid({ nearM: 0.6, farM: 0.8, medianM: 0.7, spread: 0.02 });
    const home = homeState([
      { id: 'far', input: far, weight: 5 },
      { id: 'near', input: near },
    ]);
    expect(home?.hand.focusM).toBe(Infinity);
    expect(home?.stops[1]?.changes.some(({ control }) => control === 'focus')).toBe(true);
  });
});

describe('a film that tires', () => {
  const dusk = sampleStop({ kind: 'longExposure', of: 'water', wantedS: 8 }, 2, {
    body: { ...FILM_BODY, slowestShutterS: 32, markStep: 'third' },
    film: { ...FILM_400, exposureIndex: 100, boxIso: 100 },
    approach: { ...DEFAULT_APPROACH, support: 'tripod' },
  });
  const hand = { fNumber: 4, focusM: 3, shutterS: 8, iso: 100, support: 'tripod' as const };

  it('comes back from the corrected time to the metered one', () => {
    // 4^1.3 = 6.063 s.
    expect(reciprocityCorrectedS({ meteredS: 4, exponent: 1.3 })).toBeCloseTo(6.063, 3);
    expect(reciprocityMeteredS({ exposedS: 6.063, exponent: 1.3 })).toBeCloseTo(4, 3);
    expect(reciprocityMeteredS({ exposedS: 0.7, exponent: 1.3 })).toBe(0.7);
  });
  it('is exposed by the time that it needs, and the card says both', () => {
    const one = evaluateSetUp(dusk, hand);
    // 8 s come to 8^(1/1.3) = 4.951 s; f/4 in EV 2 meters 4 s: 0.308 stop over.
    expect(one.camera.meteredS).toBeCloseTo(4.951, 3);
    expect(one.camera.errorEv).toBeCloseTo(Math.log2(4.951 / 4), 3);
    const { shutter } = dialCard(dusk).setUp;
    const says = Object.fromEntries(shutter.why.inputs.map(({ label, value }) => [label, value]));
    expect(Number(says['this film needs'])).toBeGreaterThan(Number(says['the meter says']));
    expect(shutter.seconds).toBe(says['this film needs']);
  });
  it('asks for nothing under its threshold, nor does a sensor ever', () => {
    expect(evaluateSetUp(dusk, { ...hand, shutterS: 0.5 }).camera.meteredS).toBe(0.5);
    const sensor = { ...dusk, body: BODY, film: null };
    expect(evaluateSetUp(sensor, hand).camera.meteredS).toBe(8);
  });
});

describe('supports', () => {
  const night = sampleStop(DEFAULT_INTENTS.passingCandid, 3, {
    approach: { ...DEFAULT_APPROACH, exposure: 'baseIsoLong' },
    movers: { ...sampleStop(DEFAULT_INTENTS.passingCandid, 3).movers, speedMps: 0, speedSpreadMps: 0 },
    body: { ...BODY, stabiliserStops: 0 },
    lens: LENS_28,
  });
  it('are those at hand: no ladder stands on a tripod that stayed at home', () => {
    expect(searchSetUp(night).best.hand.support).not.toBe('handheld');
    expect(searchSetUp({ ...night, supports: ['handheld'] }).best.hand.support).toBe('handheld');
    const used = (supports: NonNullable<SetUpInput['supports']>): Set<string> =>
      new Set(lightLadder({ ...night, supports }).rungs.map(({ setUp }) => setUp.hand.support));
    expect([used(['handheld', 'braced']).has('tripod'), used(['handheld', 'braced', 'tripod']).has('tripod')]).toEqual([
      false,
      true,
    ]);
  });
});

describe('the slowest auto shutter among equals', () => {
  it('is the one that lies nearest to what the camera sets anyway', () => {
    // Bright enough that base ISO holds: the camera sets the time, and every slower limit is as good.
    const { best } = searchSetUp(candid(PASSERS, { light: { keyEv100: 15, contrastEv: 3, surface: 'litPerson', spreadEv: 0 } }));
    expect(Math.abs(Math.log2((best.hand.shutterS as number) / best.camera.shutterS))).toBeLessThanOrEqual(1 / 6 + 1e-9);
  });
});
