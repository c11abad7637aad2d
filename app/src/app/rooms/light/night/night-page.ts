import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MINUTES_PER_WALK, walkClock } from '@roam-dial/core/light';
import { lightSiteOf, lightInputFor } from '@roam-dial/core/plan';
import { areStreetLamps, type NightInput, nightOfStop, NOON_MIN } from '@roam-dial/core/stop';
import { cloudOf } from '@roam-dial/core/walk';
import { DaysStore } from '../../../state/light/days.store';
import { windowSpan } from '../../../words/windows';
import { LightState } from '../light-state';
import { NightChart } from './night-chart';
import { darkSentence, nightFigures } from './night-words';

const NO_SUCH_DAY = 'The clocks of this place skip this day: choose another.';

/** The night of the walk's date at the stop: how dark, under which lamps, with which moon, and when the picture is darkest and brightest. */
@Component({
  selector: 'rd-light-night',
  imports: [NightChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @if (view(); as v) {
      <section>
        <h2>{{ v.dark }}</h2>
        <rd-night-chart
          [night]="v.night"
          [sunAltitudeDeg]="v.sunAltitudeDeg"
          [minute]="room.minute()"
          [nextDay]="v.nextDay"
          [lampsWords]="v.lampsWords"
          [sayTime]="sayTime()"
          [sayHour]="sayHour()"
          [sentence]="v.sentence"
        />
        <p class="soft under">
          Heavy: the moon within the frame’s width. Dashed: 6, 12 and 18° under, where civil, nautical and astronomical twilight
          end.
        </p>
        <dl class="figures">
          @for (figure of v.figures; track figure.name) {
            <div>
              <dt>{{ figure.name }}</dt>
              <dd class="figure">{{ figure.value }}</dd>
              <dd class="note">{{ figure.note }}</dd>
            </div>
          }
        </dl>
      </section>
    } @else {
      <section>
        <p role="status">{{ waiting() }}</p>
      </section>
    }
  `,
  styleUrls: ['../../set-up/page.scss', '../figures.scss'],
})
export class NightOfStopPage {
  protected readonly room = inject(LightState);
  private readonly days = inject(DaysStore);

  protected readonly sayTime = computed(() => (minute: number) => this.room.wording().clock(minute));
  protected readonly sayHour = computed(() => (minute: number) => this.room.wording().hour(minute));
  private readonly byStop = toSignal(this.days.days$);
  private readonly isStopped = toSignal(this.days.isStopped$, { initialValue: false });
  protected readonly waiting = computed(() => {
    const stop = this.room.stop();
    if (stop === null) return 'There is no stop yet whose night could be told.';
    if (this.byStop()?.get(stop.id) === null) return NO_SUCH_DAY;
    return this.isStopped() ? 'Measuring was stopped: go on above.' : 'The light of this night is being measured.';
  });

  private readonly night = computed(() => {
    const [workspace, walk, stop, day] = [this.room.workspace(), this.room.walk(), this.room.stop(), this.room.day()];
    if (workspace === undefined || walk === null || stop === null || day === null) return null;
    if (day.keyEv100.length < MINUTES_PER_WALK) return null;
    const { latitude, longitude, timeZone, halfFieldDeg } = lightInputFor(workspace, walk, stop);
    const { shootingBearingDeg, streetAxisDeg, lampsOut } = lightSiteOf(walk, stop);
    const cloud = cloudOf(walk);
    const input: NightInput = {
      ...{ latitude, longitude, timeZone, halfFieldDeg, shootingBearingDeg, streetAxisDeg },
      day: walk.day,
      cloud: typeof cloud === 'number' ? cloud : (cloud.at(-1) ?? 0),
      ...(lampsOut === undefined || !areStreetLamps(stop.lamps) || stop.hours !== null ? {} : { lampsOut }),
    };
    const night = nightOfStop(input, day);
    return night === null ? null : { night, day, walk, stop };
  });
  protected readonly view = computed(() => {
    const [found, wording] = [this.night(), this.room.wording()];
    if (found === null) return null;
    const { night, day, walk, stop } = found;
    const dark = darkSentence(night, wording);
    const ofNight = day.duskBalance.filter(({ fromMin }) => fromMin >= NOON_MIN);
    const balance = ofNight.map((window) => windowSpan(window, wording)).join(' and ');
    const figures = nightFigures(night, { balance, hasStreetLamps: areStreetLamps(stop.lamps) && stop.hours === null }, wording);
    const moon = figures.find(({ name }) => name === 'Moon');
    return {
      ...{ night, dark, figures },
      sunAltitudeDeg: day.sunAltitudeDeg,
      nextDay: wording.weekday(walkClock(walk.day, walk.place.timeZone)?.nextDay ?? walk.day),
      lampsWords: night.lampsOut === null ? '' : night.lampsOut.leftShare === 0 ? 'lamps out' : 'lamps dimmed',
      sentence: `${dark}. Moon ${moon?.value ?? ''}: ${moon?.note ?? ''}`,
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(this.days.lookPastMidnight());
  }
}
