import { Injectable, inject } from '@angular/core';
import { minuteAt, nextAfter, type Outing, shownMs, type Standing, standingOf } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import { stopsToday, type Walk } from '@roam-dial/core/walk';
import { combineLatest, distinctUntilChanged, map, type Observable, of, switchMap } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { DeviceClock } from '../device/device-clock';
import { shared } from '../../base/shared';
import { WorkspaceStore } from '../workspace/workspace.store';

/** A walk that is being walked. */
export interface Running {
  readonly outing: Outing;
  readonly walk: Walk;
  /** The stops of the day in their order. */
  readonly today: readonly Stop[];
  readonly standing: Standing;
  /** The stop behind the one that one is at, or is going to. */
  readonly next: Stop | null;
}

/** The same at a moment. */
export interface RunningNow extends Running {
  readonly nowMs: number;
  /** On the walk's day by the clock on the wall, with its fraction; negative before it, from 1440 after it. */
  readonly minute: number;
}

const OWN_TICK_MS = 1000;
/** A hurried clock is looked at more often. */
const HURRIED_TICK_MS = 250;

/** The outing that goes on: the latest begun, whose walk is still there. */
export function runningIn({ outings, walks }: Pick<Workspace, 'outings' | 'walks'>): Running | null {
  const outing = outings.filter(({ endedMs, walkId }) => endedMs === null && walks.some(({ id }) => id === walkId)).at(-1);
  const walk = walks.find(({ id }) => id === outing?.walkId);
  if (outing === undefined || walk === undefined) return null;
  const today = stopsToday(walk);
  return { outing, walk, today, standing: standingOf(today, outing), next: nextAfter(today, outing) };
}

/** The walk that is being walked, and the time that it runs by. */
@Injectable({ providedIn: 'root' })
export class OutingStore {
  private readonly clock = inject(DeviceClock);

  readonly running$: Observable<Running | null> = inject(WorkspaceStore).workspace$.pipe(
    distinctUntilChanged((a, b) => a.outings === b.outings && a.walks === b.walks),
    map(runningIn),
    shared(),
  );

  readonly isRunning$: Observable<boolean> = this.running$.pipe(
    map((running) => running !== null),
    distinctUntilChanged(),
  );

  private readonly ticks$: Observable<number> = this.running$.pipe(
    map((running) => (running?.outing.clock.kind === 'simulated' ? HURRIED_TICK_MS : OWN_TICK_MS)),
    distinctUntilChanged(),
    switchMap((stepMs) => this.clock.every(stepMs)),
  );

  readonly now$: Observable<RunningNow | null> = this.isRunning$.pipe(
    switchMap((isRunning) => (isRunning ? combineLatest([this.running$, this.ticks$]) : of([null, 0] as const))),
    map(([running, deviceMs]) => (running === null ? null : this.at(running, deviceMs))),
    shared(),
  );

  /** An outing at this very moment. */
  at(running: Running, deviceMs = this.clock.nowMs()): RunningNow {
    const nowMs = shownMs(running.outing.clock, deviceMs);
    return { ...running, nowMs, minute: minuteAt(running.walk, nowMs) };
  }
}
