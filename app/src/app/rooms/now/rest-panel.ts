import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { ON_TIME_MIN, type RestFound } from '@roam-dial/core/outing';
import { OutingActions } from '../../state/outing/outing.actions';
import { RestStore } from './rest.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { nameOf } from '../../words/name';
import { NowState } from './now-state';
import { lateWords, restWords } from './now-words';

/** Late or early, said; the plan from here and now, offered and never taken unasked. */
@Component({
  selector: 'rd-rest-panel',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (late(); as l) {
      <p class="late" role="status" [class.warn]="l.isLate">
        <strong>{{ l.words }}</strong>
        @if (asked().kind === 'none' || isStale()) {
          <button mat-stroked-button type="button" (click)="rest.ask()">Plan from here</button>
        }
      </p>
    }
    @switch (asked().kind) {
      @case ('asking') {
        <p class="soft" role="status">Planning the rest of the day…</p>
      }
      @case ('failed') {
        <p class="warn" role="status">
          {{ failure() }}
          <button type="button" class="link-button" (click)="rest.forget()">Leave it</button>
        </p>
      }
      @case ('found') {
        @if (found(); as f) {
          <section class="found" aria-label="The rest of the day, planned from here">
            <p>{{ f.words.head }}</p>
            <ul class="figure">
              @for (line of f.words.stays; track line) {
                <li>{{ line }}</li>
              }
            </ul>
            @if (f.words.left) {
              <p class="soft">{{ f.words.left }}</p>
            }
            <div class="ways">
              <button mat-flat-button type="button" (click)="take(f.rest)">Use this plan</button>
              <button mat-stroked-button type="button" (click)="rest.forget()">Leave it as it was</button>
            </div>
          </section>
        }
      }
    }
  `,
  styles: `
    .late {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      justify-content: space-between;
      gap: 6px;
      margin-top: 6px;
    }
    .late strong {
      flex: 1;
    }
    .late button,
    .ways button {
      min-height: 48px;
    }
    .found {
      margin-top: 6px;
      padding: 8px 0;
      border-top: 1.5px solid var(--mark);
    }
    ul {
      margin: 4px 0;
      padding: 0;
      list-style: none;
      line-height: 1.6;
    }
    .ways {
      display: flex;
      gap: 6px;
      margin-top: 6px;
    }
    .ways button {
      flex: 1;
    }
  `,
})
export class RestPanel {
  private readonly state = inject(NowState);
  private readonly actions = inject(OutingActions);
  protected readonly rest = inject(RestStore);
  private readonly wording = wordingSignal();

  protected readonly asked = toSignal(this.rest.asked$, { initialValue: { kind: 'none' } as const });
  protected readonly late = computed(() => {
    const behind = this.state.behind();
    return behind === null ? null : lateWords(behind.minutes, behind.to, this.wording());
  });
  protected readonly failure = computed(() => {
    const asked = this.asked();
    return asked.kind === 'failed' ? asked.message : '';
  });
  /** What was planned from some minutes ago is no plan from here and now. */
  protected readonly isStale = computed(() => {
    const asked = this.asked();
    return asked.kind === 'found' && Math.abs(this.state.minute() - asked.askedMin) > ON_TIME_MIN;
  });
  protected readonly found = computed(() => {
    const [asked, now] = [this.asked(), this.state.now()];
    if (asked.kind !== 'found' || now === null || this.isStale()) return null;
    const all = [...now.walk.stops, ...(now.walk.pauses ?? [])];
    const nameOfVisit = (id: string): string => nameOf(all.find((one) => one.id === id) ?? { name: '' });
    return { rest: asked.rest, words: restWords(asked.rest, nameOfVisit, this.wording()) };
  });

  protected take(rest: RestFound): void {
    const now = this.state.now();
    if (now !== null) void this.actions.takeRest(now, rest);
    this.rest.forget();
  }
}
