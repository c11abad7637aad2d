import fc from 'fast-check';
import { motionShutterLimitS, shakeSharpProbability, shakeShutterLimitS } from './index.js';

describe('shake limit', () => {
  it.each([
    ['1/f', { focalLengthMm: 50, cropFactor: 1 }, 1 / 50],
    ['1/(f·crop)', { focalLengthMm: 50, cropFactor: 1.5 }, 1 / 75],
    ['1/(2f·crop)', { focalLengthMm: 50, cropFactor: 1.5, ruleFactor: 0.5 }, 1 / 150],
    ['three stops of stabiliser', { focalLengthMm: 28, cropFactor: 1, stabiliserStops: 3 }, 8 / 28],
    ['an unsteady hand', { focalLengthMm: 64, cropFactor: 1, steadinessStops: -1 }, 1 / 128],
    ['never longer than the longest', { focalLengthMm: 28, cropFactor: 1, stabiliserStops: 8, longestS: 1 }, 1],
  ])('%s', (_, options, seconds) => {
    expect(shakeShutterLimitS(options)).toBeCloseTo(seconds, 12);
  });

  it('refuses what is not a length or a factor', () => {
    expect(() => shakeShutterLimitS({ focalLengthMm: 0, cropFactor: 1 })).toThrow(RangeError);
    expect(() => shakeShutterLimitS({ focalLengthMm: 28, cropFactor: 1, ruleFactor: 0 })).toThrow(RangeError);
    expect(() => shakeShutterLimitS({ focalLengthMm: 28, cropFactor: 1, longestS: null as never })).toThrow(TypeError);
    expect(() => shakeShutterLimitS({ focalLengthMm: 28, cropFactor: 1, stabiliserStops: Infinity })).toThrow(RangeError);
  });
});

describe('shake curve', () => {
  it('is 80 % at the limit, 97 % a stop faster, 35 % a stop slower', () => {
    const chance = (stops: number): number => shakeSharpProbability({ shutterS: 2 ** stops / 60, limitS: 1 / 60 });
    expect(chance(0)).toBeCloseTo(0.8, 9);
    expect(chance(-1)).toBeCloseTo(0.967, 3);
    expect(chance(1)).toBeCloseTo(0.351, 3);
  });

  it('is certain on a tripod', () => {
    expect(shakeSharpProbability({ shutterS: 30, limitS: Infinity })).toBe(1);
  });
});

describe('motion limit, by sheet 1', () => {
  const walker = { focalLengthMm: 28, subjectDistanceM: 3, speedMps: 1.4, travelAngleDeg: 90 };
  it.each([
    [1, 458],
    [1.5, 305],
    [2, 229],
    [3, 153],
  ])('%d circles of confusion in 1/%d s', (circles, denominator) => {
    const seconds = motionShutterLimitS({ ...walker, blurLimitMm: circles * 0.0288 });
    expect(Math.round(1 / seconds)).toBe(denominator);
  });

  it('straight at the camera grows by h/u of it', () => {
    const limits = { ...walker, blurLimitMm: 0.0288, halfExtentM: 0.9 };
    const across = motionShutterLimitS(limits);
    expect(motionShutterLimitS({ ...limits, travelAngleDeg: 0 })).toBeCloseTo(across / 0.3, 9);
  });

  it('is unlimited for who stands still', () => {
    expect(motionShutterLimitS({ ...walker, speedMps: 0, blurLimitMm: 0.02 })).toBe(Infinity);
  });

  it('folds any angle into a quarter turn', () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 90 }), fc.integer({ min: -4, max: 4 }), (angle, halfTurns) => {
        const at = (travelAngleDeg: number): number => motionShutterLimitS({ ...walker, travelAngleDeg, blurLimitMm: 0.03 });
        expect(at(angle + 180 * halfTurns) / at(angle)).toBeCloseTo(1, 9);
        expect(at(180 - angle) / at(angle)).toBeCloseTo(1, 9);
      }),
    );
  });

  it('never gives a faster walker more time', () => {
    fc.assert(
      fc.property(fc.double({ min: 0.1, max: 20, noNaN: true }), fc.double({ min: 0.5, max: 100, noNaN: true }), (speedMps, u) => {
        const at = (v: number): number => motionShutterLimitS({ ...walker, subjectDistanceM: u, speedMps: v, blurLimitMm: 0.03 });
        expect(at(speedMps * 1.1)).toBeLessThan(at(speedMps));
      }),
    );
  });
});
