import fc from 'fast-check';
import { BODY, FILM_400, FILM_BODY, FLASH_20, LENS_28 } from '../../../reference/sampleKit.js';
import { sampleStop, WALKERS } from '../../../reference/sampleStops.js';
import { exposureValue100 } from '../../exposure/index.js';
import { lensApertures, widestFNumberAt } from '../../kit/index.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, DEFAULT_SHOOTING, type Intent } from '../../stop/index.js';
import { formatEntry } from '../../units/index.js';
import { dialCard, evaluateSetUp, type SetUp, type SetUpInput, searchSetUp } from '../index.js';

const THIRD = { step: 'third' } as const;
const candid = (keyEv100: number, over: Partial<SetUpInput> = {}): SetUpInput =>
  sampleStop(DEFAULT_INTENTS.passingCandid, keyEv100, over);

/** The five numbers as a person reads them. */
function read({ aperture, focus, shutter, iso, meter }: SetUp): string {
  return [
    formatEntry(aperture.fNumber, { kind: 'aperture', ...THIRD }),
    formatEntry(focus.distanceM, { kind: 'distance', unit: 'metres' }),
    formatEntry(shutter.seconds, { kind: 'shutter', ...THIRD }),
    `ISO ${formatEntry(iso.expected, { kind: 'iso', ...THIRD })}`,
    formatEntry(meter.compensationEv ?? NaN, { kind: 'stops', ...THIRD }),
  ].join(' · ');
}

describe('one set-up by sheet 2: f/7.1, 3 m, slowest 1/500, EV 11', () => {
  const hand = { fNumber: 2 ** (17 / 6), focusM: 3, shutterS: 2 ** -9, iso: null, support: 'handheld' as const };
  const one = evaluateSetUp(candid(11), hand);
  it('is sharp from 1.706 to 12.41 m and holds 988 of 1000', () => {
    expect(one.sharp?.nearM).toBeCloseTo(1.706, 3);
    expect(one.sharp?.farM).toBeCloseTo(12.41, 2);
    expect(one.factors.depth).toBeCloseTo(0.988, 3);
  });
  it('has the camera set 1/500 and ISO 1270', () => {
    // 100·50.8·512/2048 = 1270.
    expect(one.camera).toMatchObject({ shutterS: 2 ** -9, errorEv: 0 });
    expect(one.camera.iso).toBeCloseTo(1270, 0);
    // log2(12.70) stops of ISO at 0.02.
    expect(one.chance - one.score).toBeCloseTo(0.02 * Math.log2(12.7), 3);
  });
  it('breaks nothing, and is safe in the hands', () => {
    expect(one.limits).toEqual([]);
    expect(one.factors).toMatchObject({ flicker: 1, flash: 1 });
    expect(one.factors.shake).toBeGreaterThan(0.999);
  });
  it('is refused for what is no mark', () => {
    expect(() => evaluateSetUp(candid(11), { ...hand, fNumber: 7 })).toThrow('hand.fNumber must be one of the marks');
  });
});

describe('the dial card', () => {
  it('writes the best in marks, with every input behind each number', () => {
    const { kind, setUp, sacrifices } = dialCard(candid(11));
    expect(kind).toBe('ready');
    expect(sacrifices).toEqual([]);
    expect(lensApertures(LENS_28, 28)).toContain(setUp.aperture.fNumber);
    expect(setUp.iso).toMatchObject({ lowest: 100, limit: 'ownCeiling' });
    expect(setUp.shutter.shakeLimitS).toBeCloseTo(8 / 28, 9);
    // Sheet 2: the typical walker's limit.
    expect(1 / setUp.shutter.motionLimitS).toBeCloseTo(216.1, 1);
    for (const { why } of [setUp.aperture, setUp.focus, setUp.shutter, setUp.iso, setUp.meter]) {
      expect(why.formula.length).toBeGreaterThan(20);
      expect(why.inputs.length).toBeGreaterThan(2);
      expect(why.source).toContain('docs/formulas.md');
    }
  });

  it('is near f/4, 1/400 before a bright sign (sheet 3)', () => {
    const sign = sampleStop({ kind: 'silhouette', background: 'screen', brightShare: 0.5 }, 9, {
      subject: { nearM: 3, farM: 6, medianM: 4, spread: 0.2 },
    });
    const { setUp } = dialCard(sign);
    expect(setUp.aperture.fNumber).toBeGreaterThanOrEqual(4);
    expect(setUp.aperture.fNumber).toBeLessThanOrEqual(2 ** 2.5);
    expect(1 / setUp.shutter.seconds).toBeGreaterThan(250);
    expect(1 / setUp.shutter.seconds).toBeLessThan(650);
  });

  it('opens by night, and the stabiliser is of no help (sheet 4)', () => {
    const street = sampleStop(DEFAULT_INTENTS.litStreet, 5, { subject: { nearM: 3, farM: 7, medianM: 4.5, spread: 0.2 } });
    const { kind, setUp } = dialCard(street);
    expect(kind).toBe('ready');
    expect(setUp.aperture.fNumber).toBeLessThan(4);
    expect(1 / setUp.shutter.seconds).toBeGreaterThan(100);
    const chance = (stabiliserStops: number): number =>
      dialCard({ ...street, body: { ...BODY, stabiliserStops } }).setUp.found.chance;
    expect(chance(5) - chance(0)).toBeLessThan(0.02);
  });

  it('names what stops each control', () => {
    const { sides } = dialCard(candid(9)).setUp;
    expect(sides.apertureLower).toMatchObject({ kind: 'limit', limit: 'depth' });
    expect(sides.apertureHigher).toMatchObject({ kind: 'limit', limit: 'isoCeiling' });
    expect(sides.dialHigher).toMatchObject({ kind: 'limit', limit: 'motion' });
    expect(sides.dialLower).toMatchObject({ kind: 'limit', limit: 'isoCeiling' });
  });

  it('shows what the hand has chosen instead', () => {
    const hand = { fNumber: 4, focusM: 2, shutterS: 1 / 256, iso: null, support: 'handheld' as const };
    const shown = evaluateSetUp(candid(11), hand);
    expect(shown.hand).toEqual(hand);
    expect(shown.score).toBeLessThanOrEqual(searchSetUp(candid(11)).best.score + 0.01);
  });
});

describe('what cannot be done', () => {
  it('says EV −2 is too dark, and by how much', () => {
    const result = dialCard(candid(-2));
    if (result.kind !== 'cannot' || result.obstacle.kind !== 'tooDark') throw new Error(`got ${JSON.stringify(result.kind)}`);
    const { stops } = result.obstacle;
    expect(searchSetUp(candid(-2 + stops)).kind).toBe('best');
    expect(searchSetUp(candid(-2 + stops - 1 / 3)).kind).toBe('none');
  });

  it('in glare stops down before it gives up', () => {
    expect(dialCard(candid(16)).setUp.found.chance).toBeGreaterThan(0.95);
    expect(dialCard(candid(19.5)).setUp.aperture.fNumber).toBeGreaterThan(10);
    const glare = dialCard(candid(24));
    expect(glare.kind === 'cannot' && glare.obstacle.kind).toBe('tooBright');
  });

  it('needs a flash for flash lift, one that reaches, and never beats the sync', () => {
    const dusk = sampleStop(DEFAULT_INTENTS.flashLift, 7, { flash: null });
    const without = dialCard(dusk);
    expect(without.kind === 'cannot' && without.obstacle.kind).toBe('noFlash');
    const lifted = dialCard({ ...dusk, flash: FLASH_20 }).setUp;
    expect(lifted.shutter.seconds).toBeGreaterThanOrEqual(BODY.flashSyncS);
    expect(lifted.flash).toMatchObject({ compensationEv: -4 / 3, reaches: true });
    const far = dialCard({ ...dusk, flash: { ...FLASH_20, guideNumberM: 0.5 } });
    expect(far.kind === 'cannot' && far.obstacle.kind).toBe('flashTooWeak');
  });

  it('takes half a second of water on a tripod for what it is, and says what the hands make of it', () => {
    const water = sampleStop({ kind: 'longExposure', of: 'water', wantedS: 0.5 }, 4, {
      approach: { ...DEFAULT_APPROACH, support: 'tripod' },
      subject: { nearM: 3.5, farM: 9, medianM: 5, spread: 0.2 },
    });
    // N = √(0.5·2⁴) = 2.83.
    const { setUp, kind } = dialCard(water);
    expect(kind).toBe('ready');
    expect(read(setUp)).toContain('f/2.8 · ');
    expect(read(setUp)).toContain('0.5 s · ISO 100');
    const byHand = dialCard({ ...water, approach: DEFAULT_APPROACH });
    expect(byHand.sacrifices.map(({ limit }) => limit)).toContain('shake');
    // N = √(0.5·2¹²) = 45: far past f/16.
    const noon = dialCard({ ...water, light: { ...water.light, keyEv100: 14 } });
    expect(noon.setUp.sides.apertureHigher).toMatchObject({ kind: 'end' });
    expect(noon.setUp.found.chance).toBeLessThan(0.3);
  });
});

describe('the ways people run exposure, on the same light', () => {
  const run = (exposure: SetUpInput['approach']['exposure'], keyEv100 = 11, over: Partial<SetUpInput> = {}): SetUp =>
    dialCard(candid(keyEv100, { approach: { ...DEFAULT_APPROACH, exposure }, ...over })).setUp;

  it('both held: the shutter is set, ISO floats', () => {
    expect(run('bothHeld').shutter.role).toBe('set');
    expect(run('bothHeld').found.hand.iso).toBeNull();
    // In full sun ISO would fall under base: the hand sets the shutter faster or the aperture smaller.
    expect(run('bothHeld', 16).found.camera.errorEv).toBeLessThan(2 / 3);
  });

  it('fixed ISO: the hand sets it, the shutter is the camera’s', () => {
    const setUp = run('fixedIso');
    expect(setUp.iso.limit).toBe('setForShutter');
    expect(setUp.iso.lowest).toBe(setUp.iso.highest);
    expect(setUp.shutter.role).toBe('camera');
    expect(1 / setUp.found.camera.shutterS).toBeGreaterThan(300);
  });

  it('base ISO, long exposure: still subjects at night are saved by a support', () => {
    const night = sampleStop(DEFAULT_INTENTS.facade, 2, { approach: { ...DEFAULT_APPROACH, exposure: 'baseIsoLong' } });
    const { setUp, kind } = dialCard(night);
    expect(kind).toBe('ready');
    expect(setUp.iso).toMatchObject({ lowest: 100, highest: 100, limit: 'base' });
    expect(setUp.support).not.toBe('handheld');
  });

  it('film: both set by hand for the one ISO of the roll', () => {
    const setUp = run('aperturePriority', 13, { body: FILM_BODY, film: FILM_400 });
    expect(setUp.iso).toMatchObject({ lowest: 400, highest: 400, limit: 'roll' });
    expect(setUp.shutter.role).toBe('set');
    expect(setUp.meter.limit).toBe('byHand');
    // Within the roll's latitude: a stop under, three over.
    expect(setUp.found.camera.errorEv).toBeGreaterThan(-1);
    expect(setUp.found.camera.errorEv).toBeLessThan(3);
    expect(run('aperturePriority', 13, { body: FILM_BODY, film: { ...FILM_400, pushStops: 1 } }).iso.lowest).toBe(800);
  });

  it('a body without a slowest auto shutter is run with both held', () => {
    expect(run('aperturePriority', 11, { body: { ...BODY, slowestAutoShuttersS: [] } }).shutter.role).toBe('set');
  });

  it('says when compensation does nothing on this body', () => {
    expect(run('bothHeld', 11, { body: { ...BODY, compensationWhenBothHeld: false } }).meter.limit).toBe('byHand');
  });
});

describe('metering', () => {
  const LIT = { keyEv100: 14, contrastEv: 3, surface: 'litPerson', spreadEv: 0 } as const;
  it('brings a pool’s lit key to +⅔ by a stop and a third less on the whole frame, three stops over its shade', () => {
    const { meter } = dialCard(sampleStop(DEFAULT_INTENTS.lightPool, 14, { light: LIT })).setUp;
    expect(meter).toMatchObject({ pattern: 'wholeFrame', keyPlacementEv: 2 / 3, limit: 'keyTone' });
    // 15 % at 14, somebody lit a stop under it on 6 %, the rest at 11: log2(0.15 + 0.03 + 0.79·2^−3) + ⅔ = −1.19.
    expect(meter.compensationEv).toBeCloseTo(-4 / 3, 9);
  });
  it('goes by the side of the school: protecting takes less, lifting the shadows more', () => {
    const by = (school: 'protect' | 'shadows') =>
      dialCard(sampleStop(DEFAULT_INTENTS.lightPool, 14, { light: LIT, placing: school })).setUp.meter;
    expect(by('protect').compensationEv).toBeCloseTo(-4 / 3, 9);
    expect(by('shadows').compensationEv).toBeCloseTo(-1, 9);
  });
  it('holds the exposure by hand, without a number, beyond the dial', () => {
    // A hundredth of the frame eight stops over the rest: log2(0.01 + 0.99·2^−8) + ⅔ = −5.5.
    const spark = { kind: 'lightPool', brightShare: 0.01 } as const;
    const { meter } = dialCard(sampleStop(spark, 15, { light: { ...LIT, keyEv100: 15, contrastEv: 8 } })).setUp;
    expect(meter).toMatchObject({ compensationEv: null, limit: 'beyondDial' });
  });
  it('places a spot reading where the key shall land', () => {
    const spot = { ...BODY, meterPatterns: ['spot'] as const };
    expect(dialCard(sampleStop(DEFAULT_INTENTS.lightPool, 14, { body: spot, light: LIT })).setUp.meter.compensationEv).toBeCloseTo(
      2 / 3,
      9,
    );
    expect(dialCard(candid(11, { body: spot })).setUp.meter.compensationEv).toBe(0);
  });
  it('opens up against the sun and darkens the night', () => {
    expect(dialCard(sampleStop(DEFAULT_INTENTS.intoTheSun, 13)).setUp.meter.compensationEv).toBeGreaterThan(0);
    expect(dialCard(sampleStop(DEFAULT_INTENTS.litStreet, 5)).setUp.meter.compensationEv).toBeLessThan(0);
  });
});

describe('a light that changes', () => {
  const screen = (focus: SetUpInput['approach']['focus'], changes: 'steady' | 'screen') =>
    dialCard(
      sampleStop({ kind: 'silhouette', background: 'screen', brightShare: 0.4 }, 8, {
        approach: { ...DEFAULT_APPROACH, focus },
        changes,
        light: { keyEv100: 8, contrastEv: 0, surface: 'screen', spreadEv: 0, lampsOn: true },
      }),
    ).setUp.found;
  it('costs nothing while it is steady', () => {
    expect(screen('lockedOnSpot', 'steady').factors.kept).toBe(1);
  });
  it('is paid for before a screen by a half-press that keeps the exposure with the focus, not by a preset distance', () => {
    const [locked, preset] = [screen('lockedOnSpot', 'screen'), screen('fixedZone', 'screen')];
    expect(locked.factors.kept).toBeLessThan(0.75);
    expect(preset.factors.kept).toBeGreaterThan(0.9);
    expect(locked.limits.map(({ limit }) => limit)).toContain('kept');
    expect(locked.chance).toBeCloseTo(screen('lockedOnSpot', 'steady').chance * locked.factors.kept, 9);
  });
});

describe('the ways of focusing', () => {
  const focus = (kind: SetUpInput['approach']['focus'], keyEv100 = 11, over: Partial<SetUpInput> = {}): SetUp =>
    dialCard(candid(keyEv100, { approach: { ...DEFAULT_APPROACH, focus: kind }, ...over })).setUp;

  it('locks on the spot itself, not on a mark; by eye it holds fewer', () => {
    const subject = { nearM: 2, farM: 5, medianM: 2.7, spread: 0 };
    expect(focus('lockedOnSpot', 11, { subject }).focus).toMatchObject({ distanceM: 2.7, way: 'spot' });
    const byEye = focus('lockedOnSpot', 11, { subject, shooting: { ...DEFAULT_SHOOTING, spotByEye: true } });
    expect(byEye.focus.way).toBe('spotByEye');
    const hand = byEye.found.hand;
    const measured = evaluateSetUp(candid(11, { approach: { ...DEFAULT_APPROACH, focus: 'lockedOnSpot' }, subject }), hand);
    expect(byEye.found.factors.depth).toBeLessThan(measured.factors.depth);
  });
  it('loses half of the locks at the body’s own limit of EV −2', () => {
    const dark = evaluateSetUp(
      candid(-2, { approach: { ...DEFAULT_APPROACH, focus: 'centrePoint' }, light: { ...candid(-2).light, spreadEv: 0 } }),
      { fNumber: 16, focusM: 3, shutterS: 1, iso: null, support: 'handheld' },
    );
    expect(dark.factors.depth).toBeCloseTo(0.5, 1);
  });
  it('says to focus on something and lock where the lens has no marks', () => {
    expect(dialCard(candid(11, { lens: { ...LENS_28, engravedDistancesM: [] } })).setUp.focus.way).toBe('focusByWire');
  });
});

describe('movement that is wanted', () => {
  it('asks for a slower shutter than a candid, and a pan for a slower one still', () => {
    const seconds = (smear: 'byIntent' | 'wanted' | 'panned'): number =>
      dialCard(
        candid(9, { movers: { ...WALKERS, travelAngleDeg: 90, travelSpreadDeg: 0 }, shooting: { ...DEFAULT_SHOOTING, smear } }),
      ).setUp.found.camera.shutterS;
    expect(seconds('wanted')).toBeGreaterThan(seconds('byIntent') * 2);
    expect(seconds('panned')).toBeGreaterThan(seconds('wanted'));
  });
});

describe('properties', () => {
  const anyIntent = fc.constantFrom(...Object.values(DEFAULT_INTENTS)) as fc.Arbitrary<Intent>;

  it('is finite, in marks, and honest about its exposure, for any intent and light', () => {
    fc.assert(
      fc.property(anyIntent, fc.double({ min: -4, max: 20, noNaN: true }), (intent, ev) => {
        const { setUp } = dialCard(sampleStop(intent, ev));
        expect(JSON.stringify({ ...setUp.found, sides: setUp.sides })).not.toMatch(/NaN/);
        expect(lensApertures(LENS_28, 28)).toContain(setUp.aperture.fNumber);
        const { camera } = setUp.found;
        const target = ev - setUp.meter.keyPlacementEv;
        expect(target - exposureValue100(camera)).toBeCloseTo(camera.errorEv, 6);
      }),
      { numRuns: 120 },
    );
  });

  it('never needs more ISO for three stops more light', () => {
    fc.assert(
      fc.property(fc.double({ min: 4, max: 16, noNaN: true }), (ev) => {
        const exact = (keyEv100: number): number => dialCard(candid(keyEv100)).setUp.found.camera.iso;
        expect(exact(ev + 3)).toBeLessThanOrEqual(exact(ev) * (1 + 1e-9));
      }),
      { numRuns: 40 },
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
    expect(() => dialCard(candid(11, { focalLengthMm: 50 }))).toThrow('focalLengthMm must be a number from 28 to 28, got 50');
    const turned = { nearM: 5, farM: 2, medianM: 3, spread: 0.2 };
    expect(() => dialCard(candid(11, { subject: turned }))).toThrow('subject.farM');
  });
});
