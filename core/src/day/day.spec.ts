import { bestOfEveryDay, walkedThrough } from '../../reference/everyDay.js';
import { lightBetween, smallDay, strewnDay, usefulLight } from '../../reference/randomDays.js';
import { finish } from '../units/index.js';
import { dayOnGrid, dayTableSteps } from './search/dayTable.js';
import {
  walkedPlan,
  dayProfileSteps,
  type DayQuestion,
  DEFAULT_STAY,
  fixedAt,
  keepOrder,
  misfitOf,
  planDay,
  replanFrom,
  currentPlanValue,
  type Visit,
} from './index.js';
import { planFrom } from './search/readBack.js';

const visit = (id: string, worth: Visit['worth'], over: Partial<Visit> = {}): Visit => ({ id, worth, ...DEFAULT_STAY, ...over });

/** Visits that are so many minutes from home, and as far from each other as by way of it. */
function roundHome(visits: readonly Visit[], homeMin: readonly number[], over: Partial<DayQuestion> = {}): DayQuestion {
  return {
    visits,
    walksMin: homeMin.map((a, k) => homeMin.map((b, other) => (k === other ? 0 : a + b))),
    fromStartMin: homeMin,
    toEndMin: homeMin,
    earliestMin: 0,
    latestMin: 1440,
    ...over,
  };
}

const times = (question: DayQuestion): readonly (readonly [string, number, number])[] =>
  planDay(question).plan?.visits.map(({ id, fromMin, toMin }) => [id, fromMin, toMin] as const) ?? [];

/** Sheet 12 of core/reference/hand-worked.md. */
describe('days worked by hand', () => {
  it('1: three lengths of one stay; the longest of them nets most', () => {
    const light = visit('a', usefulLight(600, 620, 10), { shortestMin: 10 });
    for (const [stay, net] of [
      [10, 770_000],
      [15, 875_557],
      [20, 920_000],
    ] as const) {
      const { plan } = planDay(roundHome([{ ...light, shortestMin: stay, longestMin: stay }], [5]));
      expect([stay, plan?.value]).toEqual([stay, net]);
    }
    expect(planDay(roundHome([light], [5])).plan).toMatchObject({ value: 920_000, setsOffMin: 595, homeMin: 625 });
    expect(times(roundHome([light], [5]))).toEqual([['a', 600, 620]]);
  });

  it('2: light all day: on five-minute steps one stays 110 minutes', () => {
    const day = dayOnGrid(roundHome([visit('a', usefulLight(300, 1200, 50))], [0]), 5);
    const [stay] = planFrom(finish(dayTableSteps(day)))?.visits ?? [];
    expect((stay?.toMin ?? 0) - (stay?.fromMin ?? 0)).toBe(110);
  });

  const nearAndFar = roundHome([visit('a', usefulLight(600, 700, 10)), visit('b', usefulLight(600, 625, 10))], [2, 20], {
    earliestMin: 595,
    walksMin: [
      [0, 20],
      [20, 0],
    ],
  });
  it('3: the nearest first is wrong, and exchanging the two regains all', () => {
    expect(times(nearAndFar).map(([id]) => id)).toEqual(['b', 'a']);
    expect(times(nearAndFar)[0]).toEqual(['b', 615, 625]);
    const own = keepOrder(nearAndFar, [0, 1]);
    expect(own.skipped).toEqual([1]);
    expect(own.repair?.order).toEqual([1, 0]);
    expect((own.plan?.value ?? 0) + (own.repair?.gain ?? 0)).toBe(planDay(nearAndFar).plan?.value);
  });

  it('4: the tower while it is open, then the call', () => {
    const tower = visit('tower', usefulLight(500, 700, 10), { open: [{ fromMin: 600, toMin: 630 }] });
    const call: Visit = { id: 'call', worth: { kind: 'flat', millionths: 0 }, ...fixedAt(615, 10), isMust: true };
    expect(times(roundHome([tower, call], [0, 0]))).toEqual([
      ['tower', 600, 615],
      ['call', 615, 625],
    ]);
  });

  it('5: light only before one can be there: at home; as a must there is no plan', () => {
    const early = visit('a', usefulLight(600, 610, 10));
    const question = roundHome([early], [20], { earliestMin: 600 });
    expect(planDay(question).plan).toEqual({ value: 0, setsOffMin: null, homeMin: null, visits: [] });
    const late = { ...early, open: [{ fromMin: 600, toMin: 610 }], isMust: true };
    expect(planDay({ ...question, visits: [late] }).plan).toBeNull();
    expect(planDay(roundHome([], [])).plan?.visits).toEqual([]);
  });

  it('6: past midnight', () => {
    const night = visit('a', usefulLight(1430, 1460, 10));
    expect(times(roundHome([night], [5], { latestMin: 1600 }))).toEqual([['a', 1430, 1460]]);
  });

  it('7: twins in the order of the list', () => {
    const twin = (id: string): Visit => visit(id, usefulLight(600, 620, 5), { shortestMin: 10, longestMin: 10 });
    expect(times(roundHome([twin('a'), twin('b')], [0, 0]))).toEqual([
      ['a', 600, 610],
      ['b', 610, 620],
    ]);
  });

  it('8: late at b: a from where one is', () => {
    const rest = replanFrom(nearAndFar, { nowMin: 640, done: [1], at: null, walksMin: [20, 0], homeMin: 20 });
    expect(rest.plan.visits[0]).toMatchObject({ id: 'a', visit: 0, fromMin: 660 });
    expect(rest.setAside).toEqual([]);
  });

  it('9: to start ten minutes earlier lets b in; neither a later end nor leaving out a does', () => {
    const [a, b] = [visit('a', usefulLight(600, 700, 10)), visit('b', usefulLight(580, 610, 10), { shortestMin: 5 })];
    const question = roundHome([a, b], [2, 20], {
      earliestMin: 595,
      latestMin: 760,
      walksMin: [
        [0, 20],
        [20, 0],
      ],
    });
    const { plan } = planDay(question);
    expect(plan?.visits.map(({ id }) => id)).toEqual(['a']);
    if (plan === null) throw new Error('no plan');
    const misfit = misfitOf(question, plan, 1);
    expect(misfit).toMatchObject({ kind: 'needs', earlierStart: { minutes: 10 }, laterEnd: null, leaveOut: null });
    const earlier = misfit.kind === 'needs' ? misfit.earlierStart?.plan : undefined;
    expect(earlier === undefined ? '' : walkedThrough({ ...question, earliestMin: 585 }, earlier)).toBe(earlier?.value);
    const dark = visit('c', lightBetween(0, 10, 0));
    const withDark = roundHome([a, dark], [2, 2], { earliestMin: 595 });
    expect(misfitOf(withDark, planDay(withDark).plan ?? plan, 1)).toEqual({ kind: 'noLight' });
  });

  it('10: a stop fits at half of what it gives alone in the day as it is, not in a longer one', () => {
    // b has light from 600 to 700, useful stay 60, at no walk; the day is 660 to 720 and a call at 680 takes twenty minutes. Alone b
    // gives 1 − 5^(−40/60) = 0.66, beside the call 1 − 5^(−20/60) = 0.42: over half of it. In a day three hours longer it would
    // give 1 − 5^(−100/60) = 0.93 alone, of which 0.42 is under half.
    const call = visit(
      'a',
      { kind: 'flat', millionths: 500_000 },
      { shortestMin: 20, longestMin: 20, beginnings: { fromMin: 680, toMin: 680 } },
    );
    const b = visit('b', usefulLight(600, 700, 60), { shortestMin: 10 });
    const question = roundHome([call, b], [0, 0], { earliestMin: 660, latestMin: 720 });
    const { plan } = planDay(roundHome([call], [0], { earliestMin: 660, latestMin: 720 }));
    if (plan === null) throw new Error('no plan');
    expect(misfitOf(question, plan, 1).kind).toBe('fitsAtACost');
  });
});

describe('profiles', () => {
  it('are worth the best of every plan that begins the visit just then, and without it, on small days', () => {
    let checked = 0;
    for (let seed = 1001; seed <= 1040; seed++) {
      const question = smallDay(seed, 1, 10);
      const profiles = finish(dayProfileSteps(question)) ?? [];
      const { plan, without } = planDay(question);
      question.visits.forEach((one, k) => {
        const others = question.visits.map((other, at) =>
          at === k ? { ...other, isMust: false, open: [], beginnings: { fromMin: 0, toMin: 0 } } : other,
        );
        expect([seed, k, without[k]]).toEqual([seed, k, bestOfEveryDay({ ...question, visits: others }, 1)]);
        const values = profiles[k]?.values ?? [];
        for (let slot = seed % 3; slot < values.length; slot += 3) {
          const minute = 600 + slot;
          const { beginnings } = one;
          const isAllowed = beginnings === undefined || (minute >= beginnings.fromMin && minute <= beginnings.toMin);
          const visits = question.visits.map((other, at) =>
            at === k ? { ...one, isMust: true, beginnings: { fromMin: minute, toMin: minute } } : other,
          );
          const best = isAllowed ? bestOfEveryDay({ ...question, visits }, 1) : null;
          expect([seed, k, minute, values[slot]]).toEqual([seed, k, minute, best]);
          checked++;
        }
        if (plan?.visits.some((planned) => planned.visit === k) === true) expect(profiles[k]?.best?.value).toBe(plan.value);
      });
    }
    expect(checked).toBeGreaterThan(300);
  });

  it('tell the next best time outside the light, or that it is only then', () => {
    const twice = visit('a', lightBetween(600, 800, 0));
    const worth = { ...twice.worth, goodFramesPerMin: Array.from({ length: 200 }, (_, k) => (k < 30 ? 0.1 : k >= 150 ? 0.05 : 0)) };
    const question = roundHome([{ ...twice, worth } as Visit, visit('b', usefulLight(640, 660, 10))], [1, 1]);
    const [a, b] = finish(dayProfileSteps(question)) ?? [];
    expect(a?.best?.beginMin).toBe(600);
    expect(a?.nextBest?.beginMin).toBe(750);
    expect(b?.nextBest).toBeNull();
  });
});

describe('a plan as it is walked', () => {
  it('stays for the light that pays, and sets off to be there ten minutes early', () => {
    // Useful stay 10: the minute after T adds 0.14866·5^(−T/10), which pays 0.001 until T = 31.08: 32 minutes.
    const a = visit('a', usefulLight(600, 700, 10));
    const b = visit('b', usefulLight(800, 900, 10));
    const question = roundHome([a, b], [5, 5], {
      walksMin: [
        [0, 10],
        [10, 0],
      ],
    });
    const { plan } = planDay(question);
    if (plan === null) throw new Error('no plan');
    const [first, second] = walkedPlan(question, plan);
    expect(first).toMatchObject({ solid: { fromMin: 668, toMin: 700 }, setOffMin: 780, spareMin: 80 });
    expect(second).toMatchObject({ solid: { fromMin: 800, toMin: 832 }, spareMin: 0 });
  });

  it('eats where one is without ten minutes in hand: those belong to a walk', () => {
    const a = visit('a', usefulLight(600, 700, 10));
    const lunch = visit(
      'lunch',
      { kind: 'flat', millionths: 0 },
      { isMust: true, isAnywhere: true, shortestMin: 30, longestMin: 30, beginnings: { fromMin: 720, toMin: 720 } },
    );
    const question = roundHome([a, lunch], [5, 5]);
    const { plan } = planDay(question);
    if (plan === null) throw new Error('no plan');
    const [first] = walkedPlan(question, plan);
    expect(first).toMatchObject({ id: 'a', setOffMin: 720, spareMin: 720 - (first?.solid.toMin ?? 0) });
  });

  it('begins with the light where one has to be there before', () => {
    const call = visit('a', usefulLight(605, 640, 10), { beginnings: { fromMin: 600, toMin: 600 } });
    const question = roundHome([call], [5]);
    const { plan } = planDay(question);
    if (plan === null) throw new Error('no plan');
    expect(walkedPlan(question, plan)[0]?.solid.fromMin).toBe(605);
  });
});

describe('a day as somebody has laid it out', () => {
  it('is worth what the same plan is', () => {
    for (let seed = 1; seed <= 8; seed++) {
      const question = strewnDay(seed, 5);
      const { plan } = planDay(question);
      if (plan?.setsOffMin == null) throw new Error('no plan');
      // What is waited on the way is out of doors in both, but a plan may set off early.
      const [first] = plan.visits;
      const early = (first?.fromMin ?? 0) - (first?.arriveMin ?? 0);
      expect(currentPlanValue(question, plan.visits) - 1000 * early).toBe(plan.value);
    }
  });

  it('counts a stay out of the light as nothing, at its price', () => {
    const question = roundHome([visit('a', usefulLight(600, 620, 10))], [5]);
    expect(currentPlanValue(question, [{ visit: 0, fromMin: 700, toMin: 720 }])).toBe(-40_000);
    expect(currentPlanValue(question, [])).toBe(0);
  });
});

describe('from here and now', () => {
  const [a, b] = [visit('a', usefulLight(600, 700, 10)), visit('b', usefulLight(720, 800, 10))];
  const question = roundHome([a, b], [5, 5]);

  it('goes on with the stop one is at, its shortest stay served', () => {
    const rest = replanFrom(question, { nowMin: 695, done: [], at: { visit: 0, servedMin: 20 }, walksMin: [0, 10], homeMin: 5 });
    expect(rest.plan.visits[0]).toMatchObject({ visit: 0, fromMin: 695, toMin: 700, walkMin: 0 });
    expect(rest.plan.visits[1]).toMatchObject({ visit: 1, arriveMin: 710, toMin: 752 });
  });

  it('goes home at once at the price of the walk, also where that is too late', () => {
    const rest = replanFrom(question, { nowMin: 1435, done: [0, 1], at: null, walksMin: [5, 5], homeMin: 12 });
    expect(rest.plan).toMatchObject({ visits: [], value: -24_000, homeMin: 1447 });
  });

  it('sets aside the must that leaves most, one at a time', () => {
    const call: Visit = { id: 'call', worth: { kind: 'flat', millionths: 0 }, ...fixedAt(690, 10), isMust: true };
    const day = roundHome([{ ...b, isMust: true }, call], [5, 5]);
    const rest = replanFrom(day, { nowMin: 695, done: [], at: null, walksMin: [5, 5], homeMin: 5 });
    expect(rest.setAside).toEqual([1]);
    expect(rest.plan.visits.map(({ id }) => id)).toEqual(['b']);
  });

  it('on time, the rest stays as it was planned', () => {
    for (let seed = 1; seed <= 6; seed++) {
      const day = strewnDay(seed, 6);
      const { plan } = planDay(day);
      const first = plan?.visits[0];
      if (plan === null || first === undefined) throw new Error('no plan');
      const here = {
        nowMin: first.toMin,
        done: [first.visit],
        at: null,
        walksMin: day.walksMin[first.visit] ?? [],
        homeMin: day.toEndMin?.[first.visit] ?? 0,
      };
      const worths = (visits: readonly { readonly worth: number }[]): number => visits.reduce((sum, { worth }) => sum + worth, 0);
      const rest = replanFrom(day, here).plan;
      expect([seed, worths(rest.visits)]).toEqual([seed, worths(plan.visits.slice(1))]);
    }
  });
});

describe('a question that cannot be', () => {
  const one = roundHome([visit('a', usefulLight(600, 620, 10))], [5]);
  it.each([
    ['a start before midnight', { earliestMin: -1 }, RangeError, /earliestMin .* got -1/],
    ['half a minute', { latestMin: 10.5 }, RangeError, /latestMin must be a whole number/],
    ['no walks', { walksMin: [] }, RangeError, /walksMin must have a row for each of 1 visits, got 0/],
    ['a way home too many', { toEndMin: [1, 2] }, RangeError, /toEndMin/],
    ['no stay at all', { visits: [{ ...one.visits[0], shortestMin: 0 }] }, RangeError, /visits\[0\].shortestMin/],
    ['a longest stay under the shortest', { visits: [{ ...one.visits[0], longestMin: 5 }] }, RangeError, /visits\[0\].longestMin/],
    ['a word for a number', { earliestMin: '9' }, TypeError, /earliestMin .* got "9"/],
  ])('%s is said', (_, over, kind, words) => {
    const ask = (): unknown => planDay({ ...one, ...over } as DayQuestion);
    expect(ask).toThrow(kind as typeof RangeError);
    expect(ask).toThrow(words);
  });
});
