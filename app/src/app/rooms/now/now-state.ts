import { computed, effect, inject, Injectable } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { behindMin, leaveByMin, type LightAhead, lightAhead, type WaitHere, waitHere } from '@roam-dial/core/outing';
import { pictureLightAt, type Stop } from '@roam-dial/core/stop';
import { type Card, CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { FindingsStore } from '../../state/card/findings.store';
import { RideHomeStore } from '../../state/outing/ride-home.store';
import { OutingStore } from '../../state/outing/outing.store';
import { SelectionStore } from '../../state/selection/selection.store';
import { stopOfDay } from '../../state/walk/walk-of-day';
import { WayAheadStore } from '../../state/outing/way-ahead.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';

/** Everything that the screen of the walk shows, by the minute; the selection goes along with where one is. */
@Injectable()
export class NowState {
  private readonly selection = inject(SelectionStore);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly cardState = toSignal(inject(CardStore).card$);
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly ladder = toSignal(inject(FindingsStore).ladder$);
  readonly left = toSignal(inject(WayAheadStore).left$, { initialValue: null });
  readonly now = toSignal(inject(OutingStore).now$, { initialValue: null });
  readonly ride = toSignal(inject(RideHomeStore).ride$, { initialValue: null });

  /** Whole, and within the day. */
  readonly minute = computed(() => Math.min(LAST_WALK_MINUTE, Math.max(0, Math.floor(this.now()?.minute ?? 0))));
  readonly standing = computed(() => this.now()?.standing ?? null);
  /** The stop that the screen is about: where one is, or where one is going. */
  readonly stop = computed<Stop | null>(() => {
    const standing = this.standing();
    if (standing === null || standing.kind === 'over') return null;
    return standing.kind === 'there' ? standing.at : standing.to;
  });
  /** The minute that the card is for: now, or when one will be there. */
  readonly cardMinute = computed(() => {
    if (this.standing()?.kind !== 'onTheWay') return this.minute();
    return Math.min(LAST_WALK_MINUTE, this.minute() + Math.ceil(this.left()?.leftMin ?? 0));
  });
  readonly card = computed<Card | null>(() => {
    const card = this.cardState();
    return card?.kind === 'card' && card.stop.id === this.stop()?.id ? card : null;
  });
  readonly day = computed(() => this.days()?.get(this.stop()?.id ?? '') ?? null);
  readonly finding = computed(() => {
    const found = this.ladder();
    return found?.card.stop.id === this.stop()?.id ? (found ?? null) : null;
  });

  readonly ahead = computed<LightAhead | null>(() => {
    const [stop, day, ladder] = [this.stop(), this.day(), this.finding()?.answer];
    if (stop === null || day === null || ladder == null) return null;
    const offsetEv = stop.lightOffsetEv - day.readingOffsetEv;
    return lightAhead(ladder, { keyEv100: day.keyEv100, offsetEv, fromMin: this.cardMinute(), toMin: LAST_WALK_MINUTE });
  });

  readonly wait = computed<WaitHere | null>(() => {
    const [workspace, now, stop, day, card] = [this.workspace(), this.now(), this.stop(), this.day(), this.card()];
    if (workspace === undefined || now === null || stop === null || day === null || card === null) return null;
    if (now.standing.kind !== 'there') return null;
    const light = pictureLightAt(day, this.minute());
    const until = light.kind === 'open' ? light.window.toMin : stop.leaveMin;
    const { chance } = card.result.setUp.found;
    return waitHere(stopOfDay(workspace, now.walk, stop, day), this.minute(), until, chance);
  });

  readonly leaveBy = computed(() => {
    const [now, left] = [this.now(), this.left()];
    if (now?.standing.kind !== 'there') return null;
    return leaveByMin(now.standing.at, now.next, left?.way.to === now.next ? (left?.way.walkMin ?? 0) : 0);
  });

  /** Minutes behind the plan for the next stay; null where nothing is ahead. */
  readonly behind = computed(() => {
    const [now, left] = [this.now(), this.left()];
    if (now === null || now.standing.kind === 'over') return null;
    const to = now.standing.kind === 'there' ? now.next : now.standing.to;
    if (to === null || left?.way.to.id !== to.id) return null;
    const late = behindMin(now.minute, left.leftMin, to);
    // Who is there has until it is time to go: what is to spare then is the plan's own.
    return { to, minutes: now.standing.kind === 'there' ? Math.max(0, late) : late };
  });

  constructor() {
    effect(() => {
      const [now, stop, minute] = [this.now(), this.stop(), this.cardMinute()];
      if (now !== null && stop !== null) this.selection.follow(now.walk.id, stop.id, minute);
    });
  }
}
