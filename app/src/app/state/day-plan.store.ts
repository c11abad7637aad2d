import { Injectable, inject } from '@angular/core';
import { type DayFound, districtOf, stopsToday, type Walk, type WalkOfDay } from '@roam-dial/core';
import {
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  EMPTY,
  filter,
  map,
  type Observable,
  of,
  shareReplay,
  startWith,
  switchMap,
  timer,
} from 'rxjs';
import type { Workspace } from '../data/workspace';
import { answersOf, askLatest } from '../workers/answers';
import { DayClient } from '../workers/day.client';
import type { DayDetails, StayAt } from '../workers/day-desk';
import { type DaysByStop, DaysStore } from './days.store';
import { FocusStore } from './focus.store';
import { FootWays, type WayOf } from './foot-ways';
import { pairsOfDay, planSignature, walkOfDay } from './walk-of-day';
import { WorkspaceStore } from './workspace.store';

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
export interface PlannableWalk {
  readonly walk: Walk;
  /** Null until every stop's light is measured. */
  readonly of: WalkOfDay | null;
}

/** What is asked of a day waits until nothing has changed for so long. */
const REST_MS = 400;

/** The stays of a walk as they stand, those of its stops and of its pauses, by the clock. */
export function staysOf(walk: Walk): readonly StayAt[] {
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
  private last: { readonly parts: readonly unknown[]; readonly of: WalkOfDay } | null = null;

  readonly plannable$: Observable<PlannableWalk | null> = combineLatest([
    this.workspace$,
    this.walk$,
    this.days.days$,
    this.days.isSettled$,
  ]).pipe(
    switchMap(([workspace, walk, days, isSettled]) => {
      if (walk === null) return of(null);
      if (!isSettled) return of({ walk, of: null });
      return this.ways
        .between(districtOf(workspace, walk), pairsOfDay(walk))
        .pipe(map(({ wayOf, isWhole }) => ({ walk, of: isWhole ? this.materialOf(workspace, walk, days, wayOf) : null })));
    }),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** Of a walk that has been planned once: its best day, what fits and what does not, when else each stop could be. */
  readonly details$: Observable<DayDetails | null> = this.plannable$.pipe(
    map((plannable) => (plannable?.walk.isPlanned === true ? plannable.of : null)),
    distinctUntilChanged(),
    switchMap((material) =>
      material === null
        ? of(null)
        : timer(REST_MS).pipe(
            switchMap(() => answersOf(this.client.ask<'details'>(material, { kind: 'details' }))),
            startWith(null),
          ),
    ),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** What the day as it stands is worth, millionths of a picture; null while that is not known. */
  readonly stands$: Observable<number | null> = this.plannable$.pipe(
    filter((plannable) => plannable?.walk.isPlanned === true && plannable.of !== null),
    askLatest((plannable) =>
      plannable?.of == null
        ? EMPTY
        : answersOf(this.client.ask<'stands'>(plannable.of, { kind: 'stands', stays: staysOf(plannable.walk) })),
    ),
    startWith(null),
    shareReplay({ bufferSize: 1, refCount: true }),
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

  private materialOf(workspace: Workspace, walk: Walk, days: DaysByStop, wayOf: WayOf): WalkOfDay | null {
    const parts = [
      ...planSignature(workspace, walk),
      districtOf(workspace, walk)?.ways,
      ...walk.stops.map(({ id }) => days.get(id)),
    ];
    const isSame =
      this.last !== null && parts.length === this.last.parts.length && parts.every((part, k) => part === this.last?.parts[k]);
    if (isSame && this.last !== null) return this.last.of;
    const material = walkOfDay(workspace, walk, days, wayOf);
    this.last = material === null ? null : { parts, of: material };
    return material;
  }
}
