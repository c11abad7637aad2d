import { walkedThrough } from '../../../reference/everyDay.js';
import { strewnDay } from '../../../reference/randomDays.js';
import { finish } from '../../units/index.js';
import { dayOnGrid, dayTableSteps } from './dayTable.js';
import { NEVER } from './grid.js';
import { fixedAt, planDay, planDaySteps, type Visit } from '../index.js';
import { manyVisitsSteps } from './manyVisits.js';
import { planFrom } from './readBack.js';

describe('more visits than a table holds', () => {
  it('has a bound never under the best day, and finds the best of nearly all, on days that a table can check', () => {
    let found = 0;
    for (let seed = 1; seed <= 40; seed++) {
      const day = dayOnGrid(strewnDay(seed, 5 + (seed % 4)), 5);
      const exact = planFrom(finish(dayTableSteps(day)))?.value ?? NEVER;
      const many = finish(manyVisitsSteps(day));
      expect(many.bound).toBeGreaterThanOrEqual(exact);
      expect(many.value).toBeLessThanOrEqual(exact);
      if (many.value === exact) found++;
    }
    expect(found).toBeGreaterThanOrEqual(39);
  });

  it('counts the time of a meal had anywhere: the bound is never under the best day, and nearer to it', () => {
    const lunch = (millionths: number, isMust: boolean): Visit => ({
      id: 'lunch',
      worth: { kind: 'flat', millionths },
      ...{ isMust, isAnywhere: true, shortestMin: 60, longestMin: 60, beginnings: { fromMin: 690, toMin: 810 } },
    });
    let [gaps, gapsWithout] = [0, 0];
    for (let seed = 1; seed <= 24; seed++) {
      const question = strewnDay(seed, 5 + (seed % 3));
      const meal = lunch(seed % 2 === 0 ? 0 : 300_000, seed % 4 < 2);
      const rows = question.walksMin.map((row) => [...row, 0]);
      const withMeal = {
        ...question,
        visits: [...question.visits, meal],
        walksMin: [...rows, rows[0]?.map(() => 0) ?? []],
        ...(question.fromStartMin === undefined ? {} : { fromStartMin: [...question.fromStartMin, 0] }),
        ...(question.toEndMin === undefined ? {} : { toEndMin: [...question.toEndMin, 0] }),
      };
      const day = dayOnGrid(withMeal, 5);
      const exact = planFrom(finish(dayTableSteps(day)))?.value ?? NEVER;
      const many = finish(manyVisitsSteps(day));
      expect([seed, Math.min(0, many.bound - exact)]).toEqual([seed, 0]);
      expect(many.value).toBeLessThanOrEqual(exact);
      gaps += many.bound - exact;
      const bare = finish(manyVisitsSteps(dayOnGrid(question, 5)));
      gapsWithout += bare.bound + (meal.worth.kind === 'flat' ? meal.worth.millionths : 0) - exact;
    }
    expect(gaps).toBeLessThan(gapsWithout / 2);
  });

  it('plans thirty stops within a hundredth of the bound, by its own rules, and may be stopped at any step', () => {
    const question = strewnDay(1, 30);
    let last: ReturnType<typeof planDay> | null = null;
    for (const { soFar } of planDaySteps(question)) {
      last = soFar ?? last;
      if (last !== null && (last.proof.kind === 'best' || last.proof.share < 0.01)) break;
    }
    if (last?.plan == null) throw new Error('no plan');
    expect(last.plan.visits.length).toBeGreaterThan(12);
    expect(walkedThrough(question, last.plan)).toBe(last.plan.value);
  });

  it('holds its musts, and says where they cannot all be had', () => {
    const question = strewnDay(5, 13);
    const must = { ...question, visits: question.visits.map((one, k) => ({ ...one, isMust: k === 3 || k === 7 })) };
    const { plan } = planDay(must);
    expect(plan === null ? '' : walkedThrough(must, plan)).toBe(plan?.value);
    const call = (id: string): Visit => ({ id, worth: { kind: 'flat', millionths: 0 }, ...fixedAt(600, 30), isMust: true });
    const both = { ...question, visits: [...question.visits.slice(0, 11), call('x'), call('y')] };
    expect(planDay(both).plan).toBeNull();
  });
});
