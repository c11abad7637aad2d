import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import type { ReadForecast } from '@roam-dial/core/formats/maps';
import {
  cloudAt,
  dayOfMinute,
  walkClock,
  glareAngleDeg,
  moonView,
  POLARISER_PRICE_EV,
  polariserView,
  sunPosition,
} from '@roam-dial/core/light';
import { placeOf } from '@roam-dial/core/plan';
import { simulatedCloud } from '@roam-dial/core/stand-ins';
import { cloudOf, goesPastMidnight, type Walk } from '@roam-dial/core/walk';
import { MapsService } from '../../../reading/maps.service';
import { StopActions } from '../../../state/walk/stop.actions';
import { WalkActions } from '../../../state/walk/walk.actions';
import { LightState } from '../light-state';
import { moonSentence } from '../light-words';
import { nameOf } from '../../../words/name';

/** Another of the forecasts that could be: the next seed. */
function seedOf({ place }: Walk, count: number): number {
  return Math.round(Math.abs(place.latitude) * 1000) + count;
}

const HEIGHT = 64;
const HOURS = 24;

/** What the sky does that day: cloud by the hour, the polariser, the moon, and what a reading said. */
@Component({
  selector: 'rd-light-sky',
  imports: [MatButtonModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './sky-page.html',
  styleUrls: ['../../set-up/page.scss', './sky-page.scss'],
})
export class SkyPage {
  protected readonly room = inject(LightState);
  private readonly walkActions = inject(WalkActions);
  private readonly stopActions = inject(StopActions);
  private readonly maps = inject(MapsService);
  private readonly drawn = signal(0);
  protected readonly problem = signal<string | null>(null);
  protected readonly height = HEIGHT;

  protected readonly source = computed(() => {
    const walk = this.room.walk();
    if (walk?.forecast === undefined) return 'One figure for the whole day, from the walk’s own fields.';
    return walk.forecast.source === 'simulated'
      ? 'A simulated forecast: made up, the same each time.'
      : 'Your own forecast, by the hour.';
  });
  protected readonly hasForecast = computed(() => this.room.walk()?.forecast !== undefined);
  protected readonly hours = computed(() => {
    const walk = this.room.walk();
    if (walk === null) return [];
    // The morning after matters to a walk that goes on into it.
    const count = goesPastMidnight(walk) ? (walk.forecast?.cloudByHour.length ?? HOURS) : HOURS;
    return Array.from({ length: count }, (_, hour) => {
      const cloud = cloudAt(cloudOf(walk), hour * 60);
      const wording = this.room.wording();
      const label =
        hour === HOURS ? wording.weekday(dayOfMinute(walk.day, walk.place.timeZone, hour * 60)) : wording.hour(hour * 60);
      return { hour, cloud, percent: Math.round(100 * cloud), label, height: cloud * HEIGHT };
    });
  });
  protected readonly nowCloud = computed(() => {
    const walk = this.room.walk();
    return walk === null ? 0 : Math.round(100 * cloudAt(cloudOf(walk), this.room.minute()));
  });

  protected readonly polariser = computed(() => {
    const [stop, light] = [this.room.stop(), this.room.light()];
    if (stop === null || light === null) return null;
    const { sun } = light;
    if (sun.altitudeDeg <= 0) return { value: 'nothing to darken', note: 'The sun is down.' };
    const view = polariserView({ sun, look: { azimuthDeg: stop.shootingBearingDeg, altitudeDeg: 15 } });
    const best = [-90, 90].map((turn) => Math.round((((sun.azimuthDeg + turn) % 360) + 360) % 360)).join('° and ');
    return {
      value: `${view.skyDarkerEv.toFixed(1)} stops darker`,
      note: `The sky in the frame is ${Math.round(view.fromSunDeg)}° off the sun. Strongest 90° off it: low sky at bearings ${best}°. It costs ${POLARISER_PRICE_EV} stops everywhere.`,
    };
  });
  protected readonly glare = `Glare goes best when you look ${Math.round(glareAngleDeg('water'))}° down onto water, or at a pane ${Math.round(glareAngleDeg('glass'))}° off its face.`;

  /** Where the selected stop has its moon. */
  private readonly here = computed(() => {
    const [walk, stop] = [this.room.walk(), this.room.stop()];
    return walk === null ? null : stop === null ? walk.place : placeOf(walk, stop);
  });
  protected readonly moon = computed(() => {
    const [walk, here] = [this.room.walk(), this.here()];
    if (walk === null || here === null) return '';
    const clock = walkClock(walk.day, walk.place.timeZone);
    if (clock === null) return '';
    const minute = this.room.minute();
    return moonSentence(moonView({ ...here, time: new Date(clock.msAt(minute)) }), this.room.wording().clock(minute));
  });
  /** The moon at the stops that are visited with the sun down. */
  protected readonly moons = computed(() => {
    const walk = this.room.walk();
    const clock = walk === null ? null : walkClock(walk.day, walk.place.timeZone);
    if (walk === null || clock === null) return [];
    return walk.stops.flatMap((stop) => {
      const middle = Math.round((stop.arriveMin + stop.leaveMin) / 2);
      const time = new Date(clock.msAt(middle));
      const isNight = [stop.arriveMin, middle, stop.leaveMin].some((minute) => {
        const sun = sunPosition({ ...placeOf(walk, stop), time: new Date(clock.msAt(minute)), refraction: 'none' });
        return sun.altitudeDeg < 0;
      });
      const view = moonView({ ...placeOf(walk, stop), time });
      return isNight ? [{ id: stop.id, name: nameOf(stop), words: moonSentence(view, this.room.wording().clock(middle)) }] : [];
    });
  });

  protected readonly reading = computed(() => {
    const stop = this.room.stop();
    if (stop === null || stop.lightOffsetEv === 0) return null;
    const size = this.room
      .wording()
      .stops(Math.abs(stop.lightOffsetEv), 'third')
      .replace(/^[+−-]/, '');
    return `A reading at ${nameOf(stop, 'this stop')} puts the light ${size} stops ${stop.lightOffsetEv > 0 ? 'over' : 'under'} the model, from then on.`;
  });

  protected simulate(): void {
    const walk = this.room.walk();
    if (walk === null) return;
    const drawn = (count: number): readonly number[] => simulatedCloud({ day: walk.day, seed: seedOf(walk, count) });
    // The first that is not on screen already, whenever the page was opened.
    const shown = JSON.stringify(walk.forecast?.cloudByHour);
    let count = this.drawn();
    while (JSON.stringify(drawn(count)) === shown) count++;
    const cloudByHour = drawn(count);
    this.drawn.set(count + 1);
    this.setForecast({ source: 'simulated', cloudByHour });
  }

  protected readFile(event: Event): void {
    const field = event.target as HTMLInputElement;
    const file = field.files?.[0];
    field.value = '';
    const walk = this.room.walk();
    if (file === undefined || walk === null) return;
    this.maps.readForecast(file, walk.day).subscribe((step) => {
      if (step.kind === 'done') this.take(file.name, step.answer);
      else if (step.kind !== 'progress') this.problem.set(`${file.name}: ${step.message} Nothing was changed.`);
    });
  }

  private take(fileName: string, read: ReadForecast): void {
    const where = read.ok || read.where === null ? '' : ` (${read.where})`;
    this.problem.set(read.ok ? null : `${fileName}: ${read.message}${where} Nothing was changed.`);
    if (read.ok) this.setForecast({ source: 'own', cloudByHour: read.cloudByHour });
  }

  protected dropForecast(): void {
    const walk = this.room.walk();
    if (walk !== null) this.walkActions.setOneSky(walk);
  }

  protected dropReading(): void {
    const [walk, stop] = [this.room.walk(), this.room.stop()];
    if (walk !== null && stop !== null) this.stopActions.dropReading({ walk, stop });
  }

  private setForecast(forecast: NonNullable<Walk['forecast']>): void {
    const walk = this.room.walk();
    if (walk !== null) this.walkActions.setForecast(walk, forecast);
  }
}
