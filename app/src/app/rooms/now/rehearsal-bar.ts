import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { OutingActions } from '../../state/outing/outing.actions';
import { SimulatedWalker } from '../../stand-ins/simulated-walker';
import { CheckField } from '../../fields/check-field';
import { NowState } from './now-state';

const SPEEDS = [
  { speed: 0, words: 'Stand still' },
  { speed: 1, words: 'As it is' },
  { speed: 60, words: '× 60' },
  { speed: 600, words: '× 600' },
];

/** A walk that is walked by nobody: how fast, and whether the walker dawdles. */
@Component({
  selector: 'rd-rehearsal-bar',
  imports: [CheckField, MatButtonToggleModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section aria-label="Simulated walker">
      <p class="soft">Simulated: nobody walks, the time is made up, and each picture is marked by its card’s chance.</p>
      <mat-button-toggle-group
        aria-label="How fast the time runs"
        hideSingleSelectionIndicator
        [value]="speed()"
        (change)="actions.setSpeed($event.value)"
      >
        @for (one of speeds; track one.speed) {
          <mat-button-toggle [value]="one.speed">{{ one.words }}</mat-button-toggle>
        }
      </mat-button-toggle-group>
      <rd-check-field label="Linger at the stop" [value]="isLingering()" (changed)="walker.linger($event)" />
    </section>
  `,
  styles: `
    section {
      margin-top: 8px;
      padding-top: 6px;
      border-top: 1px dashed var(--rule-strong);
      font-size: var(--text-small);
    }
    mat-button-toggle-group {
      display: flex;
      margin-top: 4px;
    }
    mat-button-toggle {
      flex: 1;
    }
  `,
})
export class RehearsalBar {
  private readonly state = inject(NowState);
  protected readonly actions = inject(OutingActions);
  protected readonly walker = inject(SimulatedWalker);
  protected readonly isLingering = toSignal(this.walker.isLingering$, { initialValue: false });
  protected readonly speeds = SPEEDS;
  protected readonly speed = computed(() => {
    const clock = this.state.now()?.outing.clock;
    return clock?.kind === 'simulated' ? clock.speed : 1;
  });
}
