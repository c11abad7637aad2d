import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { pictureLightAt } from '@roam-dial/core/stop';
import { LightRibbon } from '../../drawing/light-ribbon/light-ribbon';
import { walkAxis } from '../../shared/walk-axis';
import { CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { OutingStore } from '../../state/outing/outing.store';
import { SelectionStore } from '../../state/selection/selection.store';
import { pictureLightWords } from '../../words/windows';
import { wordingSignal } from '../../state/workspace/wording.store';
import { DialCard } from '../../shared/card/dial-card';

/** Open the card full screen: first thing in the hand, full screen at the table. */
@Component({
  selector: 'rd-card-in-hand',
  imports: [DialCard, LightRibbon, MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="visually-hidden">Dial card</h1>
    @if (view(); as v) {
      <div class="stops">
        <button type="button" class="plain-button" aria-label="Stop before" [disabled]="v.before === null" (click)="go(v.before)">
          ‹
        </button>
        <span class="soft figure">{{ v.position }}</span>
        <span class="time" role="group" aria-label="Time of day">
          <button type="button" class="plain-button" aria-label="Five minutes earlier" (click)="move(v.minute - 5)">−</button>
          <strong class="figure">{{ wording().clock(v.minute) }}</strong>
          <button type="button" class="plain-button" aria-label="Five minutes later" (click)="move(v.minute + 5)">+</button>
        </span>
        <button type="button" class="plain-button arrival" (click)="move(v.stop.arriveMin)">Arrival</button>
        <button type="button" class="plain-button" aria-label="Next stop" [disabled]="v.next === null" (click)="go(v.next)">
          ›
        </button>
      </div>
      <rd-light-ribbon
        class="ribbon"
        [stopName]="v.stop.name"
        [day]="v.day"
        [domain]="v.domain"
        [minute]="v.minute"
        [wording]="wording()"
        [gutter]="14"
        [height]="54"
        [isReadOnly]="true"
      />
      <p class="left figure">
        <span>{{ v.left }}</span>
        <a mat-stroked-button class="go" routerLink="/now" queryParamsHandling="preserve">{{ isRunning() ? 'Now' : 'Go' }}</a>
      </p>
    }
    <rd-dial-card [isInHand]="true" />
  `,
  styles: `
    :host {
      display: block;
      max-width: 560px;
      margin: 0 auto;
    }
    .stops,
    .time {
      display: flex;
      align-items: center;
      justify-content: space-between;
    }
    .stops .plain-button {
      font-size: 1.25rem;
    }
    .stops .plain-button:disabled {
      color: var(--rule);
    }
    .stops .arrival {
      font-size: var(--text-small);
    }
    .time strong {
      font-size: 1.125rem;
    }
    .go {
      min-width: 64px;
      min-height: 48px;
    }
    .left {
      display: flex;
      align-items: center;
      justify-content: space-between;
      padding: 4px 14px 0;
      font-weight: 650;
    }
    .ribbon {
      display: block;
      border-bottom: 1px solid var(--rule);
    }
  `,
})
export class CardInHand {
  private readonly selection = inject(SelectionStore);
  private readonly focus = toSignal(inject(CardStore).focus$);
  private readonly days = toSignal(inject(DaysStore).days$);
  protected readonly wording = wordingSignal();
  protected readonly isRunning = toSignal(inject(OutingStore).isRunning$, { initialValue: false });

  protected readonly view = computed(() => {
    const focus = this.focus();
    if (focus?.walk == null || focus.stop === null) return null;
    const { walk, stop, stopIndex } = focus;
    const day = this.days()?.get(stop.id) ?? null;
    return {
      stop,
      minute: focus.minuteOfDay,
      before: walk.stops[stopIndex - 1] ?? null,
      next: walk.stops[stopIndex + 1] ?? null,
      position: `${stopIndex + 1} of ${walk.stops.length}`,
      day,
      left: day === null ? '' : pictureLightWords(pictureLightAt(day, focus.minuteOfDay), focus.minuteOfDay, this.wording()),
      domain: walkAxis(walk, null, focus.minuteOfDay, this.wording()),
      walkId: walk.id,
    };
  });

  protected go(stop: { readonly id: string; readonly arriveMin: number } | null): void {
    const walkId = this.view()?.walkId;
    if (stop !== null && walkId !== undefined) this.selection.selectStop(walkId, stop.id, stop.arriveMin);
  }

  protected move(minute: number): void {
    this.selection.setMinute(minute);
  }
}
