import { placeOfHand } from '@roam-dial/core/setup';
import { Injectable, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { CardStore } from '../../state/card/card.store';
import { wordingSignal } from '../../state/workspace/wording.store';
import { WorkspaceStore } from '../../state/workspace/workspace.store';

/** What all four pages are about: the selected stop's card, its cells, and where the hand stands among them. */
@Injectable()
export class RoomState {
  private readonly state = toSignal(inject(CardStore).card$);
  readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  readonly wording = wordingSignal();
  readonly card = computed(() => {
    const state = this.state();
    return state?.kind === 'card' ? state : null;
  });
  readonly missing = computed(() => {
    const state = this.state();
    return state?.kind === 'none' ? state : null;
  });
  /** The same object while only the hand moves: what is drawn from it is not drawn again. */
  readonly cells = computed(() => this.card()?.cells ?? null);
  readonly found = computed(() => this.card()?.result.setUp.found ?? null);
  readonly place = computed(() => {
    const [cells, found] = [this.cells(), this.found()];
    return cells === null || found === null ? null : placeOfHand(cells.scene, found.hand);
  });
}
