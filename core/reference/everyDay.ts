import type { DayPlan, DayQuestion, Visit } from '../src/day/index.js';

/**
 * The rules of a day again, plainly: every order, every beginning, every leaving is tried, and a plan is walked through.
 * Nothing here is shared with the planner but the shape of its question.
 */

const price = ({ pricePerMin = 1000 }: DayQuestion): number => pricePerMin;
const walkPrice = ({ walkPricePerMin = 1000 }: DayQuestion): number => walkPricePerMin;

/** Millionths of a picture of one stay; null where the visit may not be made so. */
export function worthOfStay(visit: Visit, beginMin: number, leaveMin: number): number | null {
  const { worth, open, beginnings, shortestMin, longestMin } = visit;
  const stay = leaveMin - beginMin;
  if (stay < shortestMin || stay > longestMin) return null;
  if (open !== undefined && !open.some(({ fromMin, toMin }) => beginMin >= fromMin && leaveMin <= toMin)) return null;
  if (beginnings !== undefined && (beginMin < beginnings.fromMin || beginMin > beginnings.toMin)) return null;
  if (worth.kind === 'flat') return worth.millionths;
  let frames = 0;
  for (let minute = beginMin; minute < leaveMin; minute++) frames += worth.goodFramesPerMin[minute - worth.fromMin] ?? 0;
  return Math.round(1e6 * worth.weight * (1 - Math.exp(-(1 - (worth.repeatShare ?? 0)) * frames)));
}

/** The most that a day is worth on a grid; null where its musts cannot all be had. */
export function bestOfEveryDay(question: DayQuestion, stepMin: number): number | null {
  const { visits, walksMin, latestMin, earliestMin, setsOff } = question;
  const count = visits.length;
  const first = Math.ceil(earliestMin / stepMin) * stepMin;
  let best: number | null = null;
  const reached = (value: number): void => {
    if (best === null || value > best) best = value;
  };
  const goOn = (atMin: number, place: number, left: readonly number[], value: number): void => {
    const homeMin = (place === count ? question.homeFromStartMin : question.toEndMin?.[place]) ?? 0;
    if (atMin + homeMin <= latestMin && left.every((visit) => visits[visit]?.isMust !== true)) {
      reached(value - (price(question) + walkPrice(question)) * homeMin);
    }
    for (const visit of left) {
      const others = left.filter((other) => other !== visit);
      const one = visits[visit] as Visit;
      const isHere = one.isAnywhere === true;
      if (isHere && place === count && setsOff !== 'now') continue;
      const walkMin = isHere ? 0 : ((place === count ? question.fromStartMin : walksMin[place])?.[visit] ?? 0);
      const walkSteps = Math.ceil(walkMin / stepMin) * stepMin;
      const comes = value - price(question) * walkSteps - walkPrice(question) * walkMin;
      for (let begin = atMin + walkSteps; begin <= latestMin; begin += stepMin) {
        for (let leave = begin; leave <= latestMin; leave += stepMin) {
          const worth = worthOfStay(one, begin, leave);
          if (worth === null) continue;
          const after = comes - price(question) * (leave - atMin - walkSteps) + worth;
          goOn(leave, isHere ? place : visit, others, after);
        }
      }
    }
  };
  const all = visits.map((_, k) => k);
  if (setsOff === 'now') goOn(first, count, all, 0);
  else for (let start = first; start <= latestMin; start += stepMin) goOn(start, count, all, 0);
  return best;
}

/** A plan walked through the rules, to the minute: what it is worth, or the first rule that it breaks. */
export function walkedThrough(question: DayQuestion, plan: DayPlan): number | string {
  const { visits, walksMin, latestMin, earliestMin, setsOff } = question;
  const count = visits.length;
  const had = new Set(plan.visits.map(({ visit }) => visit));
  if (had.size !== plan.visits.length) return 'a visit is made twice';
  if (visits.some(({ isMust }, visit) => isMust === true && !had.has(visit))) return 'a must is missing';
  if (plan.setsOffMin === null || plan.homeMin === null) return plan.visits.length === 0 ? 0 : 'it never sets off';
  if (plan.setsOffMin < earliestMin) return 'it sets off too early';
  if (setsOff === 'now' && plan.setsOffMin !== earliestMin) return 'it waits at home';
  let [now, place, value, walked] = [plan.setsOffMin, count, 0, 0];
  for (const { visit, fromMin, toMin, worth } of plan.visits) {
    const one = visits[visit] as Visit;
    const isHere = one.isAnywhere === true;
    if (isHere && place === count && setsOff !== 'now') return `${one.id} comes before the first stop`;
    const walkMin = isHere ? 0 : ((place === count ? question.fromStartMin : walksMin[place])?.[visit] ?? 0);
    if (now + walkMin > fromMin) return `${one.id} begins before one is there`;
    const own = worthOfStay(one, fromMin, toMin);
    if (own === null) return `${one.id} may not be so`;
    if (own !== worth) return `${one.id} is worth ${own}, not ${worth}`;
    walked += walkMin;
    value += own;
    now = toMin;
    if (!isHere) place = visit;
  }
  const homeMin = (place === count ? question.homeFromStartMin : question.toEndMin?.[place]) ?? 0;
  if (plan.homeMin < now + homeMin) return 'it is home before it can be';
  if (plan.homeMin > latestMin) return 'it is home too late';
  return value - price(question) * (plan.homeMin - plan.setsOffMin) - walkPrice(question) * (walked + homeMin);
}
