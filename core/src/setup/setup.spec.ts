import fc from 'fast-check';
import { BODY, FILM_400, FILM_BODY, FLASH_20, LENS_28, STANDARD } from '../../reference/sampleKit.js';
import { exposureValue100 } from '../exposure/index.js';
import { lensApertures, widestFNumberAt } from '../kit/index.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, type Intent } from '../stop/index.js';
import { formatEntry } from '../units/index.js';
import { firstLadder, firstSetUp, type SetUp, type SetUpInput, type SetUpResult } from './index.js';

const THIRD = { step: 'third' } as const;
const WALKERS = {
  who: 'walkers',
  speedMps: 1.4,
  speedSpreadMps: 0.3,
  travelAngleDeg: 70,
  travelSpreadDeg: 20,
  passersPerMinute: 6,
  suitableShare: 0.2,
};

function input(intent: Intent, keyEv100: number, over: Partial<SetUpInput> = {}): SetUpInput {
  return {
    intent,
    subject: { nearM: 2, farM: 5, medianM: 3, spread: 0.25 },
    movers: WALKERS,
    light: { keyEv100, contrastEv: 3, surface: 'cameraSide' },
    body: BODY,
    lens: LENS_28,
    focalLengthMm: 28,
    film: null,
    flash: null,
    standard: STANDARD,
    approach: DEFAULT_APPROACH,
    ...over,
  };
}
const candid = (keyEv100: number, over: Partial<SetUpInput> = {}): SetUpInput =>
  input(DEFAULT_INTENTS.passingCandid, keyEv100, over);

/** The five numbers as a person reads them. */
function read({ aperture, focus, shutter, iso, meter }: SetUp): string {
  return [
    formatEntry(aperture.fNumber, { kind: 'aperture', ...THIRD }),
    formatEntry(focus.distanceM, { kind: 'distance', unit: 'metres' }),
    formatEntry(shutter.seconds, { kind: 'shutter', ...THIRD }),
    `ISO ${formatEntry(iso.expected, { kind: 'iso', ...THIRD })}`,
    formatEntry(meter.compensationEv, { kind: 'stops', ...THIRD }),
  ].join(' · ');
}

describe('passing candid by day, by sheet 2', () => {
  const { kind, setUp, sacrifices } = firstSetUp(candid(11)) as Extract<SetUpResult, { kind: 'ready' }>;

  it('is f/8, 3 m, 1/500, ISO 1600', () => {
    expect(kind).toBe('ready');
    expect(read(setUp)).toBe('f/8 · 3 m · 1/500 · ISO 1600 · 0');
    expect(sacrifices).toEqual([]);
  });

  it('is sharp from 1.626 to 19.33 m and holds 99 of 100', () => {
    expect(setUp.focus.sharp?.nearM).toBeCloseTo(1.626, 3);
    expect(setUp.focus.sharp?.farM).toBeCloseTo(19.33, 1);
    expect(setUp.focus.zoneChance).toBeCloseTo(0.993, 3);
    expect(setUp.focus.sharpGeometric.nearM).toBeLessThan(setUp.focus.sharp?.nearM as number);
  });

  it('names the walker, not the hands: 1/418 against 8/28 s', () => {
    expect(setUp.shutter.limit).toBe('subjectMoves');
    expect(1 / setUp.shutter.motionLimitS).toBeCloseTo(418.4, 1);
    expect(setUp.shutter.shakeLimitS).toBeCloseTo(8 / 28, 9);
    expect(setUp.iso).toMatchObject({ lowest: 100, limit: 'ownCeiling' });
    expect(setUp.iso.highest).toBeCloseTo(6400, 6);
  });

  it('holds still for the hands where they are worse: no stabiliser, 1/28 s, nobody moving', () => {
    const still = { ...WALKERS, speedMps: 0, speedSpreadMps: 0 };
    const calm = firstSetUp(candid(11, { movers: still, body: { ...BODY, stabiliserStops: 0 } })).setUp;
    expect(calm.shutter.limit).toBe('shake');
    expect(calm.shutter.seconds).toBeCloseTo(2 ** -5, 9); // 1/30, the next faster mark than 1/28
  });

  it('keeps every input behind each number', () => {
    for (const { why } of [setUp.aperture, setUp.focus, setUp.shutter, setUp.iso, setUp.meter]) {
      expect(why.formula.length).toBeGreaterThan(20);
      expect(why.inputs.length).toBeGreaterThan(2);
      expect(why.source).toContain('docs/formulas.md');
    }
  });
});

describe('a bright sign behind, by sheet 3', () => {
  const sign = input({ kind: 'silhouette', background: 'screen', brightShare: 0.5 }, 9, {
    subject: { nearM: 3, farM: 6, medianM: 4, spread: 0.2 },
    movers: { ...WALKERS, travelAngleDeg: 90, travelSpreadDeg: 0 },
  });
  it('is near f/4, 1/400, as experience expects', () => {
    const { kind, setUp } = firstSetUp(sign);
    expect(kind).toBe('ready');
    expect(read(setUp)).toBe('f/4 · 5 m · 1/400 · ISO 2500 · 0');
    expect(1 / setUp.shutter.motionLimitS).toBeCloseTo(370.2, 0);
    expect(setUp.aperture.limit).toBe('zoneNeedsIt');
  });
});

describe('street by night, by sheet 4', () => {
  const street = input(DEFAULT_INTENTS.litStreet, 5, { subject: { nearM: 3, farM: 7, medianM: 4.5, spread: 0.2 } });
  const { kind, setUp } = firstSetUp(street);
  it('is wide open at 1/200, and the stabiliser does not decide', () => {
    expect(kind).toBe('ready');
    expect(setUp.aperture.fNumber).toBeLessThan(3);
    expect(setUp.shutter.seconds).toBeCloseTo(2 ** (-23 / 3), 9);
    expect(setUp.shutter.limit).toBe('subjectMoves');
    expect(1 / setUp.shutter.motionLimitS).toBeCloseTo(185.1, 0);
    const unsteady = firstSetUp({ ...street, body: { ...BODY, stabiliserStops: 0, id: 'body' } }).setUp;
    expect(unsteady.shutter.seconds).toBeLessThanOrEqual(setUp.shutter.seconds);
  });
  it('slows to what holds the typical walker when a stop and more goes', () => {
    const ladder = firstLadder(street);
    const slowest = ladder.rungs.at(-1)?.setUp.shutter.seconds as number;
    expect(slowest).toBeCloseTo(2 ** (-20 / 3), 9); // 1/100
  });
});

describe('what cannot be done', () => {
  it('says EV −2 is too dark, by how much, and what has gone', () => {
    const result = firstSetUp(candid(-2));
    expect(result.kind).toBe('cannot');
    if (result.kind === 'cannot') {
      // f/2 and 1/250 at ISO 6400 need EV log2(4·256/64) = 4: six stops more than there are.
      expect(result.obstacle).toEqual({ kind: 'tooDark', stops: expect.closeTo(6, 6) as number });
      expect(result.sacrifices.map((sacrifice) => sacrifice.kind)).toEqual(['slowerThanWanted', 'depth']);
      expect(result.setUp.aperture.limit).toBe('lensWidest');
    }
  });

  it('in glare stops down before it gives up', () => {
    // Base 100, 1/4000 (2^-12 s), f/8 holds EV 18; EV 19.5 wants f/13.5: f/14; EV 22 is 2 stops over f/16.
    expect(firstSetUp(candid(16)).setUp.aperture.fNumber).toBeCloseTo(8, 9);
    expect(firstSetUp(candid(19.5)).setUp.aperture).toMatchObject({ limit: 'tooBright' });
    expect(firstSetUp(candid(19.5)).setUp.aperture.fNumber).toBeCloseTo(2 ** (23 / 6), 9);
    const glare = firstSetUp(candid(22));
    expect(glare.kind === 'cannot' && glare.obstacle).toEqual({ kind: 'tooBright', stops: expect.closeTo(2, 6) as number });
  });

  it('says when no aperture holds the zone, and gives up the far end first', () => {
    const deep = candid(12, { subject: { nearM: 0.6, farM: Infinity, medianM: 2, spread: 0.3 } });
    const { setUp } = firstSetUp(deep);
    expect(setUp.focus.coversZone).toBe(false);
    expect(setUp.aperture.limit).toBe('zoneOutOfReach');
  });

  it('needs a flash for flash lift, one that reaches, and never beats the sync', () => {
    const dusk = input(DEFAULT_INTENTS.flashLift, 7);
    const without = firstSetUp(dusk);
    expect(without.kind === 'cannot' && without.obstacle.kind).toBe('noFlash');
    const lifted = firstSetUp({ ...dusk, flash: FLASH_20 });
    expect(lifted.setUp.shutter.seconds).toBeGreaterThanOrEqual(BODY.flashSyncS);
    expect(lifted.setUp.flash).toMatchObject({ compensationEv: -4 / 3, reaches: true });
    const far = firstSetUp({ ...dusk, flash: { ...FLASH_20, guideNumberM: 1 } });
    expect(far.kind === 'cannot' && far.obstacle.kind).toBe('flashTooWeak');
  });

  it('asks for a tripod for half a second of water by hand', () => {
    const water = input({ kind: 'longExposure', of: 'water', wantedS: 0.5 }, 4, {
      approach: { ...DEFAULT_APPROACH, exposure: 'baseIsoLong' },
    });
    const byHand = firstSetUp(water);
    expect(byHand.kind === 'cannot' && byHand.obstacle.kind).toBe('needsTripod');
    const onTripod = firstSetUp({ ...water, approach: { ...water.approach, support: 'tripod' } });
    expect(onTripod.kind).toBe('ready');
    // N = √(0.5·2⁴) = 2.83.
    expect(read(onTripod.setUp)).toContain('f/2.8 · ');
    expect(read(onTripod.setUp)).toContain('0.5 s · ISO 100');
    const noon = firstSetUp({
      ...water,
      light: { ...water.light, keyEv100: 12 },
      approach: { ...water.approach, support: 'tripod' },
    });
    // N = √(0.5·2¹²) = 45.3: three stops of grey past f/16.
    expect(noon.kind === 'cannot' && noon.obstacle).toEqual({ kind: 'tooBright', stops: expect.closeTo(3, 6) as number });
  });
});

describe('the ways people run exposure, on the same light', () => {
  const run = (exposure: SetUpInput['approach']['exposure'], keyEv100 = 11, over: Partial<SetUpInput> = {}): SetUp =>
    firstSetUp(candid(keyEv100, { approach: { ...DEFAULT_APPROACH, exposure }, ...over })).setUp;

  it('both held: the shutter is set, ISO floats', () => {
    const setUp = run('bothHeld');
    expect(setUp.shutter).toMatchObject({ role: 'set', limit: 'subjectMoves' });
    expect(setUp.iso.expected).toBeCloseTo(1600, -1);
    // In full sun ISO would fall under base: the hand sets the shutter faster. EV 16, f/8: 1/1024 at ISO 100.
    expect(run('bothHeld', 16).shutter.seconds).toBeLessThanOrEqual(2 ** -10 * 1.001);
    expect(run('bothHeld', 16).exposure.limit).toBeNull();
  });

  it('fixed high ISO: the lowest mark that holds the shutter', () => {
    const setUp = run('fixedIso');
    expect(setUp.iso).toMatchObject({ limit: 'setForShutter' });
    expect(setUp.iso.lowest).toBeCloseTo(1600, -1);
    expect(setUp.shutter.role).toBe('camera');
    expect(setUp.exposure.shutterS).toBeLessThanOrEqual(2 ** -9 * (1 + 1e-9));
  });

  it('base ISO, long exposure: the hands decide, not the walker', () => {
    const setUp = run('baseIsoLong', 4);
    expect(setUp.iso).toMatchObject({ lowest: 100, highest: 100, limit: 'base' });
    expect(setUp.exposure.shutterS).toBeLessThanOrEqual(8 / 28);
  });

  it('film: both set by hand for the one ISO of the roll', () => {
    const setUp = run('aperturePriority', 13, { body: FILM_BODY, film: FILM_400 });
    expect(setUp.iso).toMatchObject({ lowest: 400, highest: 400, limit: 'roll' });
    // EV 13, ISO 400, 1/500 (2^-9): N = √(2^15/2^9) = 8.
    expect(setUp.aperture.fNumber).toBeCloseTo(8, 6);
    expect(setUp.shutter).toMatchObject({ role: 'set' });
    expect(setUp.shutter.seconds).toBeCloseTo(2 ** -9, 9);
    const pushed = run('aperturePriority', 13, { body: FILM_BODY, film: { ...FILM_400, pushStops: 1 } });
    expect(pushed.iso.lowest).toBe(800);
  });

  it('a body without a slowest auto shutter is run with both held', () => {
    expect(run('aperturePriority', 11, { body: { ...BODY, slowestAutoShuttersS: [] } }).shutter.role).toBe('set');
  });

  it('says when compensation does nothing on this body', () => {
    expect(run('bothHeld', 11, { body: { ...BODY, compensationWhenBothHeld: false } }).meter.limit).toBe('byHand');
  });
});

describe('metering', () => {
  it('brings a pool’s lit key to +⅔ by −1⅓ on the whole frame (sheet 5)', () => {
    const { meter } = firstSetUp(input(DEFAULT_INTENTS.lightPool, 14)).setUp;
    expect(meter).toMatchObject({ pattern: 'wholeFrame', keyPlacementEv: 2 / 3 });
    expect(meter.compensationEv).toBeCloseTo(-4 / 3, 9);
  });
  it('places a spot reading where the key shall land', () => {
    const spot = { ...BODY, meterPatterns: ['spot'] as const };
    expect(firstSetUp(input(DEFAULT_INTENTS.lightPool, 14, { body: spot })).setUp.meter.compensationEv).toBeCloseTo(2 / 3, 9);
    expect(firstSetUp(candid(11, { body: spot })).setUp.meter.compensationEv).toBe(0);
  });
  it('opens up against the sun and darkens the night', () => {
    expect(firstSetUp(input(DEFAULT_INTENTS.intoTheSun, 13)).setUp.meter.compensationEv).toBeGreaterThan(0);
    expect(firstSetUp(input(DEFAULT_INTENTS.litStreet, 5)).setUp.meter.compensationEv).toBeLessThan(0);
  });
});

describe('the ways of focusing', () => {
  const focus = (kind: SetUpInput['approach']['focus']): SetUp =>
    firstSetUp(candid(11, { approach: { ...DEFAULT_APPROACH, focus: kind } })).setUp;
  it('locks on the spot itself, not on a mark', () => {
    const locked = firstSetUp(
      candid(11, {
        approach: { ...DEFAULT_APPROACH, focus: 'lockedOnSpot' },
        subject: { nearM: 2, farM: 5, medianM: 2.7, spread: 0 },
      }),
    );
    expect(locked.setUp.focus).toMatchObject({ distanceM: 2.7, limit: 'spot' });
  });
  it('loses some to recomposing and delay, and more in the dark', () => {
    expect(focus('centrePoint').focus.zoneChance).toBeLessThanOrEqual(focus('lockedOnSpot').focus.zoneChance);
    const dark = firstSetUp(candid(-2, { approach: { ...DEFAULT_APPROACH, focus: 'centrePoint' } })).setUp;
    expect(dark.focus.zoneChance).toBeLessThan(0.51); // half of the locks at the body's own limit of EV −2
  });
  it('says to focus on something and lock where the lens has no marks', () => {
    const byWire = firstSetUp(candid(11, { lens: { ...LENS_28, engravedDistancesM: [] } })).setUp;
    // At 2.5 m: k = 0.027857·8·2472/784 = 0.7027, sharp from 1.468 m: 998 of 1000 against 993 at 3 m.
    expect(byWire.focus).toMatchObject({ limit: 'focusByWire', distanceM: 2.5 });
  });
});

describe('the ladder', () => {
  const ladder = firstLadder(candid(11));

  it('changes nothing down to EV 9, as sheet 2 works out, then opens', () => {
    expect(ladder.rungs[0]?.ev100).toBeCloseTo(8 + 2 / 3, 6);
    expect(ladder.rungs[0]?.changes[0]?.control).toBe('aperture');
  });

  it('ends where f/2 and 1/250 need more than ISO 6400', () => {
    expect(ladder.ends?.ev100).toBeCloseTo(3 + 2 / 3, 6);
    expect(ladder.ends?.obstacle.kind).toBe('tooDark');
  });

  it('moves each control one way only, and every rung really serves its light', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 17, noNaN: true }), fc.double({ min: 1, max: 4, noNaN: true }), (ev, medianM) => {
        const subject = { nearM: medianM * 0.7, farM: medianM * 1.6, medianM, spread: 0.2 };
        const { rungs } = firstLadder(candid(ev, { subject }));
        rungs.forEach(({ ev100, setUp }, k) => {
          expect(2 * Math.log2(setUp.aperture.fNumber) - Math.log2(setUp.shutter.seconds) - 6).toBeLessThanOrEqual(ev100 + 1e-6);
          const before = rungs[k - 1]?.setUp;
          if (before === undefined) return;
          expect(setUp.aperture.fNumber).toBeLessThanOrEqual(before.aperture.fNumber);
          expect(setUp.shutter.seconds).toBeGreaterThanOrEqual(before.shutter.seconds);
        });
      }),
      { numRuns: 60 },
    );
  });
});

describe('properties', () => {
  const anyIntent = fc.constantFrom(...Object.values(DEFAULT_INTENTS)) as fc.Arbitrary<Intent>;

  it('exposes right whenever it says it is ready, in the marks of lens and body', () => {
    fc.assert(
      fc.property(anyIntent, fc.double({ min: -4, max: 20, noNaN: true }), (intent, ev) => {
        const result = firstSetUp(input(intent, ev, { flash: FLASH_20 }));
        const { setUp } = result;
        expect(lensApertures(LENS_28, 28)).toContain(setUp.aperture.fNumber);
        if (result.kind !== 'ready' || intent.kind === 'fireworks' || intent.kind === 'longExposure') return;
        const target = ev - setUp.meter.keyPlacementEv;
        expect(Math.abs(exposureValue100(setUp.exposure) - target)).toBeLessThan(1e-6);
      }),
      { numRuns: 200 },
    );
  });

  it('never needs more ISO for more light', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 16, noNaN: true }), (ev) => {
        const exact = (keyEv100: number): number => firstSetUp(candid(keyEv100)).setUp.exposure.iso;
        expect(exact(ev + 3)).toBeLessThanOrEqual(exact(ev) * (1 + 1e-9));
      }),
    );
  });
});

describe('the kit’s reach', () => {
  const zoom = {
    ...LENS_28,
    shortestMm: 35,
    longestMm: 105,
    widest: [
      { focalLengthMm: 35, fNumber: 3.5 },
      { focalLengthMm: 70, fNumber: 4 },
      { focalLengthMm: 105, fNumber: 4.5 },
    ],
  };
  it('joins a zoom’s widest apertures by straight lines', () => {
    expect([20, 35, 52.5, 70, 105, 200].map((mm) => widestFNumberAt(zoom, mm))).toEqual([3.5, 3.5, 3.75, 4, 4.5, 4.5]);
  });
  it('refuses a focal length off the lens, and a zone turned round', () => {
    expect(() => firstSetUp(candid(11, { focalLengthMm: 50 }))).toThrow('focalLengthMm must be a number from 28 to 28, got 50');
    const turned = { nearM: 5, farM: 2, medianM: 3, spread: 0.2 };
    expect(() => firstSetUp(candid(11, { subject: turned }))).toThrow('subject.farM');
  });
});
