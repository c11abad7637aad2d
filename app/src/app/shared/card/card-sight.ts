import { ChangeDetectionStrategy, Component, computed, inject, input, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonToggleModule } from '@angular/material/button-toggle';
import { type Card, sightOfCard } from '../../state/card/card.store';
import { takenBy } from '../../state/card/taken-by';
import { SAME_SIGHT } from '../../state/sight/sight-wanted';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import type { SightWanted } from '../../workers/sight/sight.client';
import { compassPoint } from '../../words/compass';
import { nameOf } from '../../words/name';
import { sightSentences } from '../../words/sight';
import { drawnSight } from '../drawn-sight';
import { SightPicture } from '../sight-picture';

/** How the picture is shown: as one sees it with its key at its tone, as the card takes it, as the pattern alone would. */
type Face = 'seen' | 'card' | 'camera';

/** The frame of the card, small; opened, as large as the card, as it is seen or as it would be taken. */
@Component({
  selector: 'rd-card-sight',
  imports: [MatButtonToggleModule, SightPicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (card().seen; as seen) {
      <figure [class.open]="isOpen()">
        <button
          type="button"
          class="picture plain-button"
          [attr.aria-expanded]="isOpen()"
          [attr.aria-label]="isOpen() ? 'Make the view small' : 'Look at what the frame will see'"
          (click)="isOpen.set(!isOpen())"
        >
          <rd-sight-picture [picture]="picture() ?? seen" [sentence]="spoken()" />
        </button>
        @if (isOpen()) {
          <figcaption>
            @if (isInHand()) {
              <p class="turn">Turn until it looks like this.</p>
            }
            <p class="facing figure">
              <b>{{ facing() }}</b>
            </p>
            <mat-button-toggle-group
              aria-label="The picture"
              hideSingleSelectionIndicator
              [value]="face()"
              (change)="face.set($event.value)"
            >
              <mat-button-toggle value="seen">As seen</mat-button-toggle>
              <mat-button-toggle value="card">As taken</mat-button-toggle>
              <mat-button-toggle value="camera">Camera alone</mat-button-toggle>
            </mat-button-toggle-group>
            @for (sentence of sentences(); track $index) {
              <p class="soft">{{ sentence }}</p>
            }
          </figcaption>
        } @else {
          <figcaption class="beside">
            <span class="figure">{{ facing() }}</span>
            <span class="soft">{{ sentences()[0] }}</span>
          </figcaption>
        }
      </figure>
    }
  `,
  styles: `
    figure {
      display: grid;
      grid-template-columns: 132px 1fr;
      gap: var(--space-3);
      align-items: center;
      margin: var(--space-2) 0 0;
    }
    figure.open {
      grid-template-columns: 1fr;
      gap: var(--space-2);
    }
    .picture {
      display: block;
      width: 100%;
      min-height: 44px;
      padding: 0;
      cursor: zoom-in;
    }
    .open .picture {
      cursor: zoom-out;
    }
    figcaption p {
      margin: 0 0 var(--space-1);
    }
    .beside {
      display: grid;
      gap: 2px;
      font-size: var(--text-small);
    }
    .turn {
      font-size: var(--text-lead);
      font-weight: 600;
    }
    mat-button-toggle-group {
      flex-wrap: wrap;
      margin-bottom: var(--space-2);
    }
  `,
})
export class CardSight {
  readonly card = input.required<Card>();
  readonly isInHand = input(false);

  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly wording = wordingSignal();
  protected readonly isOpen = signal(false);
  protected readonly face = signal<Face>('seen');

  private readonly wanted = computed<SightWanted | null>(() => {
    const [card, workspace] = [this.card(), this.workspace()];
    if (!this.isOpen() || workspace === undefined) return null;
    const wanted = sightOfCard(workspace, card);
    return wanted === null ? null : { ...wanted, shown: { ...wanted.shown, ...this.faceOf(card) } };
  }, SAME_SIGHT);
  protected readonly picture = drawnSight(this.wanted);
  protected readonly sentences = computed(() => {
    const shown = this.picture() ?? this.card().seen;
    return shown === null ? [] : sightSentences(shown.facts, this.wording());
  });
  protected readonly facing = computed(() => {
    const bearingDeg = this.card().stop.shootingBearingDeg;
    return `Facing ${Math.round(bearingDeg)}°, ${compassPoint(bearingDeg)}`;
  });
  protected readonly spoken = computed(() => `${nameOf(this.card().stop)}, as the frame sees it. ${this.sentences().join(' ')}`);

  private faceOf(card: Card): Partial<SightWanted['shown']> {
    switch (this.face()) {
      case 'seen':
        return {};
      case 'card':
        return takenBy(card);
      case 'camera':
        return { ...takenBy(card), exposed: { by: card.result.setUp.meter.pattern } };
    }
  }
}
