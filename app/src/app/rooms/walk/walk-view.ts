import { ChangeDetectionStrategy, Component, computed, effect, ElementRef, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { ActivatedRoute } from '@angular/router';
import { isSameDomain, type TimeDomain } from '../../drawing/time-axis';
import { walkAxis } from '../../shared/walk-axis';
import { type PauseBand, type StayMove, WalkChart } from './chart/walk-chart';
import type { RowProfile, WalkRow } from './chart/walk-chart.geometry';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import type { Walk } from '@roam-dial/core/walk';
import { AppActions } from '../../state/app/app.actions';
import { DayActions } from '../../state/plan/day.actions';
import { StopActions } from '../../state/walk/stop.actions';
import { WalkActions } from '../../state/walk/walk.actions';
import { CardStore } from '../../state/card/card.store';
import { DayPlanStore } from '../../state/plan/day-plan.store';
import { DaysStore } from '../../state/light/days.store';
import { LegsStore } from '../../state/walk/legs.store';
import { SelectionStore } from '../../state/selection/selection.store';
import { TimeViewStore } from '../../state/selection/time-view';
import { wordingSignal } from '../../state/workspace/wording.store';
import { phoneLayout } from '../../state/device/phone-layout';
import { dragSentence, stopGainSentence } from '../../words/walk/day-sentences';
import { nameOf } from '../../words/name';
import { WALK_FACES } from '../../words/walk/walk-faces';
import { PageTabs } from '../../ui/page-tabs';
import { RibbonHead } from '../../shared/ribbon/ribbon-head';
import { Spine } from '../../shared/spine/spine';
import { DayPlanBar } from './day-plan-bar';
import { StopEditor } from './editor/stop-editor';
import { WalkEditor } from './editor/walk-editor';
import { WalkPlan } from './walk-plan';
import { WalkStrip } from './walk-strip';
import { gainSentence, staySentence, type WalkGain, walkGain, walkRows } from './walk-rows';
import { OpenSections } from '../../state/selection/open-sections';
import { focusSoon, isByKeys } from '../../ui/focus-soon';
import { PartMissing } from '../../ui/part-missing';

/** Most changes of a stop leave the chart's rows as they were; then it is not drawn again. */
const SAME_CONTENT = { equal: (a: readonly WalkRow[], b: readonly WalkRow[]): boolean => JSON.stringify(a) === JSON.stringify(b) };

/** The walk room: the selected stop's light, the whole walk against time, and the fields of stop and walk. */
@Component({
  selector: 'rd-walk-view',
  imports: [
    PartMissing,
    DayPlanBar,
    MatButtonModule,
    PageTabs,
    RibbonHead,
    Spine,
    StopEditor,
    WalkChart,
    WalkEditor,
    WalkPlan,
    WalkStrip,
  ],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './walk-view.html',
  styleUrl: './walk-view.scss',
})
export class WalkView {
  protected readonly actions = inject(AppActions);
  /** Whose shadows an empty plan shows, minutes after midnight. */
  protected readonly NOON = 720;
  protected readonly stopActions = inject(StopActions);
  protected readonly walkActions = inject(WalkActions);
  protected readonly faces = WALK_FACES;
  /** Two faces of one walk: against time, and from above. */
  protected readonly face: 'time' | 'plan' = inject(ActivatedRoute).snapshot.data['face'] === 'plan' ? 'plan' : 'time';
  private readonly selection = inject(SelectionStore);
  private readonly legs = toSignal(inject(LegsStore).legs$, { initialValue: [] });
  private readonly details = toSignal(inject(DayPlanStore).details$, { initialValue: null });
  private readonly dayBefore = toSignal(inject(DayPlanStore).before$, { initialValue: null });
  private readonly dayActions = inject(DayActions);
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly timeView = toSignal(inject(TimeViewStore).view$, { initialValue: { isClose: false, light: null } });
  protected readonly focus = toSignal(inject(CardStore).focus$);
  protected readonly wording = wordingSignal();
  protected readonly isPhone = phoneLayout();
  private readonly sections = inject(OpenSections);
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  /** A stop that was just added is named first. */
  protected readonly naming = effect(() => {
    const wanted = this.sections.nameWanted();
    if (wanted === null || this.focus()?.stop?.id !== wanted) return;
    this.sections.nameWanted.set(null);
    if (!isByKeys()) return;
    this.sections.toggle('picture', true);
    focusSoon(() => this.host.querySelector('rd-stop-editor input'));
  });

  /** While a stay is dragged the scale stands still, and gains are told against where it began. */
  private readonly heldDomain = signal<TimeDomain | null>(null);
  private readonly gainBefore = signal<WalkGain | null>(null);

  protected readonly walk = computed(() => this.focus()?.walk ?? null);
  protected readonly stop = computed(() => this.focus()?.stop ?? null);
  protected readonly domain = computed(
    () => this.heldDomain() ?? walkAxis(this.walk(), this.timeView().light, this.focus()?.minuteOfDay ?? 0, this.wording()),
    { equal: isSameDomain },
  );
  protected readonly rows = computed<readonly WalkRow[]>(() => {
    const walk = this.walk();
    if (walk === null) return [];
    return walkRows(walk, this.legs(), this.days() ?? new Map<string, null>());
  }, SAME_CONTENT);
  private readonly best = computed(() => this.details()?.best ?? null);
  private readonly profileFound = computed(() => this.details()?.profiles?.find(({ id }) => id === this.stop()?.id) ?? null);
  /** Of the chosen stop, what the day is worth by when it begins. */
  protected readonly profile = computed<RowProfile | null>(() => {
    const [best, found] = [this.best(), this.profileFound()];
    return best === null || found === null ? null : { ...found, bestValue: best.value };
  });
  protected readonly before = computed(() => {
    const before = this.dayBefore();
    return before?.walkId === this.walk()?.id ? (before?.stays ?? []) : [];
  });
  protected readonly pauses = computed<readonly PauseBand[]>(() =>
    (this.walk()?.pauses ?? []).flatMap(({ id, name, atMin, stayMin }) =>
      atMin === null ? [] : [{ id, name, fromMin: atMin, toMin: atMin + stayMin }],
    ),
  );
  protected readonly sentence = computed(() => {
    const [walk, stop, before, best, found] = [this.walk(), this.stop(), this.gainBefore(), this.best(), this.profileFound()];
    if (walk === null) return '';
    const stay = staySentence(walk, this.rows(), stop?.id ?? null, this.wording());
    const after = walkGain(this.rows());
    if (before !== null) {
      const inPictures =
        stop === null || best === null || found === null
          ? ''
          : dragSentence(nameOf(stop), stop.arriveMin, best, found, this.wording());
      return `${inPictures} ${stay} ${gainSentence(before, after)}.`.trimStart();
    }
    const gain =
      stop === null || best === null ? [] : [stopGainSentence({ ...stop, name: nameOf(stop) }, best, found, this.wording())];
    return [stay, ...after.late.map(({ name, byMin }) => `${this.wording().duration(byMin)} late at ${name}.`), ...gain].join(' ');
  });
  protected readonly basis = computed(() => {
    const stops = this.walk()?.stops ?? [];
    const walled = stops.filter(({ id }) => this.days()?.get(id)?.hasWalls === true).length;
    if (walled === 0) return 'Windows from the sun’s position and the stop’s bearings alone: no walls are known here.';
    if (walled === stops.length) return 'Windows from the walls around each stop, the sun and the sky.';
    return `Windows from the walls around ${walled} of ${stops.length} stops; at the others from the sun alone.`;
  });
  protected readonly gutter = computed(() => (this.isPhone() ? 92 : 124));

  protected select(stopId: string): void {
    const walk = this.walk();
    const stop = walk?.stops.find(({ id }) => id === stopId);
    if (walk === null || stop === undefined || stopId === this.stop()?.id) return;
    this.selection.selectStop(walk.id, stopId, stop.arriveMin);
  }

  protected moveStay({ stopId, edge, minute }: StayMove): void {
    const walk = this.walk();
    const stop = walk?.stops.find(({ id }) => id === stopId);
    if (walk === null || stop === undefined) return;
    if (edge === 'arrive') this.stopActions.moveStay({ walk, stop }, minute);
    else this.stopActions.stretchStay({ walk, stop }, minute);
  }

  protected movePause(walk: Walk, { id, minute }: { readonly id: string; readonly minute: number }): void {
    const pause = walk.pauses?.find((one) => one.id === id);
    if (pause === undefined) return;
    const atMin = Math.min(LAST_WALK_MINUTE - pause.stayMin, Math.max(0, minute));
    this.dayActions.changePause(walk, pause, 'atMin', (one) => ({ ...one, atMin }));
  }

  protected drag(isDragging: boolean): void {
    this.heldDomain.set(isDragging ? this.domain() : null);
    this.gainBefore.set(isDragging ? walkGain(this.rows()) : null);
  }
}
