import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { isoCeilingOf } from '@roam-dial/core';
import type { Card } from '../../../state/card.store';
import { WalkActions } from '../../../state/actions/walk.actions';
import { FindingsStore } from '../../../state/findings.store';
import { changeText } from '../../../wording/changes';
import { homeChecks, homeText } from '../../../wording/home-checks';
import { RoomState } from '../room-state';

/** The home state: the one set-up to return to, what each stop loses by it, and what to check before setting off. */
@Component({
  selector: 'rd-home-panel',
  imports: [MatButtonModule, MatCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './home-panel.html',
  styleUrls: ['../page.scss', './home-panel.scss'],
})
export class HomePanel {
  private readonly room = inject(RoomState);
  private readonly walkActions = inject(WalkActions);
  private readonly finding = toSignal(inject(FindingsStore).home$, { initialValue: null });

  protected readonly homeView = computed(() => {
    const [finding, card] = [this.finding(), this.room.card()];
    const first = finding?.home.stops[0];
    if (finding === null || first === undefined || card === null) return null;
    const { home, kit } = finding;
    const wording = this.room.wording();
    const nameOf = (id: string): string => card.walk.stops.find((stop) => stop.id === id)?.name ?? '';
    const ceiling = isoCeilingOf(kit.body, card.standard);
    const checked = new Set(card.walk.homeChecked ?? []);
    const checks = homeChecks(home, kit, ceiling, wording).map((check) => ({ ...check, isDone: checked.has(check.id) }));
    return {
      set: homeText(home.hand, first.atHome.camera.shutterS, kit, wording),
      mean: Math.round(home.meanChance * 100),
      stops: home.stops.map(({ id, atHome, best, loss, changes }) => ({
        id,
        name: nameOf(id),
        atHome: Math.round(atHome.chance * 100),
        best: Math.round(best.chance * 100),
        loss: Math.round(loss * 100),
        changes: changes.map((change) => changeText(change, atHome.hand.fNumber, kit, wording)).join(', '),
      })),
      leftOut: home.leftOut.map(nameOf).join(', '),
      checks,
      isReady: checks.every(({ isDone }) => isDone),
    };
  });

  protected setDone(id: string, isDone: boolean): void {
    const card = this.room.card();
    if (card === null) return;
    const others = (card.walk.homeChecked ?? []).filter((one) => one !== id);
    this.tick(card, isDone ? [...others, id] : others);
  }

  protected uncheckAll(): void {
    const card = this.room.card();
    if (card !== null) this.tick(card, []);
  }

  private tick({ walk }: Card, homeChecked: readonly string[]): void {
    this.walkActions.tickHome(walk, homeChecked);
  }
}
