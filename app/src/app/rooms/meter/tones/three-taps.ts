import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { HandMeterStore } from '../../../stand-ins/hand-meter';
import { MeterState } from '../meter-state';

/** What one sees, and the tone that it shall have. */
const SEEN = [
  { id: 'darker', name: 'darker', tone: -4 / 3 },
  { id: 'asIs', name: 'as is', tone: 0 },
  { id: 'brighter', name: 'brighter than grey', tone: 4 / 3 },
] as const;
const KEYS = ['1', '2', '3', '−', '4', '5', '6', '.', '7', '8', '9', '0'] as const;
const LONGEST = 5;
const DARKEST_EV = -12;
const BRIGHTEST_EV = 24;

/** From the pocket to an exposure in three taps: what do you see, read, set. Numbers as large as a gloved thumb. */
@Component({
  selector: 'rd-three-taps',
  imports: [MatButtonModule, MatSlideToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './three-taps.html',
  styleUrl: './three-taps.scss',
})
export class ThreeTaps {
  protected readonly state = inject(MeterState);
  private readonly meterStore = inject(HandMeterStore);
  private readonly meter = toSignal(this.meterStore.meter$, { initialValue: { kind: 'off' } as const });

  protected readonly seen = SEEN;
  protected readonly keys = KEYS;
  protected readonly sees = signal<(typeof SEEN)[number]['id']>('asIs');
  protected readonly typed = signal('');
  protected readonly readEv = signal<number | null>(null);
  protected readonly isOn = computed(() => this.meter().kind !== 'off');
  protected readonly live = computed(() => {
    const meter = this.meter();
    return meter.kind === 'reading' ? meter.reading : null;
  });
  protected readonly shownEv = computed(() => {
    if (!this.isOn()) return this.typed() || '–';
    const live = this.live();
    return live === null ? '…' : this.state.wording().ev(live.ev100);
  });
  private readonly exposureEv = computed(() => {
    const ev = this.readEv();
    const tone = SEEN.find(({ id }) => id === this.sees())?.tone ?? 0;
    return ev === null ? null : ev - tone;
  });
  protected readonly exposure = computed(() => {
    const ev = this.exposureEv();
    return ev === null ? null : this.state.exposureAt(ev);
  });
  protected readonly problem = computed(() => {
    const text = this.typed();
    if (text === '') return null;
    const ev = Number(text.replace('−', '-'));
    if (Number.isNaN(ev)) return 'An EV is one number, like 12.3.';
    return ev < DARKEST_EV || ev > BRIGHTEST_EV ? `EV ${text} is outside what a meter reads (−12 to 24).` : null;
  });

  protected turn(isOn: boolean): void {
    this.meterStore.turn(isOn);
  }

  protected press(key: string): void {
    this.typed.update((text) => (text.length < LONGEST ? text + key : text));
  }

  protected erase(): void {
    this.typed.update((text) => text.slice(0, -1));
  }

  protected read(): void {
    const live = this.live();
    const typed = this.typed();
    if (this.isOn() && live !== null) this.readEv.set(live.ev100);
    else if (typed !== '' && this.problem() === null) this.readEv.set(Number(typed.replace('−', '-')));
  }

  protected set(): void {
    const ev = this.exposureEv();
    if (ev !== null) this.state.setCard(ev);
  }
}
