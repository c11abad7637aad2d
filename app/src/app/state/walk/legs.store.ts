import { Injectable, inject } from '@angular/core';
import { districtOf } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import type { District } from '@roam-dial/core/streets';
import { type Leg, stopsToday, type Walk, walkLegs } from '@roam-dial/core/walk';
import { combineLatest, distinctUntilChanged, map, type Observable, switchMap } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { FocusStore } from '../selection/focus.store';
import { FootWays } from './foot-ways';
import { shared } from '../../base/shared';
import { slice } from '../workspace/slice';
import { WorkspaceStore } from '../workspace/workspace.store';

interface Course {
  readonly stops: readonly Stop[];
  readonly paceMps: number;
  readonly district: District | null;
}

function courseOf(workspace: Workspace, walk: Walk | null): Course {
  return {
    stops: walk?.stops ?? [],
    paceMps: workspace.standard.paceMps,
    district: walk === null ? null : districtOf(workspace, walk),
  };
}

const isSameCourse = (a: Course, b: Course): boolean =>
  a.stops === b.stops && a.paceMps === b.paceMps && a.district?.ways === b.district?.ways;

/**
 * The legs between the stops that the walk on screen goes to: straight until the ways along the map's streets have been found,
 * then along them.
 */
@Injectable({ providedIn: 'root' })
export class LegsStore {
  private readonly ways = inject(FootWays);

  readonly legs$: Observable<readonly Leg[]> = combineLatest([
    inject(WorkspaceStore).workspace$.pipe(slice('kit', 'standard', 'districts', 'walks')),
    inject(FocusStore).focus$.pipe(
      map(({ walk }) => walk),
      distinctUntilChanged(),
    ),
  ]).pipe(
    map(([workspace, walk]) => courseOf(workspace, walk)),
    distinctUntilChanged(isSameCourse),
    switchMap((course) => this.legsOf(course)),
    shared(),
  );

  private legsOf({ stops, paceMps, district }: Course): Observable<readonly Leg[]> {
    const today = stopsToday({ stops });
    const pairs = today.slice(1).map(({ position: to }, k) => ({ from: today[k]?.position ?? null, to }));
    return this.ways
      .between(district, pairs)
      .pipe(map(({ wayOf }) => walkLegs(today, paceMps, (from, to) => wayOf({ from: from.position, to: to.position }))));
  }
}
