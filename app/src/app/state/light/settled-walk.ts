import { inject } from '@angular/core';
import type { StopDay } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { auditTime, combineLatest, distinctUntilChanged, filter, map, type Observable } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { DaysStore } from './days.store';
import { FocusStore } from '../selection/focus.store';
import { WorkspaceStore } from '../workspace/workspace.store';

/** The chosen walk with the days of its stops. */
export interface SettledWalk {
  readonly workspace: Workspace;
  readonly walk: Walk | null;
  readonly days: ReadonlyMap<string, StopDay | null>;
}

const REST_MS = 60;

/** The chosen walk when none of its days is being measured: each of them would ask all that depends on them again. */
export function settledWalk(): Observable<SettledWalk> {
  const days = inject(DaysStore);
  return combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(FocusStore).focus$.pipe(
      map(({ walk }) => walk),
      distinctUntilChanged(),
    ),
    days.days$,
    days.isSettled$,
  ]).pipe(
    auditTime(REST_MS),
    filter(([, , , isSettled]) => isSettled),
    map(([workspace, walk, its]) => ({ workspace, walk, days: its })),
  );
}
