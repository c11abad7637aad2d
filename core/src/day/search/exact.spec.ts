import { bestOfEveryDay, walkedThrough } from '../../../reference/everyDay.js';
import { smallDay } from '../../../reference/randomDays.js';
import { chainOf, planInOrder, valueOfChain } from './chain.js';
import { dayOnGrid, dayTableSteps } from './dayTable.js';
import { planFrom } from './readBack.js';
import { finish } from '../../units/index.js';

describe('the exact plan', () => {
  it('is worth what the best of every order, beginning and leaving is, on 400 small days', () => {
    let severals = 0;
    for (let seed = 1; seed <= 400; seed++) {
      const stepMin = seed % 3 === 0 ? 1 : 5;
      const question = smallDay(seed, stepMin, 12);
      const day = dayOnGrid(question, stepMin);
      const plan = planFrom(finish(dayTableSteps(day)));
      expect([seed, plan?.value ?? null]).toEqual([seed, bestOfEveryDay(question, stepMin)]);
      if (plan === null) continue;
      if (plan.visits.length > 1) severals++;
      const order = plan.visits.map(({ visit }) => visit);
      expect([seed, valueOfChain(chainOf(day, order))]).toEqual([seed, plan.value]);
      const again = planInOrder(day, order);
      if (stepMin === 1) {
        expect([seed, walkedThrough(question, plan)]).toEqual([seed, plan.value]);
        expect(again === null ? null : walkedThrough(question, again)).toBe(plan.value);
      }
    }
    // Days on which there is something to choose.
    expect(severals).toBeGreaterThan(150);
  });
});
