import { Injectable, inject } from '@angular/core';
import { type DayFound, districtOf, type PlannableWalk } from '@roam-dial/core/plan';
import { stopsToday, type Walk } from '@roam-dial/core/walk';
import {
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  EMPTY,
  filter,
  map,
  type Observable,
  of,
  startWith,
  switchMap,
  timer,
} from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { answersOf, askLatest } from '../../workers/answers';
import { DayClient } from '../../workers/day/day.client';
import type { DayDetails, StayAt } from '../../workers/day/day-jobs';
import { type DaysByStop, DaysStore } from '../light/days.store';
import { FocusStore } from '../selection/focus.store';
import { FootWays } from '../walk/foot-ways';
import { shared } from '../../base/shared';
import { MOST_PLANNED, pairsOfDay, planSignature, visitsOf, walkOfDay } from '../walk/walk-of-day';
import { WorkspaceStore } from '../workspace/workspace.store';

/** What is being planned just now. */
export interface Planning {
  readonly wish: 'plan' | 'keep';
  readonly share: number;
  readonly soFar: DayFound | null;
}

/** A day's stays before they were planned anew, to lay over the new ones. */
export interface DayBefore {
  readonly walkId: string;
  readonly stays: readonly StayAt[];
}

/** Two neighbours of an order that was kept, and what exchanging them would bring. */
export interface Exchange {
  readonly walkId: string;
  readonly order: readonly string[];
  readonly pair: readonly [string, string];
  readonly gain: number;
}

/** The walk, with all that its day is planned from. */
export interface WalkToPlan {
  readonly walk: Walk;
  /** Null until every stop's light is measured. */
  readonly of: PlannableWalk | null;
}

/** What is asked of a day waits until nothing has changed for so long. */
const REST_MS = 400;

/** The stays of a walk as they stand, those of its stops and of its pauses, by the clock. */
export function ownStaysOf(walk: Walk): readonly StayAt[] {
  const stops = stopsToday(walk).map(({ id, arriveMin, leaveMin }) => ({ id, fromMin: arriveMin, toMin: leaveMin }));
  const pauses = (walk.pauses ?? []).flatMap(({ id, atMin, stayMin }) =>
    atMin === null ? [] : [{ id, fromMin: atMin, toMin: atMin + stayMin }],
  );
  return [...stops, ...pauses].sort((a, b) => a.fromMin - b.fromMin);
}

/** The day of the walk on screen: what it is planned from, what the best of it is, and what the one laid out is worth. */
@Injectable({ providedIn: 'root' })
export class DayPlanStore {
  private readonly client = inject(DayClient);
  private readonly ways = inject(FootWays);
  private readonly workspace$ = inject(WorkspaceStore).workspace$;
  private readonly walk$ = inject(FocusStore).focus$.pipe(
    map(({ walk }) => walk),
    distinctUntilChanged(),
  );
  private readonly days = inject(DaysStore);

  private readonly planningSubject = new BehaviorSubject<Planning | null>(null);
  readonly planning$: Observable<Planning | null> = this.planningSubject;
  private readonly beforeSubject = new BehaviorSubject<DayBefore | null>(null);
  readonly before$: Observable<DayBefore | null> = this.beforeSubject;

  private readonly exchangeSubject = new BehaviorSubject<Exchange | null>(null);
  readonly exchange$: Observable<Exchange | null> = this.exchangeSubject;

  /** The same object as long as nothing changes that a plan depends on. */
  private last: { readonly parts: readonly unknown[]; readonly of: PlannableWalk } | null = null;

  /** Whether the light of every stop is known. */
  readonly isMeasured$: Observable<boolean> = combineLatest([this.walk$, this.days.days$, this.days.isSettled$]).pipe(
    map(([walk, days, isSettled]) => isSettled && walk?.stops.every(({ id }) => days.get(id) != null) === true),
    distinctUntilChanged(),
  );

  /** Asked for by who plans, and by what is shown of a walk that has been planned: other walks have no ways to be found. */
  readonly plannable$: Observable<WalkToPlan | null> = combineLatest([
    this.workspace$,
    this.walk$,
    this.days.days$,
    this.days.isSettled$,
  ]).pipe(
    switchMap(([workspace, walk, days, isSettled]) => {
      if (walk === null) return of(null);
      if (!isSettled || visitsOf(walk) > MOST_PLANNED) return of({ walk, of: null });
      const parts = partsOf(workspace, walk, days);
      // A stay that is dragged changes nothing of it: no way is looked up again.
      if (this.last !== null && isSameParts(parts, this.last.parts)) return of({ walk, of: this.last.of });
      return this.ways.between(districtOf(workspace, walk), pairsOfDay(walk)).pipe(
        filter(({ isWhole }) => isWhole),
        map(({ wayOf }) => {
          const material = walkOfDay(workspace, walk, days, wayOf);
          this.last = material === null ? null : { parts, of: material };
          return { walk, of: material };
        }),
      );
    }),
    shared(),
  );

  private readonly planned$: Observable<WalkToPlan | null> = this.walk$.pipe(
    map((walk) => walk?.isPlanned === true),
    distinctUntilChanged(),
    switchMap((isPlanned) => (isPlanned ? this.plannable$ : of(null))),
    shared(),
  );

  /** Of a walk that has been planned once: its best day, what fits and what does not, when else each stop could be. */
  readonly details$: Observable<DayDetails | null> = this.planned$.pipe(
    map((plannable) => plannable?.of ?? null),
    distinctUntilChanged(),
    switchMap((material) =>
      material === null
        ? of(null)
        : timer(REST_MS).pipe(
            switchMap(() => answersOf(this.client.ask<'details'>(material, { kind: 'details' }))),
            startWith(null),
          ),
    ),
    shared(),
  );

  /** What the day as it stands is worth, millionths of a picture; null while that is not known. */
  readonly stands$: Observable<number | null> = this.planned$.pipe(
    filter((plannable) => plannable?.of != null),
    askLatest((plannable) =>
      plannable?.of == null
        ? EMPTY
        : answersOf(this.client.ask<'stands'>(plannable.of, { kind: 'stands', stays: ownStaysOf(plannable.walk) })),
    ),
    startWith(null),
    shared(),
  );

  tell(planning: Planning | null): void {
    this.planningSubject.next(planning);
  }

  remember(before: DayBefore | null): void {
    this.beforeSubject.next(before);
  }

  offer(exchange: Exchange | null): void {
    this.exchangeSubject.next(exchange);
  }
}

/** All that a walk's day depends on, to be compared one by one. */
function partsOf(workspace: Workspace, walk: Walk, days: DaysByStop): readonly unknown[] {
  const ways = districtOf(workspace, walk)?.ways;
  return [...planSignature(workspace, walk), ways, ...walk.stops.map(({ id }) => days.get(id))];
}

function isSameParts(a: readonly unknown[], b: readonly unknown[]): boolean {
  return a.length === b.length && a.every((part, k) => part === b[k]);
}
