import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { ofKind } from '@roam-dial/core/plan';
import type { WayOut } from '@roam-dial/core/setup';
import { StopActions } from '../../../state/walk/stop.actions';
import { FindingsStore } from '../../../state/card/findings.store';
import { RoomState } from '../room-state';
import { wayCost, wayText } from './ways-out';

/** What else would help: each change with the chance before and after, done by a click. */
@Component({
  selector: 'rd-ways-out-panel',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './ways-out-panel.html',
  styleUrls: ['../page.scss', '../panel.scss'],
})
export class WaysOutPanel {
  private readonly room = inject(RoomState);
  private readonly stopActions = inject(StopActions);
  private readonly ways = toSignal(inject(FindingsStore).waysOut$);

  protected readonly waysOut = computed(() => {
    const finding = this.ways();
    const card = this.room.card();
    if (card === null || finding?.card.stop.id !== card.stop.id || finding.answer === null) return null;
    const wording = this.room.wording();
    return finding.answer
      .filter(({ way }) => this.isAtHand(way))
      .map((one) => ({
        way: one.way,
        text: wayText(one.way, card, wording),
        before: Math.round(one.chanceBefore * 100),
        after: Math.round(one.chanceAfter * 100),
        cost: wayCost(one, wording),
      }));
  });

  /** A tripod that stays at home is no way out. */
  private isAtHand(way: WayOut): boolean {
    if (way.kind !== 'support' || way.support !== 'tripod') return true;
    return ofKind(this.room.workspace()?.kit ?? [], 'support').some(({ supportKind, inBag }) => supportKind !== 'wall' && inBag);
  }

  protected take(way: WayOut): void {
    const card = this.room.card();
    if (card !== null) this.stopActions.takeWayOut(card, way);
  }
}
