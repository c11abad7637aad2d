import { ChangeDetectionStrategy, Component, computed, effect, ElementRef, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import type { Misfit } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import { dayOutOf, type Walk } from '@roam-dial/core/walk';
import { DayActions } from '../../state/plan/day.actions';
import { DayPlanStore, ownStaysOf } from '../../state/plan/day-plan.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { nameOf } from '../../words/name';
import { misfitReason, pictures, picturesInWords, SAME, standsSentence } from '../../words/walk/day-sentences';
import { focusSoon, isFocusLost } from '../../ui/focus-soon';

/** The day's plan beside its chart: asked for, how good it is, and what does not fit with the smallest change that makes it. */
@Component({
  selector: 'rd-day-plan-bar',
  imports: [MatButtonModule, MatProgressBarModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './day-plan-bar.html',
  styleUrl: './day-plan-bar.scss',
})
export class DayPlanBar {
  readonly walk = input.required<Walk>();
  readonly stop = input.required<Stop>();

  protected readonly actions = inject(DayActions);
  private readonly store = inject(DayPlanStore);
  protected readonly planning = toSignal(this.store.planning$, { initialValue: null });
  protected readonly details = toSignal(this.store.details$, { initialValue: null });
  private readonly stands = toSignal(this.store.stands$, { initialValue: null });
  private readonly before = toSignal(this.store.before$, { initialValue: null });
  protected readonly wording = wordingSignal();
  private readonly host = inject<ElementRef<HTMLElement>>(ElementRef).nativeElement;
  private wasPlanning = false;
  /** The button that planning was begun with gives way to the one that stops it, and comes back: the keyboard stays there. */
  protected readonly keeping = effect(() => {
    const isPlanning = this.planning() !== null;
    const hadKeyboard = isPlanning !== this.wasPlanning && this.host.contains(document.activeElement);
    if (hadKeyboard) focusSoon(() => (isFocusLost() ? this.host.querySelector('.row button:not([disabled])') : null));
    this.wasPlanning = isPlanning;
  });

  protected readonly isMeasured = toSignal(this.store.isMeasured$, { initialValue: false });
  private readonly offered = toSignal(this.store.exchange$, { initialValue: null });
  /** The exchange of neighbours that would bring an order most. */
  protected readonly exchange = computed(() => {
    const offered = this.offered();
    if (offered?.walkId !== this.walk().id || offered.gain < SAME) return null;
    const [first, second] = offered.pair.map((id) => this.nameOfVisit(id));
    return { offered, words: `Swap ${first} and ${second}: ${pictures(offered.gain)} more` };
  });
  /** Whether the chosen stop has been put where the best day does not have it. */
  protected readonly isMovedStop = computed(() => {
    const { arriveMin, id, isSetAside } = this.stop();
    const best = this.details()?.best?.stays.find((stay) => stay.id === id);
    return isSetAside !== true && this.details() !== null && best?.fromMin !== arriveMin;
  });
  /** Whether the walk is laid out as the best plan has it, stay by stay. */
  private readonly isThePlan = computed(() => {
    const [laidOut, best] = [ownStaysOf(this.walk()), this.details()?.best?.stays ?? []];
    return (
      laidOut.length === best.length &&
      laidOut.every(({ id, fromMin, toMin }) => best.some((one) => one.id === id && one.fromMin === fromMin && one.toMin === toMin))
    );
  });
  protected readonly stopName = computed(() => nameOf(this.stop()));
  protected readonly hasBefore = computed(() => this.before()?.walkId === this.walk().id);
  protected readonly soFar = computed(() => {
    const soFar = this.planning()?.soFar ?? null;
    return soFar === null ? '' : `${picturesInWords(soFar.value)} so far`;
  });
  protected readonly sentence = computed(() => {
    if (!this.isMeasured()) return 'The light is still being measured; then the day can be planned.';
    if (this.walk().isPlanned !== true) return 'Finds the order and times by light, passers-by and walking distance.';
    return standsSentence(this.stands(), this.details()?.best ?? null, this.isThePlan()) || 'Working out what the day is worth…';
  });
  protected readonly misfits = computed(() =>
    (this.details()?.misfits ?? []).flatMap((misfit) => {
      const stop = this.walk().stops.find(({ id }) => id === misfit.id);
      return stop === undefined ? [] : [{ stop, misfit, reason: misfitReason(misfit), ways: this.waysOut(misfit, stop.name) }];
    }),
  );

  private nameOfVisit(id: string): string {
    const { pauses = [], stops } = this.walk();
    const stop = stops.find((one) => one.id === id);
    return stop === undefined ? (pauses.find((one) => one.id === id)?.name ?? '') : nameOf(stop);
  }

  /** Each change that would make a stop fit, and how it is made. */
  private waysOut(misfit: Misfit, name: string): readonly { readonly words: string; readonly take: () => void }[] {
    const walk = this.walk();
    const { fromMin, toMin } = dayOutOf(walk);
    if (misfit.kind === 'noLight') return [];
    if (misfit.kind === 'fitsAtACost') return [{ words: 'Fit it in', take: () => this.actions.fitIn(walk, name, misfit.stays) }];
    const { earlierStart, laterEnd, leaveOut } = misfit;
    const ways: { words: string; take: () => void }[] = [];
    if (earlierStart !== null) {
      const at = Math.max(0, fromMin - earlierStart.minutes);
      ways.push({
        words: `Start at ${this.wording().clock(at)}`,
        take: () => this.actions.fitIn(walk, name, earlierStart.stays, { fromMin: at }),
      });
    }
    if (laterEnd !== null) {
      const at = Math.min(LAST_WALK_MINUTE, toMin + laterEnd.minutes);
      ways.push({
        words: `Home at ${this.wording().clock(at)}`,
        take: () => this.actions.fitIn(walk, name, laterEnd.stays, { toMin: at }),
      });
    }
    const other = walk.stops.find(({ id }) => id === leaveOut?.id);
    if (leaveOut !== null && other !== undefined) {
      const words = `Leave out ${other.name}, ${pictures(leaveOut.cost)} less`;
      ways.push({ words, take: () => this.actions.fitIn(walk, name, leaveOut.stays) });
    }
    return ways;
  }
}
