import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MINUTES_PER_DAY, MINUTES_PER_WALK } from '@roam-dial/core/light';
import { NIGHT_STEP_MIN, type NightOfStop, NOON_MIN } from '@roam-dial/core/stop';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable, type Tick } from '../../../drawing/plot-frame';
import { placeOn, type TimeDomain, timeScale, timeTicks } from '../../../drawing/time-axis';

const MARGINS = { leftPx: 46, rightPx: 16, topPx: 14, bottomPx: 26 };
const HEIGHT_PX = 210;
const BEFORE_MIN = 30;
const HOUR_MIN = 60;
/** The last that a night is looked at. */
const LAST_STEP_MIN = MINUTES_PER_WALK - NIGHT_STEP_MIN;
const LOWEST_DEG = -24;
const LEAST_TOP_DEG = 30;
/** Where the sun does not set or rise the night is drawn from eight to four. */
const WITHOUT_SUN: TimeDomain = { fromMin: 1200, toMin: 1680 };
/** Depths of the sun at which one twilight goes over into the next; there is room to name the last. */
const DEPTHS = [
  { deg: -18, text: '−18°' },
  { deg: -12, text: '' },
  { deg: -6, text: '' },
] as const;

interface Place {
  readonly minute: number;
  readonly deg: number;
}

/** The night of a stop from before sunset to after sunrise: how deep the sun goes, how high the moon stands, and where it is in the frame. */
@Component({
  selector: 'rd-night-chart',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let f = frame();
    <rd-plot
      name="Sun and moon through the night"
      [sentence]="sentence()"
      [frame]="f"
      [xTicks]="times()"
      [yTicks]="levels()"
      [table]="table()"
    >
      <svg:g>
        <line class="horizon" [attr.x1]="f.left" [attr.x2]="f.right" [attr.y1]="y()(0)" [attr.y2]="y()(0)" />
        @if (lampsX(); as lamps) {
          <line class="lamps" [attr.x1]="lamps.x" [attr.x2]="lamps.x" [attr.y1]="f.top" [attr.y2]="f.base" />
          <text class="words" [attr.x]="lamps.x + 5" [attr.y]="f.top + 11">{{ lamps.words }}</text>
        }
        <path class="sun" [attr.d]="sunPath()" />
        <path class="moon" [attr.d]="moonPath()" />
        @for (path of framePaths(); track $index) {
          <path class="in-frame" [attr.d]="path" />
        }
        @for (name of names(); track name.text) {
          <text class="words" [attr.x]="name.x" [attr.y]="name.y">{{ name.text }}</text>
        }
        @if (midnightX(); as x) {
          <line class="midnight" [attr.x1]="x" [attr.x2]="x" [attr.y1]="f.top" [attr.y2]="f.base" />
        }
        @if (handX(); as x) {
          <line class="hand" [attr.x1]="x" [attr.x2]="x" [attr.y1]="f.top" [attr.y2]="f.base" />
        }
      </svg:g>
    </rd-plot>
  `,
  styles: `
    :host {
      display: block;
    }
    .horizon,
    .midnight {
      stroke: var(--ink-soft);
      stroke-width: 1;
    }
    .lamps {
      stroke: var(--ink-soft);
      stroke-dasharray: 2 3;
    }
    .sun {
      fill: none;
      stroke: var(--straw-line);
      stroke-width: 2;
    }
    .moon {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .in-frame {
      fill: none;
      stroke: var(--ink);
      stroke-width: 5;
      stroke-linecap: butt;
    }
    .hand {
      stroke: var(--mark);
      stroke-width: 2;
    }
    .words {
      fill: var(--ink);
      stroke: var(--paper);
      stroke-width: 4px;
      paint-order: stroke;
      font: 400 0.75rem var(--font-figures);
    }
  `,
})
export class NightChart {
  readonly night = input.required<NightOfStop>();
  /** Degrees, by minute of the walk. */
  readonly sunAltitudeDeg = input.required<ArrayLike<number>>();
  readonly minute = input.required<number>();
  /** What the day that begins at midnight is called. */
  readonly nextDay = input.required<string>();
  readonly lampsWords = input('');
  readonly sayTime = input.required<(minute: number) => string>();
  readonly sayHour = input.required<(minute: number) => string>();
  readonly sentence = input.required<string>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX);
  private readonly domain = computed((): TimeDomain => {
    const { sunset, sunrise } = this.night();
    const [from, to] = [(sunset ?? WITHOUT_SUN.fromMin) - BEFORE_MIN, (sunrise ?? WITHOUT_SUN.toMin) + BEFORE_MIN];
    return {
      fromMin: Math.max(NOON_MIN, Math.floor(from / NIGHT_STEP_MIN) * NIGHT_STEP_MIN),
      toMin: Math.min(LAST_STEP_MIN, Math.ceil(to / NIGHT_STEP_MIN) * NIGHT_STEP_MIN),
      nextDay: this.nextDay(),
    };
  });
  private readonly x = computed(() => timeScale(this.domain(), this.frame().left, this.frame().right));
  private readonly steps = computed(() => {
    const { fromMin, toMin } = this.domain();
    return Array.from({ length: (toMin - fromMin) / NIGHT_STEP_MIN + 1 }, (_, k) => fromMin + k * NIGHT_STEP_MIN);
  });
  private readonly moons = computed<readonly Place[]>(() =>
    this.steps().map((minute) => ({
      minute,
      deg: this.night().moon.altitudesDeg[(minute - NOON_MIN) / NIGHT_STEP_MIN] ?? LOWEST_DEG,
    })),
  );
  private readonly suns = computed<readonly Place[]>(() =>
    this.steps().map((minute) => ({ minute, deg: this.sunAltitudeDeg()[minute] ?? LOWEST_DEG })),
  );
  protected readonly y = computed(() => {
    const highest = Math.max(LEAST_TOP_DEG, ...this.moons().map(({ deg }) => deg + 6));
    return scaleLinear([LOWEST_DEG, highest], [this.frame().base, this.frame().top]).clamp(true);
  });
  private readonly path = computed(() => {
    const [x, y] = [this.x(), this.y()];
    return (places: readonly Place[]): string =>
      line<Place>()
        .defined(({ deg }) => deg > LOWEST_DEG)
        .x(({ minute }) => x(minute))
        .y(({ deg }) => y(deg))([...places]) ?? '';
  });
  protected readonly sunPath = computed(() => this.path()(this.suns()));
  protected readonly moonPath = computed(() => this.path()(this.moons()));
  protected readonly framePaths = computed(() =>
    this.night().moon.inFrame.map(({ fromMin, toMin }) =>
      this.path()(this.moons().filter(({ minute }) => minute >= fromMin && minute <= toMin)),
    ),
  );
  /** Each by the highest that is seen of it. */
  protected readonly names = computed(() => {
    const highest = (places: readonly Place[]): Place | undefined =>
      places.reduce<Place | undefined>((best, one) => (best === undefined || one.deg > best.deg ? one : best), undefined);
    const moon = highest(this.moons());
    const sun = this.suns()[0];
    const at = (place: Place, text: string) => ({ text, x: this.x()(place.minute) + 6, y: this.y()(place.deg) - 6 });
    const isUp = moon !== undefined && moon.deg > 0;
    return [...(isUp ? [at(moon, 'moon')] : []), ...(sun === undefined ? [] : [at(sun, 'sun')])];
  });
  protected readonly times = computed(() => timeTicks(this.domain(), this.x(), this.sayHour()));
  protected readonly levels = computed((): readonly Tick[] => [
    ...DEPTHS.map(({ deg, text }): Tick => ({ at: this.y()(deg), text, rule: 'dashed' })),
    { at: this.y()(0), text: '0°' },
    { at: this.y()(LEAST_TOP_DEG), text: `${LEAST_TOP_DEG}°`, rule: 'plain' },
  ]);
  protected readonly table = computed<PlotTable>(() => ({
    columns: ['Time', 'Sun', 'Moon'],
    rows: this.steps().flatMap((minute, k) => {
      const degrees = (places: readonly Place[]): string => `${Math.round(places[k]?.deg ?? 0)}°`.replace('-', '−');
      return minute % HOUR_MIN === 0 ? [[this.sayTime()(minute), degrees(this.suns()), degrees(this.moons())]] : [];
    }),
  }));
  protected readonly midnightX = computed(() => placeOn(this.domain(), this.x(), MINUTES_PER_DAY));
  protected readonly handX = computed(() => placeOn(this.domain(), this.x(), this.minute()));
  protected readonly lampsX = computed(() => {
    const out = this.night().lampsOut;
    const x = out === null || this.lampsWords() === '' ? null : placeOn(this.domain(), this.x(), out.fromMin);
    return x === null ? null : { x, words: this.lampsWords() };
  });
}
