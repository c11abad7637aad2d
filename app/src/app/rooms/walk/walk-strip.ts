import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { stopsToday, type Walk } from '@roam-dial/core/walk';
import { SightPicture } from '../../shared/sight-picture';
import { ArrivalSights, MOST_SIGHTS } from '../../state/sight/arrival-sights.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { nameOf } from '../../words/name';
import { sightSentences } from '../../words/sight';

/** The walk as a strip of pictures: what each stop's frame will see when one arrives. */
@Component({
  selector: 'rd-walk-strip',
  imports: [SightPicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (pictures().length > 0) {
      <ol class="strip" aria-label="The walk in pictures, each stop at its arrival">
        @for (one of pictures(); track one.id) {
          <li>
            <button
              type="button"
              class="plain-button"
              [class.chosen]="one.id === selectedId()"
              [attr.aria-label]="one.name + ' at ' + one.time"
              [attr.aria-current]="one.id === selectedId() ? 'true' : null"
              (click)="chosen.emit(one.id)"
            >
              <rd-sight-picture [picture]="one.drawn" [sentence]="one.sentence" />
              <span class="figure">
                <b>{{ one.number }}</b>
                {{ one.time }}
              </span>
            </button>
          </li>
        }
      </ol>
      @if (isCut()) {
        <p class="soft">Pictures of the first {{ most }} stops.</p>
      }
    }
  `,
  styles: `
    .strip {
      display: flex;
      gap: var(--space-1);
      margin: 0;
      padding: var(--space-2) var(--space-3) var(--space-2) var(--space-4);
      overflow-x: auto;
      list-style: none;
      scrollbar-width: thin;
    }
    li {
      flex: 1 0 78px;
      max-width: 132px;
    }
    p {
      margin: 0 var(--space-4) var(--space-2);
      font-size: var(--text-small);
    }
    button {
      display: block;
      width: 100%;
      padding: 0 0 2px;
      text-align: left;
      font-size: var(--text-small);
      border-bottom: 3px solid transparent;
    }
    button.chosen {
      border-bottom-color: var(--mark);
    }
    rd-sight-picture {
      aspect-ratio: 3 / 2;
      overflow: hidden;
      background: var(--dark);
    }
  `,
})
export class WalkStrip {
  readonly walk = input.required<Walk>();
  readonly selectedId = input.required<string | null>();
  readonly chosen = output<string>();

  private readonly wording = wordingSignal();
  private readonly sights = toSignal(inject(ArrivalSights).sights$);

  protected readonly most = MOST_SIGHTS;
  protected readonly isCut = computed(() => stopsToday(this.walk()).length > MOST_SIGHTS);

  protected readonly pictures = computed(() => {
    const [sights, wording] = [this.sights(), this.wording()];
    if (sights === undefined) return [];
    return stopsToday(this.walk()).flatMap((stop) => {
      const drawn = sights.get(stop.id);
      if (drawn === undefined) return [];
      return [
        {
          id: stop.id,
          name: nameOf(stop),
          number: this.walk().stops.indexOf(stop) + 1,
          time: wording.clock(stop.arriveMin),
          drawn,
          sentence: sightSentences(drawn.facts, wording).join(' '),
        },
      ];
    });
  });
}
