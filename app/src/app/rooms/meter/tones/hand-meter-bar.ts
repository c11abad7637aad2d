import { ChangeDetectionStrategy, Component, computed, inject, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import type { HandReading } from '@roam-dial/core/stand-ins';
import { HandMeterStore } from '../../../stand-ins/hand-meter';
import { wordingSignal } from '../../../state/workspace/wording.store';

/** A meter in the hand, simulated: turned on, held still, taken as a reading. */
@Component({
  selector: 'rd-hand-meter-bar',
  imports: [MatButtonModule, MatSlideToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-slide-toggle [checked]="isOn()" (change)="turn($event.checked)">Handheld meter, simulated</mat-slide-toggle>
    @if (shown(); as reading) {
      <p class="figure now" role="status">
        <small>EV</small>
        <b>{{ wording().ev(reading.ev100) }}</b>
        <span class="soft">{{ reading.name }}</span>
      </p>
      <mat-slide-toggle [checked]="held() !== null" (change)="hold($event.checked)">Hold</mat-slide-toggle>
      <button mat-flat-button type="button" (click)="taken.emit(reading)">Use this reading</button>
    }
    @if (notice(); as words) {
      <p class="soft notice" role="status">{{ words }}</p>
    }
  `,
  styleUrl: './hand-meter-bar.scss',
})
export class HandMeterBar {
  readonly taken = output<HandReading>();

  private readonly store = inject(HandMeterStore);
  private readonly meter = toSignal(this.store.meter$, { initialValue: { kind: 'off' } as const });
  protected readonly wording = wordingSignal();
  protected readonly held = signal<HandReading | null>(null);
  protected readonly isOn = computed(() => this.meter().kind !== 'off');
  private readonly latest = computed(() => {
    const meter = this.meter();
    if (meter.kind === 'reading') return meter.reading;
    return meter.kind === 'gone' ? meter.last : null;
  });
  protected readonly shown = computed(() => (this.isOn() ? (this.held() ?? this.latest()) : null));
  protected readonly notice = computed(() => {
    const meter = this.meter();
    switch (meter.kind) {
      case 'off':
        return null;
      case 'asking':
        return 'Asking for the meter…';
      case 'gone':
        return `The meter is gone; asked for again in ${meter.againInS} s.`;
      case 'reading':
        return meter.from === 'here' ? 'No server answers: the same made-up scene is read here.' : null;
    }
  });

  protected turn(isOn: boolean): void {
    this.held.set(null);
    this.store.turn(isOn);
  }

  protected hold(isHeld: boolean): void {
    this.held.set(isHeld ? this.latest() : null);
  }
}
