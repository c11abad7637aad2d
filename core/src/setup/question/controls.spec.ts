import { BODY, FILM_400, FILM_BODY, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { sampleStop } from '../../../reference/sampleStops.js';
import { type Approach, DEFAULT_APPROACH, DEFAULT_INTENTS, type IntentKind } from '../../stop/index.js';
import { type Controls, controlsOf, depthSchool, lightLadder, searchSetUp, type SetUpInput } from '../index.js';

const stop = (kind: IntentKind, approach: Partial<Approach> = {}, over: Partial<SetUpInput> = {}): SetUpInput =>
  sampleStop(DEFAULT_INTENTS[kind], 9, { approach: { ...DEFAULT_APPROACH, ...approach }, ...over });
const controls = (kind: IntentKind, approach: Partial<Approach> = {}, over: Partial<SetUpInput> = {}): Controls =>
  controlsOf(stop(kind, approach, over));
const ends = (values: readonly number[]): readonly (number | undefined)[] => [values[0], values.at(-1)];
const stopsOf = (fNumbers: readonly number[]): readonly number[] =>
  ends(fNumbers).map((fNumber) => Number((2 * Math.log2(fNumber ?? NaN)).toFixed(3)));

describe('what the hand sets, by approach', () => {
  it('aperture priority: aperture, the slowest auto shutters that the body offers, focus', () => {
    const found = controls('passingCandid');
    expect(found).toMatchObject({ mode: 'shutterThenIso', dial: { kind: 'slowestAuto' }, isoBase: 100, isoCeiling: 6400 });
    expect(ends(found.dial.values)).toEqual([2 ** -11, 1]);
    expect(found.focusM).toEqual(LENS_28.engravedDistancesM);
  });
  it('both held: every shutter of the body, only ISO floats', () => {
    const found = controls('passingCandid', { exposure: 'bothHeld' });
    expect(found).toMatchObject({ mode: 'isoFloats', dial: { kind: 'shutter' } });
    expect(ends(found.dial.values)).toEqual([2 ** -12, 32]);
  });
  it('one fixed ISO: from base to the person’s ceiling', () => {
    const found = controls('passingCandid', { exposure: 'fixedIso' });
    expect(found).toMatchObject({ mode: 'shutterFloats', dial: { kind: 'iso' } });
    expect(ends(found.dial.values)).toEqual([100, 6400]);
  });
  it('base ISO: the support', () => {
    const found = controls('passingCandid', { exposure: 'baseIsoLong' });
    expect(found).toMatchObject({ dial: { kind: 'support', values: [0, 1, 2] }, isoBase: 100, isoCeiling: 100 });
  });
  it('film: the roll is the ISO, and the body’s own shutters', () => {
    const found = controls('passingCandid', {}, { body: FILM_BODY, film: FILM_400 });
    expect(found).toMatchObject({ exposure: 'film', mode: 'nothingFloats', isoBase: 400, isoCeiling: 400 });
    expect(ends(found.dial.values)).toEqual([2 ** -10, 1]);
  });
  it('a body without slowest auto shutters holds both instead', () => {
    expect(controls('passingCandid', {}, { body: { ...BODY, slowestAutoShuttersS: [] } }).exposure).toBe('bothHeld');
  });
  it('pictures of a wanted time are set by hand at base ISO, whatever the approach', () => {
    for (const exposure of ['aperturePriority', 'fixedIso', 'baseIsoLong'] as const) {
      expect(controls('longExposure', { exposure })).toMatchObject({
        mode: 'nothingFloats',
        dial: { kind: 'shutter' },
        isoCeiling: 100,
      });
    }
    expect(controls('fireworks').fNumbers).toHaveLength(1);
  });
});

describe('the school of depth', () => {
  it.each<[IntentKind, Approach['depth'], Approach['depth']]>([
    ['passingCandid', 'free', 'free'],
    ['silhouette', 'free', 'contextual'],
    ['brightBackdrop', 'free', 'contextual'],
    ['silhouette', 'deep', 'deep'],
    ['passingCandid', 'isolating', 'isolating'],
  ])('of %s, asked for %s, is %s', (kind, depth, school) => {
    expect(depthSchool(stop(kind, { depth }))).toBe(school);
  });
  it('keeps the apertures that belong to it: f/8 on, f/4 to f/5.6, or all', () => {
    expect(stopsOf(controls('passingCandid', { depth: 'deep' }).fNumbers)).toEqual([6, 8]);
    expect(stopsOf(controls('passingCandid', { depth: 'contextual' }).fNumbers)).toEqual([4, 5]);
    expect(stopsOf(controls('passingCandid').fNumbers)).toEqual([2, 8]);
  });
  it('a lens that has none of them is set nearest to it', () => {
    const slow = { ...LENS_28, widest: [{ focalLengthMm: 28, fNumber: 8 }] };
    expect(controls('passingCandid', { depth: 'contextual' }, { lens: slow }).fNumbers).toEqual([8]);
  });
  it('isolating takes only what dissolves the background', () => {
    // 28 mm f/2 at 3 m: 784·27/(2·30·2972) = 0.119 mm at 30 m, 20 px of 6 µm; at f/4 10.
    const found = searchSetUp(stop('passingCandid', { depth: 'isolating' }));
    expect(found.best.hand.fNumber).toBeLessThan(2.9);
    expect(found.best.limits.map(({ limit }) => limit)).not.toContain('school');
  });
});

describe('marks that cannot be passed', () => {
  it('flash is never faster than its sync', () => {
    expect(controls('flashLift').fastestS).toBe(2 ** -8);
    expect(controls('flashLift', { exposure: 'bothHeld' }).dial.values[0]).toBe(2 ** -8);
    expect(controls('passingCandid').fastestS).toBe(2 ** -12);
  });
  it('a spot nearer than the lens focuses is focused at its closest', () => {
    const near = { nearM: 0.1, farM: 0.4, medianM: 0.2, spread: 0.1 };
    expect(controls('passingCandid', { focus: 'lockedOnSpot' }, { subject: near }).focusM).toEqual([0.3]);
  });
  it('the person’s ceiling is not over the body’s highest', () => {
    const standard = { ...STANDARD, isoCeilingByBody: { body: 1e6 } };
    expect(controls('passingCandid', {}, { standard }).isoCeiling).toBeLessThanOrEqual(BODY.highestIso);
  });
  it.each([
    [{ subject: { nearM: 0, farM: 5, medianM: 3, spread: 0.2 } }, 'subject.nearM'],
    [{ subject: { nearM: 0.01, farM: 5, medianM: 0.02, spread: 0.2 } }, 'subject.medianM'],
    [{ subject: { nearM: 5, farM: 2, medianM: 3, spread: 0.2 } }, 'subject.farM must be at least subject.nearM'],
    [{ focalLengthMm: 50 }, 'focalLengthMm'],
    [{ light: { keyEv100: NaN, contrastEv: 0, surface: 'shade' as const } }, 'light.keyEv100'],
  ])('refuses %j', (over, message) => {
    expect(() => searchSetUp(stop('passingCandid', {}, over))).toThrow(message);
  });
});

describe('a hand that breaks a hard limit', () => {
  it('has the stop’s own ladder, because nothing closes again as it gets darker', () => {
    // A pool's key at EV 15: f/2 and 1/60 at ISO 100 are EV 8: seven stops over.
    const pool = stop('lightPool', { exposure: 'bothHeld' }, { light: { keyEv100: 15, contrastEv: 3, surface: 'litPerson' } });
    const through = { fNumber: 2, focusM: 3, shutterS: 2 ** -6, iso: null, support: 'handheld' as const };
    const { rungs } = lightLadder(pool, { through });
    expect(rungs).toEqual(lightLadder(pool).rungs);
    expect(rungs.length).toBeGreaterThan(0);
    expect(rungs.flatMap(({ setUp }) => setUp.limits.map(({ limit }) => limit))).not.toContain('highlights');
  });
});
