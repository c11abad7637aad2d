import { Injectable, inject } from '@angular/core';
import { type District, districtOf, type FootWay, type Leg, metresFrom, type Stop, type Walk, walkLegs } from '@roam-dial/core';
import { combineLatest, distinctUntilChanged, EMPTY, map, type Observable, of, shareReplay, startWith, switchMap } from 'rxjs';
import type { Workspace } from '../data/workspace';
import { waysKey } from '../workers/district-key';
import { Lru } from '../workers/lru';
import { WaysClient } from '../workers/ways.client';
import type { WayPair } from '../workers/ways-desk';
import { FocusStore } from './focus.store';
import { WorkspaceStore } from './workspace.store';

/** About 4 kB each. */
const MOST_WAYS_KEPT = 400;

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

/** The legs of the walk on screen: straight until the ways along the map's streets have been found, then along them. */
@Injectable({ providedIn: 'root' })
export class LegsStore {
  private readonly client = inject(WaysClient);
  /** Null: no street leads there. */
  private readonly found = new Lru<string, { readonly way: FootWay | null }>(MOST_WAYS_KEPT);

  readonly legs$: Observable<readonly Leg[]> = combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(FocusStore).focus$.pipe(
      map(({ walk }) => walk),
      distinctUntilChanged(),
    ),
  ]).pipe(
    map(([workspace, walk]) => courseOf(workspace, walk)),
    distinctUntilChanged(isSameCourse),
    switchMap((course) => this.sought(course).pipe(map(() => this.legsOf(course)))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private legsOf({ stops, paceMps, district }: Course): readonly Leg[] {
    return walkLegs(stops, paceMps, (from, to) => {
      const asked = district === null ? null : wayAsked(district, from, to);
      return asked === null ? null : (this.found.get(asked.key)?.way ?? null);
    });
  }

  /** At once with what is known, and again when what was missing has been found. */
  private sought({ stops, district }: Course): Observable<unknown> {
    const key = district === null ? null : waysKey(district);
    if (district === null || key === null) return of(null);
    const missing = stops.slice(1).flatMap((to, k) => {
      const asked = wayAsked(district, stops[k] as Stop, to);
      return asked === null || this.found.get(asked.key) !== undefined ? [] : [asked];
    });
    if (missing.length === 0) return of(null);
    const pairs = missing.map(({ pair }) => pair);
    const answer$ = this.client.ask(key, district.ways ?? [], pairs).pipe(
      switchMap((step) => {
        if (step.kind !== 'done') return EMPTY;
        step.answer.forEach((way, k) => this.found.set(missing[k]?.key ?? '', { way }));
        return of(null);
      }),
    );
    return answer$.pipe(startWith(null));
  }
}

/** A way as it is asked for, and the name under which it is kept; null where one of the two stands nowhere. */
function wayAsked(district: District, from: Stop, to: Stop): { readonly key: string; readonly pair: WayPair } | null {
  const streets = waysKey(district);
  if (streets === null || from.position === null || to.position === null) return null;
  const pair = { from: metresFrom(district.origin, from.position), to: metresFrom(district.origin, to.position) };
  return { key: `${streets}/${JSON.stringify([district.origin, pair])}`, pair };
}
