import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { RouterOutlet } from '@angular/router';
import { AppActions } from '../../state/app/app.actions';
import { phoneLayout } from '../../state/device/phone-layout';
import { PageTabs } from '../../ui/page-tabs';
import { RibbonHead } from '../../shared/ribbon/ribbon-head';
import { SettingsBar } from './settings-bar';
import { RoomState } from './room-state';
import { nameOf } from '../../words/name';
import { NO_CARD_WORDS } from '../../words/set-up/no-card';

/** The set-up room: why the card says what it says, what else could be set, and how to stand and hold. */
@Component({
  selector: 'rd-set-up-view',
  imports: [SettingsBar, MatIconModule, PageTabs, RibbonHead, RouterOutlet],
  providers: [RoomState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <h1 class="visually-hidden">Set-up</h1>
    @if (isPhone()) {
      <div class="stops">
        <button type="button" class="plain-button" aria-label="Stop before" (click)="actions.stepStop(-1)">
          <mat-icon svgIcon="before" />
        </button>
        <strong>{{ stopName() }}</strong>
        <button type="button" class="plain-button" aria-label="Next stop" (click)="actions.stepStop(1)">
          <mat-icon svgIcon="next" />
        </button>
      </div>
    }
    <rd-ribbon-head [isPhone]="isPhone()" [gutter]="isPhone() ? 92 : 124" />
    <rd-page-tabs>
      @if (room.card(); as card) {
        <rd-hand-bar class="hand" />
        <router-outlet />
      } @else if (room.missing(); as none) {
        <p class="missing" role="status">{{ words[none.reason] }} {{ none.detail }}</p>
      }
    </rd-page-tabs>
  `,
  styleUrl: './set-up-view.scss',
})
export class SetUpView {
  protected readonly room = inject(RoomState);
  protected readonly actions = inject(AppActions);
  protected readonly stopName = computed(() => nameOf(this.room.card()?.stop ?? { name: '' }));
  protected readonly words = NO_CARD_WORDS;
  protected readonly isPhone = phoneLayout();
}
