import fc from 'fast-check';
import { BODY, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { sampleStop, WALKERS } from '../../../reference/sampleStops.js';
import { DEFAULT_FIGURES } from '../../kit/index.js';
import { normalBelow } from '../../optics/index.js';
import {
  DEFAULT_APPROACH,
  DEFAULT_INTENTS,
  DEFAULT_SHOOTING,
  type IntentKind,
  type Shooting,
  type SmearWish,
} from '../../stop/index.js';
import { BIN_SHARES, binEdgeOf, distanceAt, distanceLaw, runningAt, scoreOf } from '../scene/distances.js';
import { flickerCurve, pulseOf } from '../scene/flickerWorth.js';
import { lightNodes } from '../scene/lightNodes.js';
import { normalBelowFast } from '../scene/normalTable.js';
import { smearRule } from '../scene/smear.js';
import { angleNodes, belowWanted, slowerThan, speedLaw } from '../scene/speeds.js';
import { shakeLimitS, steadyCurve } from '../scene/steadiness.js';
import { log2TimeOf, placeOnGrid, timeGrid } from '../scene/timeGrid.js';
import { timeWorth, wantedTimeS } from '../scene/wantedTime.js';

const sum = (values: Iterable<number>): number => [...values].reduce((a, b) => a + b, 0);

describe('how far away people really are', () => {
  const at = (focus: 'fixedZone' | 'lockedOnSpot' | 'centrePoint', spread: number) =>
    distanceLaw(
      {
        subject: { nearM: 2, farM: 5, medianM: 3, spread },
        standard: { ...STANDARD, guessBias: 0.1, guessSpread: 0.2 },
        approach: { ...DEFAULT_APPROACH, focus },
      },
      DEFAULT_FIGURES,
    );
  it('is the stop’s own law for whoever passes', () => {
    expect(at('fixedZone', 0.25)).toEqual({ kind: 'logNormal', medianM: 3, spread: 0.25 });
    expect(at('centrePoint', 0.25)).toEqual({ kind: 'logNormal', medianM: 3, spread: 0.25 });
  });
  it('is the guess’s where each is shot at an intended distance: 3/1.1 = 2.727 m', () => {
    const law = at('fixedZone', 0);
    expect(law.medianM).toBeCloseTo(2.7273, 4);
    expect(law.spread).toBe(0.2);
  });
  it('is a step either way of a spot', () => {
    expect(at('lockedOnSpot', 0.25)).toEqual({ kind: 'normal', medianM: 3, spread: 0.3 });
  });
  it.each([
    ['logNormal', 3 * Math.exp(0.5), 2],
    ['logNormal', 3, 0],
    ['logNormal', 0, -Infinity],
    ['logNormal', Infinity, Infinity],
    ['normal', 3.5, 2],
    ['normal', Infinity, Infinity],
  ] as const)('%s: %d m is %d spreads of 0.25 from 3 m', (kind, distanceM, score) => {
    expect(scoreOf({ kind, medianM: 3, spread: 0.25 }, distanceM)).toBeCloseTo(score, 9);
  });
  it('goes from scores to distances and back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: -4, max: 4, noNaN: true }),
        fc.constantFrom('logNormal' as const, 'normal' as const),
        (score, kind) => {
          const law = { kind, medianM: 6, spread: 0.3 };
          expect(scoreOf(law, distanceAt(law, score))).toBeCloseTo(score, 8);
        },
      ),
    );
  });
  it('shares all people out among its bins', () => {
    expect(sum(BIN_SHARES)).toBeCloseTo(1, 9);
    expect([binEdgeOf(-9), binEdgeOf(-4.5), binEdgeOf(0), binEdgeOf(4.5), binEdgeOf(Infinity)]).toEqual([0, 0, 48, 96, 96]);
  });
  it('reads a running sum between its edges', () => {
    const running = Float64Array.from({ length: 97 }, (_, k) => k * 2);
    expect([0, 0.5, 40.25, 96].map((edge) => runningAt(running, edge))).toEqual([0, 1, 80.5, 192]);
  });
});

describe('the normal law from a table', () => {
  it('is within 5e-7 of the series', () => {
    fc.assert(
      fc.property(fc.double({ min: -7, max: 7, noNaN: true }), (z) => {
        expect(Math.abs(normalBelowFast(z) - normalBelow(z))).toBeLessThan(5e-7);
      }),
    );
    expect([normalBelowFast(-Infinity), normalBelowFast(Infinity)]).toEqual([0, 1]);
  });
});

describe('speed and direction', () => {
  const law = speedLaw({ ...WALKERS, speedMps: 1.4, speedSpreadMps: 0.3 });
  it('counts whoever would go backwards as standing', () => {
    const slow = speedLaw({ ...WALKERS, speedMps: 0.3, speedSpreadMps: 0.3 });
    // Φ(−1) = 0.1587 stand.
    expect(slowerThan(slow, 0)).toBeCloseTo(0.1587, 4);
    expect(slowerThan(slow, -0.1)).toBe(0);
    expect(belowWanted(slow, 0)).toBe(0);
  });
  it.each([
    [1.4, 0.5],
    [1.7, 0.8413],
    [1.1, 0.1587],
  ])('has so many no faster than %d m/s: %d', (speedMps, share) => {
    expect(slowerThan(law, speedMps)).toBeCloseTo(share, 4);
  });
  it.each([
    [70, 0],
    [70, 20],
    [45, 45],
    [40, 80],
  ])('averages the sine over %d° ± %d° as the integral does', (travelAngleDeg, travelSpreadDeg) => {
    const { radians, weights } = angleNodes({ ...WALKERS, travelAngleDeg, travelSpreadDeg });
    expect(sum(weights)).toBeCloseTo(1, 9);
    const [from, to] = [travelAngleDeg - travelSpreadDeg, travelAngleDeg + travelSpreadDeg].map((deg) => (deg * Math.PI) / 180);
    const mean = sum([...radians].map((angle, k) => Math.sin(angle) * (weights[k] as number)));
    const exact =
      travelSpreadDeg === 0 ? Math.sin(from ?? 0) : (Math.cos(from ?? 0) - Math.cos(to ?? 0)) / ((to ?? 0) - (from ?? 0));
    expect(mean).toBeCloseTo(exact, 9);
  });
  it('follows a narrow law of speed with many equal nodes', () => {
    expect(angleNodes({ ...WALKERS, speedSpreadMps: 0.05 }).radians).toHaveLength(48);
    expect(angleNodes(WALKERS).radians).toHaveLength(8);
  });
});

describe('smear that is allowed or wanted', () => {
  // c = 43.267/1500 = 0.028844 mm.
  const C = Math.hypot(36, 24) / 1500;
  const rule = (kind: IntentKind, smear: SmearWish = 'byIntent') =>
    smearRule(sampleStop(DEFAULT_INTENTS[kind], 8, { shooting: { ...DEFAULT_SHOOTING, smear } }));
  const bounds = (kind: IntentKind, smear?: SmearWish): readonly number[] => {
    const found = rule(kind, smear);
    return found.kind === 'nothingMoves' ? [] : [found.fromMm / C, found.toMm / C].map((value) => Number(value.toFixed(3)));
  };
  it.each<[IntentKind, readonly number[]]>([
    ['passingCandid', [0, 2]],
    ['lightPool', [0, 2]],
    ['silhouette', [0, 1.5]],
    ['intoTheSun', [0, 1.5]],
    ['brightBackdrop', [0, 1.5]],
    ['litStreet', [0, 3]],
    ['flashLift', [0, 6]],
    ['compressedDistance', [0, 2]],
    ['facade', []],
    ['reflection', []],
    ['longExposure', []],
    ['fireworks', []],
  ])('%s: %j circles', (kind, wanted) => {
    expect(bounds(kind)).toEqual(wanted);
  });
  it('follows the wish instead', () => {
    expect(bounds('passingCandid', 'strict')).toEqual([0, 1.5]);
    expect(bounds('silhouette', 'loose')).toEqual([0, 3]);
    expect(bounds('facade', 'wanted')).toEqual([5, 25]);
    // Of a pan with skill 0.95 a twentieth is left: 2c on the subject are 40c of the background.
    expect(bounds('passingCandid', 'panned')).toEqual([20, 40]);
    expect(rule('passingCandid', 'panned').kind).toBe('panned');
  });
  it('is wider for a person’s own figure', () => {
    const own = sampleStop(DEFAULT_INTENTS.passingCandid, 8, { standard: { ...STANDARD, figures: { candidSmear: 4 } } });
    expect(smearRule(own)).toMatchObject({ toMm: expect.closeTo(4 * C, 5) });
  });
});

describe('light, time and lamps', () => {
  it('spreads the light normally: its mean and its variance', () => {
    const { evs, weights } = lightNodes(9, 0.5);
    const mean = sum([...evs].map((ev, k) => ev * (weights[k] as number)));
    const variance = sum([...evs].map((ev, k) => (ev - mean) ** 2 * (weights[k] as number)));
    expect(mean).toBeCloseTo(9, 9);
    expect(variance).toBeCloseTo(0.25, 2);
    expect([...lightNodes(9, 0).evs]).toEqual([9]);
  });
  it('has every mark in thirds and halves on its grid of times', () => {
    const grid = timeGrid(2 ** -12, 32);
    for (const log2S of [-12, -35 / 3, -34 / 3, -11.5, -26 / 3, -1 / 3, 0, 5]) {
      const place = placeOnGrid(grid, log2S);
      expect(Number.isInteger(place)).toBe(true);
      expect(log2TimeOf(grid, place)).toBeCloseTo(log2S, 9);
    }
    expect(placeOnGrid(grid, -40)).toBe(0);
    expect(placeOnGrid(grid, 40)).toBe(grid.count - 2);
  });
  it.each([
    [1, 1],
    [2, 0.75],
    [0.25, 0.5],
    [16, 0],
    [100, 0],
  ])('a second was wanted: %d s is worth %d', (shutterS, worth) => {
    expect(timeWorth({ intent: DEFAULT_INTENTS.longExposure }, shutterS)).toBeCloseTo(worth, 9);
  });
  it('wants no time of a candid, and four seconds of fireworks', () => {
    expect(wantedTimeS({ intent: DEFAULT_INTENTS.passingCandid })).toBeNull();
    expect(wantedTimeS({ intent: DEFAULT_INTENTS.fireworks })).toBe(4);
    expect(timeWorth({ intent: DEFAULT_INTENTS.passingCandid }, 100)).toBe(1);
  });
  const flicker = (over: Partial<Shooting>, shutterS: number): number =>
    flickerCurve(sampleStop(DEFAULT_INTENTS.litStreet, 5, { shooting: { ...DEFAULT_SHOOTING, ...over } }))(shutterS);
  it('takes off what pulsing lamps leave uneven', () => {
    expect(flicker({ lamp: 'steady' }, 1 / 4000)).toBe(1);
    // m 0.8 at 1/4000: r 0.799, log2(1.799/0.201) = 3.16 stops: ruined.
    expect(flicker({ lamp: 'poorLed' }, 1 / 4000)).toBe(0);
    // At 1/64 r 0.1598, 0.465 stops: 1 − 0.265/1.3 = 0.796.
    expect(flicker({ lamp: 'poorLed' }, 1 / 64)).toBeCloseTo(0.796, 2);
    expect(flicker({ lamp: 'poorLed' }, 1 / 100)).toBe(1);
    expect(flicker({ lamp: 'poorLed', wantsGlitch: true }, 1 / 4000)).toBe(1);
    expect(flicker({ lamp: 'goodLed' }, 1 / 4000)).toBe(1);
  });
  it('pulses at twice the mains, a screen at its own', () => {
    expect(pulseOf('oldTube', DEFAULT_FIGURES)).toEqual({ ripple: 0.3, pulseHz: 100 });
    expect(pulseOf('oldTube', { ...DEFAULT_FIGURES, mainsHz: 60 })?.pulseHz).toBe(120);
    // Lit for half of its period: 2·sin(π/2)/(π/2) = 1.273, no more than all.
    expect(pulseOf('screen', DEFAULT_FIGURES)).toEqual({ ripple: 1, pulseHz: 120 });
    expect(pulseOf('screen', { ...DEFAULT_FIGURES, screenDuty: 1 })?.ripple).toBe(0);
    expect(pulseOf('steady', DEFAULT_FIGURES)).toBeNull();
  });
});

describe('what hands hold', () => {
  const limit = (
    over: Partial<Shooting> = {},
    support: 'handheld' | 'braced' | 'tripod' = 'handheld',
    standard = STANDARD,
  ): number =>
    shakeLimitS(
      sampleStop(DEFAULT_INTENTS.passingCandid, 8, {
        standard,
        body: { ...BODY, stabiliserStops: 0 },
        lens: LENS_28,
        shooting: { ...DEFAULT_SHOOTING, ...over },
      }),
      support,
    );
  it.each([
    ['by hand, 1/28', limit(), 1 / 28],
    ['braced, 1.5 stops more', limit({}, 'braced'), 2 ** 1.5 / 28],
    ['walking, two stops less', limit({ isWalking: true }), 1 / 4 / 28],
    ['on a tripod, anything', limit({}, 'tripod'), Infinity],
    ['two stops steadier', limit({}, 'handheld', { ...STANDARD, steadinessStops: 2 }), 4 / 28],
    ['never over a second', limit({}, 'braced', { ...STANDARD, steadinessStops: 6 }), 1],
    ['half of it by 1/(2f)', limit({}, 'handheld', { ...STANDARD, shakeRule: { kind: 'halfReciprocalCrop' } }), 1 / 56],
    ['a floor, whatever the lens', limit({}, 'handheld', { ...STANDARD, shakeRule: { kind: 'floor', floorS: 1 / 125 } }), 1 / 125],
    ['the floor braced', limit({}, 'braced', { ...STANDARD, shakeRule: { kind: 'floor', floorS: 1 / 125 } }), 2 ** 1.5 / 125],
  ])('%s', (_, found, wanted) => {
    expect(found).toBeCloseTo(wanted, 9);
  });
  it('is four frames of five at the limit, and a burst saves most of the rest', () => {
    const at = (burstFrames: number): number => {
      const stop = sampleStop(DEFAULT_INTENTS.passingCandid, 8, {
        body: { ...BODY, stabiliserStops: 0 },
        shooting: { ...DEFAULT_SHOOTING, burstFrames },
      });
      return steadyCurve(stop, 'handheld')(1 / 28);
    };
    expect(at(1)).toBeCloseTo(0.8, 9);
    // Five frames count as three: 1 − 0.2³.
    expect(at(5)).toBeCloseTo(0.992, 9);
  });
});
