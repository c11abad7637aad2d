import { Injectable, inject } from '@angular/core';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { combineLatest, map, type Observable, tap } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { LastWalk } from './last-walk';
import { type AddressSelection, SelectionStore } from './selection.store';
import { shared } from '../../base/shared';
import { slice } from '../workspace/slice';
import { WorkspaceStore } from '../workspace/workspace.store';

/** The walk, stop and time that everything on screen is about. */
export interface Focus {
  readonly walk: Walk | null;
  readonly stop: Stop | null;
  readonly stopIndex: number;
  readonly minuteOfDay: number;
}

const NOON = 720;

/** The walk and stop of the address, or the walk of last time, or the first there are; the time of the address, or the stop's arrival. */
export function focusOn({ walks }: Workspace, selection: AddressSelection, lastWalkId: string | null = null): Focus {
  const named = (wanted: string | null): Walk | undefined => walks.find(({ id }) => id === wanted);
  const walk = named(selection.walkId) ?? named(lastWalkId) ?? walks[0] ?? null;
  const found = walk?.stops.findIndex(({ id }) => id === selection.stopId) ?? -1;
  const stopIndex = found === -1 ? 0 : found;
  const stop = walk?.stops[stopIndex] ?? null;
  return { walk, stop, stopIndex, minuteOfDay: selection.minuteOfDay ?? stop?.arriveMin ?? NOON };
}

@Injectable({ providedIn: 'root' })
export class FocusStore {
  private readonly last = inject(LastWalk);

  readonly focus$: Observable<Focus> = combineLatest([
    inject(WorkspaceStore).workspace$.pipe(slice('walks')),
    inject(SelectionStore).selection$,
  ]).pipe(
    map(([workspace, selection]) => this.on(workspace, selection)),
    tap(({ walk }) => {
      if (walk !== null) this.last.remember(walk.id);
    }),
    shared(),
  );

  /** What an address means in a workspace. */
  on(workspace: Workspace, selection: AddressSelection): Focus {
    return focusOn(workspace, selection, this.last.id);
  }
}
