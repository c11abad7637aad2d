import { inject, Injectable } from '@angular/core';
import { placesWorked, type PlaceWorked } from '@roam-dial/core/log';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { minuteAt, type Return, type ReturnDays } from '@roam-dial/core/outing';
import type { Walk } from '@roam-dial/core/walk';
import { combineLatest, distinctUntilChanged, map, type Observable, of, switchMap } from 'rxjs';
import type { Workspace } from '../../../storage/workspace';
import { LogStore } from '../../../state/log/log.store';
import { isSameLight, ReturnsStore } from '../../../state/returns/returns.store';
import { shared } from '../../../base/shared';
import { WorkspaceStore } from '../../../state/workspace/workspace.store';

/** A place that was photographed, with the light that worked there as one could come back for it. */
export interface PlaceAgain {
  readonly place: PlaceWorked;
  /** Null where its walk or stop is gone, or no good frame has a time. */
  readonly light: Return | null;
  /** Undefined while the year is looked through. */
  readonly days: ReturnDays | null | undefined;
  readonly isKept: boolean;
}

/** More places are not looked through the year for at once: those with the most good frames come first. */
const MOST_LOOKED_THROUGH = 40;

function lightOf({ walks }: Pick<Workspace, 'walks'>, { id, log, stopId, atMs }: PlaceWorked): Return | null {
  const walk: Walk | undefined = walks.find((one) => one.id === log.walkId);
  const stop = walk?.stops.find((one) => one.id === stopId);
  if (walk === undefined || stop === undefined || atMs === null) return null;
  const minute = Math.round(minuteAt({ day: log.day, place: walk.place }, atMs));
  return {
    id,
    stop,
    place: walk.place,
    districtId: walk.districtId ?? null,
    day: log.day,
    lightMin: Math.min(LAST_WALK_MINUTE, Math.max(0, minute)),
    crowd: 'any',
    wrong: '',
    notedMs: atMs,
  };
}

function isKept({ returns }: Pick<Workspace, 'returns'>, light: Return | null): boolean {
  return returns.some((one) => one.stop.id === light?.stop.id && one.day === light.day && one.lightMin === light.lightMin);
}

/** The places of all walks, what worked at each, and when the same light is there again. */
@Injectable({ providedIn: 'root' })
export class AgainStore {
  private readonly returns = inject(ReturnsStore);
  private readonly workspace$ = inject(WorkspaceStore).workspace$;

  private readonly places$ = combineLatest([
    inject(LogStore).teaching$,
    this.workspace$.pipe(distinctUntilChanged((a, b) => a.walks === b.walks && a.districts === b.districts)),
  ]).pipe(
    map(([{ walked }, workspace]) => ({
      workspace,
      places: placesWorked(walked).map((place) => ({ place, light: lightOf(workspace, place) })),
    })),
    shared(),
  );

  private readonly days$ = this.places$.pipe(
    map(({ workspace, places }) => ({
      workspace,
      lights: places.flatMap(({ light }) => (light === null ? [] : [light])).slice(0, MOST_LOOKED_THROUGH),
    })),
    distinctUntilChanged((a, b) => a.workspace.districts === b.workspace.districts && isSameLight(a.lights, b.lights)),
    switchMap(({ workspace, lights }) =>
      lights.length === 0 ? of(new Map<string, ReturnDays | null>()) : this.returns.daysFor(workspace, lights),
    ),
  );

  readonly again$: Observable<readonly PlaceAgain[]> = combineLatest([
    this.places$,
    this.days$,
    this.workspace$.pipe(distinctUntilChanged((a, b) => a.returns === b.returns)),
  ]).pipe(
    map(([{ places }, days, workspace]) =>
      places.map(({ place, light }) => ({ place, light, days: days.get(place.id), isKept: isKept(workspace, light) })),
    ),
    shared(),
  );
}
