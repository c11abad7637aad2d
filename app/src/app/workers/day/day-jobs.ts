import { dayProfileSteps, keepOrder, misfitOf, planDaySteps, type PlannedDay, currentPlanValue } from '@roam-dial/core/day';
import { type RestFound, restOfWalk, type WhereNow } from '@roam-dial/core/outing';
import {
  dayFound,
  type DayFound,
  dayOfWalk,
  type Misfit,
  misfitFound,
  orderFound,
  type OrderFound,
  type PlannableDay,
  profileFound,
  type ProfileFound,
  type PlannableWalk,
} from '@roam-dial/core/plan';
import { Lru } from '../../base/lru';

export interface StayAt {
  readonly id: string;
  readonly fromMin: number;
  readonly toMin: number;
}

export type DayAsked =
  /** A walk to be asked about under a key. */
  | { readonly kind: 'walk'; readonly key: string; readonly of: PlannableWalk }
  | { readonly kind: 'plan'; readonly key: string }
  | { readonly kind: 'keep'; readonly key: string; readonly order: readonly string[] }
  | { readonly kind: 'details'; readonly key: string }
  /** The best that is left of the day from where one is now. */
  | { readonly kind: 'rest'; readonly key: string; readonly where: WhereNow }
  /** What stays that somebody has laid out are worth, by the clock on the wall. */
  | { readonly kind: 'stands'; readonly key: string; readonly stays: readonly StayAt[] };

export interface DayDetails {
  /** The best day; null where its musts cannot all be had. */
  readonly best: DayFound | null;
  /** Null for more visits than a table holds. */
  readonly profiles: readonly ProfileFound[] | null;
  readonly misfits: readonly Misfit[];
}

export interface DayAnswers {
  readonly walk: null;
  /** Null: the musts cannot all be had, or the zone skips the day. */
  readonly plan: DayFound | null;
  readonly keep: OrderFound | null;
  readonly details: DayDetails | null;
  readonly rest: RestFound | null;
  /** Millionths of a picture. */
  readonly stands: number | null;
}
export type DayAnswer = DayAnswers[keyof DayAnswers];

export interface DayProgress {
  readonly share: number;
  readonly soFar: DayFound | null;
}

/** Walks that who asks counts on being known. */
export const MOST_WALKS = 3;
/** Of the work behind a plan, what is done before the profiles. */
const MISFITS_SHARE = 0.3;

interface Known {
  readonly of: PlannableWalk;
  day?: PlannableDay | null;
  planned?: PlannedDay;
}

/** Days of the last walks, planned when they are asked for. */
export class DayJobs {
  private readonly walks = new Lru<string, Known>(MOST_WALKS);

  *answer(asked: DayAsked): Generator<DayProgress, DayAnswer> {
    if (asked.kind === 'walk') {
      this.walks.set(asked.key, { of: asked.of });
      return null;
    }
    const known = this.walks.get(asked.key);
    if (known === undefined) return null;
    yield { share: 0, soFar: null };
    known.day ??= dayOfWalk(known.of);
    const { day } = known;
    if (day === null) return null;
    switch (asked.kind) {
      case 'plan':
        return dayFound(day, yield* planned(known, day));
      case 'keep': {
        const numbers = asked.order.map((id) => day.question.visits.findIndex((visit) => visit.id === id));
        return orderFound(day, keepOrder(day.question, numbers), dayFound(day, yield* planned(known, day)));
      }
      case 'details':
        return yield* details(day, yield* planned(known, day));
      case 'rest':
        return restOfWalk(day, asked.where);
      case 'stands':
        return standing(day, asked.stays);
    }
  }
}

function* planned(known: Known, day: PlannableDay): Generator<DayProgress, PlannedDay> {
  if (known.planned !== undefined) return known.planned;
  for (const steps = planDaySteps(day.question); ;) {
    const step = steps.next();
    if (step.done === true) return (known.planned = step.value);
    const { share, soFar } = step.value;
    yield { share, soFar: soFar === null ? null : dayFound(day, soFar) };
  }
}

function* details(day: PlannableDay, planned: PlannedDay): Generator<DayProgress, DayDetails> {
  const { question } = day;
  const { plan } = planned;
  const leftOut =
    plan === null ? [] : question.visits.map((_, k) => k).filter((k) => !plan.visits.some(({ visit }) => visit === k));
  const misfits: Misfit[] = [];
  for (const visit of leftOut) {
    if (plan !== null) misfits.push(misfitFound(day, misfitOf(question, plan, visit), visit));
    yield { share: (MISFITS_SHARE * misfits.length) / leftOut.length, soFar: null };
  }
  for (const steps = dayProfileSteps(question); ;) {
    const step = steps.next();
    if (step.done === true) {
      const profiles = step.value?.map((profile, visit) => profileFound(day, profile, visit)) ?? null;
      return { best: dayFound(day, planned), profiles, misfits };
    }
    yield { share: MISFITS_SHARE + (1 - MISFITS_SHARE) * step.value.share, soFar: null };
  }
}

function standing({ question, clock }: PlannableDay, stays: readonly StayAt[]): number {
  const laidOut = stays.flatMap(({ id, fromMin, toMin }) => {
    const visit = question.visits.findIndex((one) => one.id === id);
    return visit === -1 ? [] : [{ visit, fromMin: clock.elapsedAt(fromMin), toMin: clock.elapsedAt(toMin) }];
  });
  return currentPlanValue(question, laidOut);
}
