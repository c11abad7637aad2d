import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DevicePositionStore } from '../../state/device/device-position';
import { OutingStore } from '../../state/outing/outing.store';
import { SimulatedWalker } from '../../stand-ins/simulated-walker';
import { WakeLock } from './wake-lock';
import { OnTheWalk } from './on-the-walk';
import { SetOff } from './set-off';

/** The walk in the hand: before the first step, and on it. */
@Component({
  selector: 'rd-now-view',
  imports: [OnTheWalk, SetOff],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="visually-hidden">Now</h1>
    @if (isRunning()) {
      <rd-on-the-walk />
    } @else {
      <rd-set-off />
    }
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
    }
  `,
})
export class NowView {
  protected readonly isRunning = toSignal(inject(OutingStore).isRunning$, { initialValue: false });

  constructor() {
    // They go along from the first look on, whatever is on screen later.
    inject(SimulatedWalker);
    inject(WakeLock);
    void inject(DevicePositionStore).turnOnIfAllowed();
  }
}
