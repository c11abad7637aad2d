import fc from 'fast-check';
import { plainChance } from '../../../reference/plainChance.js';
import { BODY, FILM_400, FILM_BODY, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { sampleStop as input, WALKERS } from '../../../reference/sampleStops.js';
import { autoExposure } from '../../exposure/index.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS, DEFAULT_SHOOTING } from '../../stop/index.js';
import { cameraFrame, cameraSets } from '../question/cameraSets.js';
import {
  bestCell,
  evaluateSetUp,
  evaluationAt,
  placeOfCell,
  prepareSearch,
  searchAt,
  searchSetUp,
  type SetUpInput,
} from '../index.js';

/** A small body and lens in whole stops, so that everything can be tried. */
const FULL_BODY = { ...BODY, markStep: 'full' as const, slowestAutoShuttersS: [9, 8, 7, 6, 5, 4].map((k) => 2 ** -k) };
const FULL_LENS = { ...LENS_28, clickStep: 'full' as const, engravedDistancesM: [0.7, 1.5, 3, 5, Infinity] };

const anyIntent = fc.constantFrom(
  ...Object.values(DEFAULT_INTENTS).filter(({ kind }) => kind !== 'longExposure' && kind !== 'fireworks'),
);
const anyStop = fc.record({
  intent: anyIntent,
  keyEv100: fc.double({ min: -2, max: 16, noNaN: true }),
  medianM: fc.double({ min: 1, max: 8, noNaN: true }),
  spread: fc.double({ min: 0.1, max: 0.5, noNaN: true }),
  speedMps: fc.double({ min: 0.2, max: 3, noNaN: true }),
  angle: fc.double({ min: 0, max: 90, noNaN: true }),
  sector: fc.double({ min: 0, max: 60, noNaN: true }),
  spreadEv: fc.double({ min: 0, max: 1, noNaN: true }),
  exposure: fc.constantFrom('aperturePriority' as const, 'bothHeld' as const, 'fixedIso' as const, 'baseIsoLong' as const),
  focus: fc.constantFrom('fixedZone' as const, 'lockedOnSpot' as const, 'centrePoint' as const),
  depth: fc.constantFrom('free' as const, 'deep' as const, 'contextual' as const, 'isolating' as const),
  support: fc.constantFrom('handheld' as const, 'braced' as const, 'tripod' as const),
  law: fc.constantFrom(undefined, 'whoeverPasses' as const, 'allOfIt' as const),
});
type AnyStop = typeof anyStop extends fc.Arbitrary<infer Stop> ? Stop : never;

function stopOf(any: AnyStop): SetUpInput {
  const { medianM, spread, speedMps } = any;
  return input(any.intent, any.keyEv100, {
    body: FULL_BODY,
    lens: FULL_LENS,
    subject: { nearM: medianM * 0.7, farM: medianM * 1.6, medianM, spread, ...(any.law === undefined ? {} : { law: any.law }) },
    movers: { ...WALKERS, speedMps, speedSpreadMps: 0.2 * speedMps + 0.05, travelAngleDeg: any.angle, travelSpreadDeg: any.sector },
    light: { keyEv100: any.keyEv100, contrastEv: 3, surface: 'cameraSide', spreadEv: any.spreadEv },
    approach: { exposure: any.exposure, focus: any.focus, depth: any.depth, support: any.support },
  });
}

describe('the chance of one set-up', () => {
  it('is within 0.005 of plain sums over light, distance, direction and speed', () => {
    fc.assert(
      fc.property(anyStop, fc.double({ min: 0, max: 0.999, noNaN: true }), (any, at) => {
        // The plain sum over speeds is slow with the centre point: one light there.
        const stop = any.focus === 'centrePoint' ? stopOf({ ...any, spreadEv: 0, exposure: 'bothHeld' }) : stopOf(any);
        const cells = searchAt(prepareSearch(stop), stop.light.keyEv100);
        const best = evaluationAt(cells, placeOfCell(cells, bestCell(cells).cell));
        const some = evaluationAt(cells, placeOfCell(cells, Math.floor(at * cells.chance.length)));
        for (const one of [best, some]) {
          const plain = plainChance(stop, one.hand);
          expect(Math.abs(one.chance - plain.chance)).toBeLessThan(0.005);
          expect(Math.abs(one.isoStops - plain.isoStops)).toBeLessThan(0.01);
        }
      }),
      { numRuns: 40 },
    );
  });

  it('is so with film, with flash, over bursts, and for a guess', () => {
    const stops = [
      input(DEFAULT_INTENTS.passingCandid, 13.4, { body: FILM_BODY, film: FILM_400 }),
      input(DEFAULT_INTENTS.flashLift, 7),
      input(DEFAULT_INTENTS.litStreet, 4, {
        shooting: { ...DEFAULT_SHOOTING, burstFrames: 5 },
        body: { ...BODY, stabiliserStops: 0 },
      }),
      input(DEFAULT_INTENTS.passingCandid, 10, {
        subject: { nearM: 2, farM: 4, medianM: 3, spread: 0 },
        standard: { ...STANDARD, guessBias: 0.1, guessSpread: 0.3 },
      }),
    ];
    for (const stop of stops) {
      const { best } = searchSetUp(stop);
      expect(best.chance).toBeGreaterThan(0.3);
      expect(Math.abs(best.chance - plainChance(stop, best.hand).chance)).toBeLessThan(0.005);
      expect(evaluateSetUp(stop, best.hand)).toEqual(best);
    }
  });

  it('has the camera do what automatic exposure does', () => {
    const ends = { fastestShutterS: 2 ** -12, slowestShutterS: 8, widestFNumber: 1, smallestFNumber: 64 };
    const out = { log2S: 0, isoStops: 0, errorEv: 0 };
    fc.assert(
      fc.property(
        fc.double({ min: -8, max: 22, noNaN: true }),
        fc.double({ min: 2, max: 8, noNaN: true }),
        fc.double({ min: -12, max: 3, noNaN: true }),
        fc.constantFrom('slowerShutter' as const, 'underexpose' as const),
        fc.constantFrom('aperturePriority' as const, 'bothHeld' as const),
        (sceneEv100, apertureLog2, log2S, atCeiling, mode) => {
          const controls = { isoBase: 200, isoCeiling: 6400, fastestS: 2 ** -12, slowestS: 8, reciprocity: null };
          const frame = cameraFrame(
            { ...controls, mode: mode === 'bothHeld' ? 'isoFloats' : 'shutterThenIso' } as never,
            atCeiling === 'slowerShutter',
          );
          cameraSets(frame, sceneEv100, apertureLog2, log2S, out);
          const shutterS = 2 ** log2S;
          const exact = autoExposure({
            mode,
            sceneEv100,
            fNumber: 2 ** (apertureLog2 / 2),
            shutterS,
            slowestAutoShutterS: shutterS,
            isoBase: 200,
            isoCeiling: 6400,
            body: { ...ends, atCeiling },
          });
          expect(out.log2S).toBeCloseTo(Math.log2(exact.shutterS), 8);
          expect(out.isoStops).toBeCloseTo(Math.log2(exact.iso / 200), 8);
          expect(out.errorEv).toBeCloseTo(exact.errorEv, 8);
        },
      ),
      { numRuns: 400 },
    );
  });
});

/** The rules of the best, word for word, over every set-up there is. */
function exhaustive(stop: SetUpInput): { readonly chance: number; readonly hand: unknown } | null {
  const cells = searchAt(prepareSearch(stop), stop.light.keyEv100);
  const all = Array.from(cells.chance, (_, cell) => evaluationAt(cells, placeOfCell(cells, cell)));
  const hard = new Set(['highlights', 'school']);
  let allowed = all.filter(({ limits }) => !limits.some(({ limit }) => hard.has(limit)));
  if (allowed.length === 0) allowed = all;
  if (Math.max(...allowed.map(({ chance }) => chance)) < 0.05) return null;
  allowed = allowed.filter(({ chance }) => chance >= 0.05);
  const highest = Math.max(...allowed.map(({ score }) => score));
  let left = allowed.filter(({ score }) => score >= highest - 0.01 - 1e-9);
  const keep = (rank: (one: (typeof left)[number]) => number): void => {
    const least = Math.min(...left.map(rank));
    left = left.filter((one) => rank(one) <= least + 1e-9);
  };
  keep(({ hand }) => ['handheld', 'braced', 'tripod'].indexOf(hand.support));
  keep(({ score }) => -Math.round(score / 0.002));
  keep(({ hand }) => Math.abs(Math.log2(hand.fNumber / 8)));
  const { exposure } = stop.approach;
  if (exposure === 'aperturePriority') {
    keep(({ hand, camera }) => Math.abs(Math.log2((hand.shutterS as number) / camera.shutterS)));
    keep(({ hand }) => hand.shutterS as number);
  } else if (exposure === 'fixedIso') keep(({ hand }) => hand.iso as number);
  else if (exposure === 'bothHeld') keep(({ hand }) => -(hand.shutterS as number));
  keep(({ hand }) => hand.focusM);
  return { chance: (left[0] as { chance: number }).chance, hand: left[0]?.hand };
}

describe('the search', () => {
  it('equals trying everything, on hundreds of stops', () => {
    fc.assert(
      fc.property(anyStop, (any) => {
        const stop = stopOf(any);
        const found = searchSetUp(stop);
        const wanted = exhaustive(stop);
        expect(found.kind).toBe(wanted === null ? 'none' : 'best');
        if (wanted !== null) expect(found.best.hand).toEqual(wanted.hand);
      }),
      { numRuns: 200 },
    );
  });

  it('is not beaten by any neighbour, by plain sums: the stops of sheets 2, 3 and 4', () => {
    const stops = [
      input(DEFAULT_INTENTS.passingCandid, 11),
      input({ kind: 'silhouette', background: 'screen', brightShare: 0.5 }, 9, {
        subject: { nearM: 3, farM: 6, medianM: 4, spread: 0.2 },
      }),
      input(DEFAULT_INTENTS.litStreet, 5, { subject: { nearM: 3, farM: 7, medianM: 4.5, spread: 0.2 } }),
    ];
    for (const stop of stops) {
      const cells = searchAt(prepareSearch(stop), stop.light.keyEv100);
      const place = placeOfCell(cells, bestCell(cells).cell);
      const { fNumbers, dial, focusM } = cells.scene.controls;
      const scoreOf = (at: typeof place): number => {
        const { chance, isoStops } = plainChance(stop, evaluationAt(cells, at).hand);
        return chance - 0.02 * isoStops;
      };
      const best = scoreOf(place);
      for (const [axis, count] of [
        ['aperture', fNumbers.length],
        ['dial', dial.values.length],
        ['focus', focusM.length],
      ] as const) {
        for (const step of [-2, -1, 1, 2]) {
          const k = place[axis] + step;
          if (k >= 0 && k < count) expect(scoreOf({ ...place, [axis]: k })).toBeLessThan(best + 0.01);
        }
      }
    }
  });

  it('never loses chance by steadier hands, a higher ceiling, a burst, or a laxer eye', () => {
    const highest = (stop: SetUpInput): number => Math.max(...searchAt(prepareSearch(stop), stop.light.keyEv100).chance);
    fc.assert(
      fc.property(anyStop, (any) => {
        const stop = stopOf(any);
        const before = highest(stop) - 1e-9;
        expect(highest({ ...stop, standard: { ...STANDARD, steadinessStops: 1 } })).toBeGreaterThanOrEqual(before);
        expect(highest({ ...stop, standard: { ...STANDARD, isoCeilingByBody: { body: 25600 } } })).toBeGreaterThanOrEqual(before);
        expect(highest({ ...stop, shooting: { ...DEFAULT_SHOOTING, burstFrames: 3 } })).toBeGreaterThanOrEqual(before);
        const strict = highest({ ...stop, standard: { ...STANDARD, sharpness: { kind: 'strict' } } });
        expect(strict).toBeLessThanOrEqual(before + 2e-9);
      }),
      { numRuns: 60 },
    );
  });
});

describe('what experience expects', () => {
  it('by day f/8 or near, 1/500, 2 to 3 m', () => {
    const { best } = searchSetUp(input(DEFAULT_INTENTS.passingCandid, 14));
    expect(best.hand.fNumber).toBeGreaterThan(5.5);
    expect(best.hand.fNumber).toBeLessThan(11);
    expect(best.hand.shutterS).toBeCloseTo(1 / 512, 6);
    expect(best.hand.focusM).toBeGreaterThanOrEqual(2);
    expect(best.hand.focusM).toBeLessThanOrEqual(3);
  });
  it('has no best at EV −2, and still says something sensible', () => {
    const found = searchSetUp(input(DEFAULT_INTENTS.passingCandid, -2));
    expect(found.kind).toBe('none');
    expect(found.best.hand.fNumber).toBe(2);
    expect(found.sacrifices.map(({ limit }) => limit)).toContain('motion');
  });
  it('holds still subjects at night at base ISO on a support', () => {
    const { kind, best } = searchSetUp(
      input(DEFAULT_INTENTS.facade, 2, { approach: { ...DEFAULT_APPROACH, exposure: 'baseIsoLong' } }),
    );
    expect(kind).toBe('best');
    expect(best.hand.support).not.toBe('handheld');
    expect(best.hand.iso).toBe(100);
  });
});
