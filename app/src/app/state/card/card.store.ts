import { Injectable, inject } from '@angular/core';
import type { Filter, Lens, Standard } from '@roam-dial/core/kit';
import {
  filterFor,
  isWithinReach,
  type KitInHand,
  kitInHand,
  lensesInBag,
  lightFor,
  setUpInputFor,
  siteOf,
} from '@roam-dial/core/plan';
import { type SettingsGrid, dialCardAt, type SetUpInput, type SetUpResult } from '@roam-dial/core/setup';
import { type PictureLight, pictureLightAt, type Stop, type StopDay, type StopLight } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { combineLatest, concat, distinctUntilChanged, map, type Observable, of, switchMap, timer } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import type { SightDrawn } from '../../workers/sight/sight-jobs';
import type { SightWanted } from '../../workers/sight/sight.client';
import { SeenStore } from '../sight/seen.store';
import { placeOfSight, sightWanted } from '../sight/sight-wanted';
import { SearchCache } from './search-cache';
import { SelectionStore } from '../selection/selection.store';
import { shared } from '../../base/shared';
import { slice } from '../workspace/slice';
import { DaysStore } from '../light/days.store';
import { type Focus, FocusStore } from '../selection/focus.store';
import { WorkspaceStore } from '../workspace/workspace.store';
import type { NO_CARD_WORDS } from '../../words/set-up/no-card';

export interface Card {
  readonly kind: 'card';
  readonly walk: Walk;
  readonly stop: Stop;
  readonly stopIndex: number;
  readonly minuteOfDay: number;
  readonly light: StopLight;
  /** How this minute stands to the light of the picture; null until its day is measured. */
  readonly pictureLight: PictureLight | null;
  /** Walls that somebody has drawn, or a gap of the sun that somebody has read. */
  readonly knowsWalls: boolean;
  /** The walls round the stop are known but not measured yet: the light is that of a place without. */
  readonly isProvisional: boolean;
  /** What the frame will see is still being drawn: its meter row is that of a frame painted from the light. */
  readonly isFrameAwaited: boolean;
  /** The view that its meter row is from; null where no walls are known, and while it is awaited. */
  readonly seen: SightDrawn | null;
  readonly kit: KitInHand;
  readonly standard: Standard;
  readonly input: SetUpInput;
  /** Every set-up that the hand could make, at this light. */
  readonly cells: SettingsGrid;
  readonly result: SetUpResult;
  /** Whether the hand has chosen otherwise than the best. */
  readonly isChosen: boolean;
  readonly lensesInBag: readonly Lens[];
  /** What would take away too much light; null without a filter in the bag, or where there is not too much. */
  readonly filter: Filter | null;
}

/** Why there is no card, with what to do first. */
export interface NoCard {
  readonly kind: 'none';
  readonly reason: keyof typeof NO_CARD_WORDS;
  readonly detail: string;
}

function none(reason: NoCard['reason'], detail = ''): NoCard {
  return { kind: 'none', reason, detail };
}

function filterAgainst(result: SetUpResult, { body }: KitInHand, { kit }: Workspace): Filter | null {
  if (result.kind === 'ready' || result.obstacle.kind !== 'tooBright') return null;
  return filterFor(kit, { stops: result.obstacle.stops, isFilm: body.medium === 'film' });
}

/** Shared by all that ask about a stop on the screen's own thread. */
export const scenes = new SearchCache();

export function cardFor(
  workspace: Workspace,
  { walk, stop, stopIndex, minuteOfDay }: Focus,
  day: StopDay | null = null,
  seen: SightDrawn | null = null,
): Card | NoCard {
  if (walk === null) return none('noWalk');
  if (stop === null) return none('noStop');
  const kit = kitInHand(workspace.kit, walk, stop);
  if (kit === null) return none('noKit');
  if (!isWithinReach(kit, stop)) return none('tooNear');
  const { standard } = workspace;
  try {
    const light = lightFor(walk, stop, minuteOfDay, day);
    if (light === null) return none('skippedDay');
    const input = setUpInputFor(workspace, walk, stop, kit, light);
    const cells = scenes.cellsOf(input);
    const result = dialCardAt(cells, stop.hand ?? null, seen?.metered ?? null);
    const isOnMap = siteOf(workspace, walk, stop).kind !== 'none';
    return {
      kind: 'card',
      walk,
      stop,
      stopIndex,
      minuteOfDay,
      light,
      pictureLight: day === null ? null : pictureLightAt(day, minuteOfDay),
      knowsWalls: isOnMap || stop.sunGap !== null,
      isFrameAwaited: false,
      seen,
      isProvisional: day?.hasWalls !== true && isOnMap,
      kit,
      standard,
      input,
      cells,
      result,
      isChosen: result.setUp.found !== result.best,
      lensesInBag: lensesInBag(workspace.kit),
      filter: filterAgainst(result, kit, workspace),
    };
  } catch (error) {
    if (error instanceof RangeError || error instanceof TypeError) return none('badInput', error.message);
    throw error;
  }
}

/** A view is metered once the hand rests for so long. */
const REST_MS = 60;

/** The view of a card at its own minute. */
export function sightOfCard(
  workspace: Pick<Workspace, 'districts'>,
  { walk, stop, minuteOfDay, kit, light }: Card,
): SightWanted | null {
  return sightWanted(placeOfSight(workspace, walk, stop), walk, stop, minuteOfDay, { kit, light });
}

/** The view that a card is metered on; null where no walls are known, or nothing is to be set. */
export function sightOfFocus(workspace: Workspace, { walk, stop, minuteOfDay }: Focus, day: StopDay | null): SightWanted | null {
  if (walk === null || stop === null) return null;
  const kit = kitInHand(workspace.kit, walk, stop);
  if (kit === null || siteOf(workspace, walk, stop).kind === 'none') return null;
  const light = lightFor(walk, stop, minuteOfDay, day);
  if (light === null) return null;
  return sightWanted(placeOfSight(workspace, walk, stop), walk, stop, minuteOfDay, { kit, light });
}

@Injectable({ providedIn: 'root' })
export class CardStore {
  private readonly seen = inject(SeenStore);
  private last: { readonly stopId: string; readonly drawn: SightDrawn } | null = null;
  private readonly focus = inject(FocusStore);
  readonly focus$ = this.focus.focus$;

  /** The selected stop's day alone counts: that of another is no reason for a new card. */
  readonly card$: Observable<Card | NoCard> = combineLatest([
    inject(WorkspaceStore).workspace$.pipe(slice('kit', 'standard', 'districts', 'walks')),
    inject(SelectionStore).selection$,
    inject(DaysStore).days$,
  ]).pipe(
    map(([workspace, selection, days]) => {
      const focus = this.focus.on(workspace, selection);
      return { workspace, focus, selection, day: days.get(focus.stop?.id ?? '') ?? null };
    }),
    distinctUntilChanged((a, b) => a.workspace === b.workspace && a.selection === b.selection && a.day === b.day),
    switchMap(({ workspace, focus, day }) => this.metered(workspace, focus, day)),
    shared(),
  );

  /** Nothing where the stop is not one that a card can be made for: the card itself says why. */
  private wantedFor(workspace: Workspace, focus: Focus, day: StopDay | null): SightWanted | null {
    try {
      return sightOfFocus(workspace, focus, day);
    } catch (error) {
      if (error instanceof RangeError || error instanceof TypeError) return null;
      throw error;
    }
  }

  /** A card at once, metered as it was before; and once the hand rests, on what the frame will see at its own minute. */
  private metered(workspace: Workspace, focus: Focus, day: StopDay | null): Observable<Card | NoCard> {
    const wanted = this.wantedFor(workspace, focus, day);
    if (wanted === null) return of(cardFor(workspace, focus, day));
    const known = this.seen.known(wanted);
    const before = known ?? (this.last?.stopId === focus.stop?.id ? this.last?.drawn : null) ?? null;
    const card = cardFor(workspace, focus, day, before);
    const first = card.kind === 'card' ? { ...card, isFrameAwaited: before === null } : card;
    if (known !== null || card.kind !== 'card') return of(first);
    const drawn$ = timer(REST_MS).pipe(
      switchMap(() => this.seen.seen(wanted)),
      map((drawn) => {
        // A frame that cannot be drawn leaves the light alone to meter by, not the frame of another minute.
        this.last = drawn === null ? null : { stopId: card.stop.id, drawn };
        return cardFor(workspace, focus, day, drawn);
      }),
    );
    return concat(of(first), drawn$);
  }
}
