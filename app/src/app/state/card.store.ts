import { Injectable, inject } from '@angular/core';
import {
  firstLadder,
  type FirstLadder,
  firstSetUp,
  type SetUpInput,
  type SetUpResult,
  type Standard,
  type Stop,
  type StopLight,
  stopLightOn,
  type Walk,
} from '@roam-dial/core';
import { combineLatest, map, type Observable, shareReplay } from 'rxjs';
import type { Workspace } from '../data/workspace';
import { kitInHand, type KitInHand } from './bag';
import { type AddressSelection, SelectionStore } from './selection.store';
import { WorkspaceStore } from './workspace.store';

/** The walk, stop and time that everything on screen is about. */
export interface Focus {
  readonly walk: Walk | null;
  readonly stop: Stop | null;
  readonly stopIndex: number;
  readonly minuteOfDay: number;
}

export interface Card {
  readonly kind: 'card';
  readonly walk: Walk;
  readonly stop: Stop;
  readonly stopIndex: number;
  readonly minuteOfDay: number;
  readonly light: StopLight;
  readonly kit: KitInHand;
  readonly standard: Standard;
  readonly input: SetUpInput;
  readonly result: SetUpResult;
  readonly ladder: FirstLadder;
}

/** Why there is no card, with what to do first. */
export interface NoCard {
  readonly kind: 'none';
  readonly reason: 'noWalk' | 'noStop' | 'noKit' | 'skippedDay' | 'badInput';
  readonly detail: string;
}

const NOON = 720;

/** The walk and stop of the address, or the first there are; the time of the address, or the stop's arrival. */
export function focusOn({ walks }: Workspace, selection: AddressSelection): Focus {
  const walk = walks.find(({ id }) => id === selection.walkId) ?? walks[0] ?? null;
  const found = walk?.stops.findIndex(({ id }) => id === selection.stopId) ?? -1;
  const stopIndex = found === -1 ? 0 : found;
  const stop = walk?.stops[stopIndex] ?? null;
  return { walk, stop, stopIndex, minuteOfDay: selection.minuteOfDay ?? stop?.arriveMin ?? NOON };
}

function none(reason: NoCard['reason'], detail = ''): NoCard {
  return { kind: 'none', reason, detail };
}

export function cardFor(workspace: Workspace, { walk, stop, stopIndex, minuteOfDay }: Focus): Card | NoCard {
  if (walk === null) return none('noWalk');
  if (stop === null) return none('noStop');
  const kit = kitInHand(workspace.kit, walk, stop);
  if (kit === null) return none('noKit');
  const { standard } = workspace;
  try {
    const { day, cloud, place } = walk;
    const light = stopLightOn({ ...place, site: stop, day, cloud, minuteOfDay });
    if (light === null) return none('skippedDay');
    const { intent, subject, movers } = stop;
    const input: SetUpInput = { intent, subject, movers, light, ...kit, standard, approach: stop.approach ?? walk.approach };
    return {
      kind: 'card',
      walk,
      stop,
      stopIndex,
      minuteOfDay,
      light,
      kit,
      standard,
      input,
      result: firstSetUp(input),
      ladder: firstLadder(input),
    };
  } catch (error) {
    if (error instanceof RangeError || error instanceof TypeError) return none('badInput', error.message);
    throw error;
  }
}

@Injectable({ providedIn: 'root' })
export class CardStore {
  private readonly workspace$ = inject(WorkspaceStore).workspace$;
  private readonly selection$ = inject(SelectionStore).selection$;

  readonly focus$: Observable<Focus> = combineLatest([this.workspace$, this.selection$]).pipe(
    map(([workspace, selection]) => focusOn(workspace, selection)),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  readonly card$: Observable<Card | NoCard> = combineLatest([this.workspace$, this.selection$]).pipe(
    map(([workspace, selection]) => cardFor(workspace, focusOn(workspace, selection))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );
}
