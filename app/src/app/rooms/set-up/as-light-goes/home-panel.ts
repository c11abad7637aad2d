import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { HomeCheckStore } from '../../../state/walk/home-check';
import { changeText } from '../../../words/set-up/changes';
import { RoomState } from '../room-state';
import { Term } from '../../../ui/term';

/** The home state: the one set-up to return to, what each stop loses by it, and what to check before setting off. */
@Component({
  selector: 'rd-home-panel',
  imports: [Term, MatButtonModule, MatCheckboxModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './home-panel.html',
  styleUrls: ['../page.scss', './home-panel.scss'],
})
export class HomePanel {
  private readonly room = inject(RoomState);
  private readonly homeCheck = inject(HomeCheckStore);
  private readonly found = toSignal(this.homeCheck.home$, { initialValue: null });

  protected readonly homeView = computed(() => {
    const [found, card] = [this.found(), this.room.card()];
    if (found === null || card === null) return null;
    const { home, kit, set, checks, isReady } = found;
    const wording = this.room.wording();
    const nameOf = (id: string): string => card.walk.stops.find((stop) => stop.id === id)?.name ?? '';
    return {
      set,
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
      isReady,
    };
  });

  protected setDone(id: string, isDone: boolean): void {
    const card = this.room.card();
    if (card !== null) this.homeCheck.tick(card.walk, id, isDone);
  }

  protected uncheckAll(): void {
    const card = this.room.card();
    if (card !== null) this.homeCheck.untickAll(card.walk);
  }
}
