import { ChangeDetectionStrategy, Component, computed, DestroyRef, inject } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import { LAST_WALK_MINUTE, MINUTES_PER_DAY, MINUTES_PER_WALK, walkClock } from '@roam-dial/core/light';
import { schoolsOfNight } from '@roam-dial/core/plan';
import { NOON_MIN, type StopDay } from '@roam-dial/core/stop';
import { distinctUntilChanged, map, of } from 'rxjs';
import { CardStore } from '../../../state/card/card.store';
import { DaysStore } from '../../../state/light/days.store';
import { askLatest } from '../../../workers/answers';
import { SetUpClient } from '../../../workers/set-up/set-up.client';
import { RoomState } from '../room-state';
import { SchoolsChart } from './schools-chart';
import { overtakingSentence, schoolsNow } from './schools-words';

const NO_SUCH_DAY = 'The clocks of this place skip this day: choose another.';

/** From sunset to sunrise; where the sun does neither, from six to six. */
function darkSpan({ sunAltitudeDeg }: StopDay): readonly [number, number] {
  const isDown = (minute: number): boolean => (sunAltitudeDeg[minute] ?? 0) < 0;
  let from = NOON_MIN;
  while (from < MINUTES_PER_DAY && !isDown(from)) from++;
  let to = LAST_WALK_MINUTE;
  while (to > MINUTES_PER_DAY && !isDown(to)) to--;
  return isDown(from) && isDown(to) ? [from, to] : [MINUTES_PER_DAY - NOON_MIN / 2, MINUTES_PER_DAY + NOON_MIN / 2];
}

/** The three ways to photograph in the dark at the stop, side by side for the whole night: chance by the hour, and who overtakes whom when. */
@Component({
  selector: 'rd-set-up-night',
  imports: [SchoolsChart],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <section>
      <h2>The night: high ISO, base ISO held, or the tripod</h2>
      @if (view(); as v) {
        <p>{{ v.sentence }}</p>
        <rd-schools-chart
          [night]="v.night"
          [minute]="minute()"
          [nextDay]="v.nextDay"
          [sayTime]="sayTime()"
          [sayHour]="sayHour()"
          [sentence]="v.spoken"
        />
        <p class="under figure">{{ v.now }}</p>
        <p class="soft under">
          Good frames in 100 by the stop’s light through the night, with its own focus and depth. Choose one of them under
          <b>As light goes</b>
          .
        </p>
      } @else {
        <p class="soft" role="status">{{ waiting() }}</p>
      }
    </section>
  `,
  styleUrl: '../page.scss',
})
export class SchoolsOfNightPage {
  private readonly room = inject(RoomState);
  private readonly days = inject(DaysStore);
  private readonly client = inject(SetUpClient);
  private readonly byStop = toSignal(this.days.days$);
  private readonly focus = toSignal(inject(CardStore).focus$);

  protected readonly minute = computed(() => this.focus()?.minuteOfDay ?? 0);
  protected readonly sayTime = computed(() => (minute: number) => this.room.wording().clock(minute));
  protected readonly sayHour = computed(() => (minute: number) => this.room.wording().hour(minute));
  protected readonly waiting = computed(() => {
    const stop = this.stop();
    if (stop === null || this.room.card() === null) return 'There is no card for this stop yet.';
    if (this.byStop()?.get(stop.id) === null) return NO_SUCH_DAY;
    if (this.isStopped()) return 'Measuring was stopped: go on with it in Light.';
    if (this.light() === null) return 'The light of this night is being measured.';
    return this.answer()?.schools === null ? 'This could not be calculated: choose the stop again.' : 'Comparing…';
  });

  private readonly isStopped = toSignal(this.days.isStopped$, { initialValue: false });
  /** The same objects while only the minute moves: what is worked out from them is not worked out again. */
  private readonly walk = computed(() => this.focus()?.walk ?? null);
  private readonly stop = computed(() => this.focus()?.stop ?? null);
  /** The light through the night; null before it is measured. */
  private readonly light = computed(() => {
    const stop = this.stop();
    const day = this.byStop()?.get(stop?.id ?? '') ?? null;
    if (stop === null || day === null || day.keyEv100.length < MINUTES_PER_WALK) return null;
    const [fromMin, toMin] = darkSpan(day);
    const offsetEv = stop.lightOffsetEv - day.readingOffsetEv;
    const evAt = (minute: number): number => (day.keyEv100[minute] as number) + offsetEv;
    const night = Array.from({ length: toMin - fromMin + 1 }, (_, k) => evAt(fromMin + k));
    return { stop, fromMin, toMin, evAt, lowEv100: Math.min(...night), highEv100: Math.max(...night) };
  });
  /** By all that it depends on but the minute: another minute asks for the same night. */
  private readonly question = computed(() => {
    const [light, card] = [this.light(), this.room.card()];
    if (light === null || card?.stop.id !== light.stop.id) return null;
    const { lowEv100, highEv100 } = light;
    const { light: _, ...lasting } = card.input;
    return { key: JSON.stringify([lasting, lowEv100, highEv100]), input: card.input, lowEv100, highEv100 };
  });
  private readonly key = computed(() => this.question()?.key ?? null);
  private readonly answer = toSignal(
    toObservable(this.question).pipe(
      distinctUntilChanged((a, b) => a?.key === b?.key),
      askLatest((question) => {
        if (question === null) return of(null);
        const { key, ...asked } = question;
        return this.client.ask({ kind: 'night', ...asked }).pipe(map((schools) => ({ schools, key })));
      }),
    ),
    { initialValue: null },
  );
  private readonly night = computed(() => {
    const [light, answer] = [this.light(), this.answer()];
    if (light === null || answer?.schools == null || answer.key !== this.key()) return null;
    return schoolsOfNight(answer.schools, light.evAt, light.fromMin, light.toMin);
  });
  protected readonly view = computed(() => {
    const [night, light, walk, wording] = [this.night(), this.light(), this.walk(), this.room.wording()];
    if (night === null || light === null || walk === null) return null;
    const sentence = overtakingSentence(night, wording);
    const isNight = this.minute() >= light.fromMin && this.minute() <= light.toMin;
    const now = isNight ? `At ${wording.clock(this.minute())}: ${schoolsNow(night, this.minute())}.` : '';
    return {
      ...{ night, sentence, now },
      spoken: `${sentence} ${now}`.trim(),
      nextDay: wording.weekday(walkClock(walk.day, walk.place.timeZone)?.nextDay ?? walk.day),
    };
  });

  constructor() {
    inject(DestroyRef).onDestroy(this.days.lookPastMidnight());
  }
}
