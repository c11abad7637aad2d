import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterOutlet } from '@angular/router';
import { AppActions } from '../../state/actions/app.actions';
import { DaysStore } from '../../state/days.store';
import { phoneLayout } from '../../state/phone-layout';
import { PageTabs } from '../../ui/page-tabs';
import { leftSentence, reasonWords, windowAt } from '../../wording/windows';
import { RibbonHead } from '../ribbon';
import { LightState } from './light-state';
import { YearState } from './year-state';
import { nameOf } from '../../wording/name';

/** The light room: when this stop has its light, why, how long, and when again. */
@Component({
  selector: 'rd-light-view',
  imports: [MatIconModule, MatProgressBarModule, PageTabs, RibbonHead, RouterOutlet],
  providers: [LightState, YearState],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './light-view.html',
  styleUrl: './light-view.scss',
})
export class LightView {
  protected readonly room = inject(LightState);
  protected readonly actions = inject(AppActions);
  protected readonly days = inject(DaysStore);
  protected readonly pages = [
    { path: '/light/now', name: 'Street' },
    { path: '/light/year', name: 'Year' },
    { path: '/light/sky', name: 'Sky' },
    { path: '/light/district', name: 'Buildings' },
  ];
  protected readonly isPhone = phoneLayout();
  protected readonly headline = computed(() => {
    const day = this.room.day();
    return day === null ? 'The light is being worked out' : leftSentence(day.windows, this.room.minute(), this.room.wording());
  });
  protected readonly because = computed(() => {
    const found = windowAt(this.room.day()?.windows ?? [], this.room.minute());
    if (found === null) return '';
    const { window, isOpen } = found;
    const wording = this.room.wording();
    if (!isOpen) return `At ${wording.clock(window.fromMin)}, when ${reasonWords(window.opens, this.room.knowsWalls()).opens}.`;
    return `Until ${wording.clock(window.toMin)}, when ${reasonWords(window.closes, this.room.knowsWalls()).closes}.`;
  });
  protected readonly progress = computed(() => {
    const progress = this.room.progress();
    if (progress === null) return null;
    const doing = progress.doing === 'measuring' ? 'Measuring the walls round' : 'Reckoning the day of';
    return {
      words: `${doing} ${nameOf({ name: progress.stopName }, 'a stop')}, ${progress.left} ${progress.left === 1 ? 'stop' : 'stops'} to go`,
      percent: Math.round(100 * progress.share),
    };
  });
  protected readonly ground = computed(() => {
    switch (this.room.site().kind) {
      case 'district':
        return '';
      case 'section':
        return 'From the street’s two walls and its axis.';
      case 'none':
        if (this.room.district() !== null && this.room.stop()?.position === null)
          return 'This stop stands nowhere on the map yet, so this is the light of an open street: tap the plan where you stand.';
        if (this.room.district() !== null)
          return 'This stop stands outside the map, where no walls are known: the light is that of an open street.';
        return 'No walls are known here: the light is that of an open street. Give the walls or a map under Buildings.';
    }
  });
}
