import { type DayPlan, renumbered } from './plan.js';
import { planDay } from './planDay.js';
import { type DayQuestion, subset, type Visit } from './question.js';

/** Where one is in a day that runs. */
export interface Here {
  readonly nowMin: number;
  /** Numbers of visits that are over: got, or given up. */
  readonly done: readonly number[];
  /** The visit one is at, not got yet, and for how long one has been there. */
  readonly at: { readonly visit: number; readonly servedMin: number } | null;
  /** Whole minutes on foot from here to each visit, and to where the day ends. */
  readonly walksMin: readonly number[];
  readonly homeMin: number;
}

/** The rest of a day, to be planned, and the number that each of its visits had before. */
export interface RestOfDay {
  readonly question: DayQuestion;
  readonly numbers: readonly number[];
}

/** The visit one is at is at no walk, its shortest stay served; worth only what comes from now on. */
function goingOn(visit: Visit, servedMin: number): Visit {
  const { beginnings, ...others } = visit;
  const shortestMin = Math.max(1, visit.shortestMin - servedMin);
  return { ...others, shortestMin, longestMin: Math.max(shortestMin, visit.longestMin - servedMin) };
}

/**
 * The rest of a day from here and now. Time runs from now wherever it is spent; going home at once costs its walk, also when
 * it ends later than the day was to.
 */
export function restOfDay(question: DayQuestion, { nowMin, done, at, walksMin, homeMin }: Here): RestOfDay {
  const numbers = question.visits.map((_, k) => k).filter((k) => !done.includes(k));
  const rest = subset(question, numbers);
  return {
    numbers,
    question: {
      ...rest,
      visits: rest.visits.map((visit, k) => (at !== null && numbers[k] === at.visit ? goingOn(visit, at.servedMin) : visit)),
      fromStartMin: numbers.map((k) => (at?.visit === k ? 0 : (walksMin[k] as number))),
      homeFromStartMin: homeMin,
      earliestMin: nowMin,
      latestMin: Math.max(question.latestMin, nowMin + homeMin),
      setsOff: 'now',
    },
  };
}

export interface ReplannedFrom {
  /** By the numbers of the whole day. */
  readonly plan: DayPlan;
  /** Musts that cannot be had any more, by the numbers of the whole day, in the order in which they were given up. */
  readonly setAside: readonly number[];
}

function without({ question, numbers }: RestOfDay, number: number): RestOfDay {
  const others = numbers.map((_, k) => k).filter((k) => numbers[k] !== number);
  return { question: subset(question, others), numbers: others.map((k) => numbers[k] as number) };
}

function mustsOf({ numbers, question }: RestOfDay): readonly number[] {
  return numbers.filter((_, k) => question.visits[k]?.isMust === true);
}

/** Giving up the one must that leaves the most; where no single one is enough, one that cannot be had even by itself. */
function giveUpOne(rest: RestOfDay): { readonly rest: RestOfDay; readonly number: number } {
  const musts = mustsOf(rest);
  const tried = musts.map((number) => {
    const smaller = without(rest, number);
    return { number, rest: smaller, value: planDay(smaller.question).plan?.value ?? -Infinity };
  });
  const best = tried.reduce((most, one) => (one.value > most.value ? one : most));
  if (best.value > -Infinity) return best;
  const isHopeless = (number: number): boolean => {
    const alone = musts.filter((other) => other !== number).reduce(without, rest);
    return planDay(alone.question).plan === null;
  };
  return tried.find(({ number }) => isHopeless(number)) ?? best;
}

/** The best that is left of a day from here and now, by the minute. Throws as `planDay`. */
export function replanFrom(question: DayQuestion, here: Here): ReplannedFrom {
  const setAside: number[] = [];
  for (let rest = restOfDay(question, here); ;) {
    const { plan } = planDay(rest.question);
    if (plan !== null) return { plan: renumbered(plan, rest.numbers), setAside };
    const given = giveUpOne(rest);
    setAside.push(given.number);
    rest = given.rest;
  }
}
