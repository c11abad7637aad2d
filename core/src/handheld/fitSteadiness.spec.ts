import { fitSteadiness, shakeSharpProbability } from './index.js';

/** Frames as they come out of a known pair of hands: limit 1/15 s, spread 0.6 stops, to the nearest frame of 200. */
const KNOWN = { limitS: 1 / 15, spreadStops: 0.6 };
const tests = [1 / 60, 1 / 30, 1 / 15, 1 / 8, 1 / 4].map((shutterS) => ({
  shutterS,
  frames: 200,
  sharp: Math.round(200 * shakeSharpProbability({ shutterS, ...KNOWN })),
}));

describe('the fit of a person’s steadiness', () => {
  it('finds the hands that made the frames', () => {
    const fit = fitSteadiness(tests, 1 / 28);
    expect(Math.log2(fit.limitS / KNOWN.limitS)).toBeCloseTo(0, 1);
    expect(fit.spreadStops).toBeCloseTo(0.6, 1);
    // 1,000 frames know it to about a tenth of a stop.
    expect(fit.limitErrorStops).toBeGreaterThan(0.02);
    expect(fit.limitErrorStops).toBeLessThan(0.15);
    expect(fit.at(fit.limitS).chance).toBeCloseTo(0.8, 6);
  });
  it('without frames stays where it was expected, and says how little it knows', () => {
    const fit = fitSteadiness([], 1 / 28);
    expect(fit.limitS).toBeCloseTo(1 / 28, 6);
    expect(fit.spreadStops).toBeCloseTo(0.5, 6);
    expect(fit.limitErrorStops).toBeGreaterThan(1);
  });
  it('has an answer where every frame was sharp, or none', () => {
    const [steady, shaky] = [10, 0].map((sharp) => fitSteadiness([{ shutterS: 1 / 28, frames: 10, sharp }], 1 / 28));
    expect(steady?.limitS).toBeGreaterThan(1 / 28);
    expect(shaky?.limitS).toBeLessThan(1 / 28);
    expect(Number.isFinite(steady?.limitS)).toBe(true);
  });
  it('knows more from more frames, and its band narrows', () => {
    const few = fitSteadiness(
      tests.map((one) => ({ ...one, frames: 10, sharp: Math.round(one.sharp / 20) })),
      1 / 28,
    );
    const many = fitSteadiness(tests, 1 / 28);
    expect(few.limitErrorStops).toBeGreaterThan(2 * many.limitErrorStops);
    const width = ({ low, high }: { low: number; high: number }): number => high - low;
    expect(width(few.at(1 / 15))).toBeGreaterThan(2 * width(many.at(1 / 15)));
  });
  it('finds them among frames of which one in ten answers as a coin does, where that is known', () => {
    const lapses = tests.map((one) => ({ ...one, sharp: Math.round(0.9 * one.sharp + 0.05 * one.frames) }));
    const off = (lapseShare: number): number => Math.log2(fitSteadiness(lapses, 1 / 28, lapseShare).limitS / KNOWN.limitS);
    expect(off(0.1)).toBeCloseTo(0, 1);
    expect(off(0)).toBeLessThan(-0.2);
  });
  it.each([
    [{ shutterS: 1 / 30, frames: 5, sharp: 6 }, 'sharp must be at most frames'],
    [{ shutterS: 0, frames: 5, sharp: 1 }, 'shutterS must be'],
  ])('refuses %j', (test, message) => {
    expect(() => fitSteadiness([test], 1 / 28)).toThrow(message);
  });
});
