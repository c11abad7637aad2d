import fc from 'fast-check';
import {
  airyDiscMm,
  blurDiscMm,
  circleOfConfusionMm,
  cropFactor,
  depthOfField,
  diffractionLimitFNumber,
  fieldAtDistance,
  focusForZone,
  hyperfocalDistance,
  inZoneProbability,
  logNormalBetween,
  sharpZone,
} from './index.js';

const LENS = { focalLengthMm: 28, circleOfConfusionMm: 0.0288 };

describe('depth of field, by sheet 1', () => {
  it('has the hyperfocal distance of the sheet', () => {
    expect(hyperfocalDistance({ ...LENS, fNumber: 8 })).toBeCloseTo(3.4308, 4);
  });

  it('has near, far and zone focus of the sheet', () => {
    const depth = depthOfField({ ...LENS, fNumber: 8, focusDistanceM: 3 });
    expect(depth.nearM).toBeCloseTo(1.601, 3);
    expect(depth.farM).toBeCloseTo(23.7, 2);
    const zone = focusForZone({ ...LENS, nearM: 2.1, farM: 5.4 });
    expect(zone.focusDistanceM).toBeCloseTo(3.024, 6);
    expect(zone.fNumber).toBeCloseTo(3.998, 3);
  });

  it('reaches infinity exactly from the hyperfocal distance on', () => {
    const hyperfocalM = hyperfocalDistance({ ...LENS, fNumber: 8 });
    const at = (focusDistanceM: number): number => depthOfField({ ...LENS, fNumber: 8, focusDistanceM }).farM;
    expect(at(hyperfocalM)).toBe(Infinity);
    expect(at(hyperfocalM * 1.5)).toBe(Infinity);
    expect(at(hyperfocalM * 0.999)).toBeLessThan(Infinity);
  });

  it('focused at infinity is sharp from f²/(N·c) on', () => {
    const { nearM, farM } = depthOfField({ ...LENS, fNumber: 8, focusDistanceM: Infinity });
    expect(nearM).toBeCloseTo(784 / 0.2304 / 1000, 9);
    expect(farM).toBe(Infinity);
  });

  it('spans an infinite zone from the hyperfocal distance', () => {
    const { focusDistanceM, fNumber } = focusForZone({ ...LENS, nearM: 2, farM: Infinity });
    expect(focusDistanceM).toBe(4);
    expect(depthOfField({ ...LENS, fNumber, focusDistanceM }).farM).toBeGreaterThan(4e9);
  });
});

describe('blur, diffraction, field', () => {
  it('blurs a point at the near limit by exactly c', () => {
    const { nearM, farM } = depthOfField({ ...LENS, fNumber: 8, focusDistanceM: 3 });
    const blur = (objectDistanceM: number): number =>
      blurDiscMm({ focalLengthMm: 28, fNumber: 8, focusDistanceM: 3, objectDistanceM });
    expect(blur(nearM)).toBeCloseTo(0.0288, 12);
    expect(blur(farM)).toBeCloseTo(0.0288, 12);
    expect(blur(3)).toBe(0);
  });

  it('has its limits at infinity: f²/(N(u − f)), f²/(N·d), and nothing for both', () => {
    const blur = (focusDistanceM: number, objectDistanceM: number): number =>
      blurDiscMm({ focalLengthMm: 50, fNumber: 2, focusDistanceM, objectDistanceM });
    expect(blur(2, Infinity)).toBeCloseTo(2500 / (2 * 1950), 12);
    expect(blur(Infinity, 5)).toBeCloseTo(2500 / (2 * 5000), 12);
    expect(blur(Infinity, Infinity)).toBe(0);
  });

  it('has the Airy disc of 2.44·λ·N', () => {
    expect(airyDiscMm({ fNumber: 8 })).toBeCloseTo(0.010736, 9);
    expect(airyDiscMm({ fNumber: 10, wavelengthNm: 500 })).toBeCloseTo(0.0122, 9);
  });

  it('takes in 36/28 of the distance less the focal length', () => {
    const field = fieldAtDistance({ focalLengthMm: 28, sensorWidthMm: 36, sensorHeightMm: 24, distanceM: 3 });
    expect(field.widthM).toBeCloseTo((36 * 2.972) / 28, 9);
    expect(field.heightM).toBeCloseTo((24 * 2.972) / 28, 9);
    expect(field.horizontalDeg).toBeCloseTo(65.47, 2);
    expect(field.diagonalDeg).toBeCloseTo(75.38, 2);
  });

  it('counts crop against the 36 x 24 diagonal', () => {
    expect(cropFactor({ sensorWidthMm: 36, sensorHeightMm: 24 })).toBe(1);
    expect(cropFactor({ sensorWidthMm: 24, sensorHeightMm: 16 })).toBeCloseTo(1.5, 12);
  });
});

describe('total blur', () => {
  const body = { sensorWidthMm: 36, sensorHeightMm: 24, pixelsAcross: 6000 };

  it('has the circles of the standards', () => {
    expect(circleOfConfusionMm({ kind: 'armsLength' }, body)).toBeCloseTo(0.028844, 6);
    expect(circleOfConfusionMm({ kind: 'strict' }, body)).toBeCloseTo(0.014422, 6);
    expect(circleOfConfusionMm({ kind: 'twoPixels' }, body)).toBeCloseTo(0.012, 9);
    expect(circleOfConfusionMm({ kind: 'own', circleOfConfusionMm: 0.02 }, body)).toBe(0.02);
    expect(circleOfConfusionMm({ kind: 'twoPixels' }, { ...body, pixelsAcross: null })).toBeCloseTo(0.014422, 6);
  });

  it('is shallower than defocus alone, as sheet 2 works out', () => {
    const zone = sharpZone({ focalLengthMm: 28, fNumber: 8, circleOfConfusionMm: 0.028844, focusDistanceM: 3 });
    expect(zone?.nearM).toBeCloseTo(1.626, 3);
    expect(zone?.farM).toBeCloseTo(19.33, 1);
  });

  it('leaves nothing sharp where diffraction alone exceeds the circle', () => {
    const limit = diffractionLimitFNumber(0.012);
    expect(limit).toBeCloseTo(12.83, 2);
    const at = (fNumber: number): unknown =>
      sharpZone({ focalLengthMm: 28, fNumber, circleOfConfusionMm: 0.012, focusDistanceM: 3 });
    expect(at(limit * 1.01)).toBeNull();
    expect(at(limit * 0.99)).not.toBeNull();
  });
});

describe('chances of standing in the zone', () => {
  it('follows the normal table: one spread either side holds 68.27 %', () => {
    const chance = logNormalBetween({ medianM: 3, spread: 0.2, nearM: 3 * Math.exp(-0.2), farM: 3 * Math.exp(0.2) });
    expect(chance).toBeCloseTo(0.6827, 4);
    expect(logNormalBetween({ medianM: 3, spread: 0.25, nearM: 1.626, farM: 19.33 })).toBeCloseTo(0.993, 3);
  });

  it('is certain or impossible without spread', () => {
    expect(logNormalBetween({ medianM: 3, spread: 0, nearM: 2, farM: 5 })).toBe(1);
    expect(logNormalBetween({ medianM: 6, spread: 0, nearM: 2, farM: 5 })).toBe(0);
  });

  it('moves nearer when guesses come out long', () => {
    const zone = { intendedM: 3, guessSpread: 0.2, nearM: 2, farM: 3 };
    const fair = inZoneProbability({ ...zone, guessBias: 0 });
    const long = inZoneProbability({ ...zone, guessBias: 0.1 });
    expect(long).toBeGreaterThan(fair);
    expect(fair).toBeCloseTo(0.4787, 3); // Φ(0) − Φ(ln(2/3)/0.2) = 0.5 − 0.0213
  });
});

describe('properties', () => {
  const setting = fc.record({
    focalLengthMm: fc.double({ min: 8, max: 400, noNaN: true }),
    fNumber: fc.double({ min: 0.9, max: 32, noNaN: true }),
    circleOfConfusionMm: fc.double({ min: 0.002, max: 0.06, noNaN: true }),
    focusDistanceM: fc.double({ min: 0.5, max: 500, noNaN: true }),
  });

  it('near < focus < far', () => {
    fc.assert(
      fc.property(setting, (s) => {
        const { nearM, farM } = depthOfField(s);
        expect(nearM).toBeLessThan(s.focusDistanceM);
        expect(farM).toBeGreaterThan(s.focusDistanceM);
      }),
    );
  });

  it('focusForZone inverts depthOfField to 1e-9', () => {
    fc.assert(
      fc.property(setting, (s) => {
        const { nearM, farM } = depthOfField(s);
        const zone = focusForZone({ ...s, nearM, farM });
        const back = depthOfField({ ...s, ...zone });
        expect(Math.abs(back.nearM / nearM - 1)).toBeLessThan(1e-9);
        if (farM === Infinity) expect(back.farM).toBeGreaterThan(1e9 * zone.focusDistanceM);
        else expect(Math.abs(nearM / back.farM - nearM / farM)).toBeLessThan(1e-9);
      }),
    );
  });

  it('stopping down never makes the geometric zone shallower', () => {
    fc.assert(
      fc.property(setting, (s) => {
        const wide = depthOfField(s);
        const small = depthOfField({ ...s, fNumber: s.fNumber * 1.4 });
        expect(small.nearM).toBeLessThan(wide.nearM);
        expect(small.farM).toBeGreaterThanOrEqual(wide.farM);
      }),
    );
  });
});

describe('what it refuses', () => {
  const good = { ...LENS, fNumber: 8, focusDistanceM: 3 };
  it.each([
    [{ ...good, fNumber: -2 }, RangeError, 'fNumber must be a finite number greater than 0, got -2'],
    [{ ...good, fNumber: Infinity }, RangeError, 'fNumber'],
    [{ ...good, fNumber: '8' }, TypeError, 'fNumber must be a finite number greater than 0, got "8"'],
    [{ ...good, fNumber: NaN }, TypeError, 'fNumber'],
    [{ ...good, fNumber: null }, TypeError, 'fNumber'],
    [{ ...good, focusDistanceM: 0.028 }, RangeError, 'focusDistanceM must be greater than the focal length'],
    [{ ...good, circleOfConfusionMm: 3.5 }, RangeError, 'circleOfConfusionMm must be smaller than'],
    [{ ...LENS, fNumber: 8 }, TypeError, 'focusDistanceM'],
    [undefined, TypeError, 'options'],
  ])('%j', (options, kind, message) => {
    const call = (): unknown => depthOfField(options as never);
    expect(call).toThrow(kind as never);
    expect(call).toThrow(message);
  });

  it('wants far beyond near', () => {
    expect(() => focusForZone({ ...LENS, nearM: 3, farM: 3 })).toThrow(RangeError);
  });
});
