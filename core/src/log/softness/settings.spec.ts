import type { PictureReading } from '../frames/frame.js';
import { type FrameMeant, leftByPlan, leftBySettings, NOT_PLANNED } from './settings.js';
import { lookAsMeant } from './verdict.js';

const FULL_FRAME: FrameMeant = { ...NOT_PLANNED, sensorDiagonalMm: 43.27 };
/** What is left of a fault that is out of the question. */
const LEAST = 0.02;

describe('what settings leave of a fault', () => {
  // A hand turns 0.1 rad/s: on 85 mm 8.5 mm a second, of 43.3 mm; from 0.12 to 0.3 % of the diagonal a smear comes into sight.
  it.each([
    [1 / 500, 'shake', LEAST],
    [1 / 30, 'shake', 1],
    // 0.19631 / 125 = 0.0015705: ln(0.0015705 / 0.0012) / ln 2.5 = 0.2936, 0.02 ^ 0.7064.
    [1 / 125, 'shake', 0.0631],
    // Somebody who crosses the frame three times a second goes 0.15 % of it in 1/2000 s: ln 1.25 / ln 2.5 = 0.2435, 0.02 ^ 0.7565.
    [1 / 2000, 'moved', 0.0519],
    [1 / 500, 'moved', 1],
  ] as const)('at %p s of %s', (shutterS, cause, left) => {
    expect(leftBySettings({ shutterS })[cause]).toBeCloseTo(left, 3);
  });

  it.each([
    [100, LEAST],
    [200, LEAST],
    // Halfway, by its logarithm, from 200 to 1600: the root of 0.02.
    [565.7, 0.1414],
    [1600, 1],
    [12_800, 1],
  ])('at ISO %p of noise', (iso, left) => {
    expect(leftBySettings({ iso }).noise).toBeCloseTo(left, 3);
  });

  it('where a file says nothing is neither all nor nothing', () => {
    const { shake, noise } = leftBySettings({});
    for (const left of [shake, noise]) {
      expect(left).toBeGreaterThan(0.1);
      expect(left).toBeLessThan(0.25);
    }
  });
});

describe('what a plan leaves of too little depth', () => {
  // The far disc of the diagonal, f² / (N (d − f) 43.27): in sight from 0.14 to 0.35 %.
  it.each([
    // 784 / (8 · 2472 · 43.27) = 0.000916
    ['28 mm at f/8, standing at 2.5 m', 28, 8, 2.5, LEAST],
    // 1225 / (5.6 · 1965 · 43.27) = 0.0025727: ln(1.8377) / ln 2.5 = 0.6641, 0.02 ^ 0.3359
    ['35 mm at f/5.6, at 2 m', 35, 5.6, 2, 0.2687],
    // 2500 / (2 · 1950 · 43.27) = 0.0148
    ['50 mm at f/2, at 2 m', 50, 2, 2, 1],
    // 784 / (11 · 472 · 43.27) = 0.00349, at the half metre that nothing is nearer than: ln(2.4927) / ln 2.5 = 0.9968, 0.02 ^ 0.0032
    ['28 mm at f/11, nobody knows where', 28, 11, null, 0.9876],
  ])('%s', (_, focalLengthMm, fNumber, focusM, left) => {
    expect(leftByPlan({ focalLengthMm, fNumber }, { ...FULL_FRAME, focusM }).depth).toBeCloseTo(left, 3);
  });

  it('of a lens at infinity is as of one that stood nobody knows where', () => {
    const [far, unknown] = [Infinity, null].map(
      (focusM) => leftByPlan({ focalLengthMm: 50, fNumber: 2 }, { ...FULL_FRAME, focusM }).depth,
    );
    expect([far, unknown]).toEqual([1, 1]);
  });

  it('goes by where the lens says that it stood before where it was meant to', () => {
    const settings = { focalLengthMm: 50, fNumber: 8 };
    const near = leftByPlan({ ...settings, focusM: 0.8 }, { ...FULL_FRAME, focusM: 10 }).depth;
    expect(near).toBeGreaterThan(leftByPlan(settings, { ...FULL_FRAME, focusM: 10 }).depth);
  });

  it('says nothing of an unknown sensor, and all of a soft ground that was meant', () => {
    const settings = { focalLengthMm: 28, fNumber: 16, focusM: 5 };
    expect(leftByPlan(settings, NOT_PLANNED)).toMatchObject({ depth: 1, focus: 1 });
    expect(leftByPlan({}, { ...NOT_PLANNED, depth: 'isolating' }).depth).toBe(LEAST);
    expect(leftByPlan({}, { ...NOT_PLANNED, depth: 'deep' }).depth).toBe(1);
  });

  it('leaves focus what the lens can do at all', () => {
    // 784 / (16 · 472 · 43.27) = 0.0024: somebody at half a metre is hardly soft with the lens at infinity.
    expect(leftByPlan({ focalLengthMm: 28, fNumber: 16 }, FULL_FRAME).focus).toBeLessThan(0.3);
    expect(leftByPlan({ focalLengthMm: 50, fNumber: 2.8 }, FULL_FRAME).focus).toBe(1);
  });
});

describe('a look held against what was meant', () => {
  const shares = { shake: 0, moved: 0, focus: 0.05, depth: 0.7, veil: 0.05, noise: 0, good: 0.2 };
  const sight: PictureReading = { looksLike: 'depth', confidence: 0.7, midToneEv: 0, shares };

  it('is another one where a soft ground was meant', () => {
    expect(lookAsMeant(sight, {}, NOT_PLANNED)).toMatchObject({ looksLike: 'depth', confidence: 0.7 });
    // 0.2 of 0.014 + 0.3.
    const meant = lookAsMeant(sight, {}, { ...NOT_PLANNED, depth: 'isolating' });
    expect(meant.looksLike).toBe('good');
    expect(meant.confidence).toBeCloseTo(0.2 / 0.314, 6);
  });

  it('stays as it was where nothing is kept of its likelihoods', () => {
    const { shares: _, ...older } = sight;
    expect(lookAsMeant(older, {}, { ...NOT_PLANNED, depth: 'isolating' }).looksLike).toBe('depth');
  });

  it('is not told where nothing is likelier than all else together', () => {
    const even = { ...sight, shares: { ...shares, depth: 0.45, good: 0.45 } };
    expect(lookAsMeant(even, {}, NOT_PLANNED).looksLike).toBe('cannotTell');
    // A file may say that nothing is likely at all.
    const none = { ...sight, shares: { ...shares, focus: 0, depth: 0, veil: 0, good: 0 } };
    expect(lookAsMeant(none, {}, NOT_PLANNED)).toEqual({ looksLike: 'cannotTell', confidence: 0 });
  });
});
