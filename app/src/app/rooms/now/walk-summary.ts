import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { RouterLink } from '@angular/router';
import { minuteAt, type StopSummary, walkSummary } from '@roam-dial/core/outing';
import { OutingActions } from '../../state/outing/outing.actions';
import { LegsStore } from '../../state/walk/legs.store';
import type { Running } from '../../state/outing/outing.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { nameOf } from '../../words/name';
import { missWords } from '../../words/walk/outing';
import type { Wording } from '../../words/wording';
import { stayOn } from '../../words/walk/times';

/** "Got it; missed once: camera shake. Light −1 EV off the model." */
export function outcomeWords({ cameMs, isGot, missed, lightOffEv }: StopSummary, wording: Wording): string {
  if (cameMs === null) return 'Not visited.';
  const why = missed.map(missWords).join(', ');
  const got = isGot ? 'Got it' : missed.length === 0 ? 'Nothing marked' : 'Not got';
  const light = lightOffEv === null ? '' : ` Light ${wording.stops(lightOffEv, 'third')} EV off the model.`;
  return `${got}${why === '' ? '' : `; missed: ${why}`}.${light}`;
}

/** What came of a walk, when there is nothing left to go to: stays against the plan, pictures, kilometres; and its frames. */
@Component({
  selector: 'rd-walk-summary',
  imports: [MatButtonModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h2 class="name">Walk finished</h2>
    <p class="figure">{{ head() }}</p>
    <ul aria-label="The walk, stop by stop">
      @for (line of lines(); track line.id) {
        <li>
          <strong>{{ line.name }}</strong>
          <span class="figure soft">{{ line.stay }}</span>
          <span>{{ line.outcome }}</span>
        </li>
      }
    </ul>
    <div class="ways">
      <button mat-flat-button type="button" (click)="actions.end()">End the walk</button>
      @if (running().outing.clock.kind === 'own') {
        <a mat-stroked-button routerLink="/log/frames" queryParamsHandling="preserve">Import its photos</a>
      }
    </div>
  `,
  styles: `
    ul {
      margin: var(--space-3) 0;
      padding: 0;
      list-style: none;
    }
    li {
      display: grid;
      padding: var(--space-2) 0;
      border-top: 1px solid var(--rule);
    }
    .ways {
      display: flex;
      flex-wrap: wrap;
      gap: var(--space-2);
    }
    .ways > * {
      flex: 1;
      min-height: 48px;
    }
  `,
})
export class WalkSummary {
  readonly running = input.required<Running>();
  protected readonly actions = inject(OutingActions);
  private readonly legs = toSignal(inject(LegsStore).legs$, { initialValue: [] });
  private readonly wording = wordingSignal();

  private readonly summary = computed(() => walkSummary(this.running().today, this.running().outing));
  protected readonly head = computed(() => {
    const all = this.summary();
    const got = all.filter(({ isGot }) => isGot).length;
    const metres = this.legs().reduce((sum, { distanceM }) => sum + distanceM, 0);
    const walked = metres === 0 ? '' : `, ${this.wording().walkLength(metres)} planned on foot`;
    const by = this.running().outing.clock.kind === 'own' ? '' : ' Simulated: pictures are marked by each card’s chance.';
    return `${got} of ${all.length} pictures got${walked}.${by}`;
  });
  protected readonly lines = computed(() => {
    const [{ walk }, wording] = [this.running(), this.wording()];
    const clock = (ms: number): string => wording.clock(((Math.floor(minuteAt(walk, ms)) % 1440) + 1440) % 1440);
    return this.summary().map((one) => {
      const { stop, cameMs, leftMs } = one;
      const planned = `planned ${stayOn(walk, stop, wording)}`;
      const there = cameMs === null ? planned : `${clock(cameMs)} to ${leftMs === null ? 'now' : clock(leftMs)}, ${planned}`;
      return { id: stop.id, name: nameOf(stop), stay: there, outcome: outcomeWords(one, wording) };
    });
  });
}
