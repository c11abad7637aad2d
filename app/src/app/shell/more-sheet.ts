import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatBottomSheetRef } from '@angular/material/bottom-sheet';
import { RouterLink, RouterLinkActive } from '@angular/router';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { AppActions } from '../state/app/app.actions';
import { OutingStore } from '../state/outing/outing.store';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import { barOf, ROOMS } from './rooms';

/** In the hand: what the bar has no room for, and the last steps to be taken back. */
@Component({
  selector: 'rd-more-sheet',
  imports: [RouterLink, RouterLinkActive],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <nav aria-label="More rooms">
      @for (room of rooms(); track room.path) {
        <a
          [routerLink]="'/' + room.path"
          queryParamsHandling="preserve"
          routerLinkActive="here"
          ariaCurrentWhenActive="page"
          (click)="close()"
        >
          {{ room.name }}
        </a>
      }
    </nav>
    <div class="acts">
      <button type="button" class="plain-button" [disabled]="history().undo === null" (click)="undo()">
        {{ history().undo === null ? 'Nothing to undo' : 'Undo: ' + history().undo }}
      </button>
      <button type="button" class="plain-button" [disabled]="history().redo === null" (click)="redo()">
        {{ history().redo === null ? 'Nothing to redo' : 'Redo: ' + history().redo }}
      </button>
      <button type="button" class="plain-button" (click)="actions.toggleTheme()">
        {{ isNight() ? 'Day theme' : 'Night theme' }}
      </button>
      <button type="button" class="plain-button" (click)="openSettings()">Settings and data</button>
    </div>
  `,
  styleUrl: './more-sheet.scss',
})
export class MoreSheet {
  private readonly sheet = inject(MatBottomSheetRef<MoreSheet, 'settings'>);
  private readonly store = inject(WorkspaceStore);
  protected readonly actions = inject(AppActions);
  protected readonly history = toSignal(this.store.history$, { initialValue: { undo: null, redo: null } });
  private readonly settings = toSignal(this.store.settings$, { initialValue: DEFAULT_SETTINGS });
  private readonly isRunning = toSignal(inject(OutingStore).isRunning$, { initialValue: false });
  protected readonly isNight = computed(() => this.settings().theme === 'night');
  protected readonly rooms = computed(() => barOf(ROOMS, { isPhone: true, isRunning: this.isRunning(), hasSides: false }).apart);

  protected close(): void {
    this.sheet.dismiss();
  }

  protected undo(): void {
    this.store.undo();
    this.close();
  }

  protected redo(): void {
    this.store.redo();
    this.close();
  }

  protected openSettings(): void {
    this.sheet.dismiss('settings');
  }
}
