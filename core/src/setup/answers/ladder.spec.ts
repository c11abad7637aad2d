import fc from 'fast-check';
import { BODY, FILM_400, FILM_BODY, LENS_28, STANDARD } from '../../../reference/sampleKit.js';
import { sampleStop } from '../../../reference/sampleStops.js';
import { DEFAULT_APPROACH, DEFAULT_INTENTS } from '../../stop/index.js';
import {
  cheapestPath,
  compareApproaches,
  evaluateSetUp,
  homeState,
  ladderEvs,
  lightLadder,
  limitsGrid,
  placeOfHand,
  prepareSearch,
  priceOfStep,
  searchAt,
  searchSetUp,
  type SetUpInput,
  waysOut,
} from '../index.js';

const candid = (keyEv100: number, over: Partial<SetUpInput> = {}): SetUpInput =>
  sampleStop(DEFAULT_INTENTS.passingCandid, keyEv100, over);

/** Every sequence of candidates, one by one. */
function everyPath(losses: readonly Float64Array[], step: (from: number, to: number) => number): number {
  const from = (ev: number, held: number): number => {
    if (ev === losses.length) return 0;
    return Math.min(
      ...Array.from(losses[ev] as Float64Array, (loss, to) => loss + (held === -1 ? 0 : step(held, to)) + from(ev + 1, to)),
    );
  };
  return from(0, -1);
}

describe('the cheapest path', () => {
  it('equals trying every sequence of candidates', () => {
    const place = fc.record({ aperture: fc.nat(2), dial: fc.nat(2), focus: fc.nat(1) });
    fc.assert(
      fc.property(
        fc.array(place, { minLength: 1, maxLength: 5 }),
        fc.array(fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { minLength: 5, maxLength: 5 }), {
          minLength: 1,
          maxLength: 5,
        }),
        (candidates, table) => {
          const losses = table.map((row) => Float64Array.from(candidates, (_, k) => row[k] as number));
          const prices = { aperture: 0.15, dial: 0.25, focus: 0.15 };
          const step = (a: number, b: number): number => priceOfStep(prices, candidates[a] as never, candidates[b] as never);
          const found = cheapestPath(losses, step);
          const wanted = everyPath(losses, step);
          if (found === null) expect(wanted).toBe(Infinity);
          else expect(found.cost).toBeCloseTo(wanted, 12);
        },
      ),
      { numRuns: 300 },
    );
  });
});

describe('the light ladder', () => {
  it('covers its light in thirds without gaps and turns no control back', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 1, max: 16, noNaN: true }),
        fc.constantFrom('aperturePriority' as const, 'bothHeld' as const, 'fixedIso' as const),
        (ev, exposure) => {
          const stop = candid(ev, { approach: { ...DEFAULT_APPROACH, exposure } });
          const { rungs, ends, startsAtEv100, topEv100, footEv100 } = lightLadder(stop);
          expect(topEv100 - footEv100).toBeCloseTo(6, 9);
          if (rungs.length === 0) return;
          expect(rungs[0]?.fromEv100).toBeCloseTo(startsAtEv100 ?? topEv100, 9);
          expect(rungs.at(-1)?.toEv100).toBeCloseTo(ends === null ? footEv100 : ends.ev100 + 1 / 3, 9);
          rungs.slice(1).forEach((rung, k) => {
            const before = rungs[k] as (typeof rungs)[number];
            expect(before.toEv100 - rung.fromEv100).toBeCloseTo(1 / 3, 9);
            expect(rung.changes.length).toBeGreaterThan(0);
            expect(rung.setUp.hand.fNumber).toBeLessThanOrEqual(before.setUp.hand.fNumber);
            expect(rung.setUp.hand.shutterS ?? 0).toBeGreaterThanOrEqual(before.setUp.hand.shutterS ?? 0);
            expect(rung.setUp.hand.iso ?? 0).toBeGreaterThanOrEqual(before.setUp.hand.iso ?? 0);
          });
        },
      ),
      { numRuns: 25 },
    );
  });

  it('has every rung’s set-up at its own exact light', () => {
    const stop = candid(6);
    for (const { fromEv100, setUp } of lightLadder(stop).rungs) {
      const there = evaluateSetUp({ ...stop, light: { ...stop.light, keyEv100: fromEv100, spreadEv: 0 } }, setUp.hand);
      expect(there.chance).toBeCloseTo(setUp.chance, 9);
    }
  });

  it('is no dearer than staying at the best of the light now, nor than following the best', () => {
    const stop = candid(8);
    const { rungs, cost } = lightLadder(stop);
    expect(rungs.length).toBeGreaterThan(0);
    const scene = prepareSearch(stop);
    const first = rungs[0]?.setUp.hand;
    if (first === undefined) throw new Error('no rung');
    const evs = ladderEvs(8).filter((ev) => ev <= (rungs[0]?.fromEv100 ?? 0) + 1e-9 && ev >= (rungs.at(-1)?.toEv100 ?? 0) - 1e-9);
    const place = placeOfHand(scene, first);
    const held = evs.reduce((sum, ev) => {
      const at = { ...stop, light: { ...stop.light, keyEv100: ev } };
      const cells = searchAt(scene, ev);
      const { dial, focusM } = scene.controls;
      const cell = (place.aperture * dial.values.length + place.dial) * focusM.length + place.focus;
      return sum + searchSetUp(at).best.score - (cells.score[cell] as number);
    }, 0);
    expect(cost).toBeLessThanOrEqual(held + 1e-9);
  });

  it('stands on what is in the hand at the light now', () => {
    const through = { fNumber: 4, focusM: 2, shutterS: 1 / 256, iso: null, support: 'handheld' as const };
    const { rungs } = lightLadder(candid(9), { through });
    const now = rungs.find(({ fromEv100, toEv100 }) => fromEv100 >= 9 - 1e-9 && toEv100 <= 9 + 1e-9);
    expect(now?.setUp.hand).toEqual(through);
  });

  it('needs no change by day and ends in the dark, naming what still works', () => {
    expect(lightLadder(candid(13)).rungs).toHaveLength(1);
    const { ends } = lightLadder(candid(4));
    expect(ends?.ev100).toBeGreaterThan(1);
    expect(ends?.instead).not.toBeNull();
    expect(lightLadder(candid(-6)).rungs).toEqual([]);
  });
});

describe('the ways out', () => {
  const dark = candid(4.5);
  const ways = waysOut(dark, [LENS_28]);

  it('gain 0.05 or more each, the largest first, and are searches of their own', () => {
    const before = searchSetUp(dark).best.chance;
    expect(ways.length).toBeGreaterThan(2);
    ways.forEach(({ chanceBefore, chanceAfter, found }, k) => {
      expect(chanceBefore).toBeCloseTo(before, 12);
      expect(chanceAfter).toBe(found.best.chance);
      expect(chanceAfter - chanceBefore).toBeGreaterThanOrEqual(0.05);
      if (k > 0) expect(chanceAfter).toBeLessThanOrEqual((ways[k - 1] as (typeof ways)[number]).chanceAfter);
    });
  });
  it('offer more ISO and a longer way, and say how small the person gets', () => {
    const kinds = ways.map(({ way }) => way.kind);
    expect(kinds).toEqual(expect.arrayContaining(['isoCeiling', 'distance', 'approach', 'intent']));
    const farther = ways.find(({ way }) => way.kind === 'distance' && way.times > 1)?.way;
    if (farther?.kind !== 'distance') throw new Error('no longer way');
    // 28·1.7/(3·times − 0.028)/24.
    expect(farther.heightShare).toBeCloseTo((28 * 1.7) / (3 * farther.times - 0.028) / 24, 9);
  });
  it('offer the lens of the bag that holds more at its aperture', () => {
    // Half the focal length draws half the smear and four times the depth.
    const short = { ...LENS_28, id: 'short', name: '14 f/2', shortestMm: 14, longestMm: 14 };
    const lens = waysOut(dark, [LENS_28, short]).find(({ way }) => way.kind === 'lens');
    expect(lens?.way).toEqual({ kind: 'lens', lensId: 'short', name: '14 f/2', focalLengthMm: 14 });
  });
  it('are none where nothing needs one', () => {
    expect(waysOut(candid(14), [LENS_28])).toEqual([]);
  });
});

describe('the approaches compared', () => {
  const rows = compareApproaches(candid(9));
  it('are five, three, four and three, one of each on the stop', () => {
    expect(rows.map(({ dimension }) => dimension)).toEqual([
      ...Array<string>(5).fill('exposure'),
      ...Array<string>(3).fill('focus'),
      ...Array<string>(4).fill('depth'),
      ...Array<string>(3).fill('support'),
    ]);
    expect(rows.filter(({ isOnStop }) => isOnStop)).toHaveLength(4);
    expect(rows.find(({ value }) => value === 'film')?.kind).toBe('notWithThisBody');
  });
  it('say what fails first when left alone: the deep before the isolating', () => {
    const failsAt = (value: string): number => {
      const row = rows.find((one) => one.value === value);
      if (row === undefined || row.kind === 'notWithThisBody') throw new Error(`no ${value}`);
      return row.failsFirst?.ev100 ?? -Infinity;
    };
    expect(failsAt('deep')).toBeGreaterThan(failsAt('isolating'));
  });
  it('on a film body have nothing but the roll', () => {
    const film = compareApproaches(candid(13, { body: FILM_BODY, film: FILM_400 })).filter(
      ({ dimension }) => dimension === 'exposure',
    );
    expect(film.filter(({ kind }) => kind !== 'notWithThisBody').map(({ value }) => value)).toEqual(['film']);
  });
});

describe('the home state', () => {
  const stops = [
    { id: 'day', input: candid(13) },
    { id: 'sign', input: sampleStop({ kind: 'silhouette', background: 'screen', brightShare: 0.5 }, 9) },
    { id: 'water', input: sampleStop(DEFAULT_INTENTS.longExposure, 5) },
  ];
  it('maximises the summed chance over every set-up there is, by weight', () => {
    const [day, dusk] = [candid(13), candid(6)];
    const chances = [day, dusk].map((stop) => searchAt(prepareSearch(stop), stop.light.keyEv100).chance);
    const sums = Array.from(chances[0] as Float64Array, (chance, k) => chance + 3 * ((chances[1] as Float64Array)[k] as number));
    const home = homeState([
      { id: 'day', input: day },
      { id: 'dusk', input: dusk, weight: 3 },
    ]);
    expect(home?.meanChance).toBeCloseTo(Math.max(...sums) / 4, 12);
  });
  it('leaves out what is set for its own time', () => {
    expect(homeState(stops)?.leftOut).toEqual(['water']);
  });
  it('loses nothing where there is one stop, and says what to change where there are more', () => {
    const alone = homeState([{ id: 'day', input: candid(13) }]);
    expect(alone?.stops[0]?.loss).toBeLessThan(0.02);
    const two = homeState(stops);
    for (const { loss, changes, atHome, best } of two?.stops ?? []) {
      expect(loss).toBeCloseTo(Math.max(0, best.chance - atHome.chance), 12);
      expect(changes.length > 0).toBe(JSON.stringify(atHome.hand) !== JSON.stringify(best.hand));
    }
  });
  it('is none without stops', () => {
    expect(homeState([])).toBeNull();
    expect(homeState([stops[2] as (typeof stops)[number]])).toBeNull();
  });
});

describe('the limits chart as data', () => {
  const stop = candid(9);
  const cells = searchAt(prepareSearch(stop), 9);
  it('has every cell at its best focus, the best on the island', () => {
    const grid = limitsGrid(cells, null);
    expect(grid.cells).toHaveLength(grid.fNumbers.length * grid.dial.values.length);
    const best = grid.cells[grid.best.aperture * grid.dial.values.length + grid.best.dial];
    expect(best?.limits).toEqual([]);
    expect(grid.cells.every(({ chance }) => chance >= 0 && chance <= 1 + 1e-9)).toBe(true);
  });
  it('at a focus in hand never has a higher chance than at the best one', () => {
    const free = limitsGrid(cells, null);
    limitsGrid(cells, 2).cells.forEach(({ chance }, k) => expect(chance).toBeLessThanOrEqual((free.cells[k]?.chance ?? 0) + 1e-9));
  });
  it('has an empty island in the dark', () => {
    const dark = limitsGrid(searchAt(prepareSearch(candid(0)), 0), null);
    expect(dark.cells.every(({ limits }) => limits.length > 0)).toBe(true);
  });
});

describe('a stricter standard', () => {
  it('never helps', () => {
    const strict = { ...STANDARD, sharpness: { kind: 'strict' as const } };
    expect(searchSetUp(candid(9, { standard: strict, body: BODY })).best.chance).toBeLessThan(searchSetUp(candid(9)).best.chance);
  });
});
