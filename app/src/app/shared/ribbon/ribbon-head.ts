import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { LightRibbon } from '../../drawing/light-ribbon/light-ribbon';
import type { TimeDomain } from '../../drawing/time-axis';
import { walkAxis } from '../walk-axis';
import { CardStore } from '../../state/card/card.store';
import { DaysStore } from '../../state/light/days.store';
import { SelectionStore } from '../../state/selection/selection.store';
import { TimeViewStore } from '../../state/selection/time-view';
import { wordingSignal } from '../../state/workspace/wording.store';
import { ValueField } from '../../fields/value-field';
import { clockCodec, walkClockCodec } from '../../fields/codec';
import { nameOf } from '../../words/name';

/** The selected stop's light through the day, with the one time handle: the head of every planning room. */
@Component({
  selector: 'rd-ribbon-head',
  imports: [LightRibbon, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (stop(); as s) {
      <div class="ribbon" [class.phone]="isPhone()">
        <div class="at">
          <p>
            <b>
              Light at
              <br />
              {{ nameOf(s, 'this stop') }}
            </b>
          </p>
          <rd-value-field label="Time" [value]="focus()?.minuteOfDay ?? 0" [codec]="clock()" (changed)="setMinute($event)" />
          <button type="button" class="link-button close" [attr.aria-pressed]="timeView().isClose" (click)="toggleClose()">
            {{ timeView().isClose ? 'Whole day' : 'Closer' }}
          </button>
        </div>
        <rd-light-ribbon
          [stopName]="nameOf(s)"
          [day]="day()"
          [domain]="domain() ?? ownDomain()"
          [minute]="focus()?.minuteOfDay ?? 0"
          [wording]="wording()"
          [gutter]="gutter()"
          (moved)="setMinute($event)"
        />
      </div>
    }
  `,
  styleUrl: './ribbon-head.scss',
})
export class RibbonHead {
  readonly isPhone = input(false);
  readonly gutter = input(124);
  /** The time scale of a chart below that shares it; else the walk's own. */
  readonly domain = input<TimeDomain | null>(null);

  protected readonly nameOf = nameOf;
  private readonly selection = inject(SelectionStore);
  private readonly days = toSignal(inject(DaysStore).days$);
  private readonly timeViewStore = inject(TimeViewStore);
  protected readonly timeView = toSignal(this.timeViewStore.view$, { initialValue: { isClose: false, light: null } });
  protected readonly focus = toSignal(inject(CardStore).focus$);
  protected readonly wording = wordingSignal();

  protected readonly stop = computed(() => this.focus()?.stop ?? null);
  protected readonly day = computed(() => this.days()?.get(this.stop()?.id ?? '') ?? null);
  protected readonly ownDomain = computed(() =>
    walkAxis(this.focus()?.walk ?? null, this.timeView().light, this.focus()?.minuteOfDay ?? 0, this.wording()),
  );
  /** Past midnight is what lies before the stay there that a night walk begins with. */
  protected readonly clock = computed(() => {
    const clock = clockCodec(this.wording().clockStyle, (minute) => this.wording().clock(minute));
    const arrivals = (this.focus()?.walk?.stops ?? []).map(({ arriveMin }) => arriveMin);
    return walkClockCodec(clock, arrivals.length === 0 ? null : Math.min(...arrivals));
  });

  protected toggleClose(): void {
    this.timeViewStore.toggle();
  }

  protected setMinute(minute: number): void {
    this.selection.setMinute(minute);
  }
}
