import { Injectable, inject } from '@angular/core';
import {
  type Cells,
  DEFAULT_FIGURES,
  dialCardAt,
  type Figures,
  type Lens,
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
import { kitInHand, type KitInHand, lensesInBag, ofKind } from './bag';
import { Scenes } from './scenes';
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
  /** Every set-up that the hand could make, at this light. */
  readonly cells: Cells;
  readonly result: SetUpResult;
  /** Whether the hand has chosen otherwise than the best. */
  readonly isChosen: boolean;
  readonly lensesInBag: readonly Lens[];
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

/** The person's figures, with what the wall in the bag really gains. */
function standardFor({ kit, standard }: Workspace): Standard {
  const wall = ofKind(kit, 'support').find(({ supportKind, inBag }) => supportKind === 'wall' && inBag);
  const braceStops = standard.figures?.braceStops ?? wall?.gainStops ?? DEFAULT_FIGURES.braceStops;
  if (braceStops === DEFAULT_FIGURES.braceStops) return standard;
  const figures: Partial<Figures> = { ...standard.figures, braceStops };
  return { ...standard, figures };
}

const standards = new WeakMap<Standard, { readonly kit: Workspace['kit']; readonly standard: Standard }>();

/** The same object as long as nothing changed, because searches are kept by identity. */
function steadyStandard(workspace: Workspace): Standard {
  const known = standards.get(workspace.standard);
  if (known?.kit === workspace.kit) return known.standard;
  const standard = standardFor(workspace);
  standards.set(workspace.standard, { kit: workspace.kit, standard });
  return standard;
}

export function setUpInputFor(workspace: Workspace, walk: Walk, stop: Stop, kit: KitInHand, light: StopLight): SetUpInput {
  const { intent, subject, movers, shooting } = stop;
  const approach = stop.approach ?? walk.approach;
  const standard = steadyStandard(workspace);
  return { intent, subject, movers, light, ...kit, standard, approach, ...(shooting === undefined ? {} : { shooting }) };
}

/** Shared by all that ask about a stop on the screen's own thread. */
export const scenes = new Scenes();

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
    const input = setUpInputFor(workspace, walk, stop, kit, light);
    const cells = scenes.cellsOf(input);
    const result = dialCardAt(cells, stop.hand ?? null);
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
      cells,
      result,
      isChosen: result.setUp.found !== result.best,
      lensesInBag: lensesInBag(workspace.kit),
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
