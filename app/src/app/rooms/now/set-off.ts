import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatCheckboxModule } from '@angular/material/checkbox';
import { RouterLink } from '@angular/router';
import { minuteAt } from '@roam-dial/core/outing';
import { isOfWalk, stopsToday } from '@roam-dial/core/walk';
import { DateTime } from 'luxon';
import { today } from '../../base/today';
import { OutingActions } from '../../state/outing/outing.actions';
import { DeviceClock } from '../../state/device/device-clock';
import { FocusStore } from '../../state/selection/focus.store';
import { HomeCheckStore } from '../../state/walk/home-check';
import { wordingSignal } from '../../state/workspace/wording.store';
import { nameOf } from '../../words/name';
import { timeOn } from '../../words/walk/times';

/** Before the first step: the home state to go through, and off; on another day than the walk's, the ways to do it all the same. */
@Component({
  selector: 'rd-set-off',
  imports: [MatButtonModule, MatCheckboxModule, RouterLink],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './set-off.html',
  styleUrl: './set-off.scss',
})
export class SetOff {
  protected readonly actions = inject(OutingActions);
  private readonly clock = inject(DeviceClock);
  protected readonly homeCheck = inject(HomeCheckStore);
  private readonly focus = toSignal(inject(FocusStore).focus$);
  protected readonly home = toSignal(this.homeCheck.home$, { initialValue: null });
  protected readonly wording = wordingSignal();

  protected readonly view = computed(() => {
    const walk = this.focus()?.walk ?? null;
    if (walk === null) return null;
    const stops = stopsToday(walk);
    const [first] = stops;
    const day = today(DateTime.fromMillis(this.clock.nowMs(), { zone: walk.place.timeZone }));
    return {
      walk,
      name: nameOf(walk),
      first,
      firstWords: first === undefined ? '' : `First ${nameOf(first)} at ${timeOn(walk, first.arriveMin, this.wording())}`,
      count: stops.length,
      today: day,
      isToday: isOfWalk(walk, minuteAt(walk, this.clock.nowMs())),
      day: this.wording().day(walk.day),
      todayWords: this.wording().day(day),
    };
  });
}
