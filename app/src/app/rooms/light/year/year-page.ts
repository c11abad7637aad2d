import { MatProgressBarModule } from '@angular/material/progress-bar';
import { MatSlideToggleModule } from '@angular/material/slide-toggle';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Router } from '@angular/router';
import { dayOfMinute, MINUTES_PER_DAY } from '@roam-dial/core/light';
import { type CarpetCell, YearCarpet } from './year-carpet';
import { WalkActions } from '../../../state/walk/walk.actions';
import { SelectionStore } from '../../../state/selection/selection.store';
import { ValueField } from '../../../fields/value-field';
import { numberCodec } from '../../../fields/codec';
import { LightState } from '../light-state';
import { YearState } from './year-state';

const MOST_AGAIN = 8;

/** The stop through the year: its carpet, its best days, and when the same light comes again. */
@Component({
  selector: 'rd-light-year',
  imports: [MatProgressBarModule, MatSlideToggleModule, ValueField, YearCarpet],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './year-page.html',
  styleUrls: ['../../set-up/page.scss', './year-page.scss'],
})
export class YearPage {
  protected readonly room = inject(LightState);
  protected readonly year = inject(YearState);
  private readonly walkActions = inject(WalkActions);
  private readonly selection = inject(SelectionStore);
  private readonly router = inject(Router);

  protected readonly angle = numberCodec({ low: 0.2, high: 20, unit: '°', decimals: 1, step: 0.5 });
  protected readonly theme = computed(() => this.room.workspace()?.settings.theme ?? 'light');
  protected readonly percent = computed(() =>
    Math.round((100 * this.year.daysDone()) / Math.max(1, this.year.quality()?.days.length ?? 366)),
  );
  protected readonly best = computed(() => {
    const wording = this.room.wording();
    return this.year.best().map((best) => ({
      ...best,
      words: `${wording.day(best.day)} ${best.day.slice(0, 4)}`,
      minutes: wording.duration(best.goodMinutes),
      at: wording.clock(best.bestMin),
    }));
  });
  protected readonly now = computed(() => {
    const walk = this.room.walk();
    return walk === null ? '' : `${this.room.wording().day(walk.day)}, ${this.room.wording().clock(this.room.minute())}`;
  });
  protected readonly workedWords = computed(() => {
    const worked = this.year.worked();
    return worked === null ? '' : `${this.room.wording().day(worked.day)}, ${this.room.wording().clock(worked.minuteOfDay)}`;
  });
  protected readonly again = computed(() => {
    const wording = this.room.wording();
    return (this.year.again() ?? []).slice(0, MOST_AGAIN).map((run) => ({
      ...run,
      days: run.fromDay === run.toDay ? wording.day(run.day) : `${wording.day(run.fromDay)} to ${wording.day(run.toDay)}`,
      nearest: `${wording.day(run.day)} ${run.day.slice(0, 4)}, ${wording.clock(run.minuteOfDay)}`,
      apart: `${run.apartDeg.toFixed(1)}°`,
      walls: run.isLit === null ? 'walls not known' : run.isLit ? 'let in' : 'shut out by the walls',
    }));
  });

  /** There at that time: the walk's day is changed, which undo takes back. */
  protected go({ day, minute }: CarpetCell): void {
    const walk = this.room.walk();
    if (walk === null) return;
    if (day !== walk.day) this.walkActions.goTo(walk, day, this.room.wording().day(day));
    this.selection.setMinute(minute);
  }

  protected keep(): void {
    const walk = this.room.walk();
    if (walk === null) return;
    const minute = this.room.minute();
    const day = dayOfMinute(walk.day, walk.place.timeZone, minute);
    this.year.worked.set({ day, minuteOfDay: minute % MINUTES_PER_DAY });
  }

  protected showStreet(cell: CarpetCell): void {
    this.go(cell);
    void this.router.navigate(['/light/now'], { queryParamsHandling: 'preserve' });
  }
}
