import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { type Card, sightOfCard } from '../../state/card/card.store';
import { SAME_SIGHT } from '../../state/sight/sight-wanted';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import type { SightWanted } from '../../workers/sight/sight.client';
import { drawnSight } from '../drawn-sight';
import { SightPicture } from '../sight-picture';

/** The frame that a card is metered on, as it should come out, what it is about outlined. */
@Component({
  selector: 'rd-key-sight',
  imports: [SightPicture],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-sight-picture [picture]="picture()" [sentence]="sentence()" />
  `,
  styles: `
    :host {
      display: block;
      max-width: 320px;
      margin: var(--space-2) 0;
    }
  `,
})
export class KeySight {
  readonly card = input.required<Card>();
  readonly sentence = input.required<string>();

  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly wanted = computed<SightWanted | null>(() => {
    const workspace = this.workspace();
    const wanted = workspace === undefined ? null : sightOfCard(workspace, this.card());
    return wanted === null ? null : { ...wanted, shown: { ...wanted.shown, isKeyMarked: true } };
  }, SAME_SIGHT);
  protected readonly picture = drawnSight(this.wanted);
}
