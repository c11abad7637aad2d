import { Injectable, inject } from '@angular/core';
import { cloudOf, lightInputFor, siteOf, type Stop, type StopDay, type StopDayInput, type Walk } from '@roam-dial/core';
import {
  auditTime,
  BehaviorSubject,
  combineLatest,
  distinctUntilChanged,
  map,
  type Observable,
  shareReplay,
  startWith,
  Subject,
  type Subscription,
} from 'rxjs';
import type { Workspace } from '../data/workspace';
import { LightClient } from '../workers/light.client';
import type { LightQuestion } from '../workers/measured-light';
import { FocusStore } from './focus.store';
import { WorkspaceStore } from './workspace.store';

/** Days by stop id; a stop whose day is still being computed keeps the one it had. */
export type DaysByStop = ReadonlyMap<string, StopDay | null>;

/** How far the walk's days are, and what is being done. */
export interface DaysProgress {
  readonly stopName: string;
  readonly doing: 'measuring' | 'reckoning';
  readonly share: number;
  readonly left: number;
}

/** Answers of many stops come one by one; the charts are drawn once for those of this time. */
const GATHER_MS = 30;

/** About 250 kB each. */
const MOST_OTHER_DAYS = 60;

interface Known {
  readonly key: string;
  readonly day: StopDay | null;
  /** Whether `day` answers `key`; else it is what there was before. */
  readonly isFresh: boolean;
}

interface Wanted {
  readonly stop: Stop;
  readonly key: string;
  readonly question: Extract<LightQuestion, { kind: 'day' }>;
}

/** The light of every stop of the walk through its day, computed in a worker and only where something changed. */
@Injectable({ providedIn: 'root' })
export class DaysStore {
  private readonly client = inject(LightClient).days;
  private readonly known = new Map<string, Known>();
  private walkStopIds: ReadonlySet<string> = new Set();
  private readonly arrived = new Subject<void>();
  private readonly isStopped = new BehaviorSubject(false);
  private readonly progressSubject = new BehaviorSubject<DaysProgress | null>(null);
  private wanted: readonly Wanted[] = [];
  private running: { readonly key: string; readonly subscription: Subscription } | null = null;

  readonly progress$: Observable<DaysProgress | null> = this.progressSubject;
  /** Whether nothing is being worked out: what there is will not change by itself. */
  readonly isSettled$: Observable<boolean> = this.progressSubject.pipe(
    map((progress) => progress === null),
    distinctUntilChanged(),
  );
  readonly isStopped$: Observable<boolean> = this.isStopped.pipe(distinctUntilChanged());

  readonly days$: Observable<DaysByStop> = combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(FocusStore).focus$.pipe(
      map(({ walk, stop }) => ({ walk, stop })),
      distinctUntilChanged((a, b) => a.walk === b.walk && a.stop === b.stop),
    ),
    this.arrived.pipe(auditTime(GATHER_MS), startWith(undefined)),
  ]).pipe(
    map(([workspace, { walk, stop }]) => (walk === null ? new Map<string, StopDay | null>() : this.daysOf(workspace, walk, stop))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  /** Leaves what is still to be computed; what is known stays. */
  stop(): void {
    this.isStopped.next(true);
    this.running?.subscription.unsubscribe();
    this.running = null;
    this.progressSubject.next(null);
  }

  goOn(): void {
    this.isStopped.next(false);
    this.askNext();
  }

  /** Whether the stop's day is up to date with everything it depends on. */
  isFresh(stopId: string): boolean {
    return this.known.get(stopId)?.isFresh ?? false;
  }

  private daysOf(workspace: Workspace, walk: Walk, selected: Stop | null): DaysByStop {
    this.walkStopIds = new Set(walk.stops.map(({ id }) => id));
    const first = selected === null ? walk.stops : [selected, ...walk.stops.filter((stop) => stop !== selected)];
    this.wanted = first.flatMap((stop) => {
      const question = this.questionFor(workspace, walk, stop);
      const key = JSON.stringify(question);
      const known = this.known.get(stop.id);
      if (known?.key === key && known.isFresh) return [];
      if (known?.key !== key) this.known.set(stop.id, { key, day: known?.day ?? null, isFresh: false });
      return [{ stop, key, question }];
    });
    this.askNext();
    return new Map(walk.stops.map(({ id }) => [id, this.known.get(id)?.day ?? null]));
  }

  /** Days of other walks are kept as long as there are not too many of them. */
  private forgetOldest(): void {
    const others = [...this.known.keys()].filter((id) => !this.walkStopIds.has(id));
    for (const id of others.slice(0, Math.max(0, others.length - MOST_OTHER_DAYS))) this.known.delete(id);
  }

  private questionFor(workspace: Workspace, walk: Walk, stop: Stop): Wanted['question'] {
    const input: Omit<StopDayInput, 'streets'> = { ...lightInputFor(workspace, walk, stop), day: walk.day, cloud: cloudOf(walk) };
    return { kind: 'day', site: this.client.refOf(siteOf(workspace, walk, stop)), input };
  }

  /** One at a time, the selected stop first: what is asked next depends on what is looked at then. */
  private askNext(): void {
    if (this.isStopped.value) return;
    const stillWanted = this.running !== null && this.wanted.some(({ key }) => key === this.running?.key);
    if (stillWanted) return;
    this.running?.subscription.unsubscribe();
    this.running = null;
    const next = this.wanted[0];
    if (next === undefined) {
      this.progressSubject.next(null);
      return;
    }
    const { stop, key, question } = next;
    const subscription = this.client.ask(question).subscribe((step) => {
      if (step.kind === 'progress') {
        this.progressSubject.next({ stopName: stop.name, ...step.progress, left: this.wanted.length });
        return;
      }
      const day = step.kind === 'done' ? step.answer : null;
      if (this.known.get(stop.id)?.key === key) this.known.set(stop.id, { key, day, isFresh: true });
      this.forgetOldest();
      this.wanted = this.wanted.filter((one) => one.key !== key || one.stop.id !== stop.id);
      this.running = null;
      this.arrived.next();
      this.askNext();
    });
    // The answer can have come already where there is no worker.
    if (!subscription.closed) this.running = { key, subscription };
  }
}
