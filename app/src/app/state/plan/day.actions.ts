import { Injectable, inject } from '@angular/core';
import { LONGEST_NAME } from '@roam-dial/core/formats/archive';
import { cutBetweenPasses, type DayFound, hoursOfPasses, type OrderFound, type PlannedStay } from '@roam-dial/core/plan';
import { type HoursSpan, peopleWishOf, type Stop, type Wishes } from '@roam-dial/core/stop';
import { dayOutOf, minutesMeasured, type Pause, stopsInOrder, type Walk } from '@roam-dial/core/walk';
import { firstValueFrom, type Observable, type Subscription } from 'rxjs';
import { createId } from '../../storage/defaults';
import { DayClient } from '../../workers/day/day.client';
import type { DayProgress } from '../../workers/day/day-jobs';
import type { Step } from '../../workers/steps';
import { planOutcome } from '../../words/walk/day-sentences';
import { DayPlanStore, type Exchange, type WalkToPlan, type Planning, ownStaysOf } from './day-plan.store';
import { nameOf } from '../../words/name';
import { DaysStore } from '../light/days.store';
import { addStop, changeStop, withWishes } from '../walk/stop.edits';
import { changeWalk } from '../walk/walk.edits';
import { takePlan } from '../walk/day-plan.edits';
import { SelectionStore } from '../selection/selection.store';
import { MOST_PLANNED, visitsOf } from '../walk/walk-of-day';
import { WorkspaceStore } from '../workspace/workspace.store';

const NOON = 720;

/** What a person does to the day's plan. */
@Injectable({ providedIn: 'root' })
export class DayActions {
  private readonly store = inject(WorkspaceStore);
  private readonly client = inject(DayClient);
  private readonly day = inject(DayPlanStore);
  private readonly days = inject(DaysStore);
  private readonly selection = inject(SelectionStore);
  private running: Subscription | null = null;

  /** The best order and times. */
  async plan(): Promise<void> {
    const plannable = await this.plannable();
    if (plannable?.of == null) return;
    this.run(plannable, 'plan', this.client.ask<'plan'>(plannable.of, { kind: 'plan' }));
  }

  /** The best times in the order that the stops have. */
  async keepOrder(): Promise<void> {
    const plannable = await this.plannable();
    if (plannable?.of == null) return;
    const { stops } = plannable.walk;
    // What is set aside may come in again, behind the others; pauses where they are, or after it all.
    const order = [...ownStaysOf(plannable.walk).map(({ id }) => id)];
    const all = [...stops.map(({ id }) => id), ...(plannable.walk.pauses ?? []).map(({ id }) => id)];
    const whole = inSpineOrder(order, stops, all);
    this.keep(plannable, whole);
  }

  /** The order that was kept, with two neighbours exchanged. */
  async exchange({ order }: Exchange): Promise<void> {
    const plannable = await this.plannable();
    if (plannable?.of != null) this.keep(plannable, order);
  }

  /** A stop stays where it has been put, and is not left out; the others are planned around it. */
  async planRound(walk: Walk, stop: Stop): Promise<void> {
    this.wish(walk, stop, 'fixed time', { fixedAtMin: stop.arriveMin, isMust: true });
    await this.plan();
  }

  /** Goes with the best that has been found so far. */
  async leaveIt(): Promise<void> {
    this.running?.unsubscribe();
    const planning = await firstValueFrom(this.day.planning$);
    const plannable = await this.plannable();
    this.day.tell(null);
    if (planning?.soFar != null && plannable !== null) this.take(plannable.walk, planning.soFar, planning.wish);
  }

  /** A plan in which a stop fits after all, in a day that may have to be longer. */
  fitIn(walk: Walk, name: string, stays: readonly PlannedStay[], longer: Partial<HoursSpan> = {}): void {
    this.day.remember({ walkId: walk.id, stays: ownStaysOf(walk) });
    const isLonger = Object.keys(longer).length > 0;
    const lengthened = changeWalk(walk.id, (one) => ({ ...one, dayOut: { ...dayOutOf(one), ...longer } }));
    this.store.edit({ label: `fit in ${name}` }, (workspace) =>
      takePlan(walk.id, stays)(isLonger ? lengthened(workspace) : workspace),
    );
  }

  /** The same place once more, at another hour: empty where it was busy, busy where it was empty. */
  async passAgain(walk: Walk, stop: Stop): Promise<void> {
    const day = (await firstValueFrom(this.days.days$)).get(stop.id) ?? null;
    const cut = day === null ? NOON : cutBetweenPasses(day);
    const [first, second] = hoursOfPasses(stop.wishes?.open, cut, minutesMeasured(walk) - 1);
    const people = peopleWishOf(stop.intent, stop.wishes) === 'people' ? 'nobody' : 'people';
    const { fixedAtMin: _, isMust: __, ...usual } = stop.wishes ?? {};
    const again: Stop = {
      ...stop,
      id: createId(),
      name: `${nameOf(stop)}, again`.slice(0, LONGEST_NAME),
      wishes: { ...usual, people, open: second },
    };
    this.store.edit({ label: `pass ${stop.name} again` }, (workspace) =>
      addStop(walk.id, again, stop.id)(changeStop(walk.id, stop.id, (one) => withWishes(one, { open: first }))(workspace)),
    );
    this.selection.selectStop(walk.id, again.id, again.arriveMin);
  }

  /** One named thing that the plan has to keep of a stop; `undefined` for the usual. */
  wish(
    walk: Walk,
    stop: Pick<Stop, 'id' | 'name'>,
    part: string,
    change: { readonly [Key in keyof Wishes]?: Wishes[Key] | undefined },
  ): void {
    this.changeWishes(walk, stop, part, (one) => withWishes(one, change));
  }

  /** The same, of the stop as it is by then. */
  changeWishes(walk: Walk, stop: Pick<Stop, 'id' | 'name'>, part: string, change: (stop: Stop) => Stop): void {
    this.store.edit(
      { label: `change the ${part} of ${stop.name}`, mergeKey: `wish/${part}/${stop.id}` },
      changeStop(walk.id, stop.id, change),
    );
  }

  addPause(walk: Walk, pause: Omit<Pause, 'id'>): void {
    this.store.edit(
      { label: `add ${pause.name.toLowerCase()}` },
      changeWalk(walk.id, (one) => ({ ...one, pauses: [...(one.pauses ?? []), { ...pause, id: createId() }] })),
    );
  }

  changePause(walk: Walk, pause: Pause, part: string, change: (pause: Pause) => Pause): void {
    this.store.edit(
      { label: `change ${pause.name}`, mergeKey: `pause/${part}/${pause.id}` },
      changeWalk(walk.id, (one) => ({
        ...one,
        pauses: (one.pauses ?? []).map((its) => (its.id === pause.id ? change(its) : its)),
      })),
    );
  }

  removePause(walk: Walk, pause: Pause): void {
    this.store.edit(
      { label: `remove ${pause.name}` },
      changeWalk(walk.id, (one) => ({ ...one, pauses: (one.pauses ?? []).filter(({ id }) => id !== pause.id) })),
    );
    this.store.announce(`Removed ${pause.name}`);
  }

  /** What it was before the plan, laid over it no longer. */
  forgetBefore(): void {
    this.day.remember(null);
  }

  private async plannable(): Promise<WalkToPlan | null> {
    const plannable = await firstValueFrom(this.day.plannable$);
    if (plannable?.of === null) {
      const isTooMuch = visitsOf(plannable.walk) > MOST_PLANNED;
      this.store.announce(
        isTooMuch ? `At most ${MOST_PLANNED} stops are planned for one day` : 'The light of this walk is still being measured',
      );
    }
    return plannable;
  }

  private keep(plannable: WalkToPlan, order: readonly string[]): void {
    if (plannable.of === null) return;
    this.run(plannable, 'keep', this.client.ask<'keep'>(plannable.of, { kind: 'keep', order }), order);
  }

  private run(
    plannable: WalkToPlan,
    wish: Planning['wish'],
    steps: Observable<Step<DayProgress, DayFound | OrderFound | null>>,
    order: readonly string[] = [],
  ): void {
    this.running?.unsubscribe();
    this.day.tell({ wish, share: 0, soFar: null });
    this.running = steps.subscribe((step) => {
      switch (step.kind) {
        case 'progress':
          this.day.tell({ wish, ...step.progress });
          return;
        case 'done':
          this.day.tell(null);
          if (step.answer === null) this.store.announce(planOutcome(null, wish));
          else {
            this.take(plannable.walk, step.answer, wish);
            this.day.offer('repair' in step.answer ? exchangeIn(plannable.walk.id, order, step.answer) : null);
          }
          return;
        default:
          this.day.tell(null);
          this.store.announce(`The day could not be planned: ${step.message}`);
      }
    });
  }

  private take(walk: Walk, found: DayFound, wish: Planning['wish']): void {
    this.day.remember({ walkId: walk.id, stays: ownStaysOf(walk) });
    this.store.edit({ label: wish === 'plan' ? 'plan the day' : 'keep the order' }, takePlan(walk.id, found.stays));
    this.store.announce(planOutcome(found, wish));
  }
}

/** The stops in the spine's order, and the pauses among them by their times. */
function inSpineOrder(byTime: readonly string[], stops: readonly Stop[], all: readonly string[]): readonly string[] {
  const order = stopsInOrder({ stops }).map(({ id }) => id);
  for (const id of all) {
    if (order.includes(id)) continue;
    const before = byTime
      .slice(0, Math.max(0, byTime.indexOf(id)))
      .filter((one) => order.includes(one))
      .at(-1);
    order.splice(before === undefined ? order.length : order.indexOf(before) + 1, 0, id);
  }
  return order;
}

function exchangeIn(walkId: string, order: readonly string[], { repair }: OrderFound): Exchange | null {
  if (repair === null) return null;
  const at = order.findIndex((id, k) => repair.order[k] !== id);
  const [first, second] = [order[at], order[at + 1]];
  return first === undefined || second === undefined
    ? null
    : { walkId, order: repair.order, pair: [first, second], gain: repair.gain };
}
