import {
  afterRenderEffect,
  ChangeDetectionStrategy,
  Component,
  computed,
  DestroyRef,
  type ElementRef,
  inject,
  Injector,
  signal,
  viewChild,
} from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatIconModule } from '@angular/material/icon';
import { type Apart, apartIn } from '@roam-dial/core/plan';
import { INTENT_NAMES, type Stop } from '@roam-dial/core/stop';
import { stopsInOrder, stopsToday, type Walk } from '@roam-dial/core/walk';
import { AppActions } from '../../state/app/app.actions';
import { StopActions } from '../../state/walk/stop.actions';
import { WalkActions } from '../../state/walk/walk.actions';
import { CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { LegsStore } from '../../state/walk/legs.store';
import { SelectionStore } from '../../state/selection/selection.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { type MenuEntry, SpineMenu } from './spine-menu';
import { makeSortable, type Sortable } from './sortable';
import { counted } from '../../words/counted';
import { nameOf } from '../../words/name';
import { apartNote, apartSentence } from '../../words/apart';
import { fetched } from '../../base/fetched';
import { grown } from '../../ui/grown';
import { PartMissing } from '../../ui/part-missing';
import { timeOn } from '../../words/walk/times';

/** By then the first view is long there. */
const UNASKED_AFTER_MS = 3000;

/** How many stops have light while one is there: of those that have a position, because for the others no street is known. */
export function inLightWords(met: number, placed: number, all: number): string {
  if (placed === 0) return 'no stop has a position yet';
  const rest = placed === all ? '' : `, ${counted(all - placed, 'stop has', 'stops have')} no position yet`;
  if (placed === 1) return `${all === 1 ? 'The stop' : 'One stop'} is ${met === 1 ? '' : 'not '}in its light${rest}`;
  return `${met === placed ? `All ${placed}` : `${met} of ${placed}`} stops in their light${rest}`;
}

/** The walk as a line: its stops in order with the legs between; adding, dropping and reordering happens here. */
@Component({
  selector: 'rd-spine',
  imports: [PartMissing, MatButtonModule, MatIconModule, SpineMenu],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './spine.html',
  styleUrl: './spine.scss',
})
export class Spine {
  protected readonly actions = inject(AppActions);
  protected readonly stopActions = inject(StopActions);
  protected readonly walkActions = inject(WalkActions);
  protected readonly nameOf = nameOf;
  private readonly selection = inject(SelectionStore);
  private readonly focus = toSignal(inject(CardStore).focus$);
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly store = inject(WorkspaceStore);
  private readonly workspace = toSignal(this.store.workspace$);
  private readonly wording = wordingSignal();

  private readonly injector = inject(Injector);
  private readonly list = viewChild.required<ElementRef<HTMLElement>>('list');
  private sortable: Promise<Sortable | null> | null = null;

  constructor() {
    afterRenderEffect(() => {
      this.drawn();
      void this.sortable?.then((sortable) => sortable?.renew());
    });
    // A finger that drags has not hovered before: once the page stands, the machinery is fetched unasked.
    const timer = setTimeout(() => this.reach(), UNASKED_AFTER_MS);
    inject(DestroyRef).onDestroy(() => clearTimeout(timer));
  }

  protected async addFrom(event: Event): Promise<void> {
    const field = event.target as HTMLInputElement;
    const [file] = field.files ?? [];
    if (file === undefined) return;
    const { PictureActions } = await fetched('The photo reader', () => import('../../state/pictures/actions'));
    const problem = await this.injector.get(PictureActions).addStop(file);
    field.value = '';
    if (problem !== null) this.store.notify(problem);
  }

  protected readonly walks = computed(() => this.workspace()?.walks ?? []);
  protected readonly walk = computed(() => this.focus()?.walk ?? null);
  protected readonly selectedId = computed(() => this.focus()?.stop?.id ?? null);
  protected readonly legs = toSignal(inject(LegsStore).legs$, { initialValue: [] });
  protected readonly subtitle = computed(() => {
    const walk = this.walk();
    if (walk === null) return '';
    const place = walk.place.isInvented ? 'invented place' : walk.place.name;
    return `${this.wording().day(walk.day)} · ${place}`;
  });

  private readonly apart = computed(() => {
    const [workspace, walk] = [this.workspace(), this.walk()];
    return workspace === undefined || walk === null ? [] : apartIn(workspace, walk);
  });
  /** The walk and its map, where they are of two places. */
  protected readonly walkApart = computed(() => {
    const apart = this.apart().find(({ kind }) => kind === 'walkFromMap');
    return apart === undefined ? null : apartSentence(apart, this.wording());
  });

  /** What the walk goes to, then what is set aside. */
  private readonly inOrder = computed(() => stopsInOrder(this.walk() ?? { stops: [] }));

  private readonly lines = computed(() => {
    const wording = this.wording();
    const apart = new Map(this.apart().flatMap((one) => (one.kind === 'walkFromMap' ? [] : [[one.stopId, one] as const])));
    const [walk, legs] = [this.walk(), this.legs()];
    if (walk === null) return [];
    return this.inOrder().map((stop, k) => {
      const leg = legs[k];
      const arriving = legs[k - 1];
      return {
        stop,
        number: stop.isSetAside === true ? '' : String(k + 1),
        isSetAside: stop.isSetAside === true,
        intent: INTENT_NAMES[stop.intent.kind],
        time: stop.isSetAside === true ? 'not today' : timeOn(walk, stop.arriveMin, wording),
        then: leg === undefined ? '' : `then ${leg.walkMin} min`,
        late: arriving !== undefined && arriving.spareMin < 0 ? `${wording.duration(-arriving.spareMin)} late` : '',
        needsCare: stop.cautions.trim() !== '',
        apart: apart.has(stop.id) ? apartNote(apart.get(stop.id) as Apart, wording) : '',
      };
    });
  });

  protected readonly drawn = grown(this.lines);

  protected readonly summary = computed(() => {
    const all = this.walk()?.stops ?? [];
    const stops = stopsToday({ stops: all });
    const days = this.days();
    const measured = stops.filter(({ id }) => days?.has(id) === true).length;
    const placed = stops.filter(({ position }) => position !== null);
    const met = placed.filter(({ id, arriveMin, leaveMin }) =>
      days?.get(id)?.windows.some(({ fromMin, toMin }) => fromMin < leaveMin && toMin >= arriveMin),
    ).length;
    const metres = this.legs().reduce((sum, leg) => sum + leg.distanceM, 0);
    const length = metres > 0 ? `${this.wording().walkLength(metres)}, ` : '';
    return {
      length: `${length}${counted(stops.length, 'stop', 'stops')}`,
      // Until all is measured nothing is claimed.
      light:
        measured < stops.length ? `measuring ${measured + 1} of ${stops.length}` : inLightWords(met, placed.length, stops.length),
    };
  });

  protected select(stop: Stop): void {
    const walk = this.walk();
    if (walk !== null) this.selection.selectStop(walk.id, stop.id, stop.arriveMin);
  }

  protected selectWalk(walkId: string): void {
    this.selection.selectWalk(walkId);
  }

  /** The one menu that is open: about the walk, or about a stop by its id. */
  protected readonly menu = signal<{ readonly about: string; readonly entries: readonly MenuEntry[] } | null>(null);
  private openedFrom: HTMLElement | null = null;

  protected openMenu(about: string, entries: readonly MenuEntry[], from: HTMLElement): void {
    this.openedFrom = from;
    this.menu.set({ about, entries });
  }

  protected closeMenu(): void {
    this.menu.set(null);
    this.openedFrom?.focus();
  }

  protected walkEntries(): readonly MenuEntry[] {
    const walk = this.walk();
    const others = this.walks().map(({ id, name }): MenuEntry => ({ label: name, run: () => this.selectWalk(id) }));
    if (walk === null) return others;
    return [
      ...others,
      { label: 'New walk', run: () => this.walkActions.start(), isFirstOfGroup: true },
      { label: 'Duplicate this walk', run: () => this.walkActions.duplicate(walk) },
      { label: 'Remove this walk', run: () => this.walkActions.remove(walk) },
      { label: 'Restore the demo', run: () => this.actions.bringDemoBack() },
    ];
  }

  protected stopEntries(stop: Stop, k: number): readonly MenuEntry[] {
    const walk = this.walk();
    const isLast = k === (walk?.stops.length ?? 0) - 1;
    return [
      { label: 'Move up', run: () => this.stopActions.move({ walk }, k, k - 1), isDisabled: k === 0 },
      { label: 'Move down', run: () => this.stopActions.move({ walk }, k, k + 1), isDisabled: isLast },
      { label: 'Duplicate', run: () => this.stopActions.duplicate(stop) },
      ...(walk === null
        ? []
        : [
            stop.isSetAside === true
              ? { label: 'Put back on today’s walk', run: () => this.stopActions.takeBack({ walk, stop }) }
              : { label: 'Skip today', run: () => this.stopActions.setAside({ walk, stop }) },
            { label: 'Save for another day', run: () => this.keepForAnotherTime(walk, stop) },
          ]),
      { label: 'Remove', run: () => this.stopActions.remove(stop) },
    ];
  }

  /** For the light at the time on screen, where that stop is on screen, else at its arrival. */
  private async keepForAnotherTime(walk: Walk, stop: Stop): Promise<void> {
    const { ReturnActions } = await fetched('Returns', () => import('../../state/returns/actions'));
    const focus = this.focus();
    const minute = focus?.stop?.id === stop.id ? focus.minuteOfDay : stop.arriveMin;
    this.injector.get(ReturnActions).keep(walk, stop, minute);
  }

  /** The first reach for the list makes it sortable. */
  protected reach(): void {
    this.sortable ??= makeSortable(this.list().nativeElement, this.injector, (from, to) =>
      this.stopActions.move({ walk: this.walk() }, from, to),
    ).catch(() => (this.sortable = null));
  }

  protected press(event: KeyboardEvent, index: number): void {
    if (!event.altKey || (event.key !== 'ArrowUp' && event.key !== 'ArrowDown')) return;
    event.preventDefault();
    const to = index + (event.key === 'ArrowUp' ? -1 : 1);
    this.stopActions.move({ walk: this.walk() }, index, to);
  }
}
