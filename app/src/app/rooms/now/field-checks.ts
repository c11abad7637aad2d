import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { FieldCheck, Happening } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import { OutingActions } from '../../state/outing/outing.actions';
import { wordingSignal } from '../../state/workspace/wording.store';
import { NowState } from './now-state';
import { aheadWords } from './now-words';

interface Prompt {
  readonly check: FieldCheck;
  readonly words: string;
  readonly fine: string;
  readonly bad: string | null;
}

const SHARP: Prompt = {
  check: 'sharp',
  words: 'Zoom in on your first frames: sharp where it should be?',
  fine: 'Sharp',
  bad: 'Soft',
};
const HIGHLIGHTS: Prompt = { check: 'highlights', words: 'Any large areas blown out?', fine: 'No', bad: 'Yes' };

/** What to do about a look that was not fine, before the next frame. */
const REMEDIES: Readonly<Record<FieldCheck, string>> = {
  sharp:
    'Find out why first. Everything blurred one way: camera shake. Only people blurred: shutter too slow. Something else sharp: missed focus. Hazy all over: dirty front element.',
  highlights: 'Dial in −⅓ or −⅔ and meter again.',
  change: '',
};

/** So many minutes before the light changes it is said (s). */
const SOON_MIN = 5;

/** The looks that practitioners take: at the first frames of a stop, and before the light changes. One at a time, once each. */
@Component({
  selector: 'rd-field-checks',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (prompt(); as p) {
      <div class="check" role="group" aria-label="Field check">
        <p>{{ p.words }}</p>
        <button mat-stroked-button type="button" (click)="answer(p.check, true)">{{ p.fine }}</button>
        @if (p.bad) {
          <button mat-stroked-button type="button" (click)="answer(p.check, false)">{{ p.bad }}</button>
        }
      </div>
    }
    @if (remedy()) {
      <p class="remedy" role="status">
        {{ remedy() }}
        <button type="button" class="link-button" (click)="answered.set(null)">Done</button>
      </p>
    }
  `,
  styles: `
    .check {
      display: flex;
      align-items: center;
      gap: 6px;
      margin-top: 6px;
      padding-top: 6px;
      border-top: 1px solid var(--rule);
    }
    .check p {
      flex: 1;
    }
    .check button {
      min-height: 48px;
    }
    .remedy {
      margin-top: 6px;
    }
  `,
})
export class FieldChecks {
  readonly stop = input.required<Stop>();

  private readonly state = inject(NowState);
  private readonly actions = inject(OutingActions);
  private readonly wording = wordingSignal();
  protected readonly answered = signal<FieldCheck | null>(null);

  private readonly here = computed<readonly Happening[]>(() => {
    const now = this.state.now();
    if (now === null || now.standing.kind !== 'there') return [];
    const { sinceMs } = now.standing;
    return now.outing.happenings.filter(({ stopId, atMs }) => stopId === this.stop().id && atMs >= sinceMs);
  });
  protected readonly prompt = computed<Prompt | null>(() => {
    const happenings = this.here();
    const hasFrames = happenings.some(({ event }) => event.kind === 'got' || event.kind === 'missed');
    const isLookedAt = (check: FieldCheck): boolean =>
      happenings.some(({ event }) => event.kind === 'checked' && event.check === check);
    if (hasFrames && !isLookedAt('sharp')) return SHARP;
    if (hasFrames && !isLookedAt('highlights')) return HIGHLIGHTS;
    const [ahead, card] = [this.state.ahead(), this.state.card()];
    const isSoon = ahead?.kind === 'change' && ahead.atMin - this.state.minute() <= SOON_MIN;
    const words = isSoon && card !== null ? aheadWords(ahead, card, this.wording()) : '';
    if (words === '' || isLookedAt('change')) return null;
    return { check: 'change', words: `The light is about to change. ${words}.`, fine: 'Ready', bad: null };
  });
  protected readonly remedy = computed(() => {
    const answered = this.answered();
    return answered === null ? '' : REMEDIES[answered];
  });

  protected answer(check: FieldCheck, isFine: boolean): void {
    this.answered.set(isFine ? null : check);
    void this.actions.check(this.stop(), check, isFine);
  }
}
