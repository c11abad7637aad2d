import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { MatIconModule } from '@angular/material/icon';
import { MatProgressBarModule } from '@angular/material/progress-bar';
import { RouterOutlet } from '@angular/router';
import { pictureLightAt } from '@roam-dial/core/stop';
import { AppActions } from '../../state/app/app.actions';
import { DaysStore } from '../../state/light/days.store';
import { phoneLayout } from '../../state/device/phone-layout';
import { PageTabs } from '../../ui/page-tabs';
import { missingWords, pictureLightWords, reasonWords } from '../../words/windows';
import { RibbonHead } from '../../shared/ribbon/ribbon-head';
import { LightState } from './light-state';
import { YearState } from './year/year-state';
import { nameOf } from '../../words/name';

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
  protected readonly isPhone = phoneLayout();
  private readonly light = computed(() => {
    const day = this.room.day();
    return day === null ? null : pictureLightAt(day, this.room.minute());
  });
  protected readonly headline = computed(() => {
    const light = this.light();
    return light === null ? 'Calculating the light' : pictureLightWords(light, this.room.minute(), this.room.wording());
  });
  protected readonly because = computed(() => {
    const light = this.light();
    if (light === null) return '';
    const wording = this.room.wording();
    if (light.kind === 'never') return light.missing === null ? '' : missingWords(light.missing, wording);
    const { opens, closes } = light.window;
    if (light.kind === 'later') return `It begins when ${reasonWords(opens, this.room.knowsWalls()).opens}.`;
    return `It ${light.kind === 'over' ? 'ended' : 'ends'} when ${reasonWords(closes, this.room.knowsWalls()).closes}.`;
  });
  protected readonly progress = computed(() => {
    const progress = this.room.progress();
    if (progress === null) return null;
    const doing = progress.doing === 'measuring' ? 'Measuring the walls around' : 'Calculating the day at';
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
          return 'This stop has no position yet, so open-street light is shown: tap the plan where you will stand.';
        if (this.room.district() !== null)
          return 'This stop is outside the map, where no walls are known, so open-street light is shown.';
        return 'No walls are known here, so open-street light is shown. Add walls or a map under Buildings.';
    }
  });
}
