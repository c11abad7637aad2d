import fc from 'fast-check';
import { autoExposure, type ExposureBody, exposureValue100, flashReachM, reciprocityCorrectedS } from './index.js';

const BODY: ExposureBody = {
  fastestShutterS: 1 / 4096,
  slowestShutterS: 32,
  widestFNumber: 2,
  smallestFNumber: 16,
  atCeiling: 'underexpose',
};
const AUTO = { isoBase: 100, isoCeiling: 6400, body: BODY };

describe('exposure value', () => {
  it.each([
    [1, 1, 100, 0],
    [2, 1, 100, 2],
    [8, 1 / 128, 100, 13],
    [8, 1 / 128, 800, 10],
    [16, 1 / 128, 100, 15],
  ])('f/%d, %d s, ISO %d is EV %d', (fNumber, shutterS, iso, ev) => {
    expect(exposureValue100({ fNumber, shutterS, iso })).toBeCloseTo(ev, 12);
  });

  it('is the same for equal exchanges of a stop', () => {
    const positive = fc.double({ min: 1e-4, max: 1e4, noNaN: true });
    fc.assert(
      fc.property(positive, positive, positive, (fNumber, shutterS, iso) => {
        const ev = exposureValue100({ fNumber, shutterS, iso });
        expect(exposureValue100({ fNumber: fNumber * Math.SQRT2, shutterS: shutterS * 2, iso })).toBeCloseTo(ev, 9);
        expect(exposureValue100({ fNumber, shutterS: shutterS / 2, iso: iso * 2 })).toBeCloseTo(ev, 9);
      }),
    );
  });
});

describe('both held', () => {
  const held = { mode: 'bothHeld', ...AUTO, fNumber: 8, shutterS: 1 / 400 } as const;

  it('floats ISO to 1250 at EV 11 (sheet 1)', () => {
    const result = autoExposure({ ...held, sceneEv100: 11 });
    expect(result.iso).toBeCloseTo(1250, 9);
    expect(result).toMatchObject({ errorEv: 0, limit: null, fNumber: 8, shutterS: 1 / 400 });
  });

  it('takes compensation off the target', () => {
    expect(autoExposure({ ...held, sceneEv100: 11, compensationEv: 1 }).iso).toBeCloseTo(2500, 9);
  });

  it('comes out dark past the ceiling and bright under base', () => {
    const dark = autoExposure({ ...held, sceneEv100: 8 });
    expect(dark.limit).toBe('isoCeiling');
    expect(dark.errorEv).toBeCloseTo(8 - Math.log2((64 * 400) / 64), 9);
    const bright = autoExposure({ ...held, sceneEv100: 16 });
    expect(bright.limit).toBe('isoBase');
    expect(bright.errorEv).toBeCloseTo(16 - Math.log2(64 * 400), 9);
  });
});

describe('aperture priority', () => {
  const auto = { mode: 'aperturePriority', ...AUTO, fNumber: 8, slowestAutoShutterS: 1 / 128 } as const;
  it.each([
    ['floats at base in good light', 15, 1 / 512, 100, null, 0],
    ['reaches the slowest auto shutter at base', 13, 1 / 128, 100, null, 0],
    ['then raises ISO', 10, 1 / 128, 800, null, 0],
    ['to the ceiling exactly', 7, 1 / 128, 6400, null, 0],
    ['then comes out dark', 5, 1 / 128, 6400, 'isoCeiling', -2],
    ['and is too bright past the fastest shutter', 19, 1 / 4096, 100, 'fastestShutter', 1],
  ])('%s', (_, sceneEv100, shutterS, iso, limit, errorEv) => {
    const result = autoExposure({ ...auto, sceneEv100 });
    expect(result.shutterS).toBeCloseTo(shutterS, 9);
    expect(result.iso).toBeCloseTo(iso, 6);
    expect(result.limit).toBe(limit);
    expect(result.errorEv).toBeCloseTo(errorEv, 9);
  });

  it('goes on lengthening where the body does, to its slowest', () => {
    const body = { ...BODY, atCeiling: 'slowerShutter', slowestShutterS: 1 / 32 } as const;
    expect(autoExposure({ ...auto, body, sceneEv100: 6 })).toMatchObject({ iso: 6400, limit: null, errorEv: 0 });
    expect(autoExposure({ ...auto, body, sceneEv100: 6 }).shutterS).toBeCloseTo(1 / 64, 12);
    const dark = autoExposure({ ...auto, body, sceneEv100: 3 });
    expect(dark.limit).toBe('slowestShutter');
    expect(dark.errorEv).toBeCloseTo(-2, 9);
  });

  it('defaults the slowest auto shutter to the slowest of the body', () => {
    const { shutterS, iso } = autoExposure({ mode: 'aperturePriority', ...AUTO, fNumber: 8, sceneEv100: 3 });
    expect(shutterS).toBeCloseTo(8, 9);
    expect(iso).toBe(100);
  });
});

describe('shutter priority', () => {
  const auto = { mode: 'shutterPriority', ...AUTO, shutterS: 1 / 128 } as const;
  it.each([
    ['floats the aperture', 13, 8, 100, null, 0],
    ['to the widest', 9, 2, 100, null, 0],
    ['then raises ISO', 6, 2, 800, null, 0],
    ['then comes out dark', 1, 2, 6400, 'isoCeiling', -2],
    ['and is too bright past the smallest', 17, 16, 100, 'smallestAperture', 2],
  ])('%s', (_, sceneEv100, fNumber, iso, limit, errorEv) => {
    const result = autoExposure({ ...auto, sceneEv100 });
    expect(result.fNumber).toBeCloseTo(fNumber, 9);
    expect(result.iso).toBeCloseTo(iso, 6);
    expect(result.limit).toBe(limit);
    expect(result.errorEv).toBeCloseTo(errorEv, 9);
  });
});

describe('automatic exposure, whatever the light', () => {
  const anyEv = fc.double({ min: -20, max: 30, noNaN: true });
  const mode = fc.constantFrom('aperturePriority', 'shutterPriority', 'bothHeld') as fc.Arbitrary<
    'aperturePriority' | 'shutterPriority' | 'bothHeld'
  >;
  const atCeiling = fc.constantFrom('slowerShutter', 'underexpose') as fc.Arbitrary<'slowerShutter' | 'underexpose'>;

  it('errs by exactly 0 if and only if nothing limits, and by target − EV otherwise', () => {
    fc.assert(
      fc.property(mode, anyEv, atCeiling, (m, sceneEv100, at) => {
        const result = autoExposure({
          mode: m,
          sceneEv100,
          fNumber: 5.6,
          shutterS: 1 / 200,
          slowestAutoShutterS: 1 / 60,
          ...AUTO,
          body: { ...BODY, atCeiling: at },
        });
        expect(result.errorEv === 0).toBe(result.limit === null);
        expect(sceneEv100 - exposureValue100(result)).toBeCloseTo(result.errorEv, 8);
      }),
    );
  });

  it('never raises ISO for more light', () => {
    fc.assert(
      fc.property(mode, anyEv, fc.double({ min: 0.01, max: 5, noNaN: true }), (m, sceneEv100, more) => {
        const iso = (ev: number): number =>
          autoExposure({ mode: m, sceneEv100: ev, fNumber: 4, shutterS: 1 / 250, slowestAutoShutterS: 1 / 125, ...AUTO }).iso;
        expect(iso(sceneEv100 + more)).toBeLessThanOrEqual(iso(sceneEv100) * (1 + 1e-9));
      }),
    );
  });
});

describe('what automatic exposure refuses and ignores', () => {
  const good = { mode: 'bothHeld', sceneEv100: 10, fNumber: 4, shutterS: 1 / 60, ...AUTO } as const;
  it.each([
    [{ ...good, fNumber: undefined }, TypeError, 'fNumber'],
    [{ ...good, shutterS: undefined }, TypeError, 'shutterS'],
    [{ ...good, fNumber: 1.4 }, RangeError, 'fNumber'],
    [{ ...good, shutterS: 60 }, RangeError, 'shutterS'],
    [{ ...good, isoCeiling: 50 }, RangeError, 'isoCeiling'],
    [{ ...good, mode: 'program' }, RangeError, 'mode'],
    [{ ...good, mode: 3 }, TypeError, 'mode'],
    [{ ...good, sceneEv100: '11' }, TypeError, 'sceneEv100'],
    [{ ...good, compensationEv: null }, TypeError, 'compensationEv'],
    [{ ...good, body: { ...BODY, atCeiling: 'wait' } }, RangeError, 'atCeiling'],
    [{ ...good, body: undefined }, TypeError, 'body'],
    [{ ...good, mode: 'aperturePriority', slowestAutoShutterS: 64 }, RangeError, 'slowestAutoShutterS'],
    [{ ...good, mode: 'aperturePriority', slowestAutoShutterS: null }, TypeError, 'slowestAutoShutterS'],
  ])('%#', (options, kind, message) => {
    expect(() => autoExposure(options as never)).toThrow(kind as never);
    expect(() => autoExposure(options as never)).toThrow(message as string);
  });

  it('ignores the shutter where the camera sets it', () => {
    const result = autoExposure({ ...good, mode: 'aperturePriority', shutterS: -5 });
    expect(result.limit).toBeNull();
  });
});

describe('film and flash', () => {
  it('lengthens a metered time only past the threshold', () => {
    expect(reciprocityCorrectedS({ meteredS: 0.5, exponent: 1.3 })).toBe(0.5);
    expect(reciprocityCorrectedS({ meteredS: 10, exponent: 1.3 })).toBeCloseTo(19.953, 3);
    expect(reciprocityCorrectedS({ meteredS: 8, exponent: 1.5, thresholdS: 2 })).toBeCloseTo(16, 9);
    expect(() => reciprocityCorrectedS({ meteredS: 1, exponent: 0.9 })).toThrow(RangeError);
  });

  it('reaches by the guide number', () => {
    expect(flashReachM({ guideNumberM: 20, iso: 100, fNumber: 4 })).toBe(5);
    expect(flashReachM({ guideNumberM: 20, iso: 400, fNumber: 4 })).toBe(10);
    expect(flashReachM({ guideNumberM: 20, iso: 100, fNumber: 4, powerFraction: 1 / 4 })).toBe(2.5);
    expect(() => flashReachM({ guideNumberM: 20, iso: 100, fNumber: 4, powerFraction: 2 })).toThrow('powerFraction');
  });
});
