import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { minuteToComeBack, RETURN_CROWDS, type ReturnCrowd } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import { OutingActions } from '../../state/outing/outing.actions';
import { wordingSignal } from '../../state/workspace/wording.store';
import { NowState } from './now-state';

const CROWD_WORDS: Readonly<Record<ReturnCrowd, string>> = {
  any: 'In this light',
  emptier: 'When it is emptier',
  busier: 'When it is busier',
};
/** What is so often wrong that a tap is enough. */
const WRONGS = ['Too early', 'Too late', 'Wrong side', 'Wrong lens'];

/** Keeps a place for another time: a tap for when, with the hour that the light and the crowd propose, and why. */
@Component({
  selector: 'rd-come-back',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <div class="wrongs" role="group" aria-label="What was wrong">
      @for (one of wrongs; track one) {
        <button mat-stroked-button type="button" [attr.aria-pressed]="wrong() === one" (click)="choose(one)">{{ one }}</button>
      }
    </div>
    <div class="whens" role="group" aria-label="Come back when">
      @for (one of proposals(); track one.crowd) {
        <button mat-flat-button type="button" (click)="keep(one.crowd, one.minute)">{{ one.words }}</button>
      }
      <button mat-button type="button" (click)="closed.emit()">Back</button>
    </div>
  `,
  styles: `
    .wrongs,
    .whens {
      display: grid;
      grid-template-columns: 1fr 1fr;
      gap: 6px;
      margin-top: 6px;
    }
    button {
      min-height: 48px;
    }
    button[aria-pressed='true'] {
      box-shadow: inset 0 -3px 0 var(--mark);
    }
  `,
})
export class ComeBack {
  readonly stop = input.required<Stop>();
  readonly closed = output();

  private readonly state = inject(NowState);
  private readonly actions = inject(OutingActions);
  private readonly wording = wordingSignal();
  protected readonly wrongs = WRONGS;
  protected readonly wrong = signal('');

  protected readonly proposals = computed(() => {
    const [stop, day, minute] = [this.stop(), this.state.day(), this.state.minute()];
    return RETURN_CROWDS.map((crowd) => {
      const at = day === null ? minute : minuteToComeBack(day, stop.crowdByHour, crowd, minute);
      // No hour of its light has more people, or fewer: then it is a day that has to be another.
      const when = crowd !== 'any' && at === minute ? 'another day' : this.wording().clock(at);
      return { crowd, minute: at, words: `${CROWD_WORDS[crowd]}, ${when}` };
    });
  });

  protected choose(wrong: string): void {
    this.wrong.update((now) => (now === wrong ? '' : wrong));
  }

  protected keep(crowd: ReturnCrowd, lightMin: number): void {
    const now = this.state.now();
    if (now === null) return;
    const { walk } = now;
    const { place, day } = walk;
    void this.actions.comeBack(this.stop(), {
      stop: this.stop(),
      place,
      districtId: walk.districtId ?? null,
      day,
      lightMin,
      crowd,
      wrong: this.wrong(),
    });
    this.closed.emit();
  }
}
