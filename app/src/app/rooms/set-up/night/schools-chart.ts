import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { MINUTES_PER_DAY } from '@roam-dial/core/light';
import type { NightSchool, SchoolsOfNight } from '@roam-dial/core/plan';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable, type Tick } from '../../../drawing/plot-frame';
import { placeOn, type TimeDomain, timeScale, timeTicks } from '../../../drawing/time-axis';
import { SCHOOL_NAMES, SCHOOL_WORDS } from './schools-words';

const MARGINS = { leftPx: 52, rightPx: 16, topPx: 16, bottomPx: 26 };
const HEIGHT_PX = 240;
const HOUR_MIN = 60;
const NAME_LEFT_PX = 8;
const DASHES: Readonly<Record<NightSchool, string | null>> = { highIso: null, baseIsoHeld: '7 4', tripod: '2 4' };

/** The chance of each way to photograph in the dark through a night, and when one overtakes the other. */
@Component({
  selector: 'rd-schools-chart',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let f = frame();
    <rd-plot
      name="Good frames in 100 through the night"
      [sentence]="sentence()"
      [frame]="f"
      [xTicks]="times()"
      [yTicks]="levels()"
      [table]="table()"
    >
      <svg:g>
        @for (one of overtakings(); track one.atMin) {
          <line class="overtaking" [attr.x1]="one.x" [attr.x2]="one.x" [attr.y1]="f.top" [attr.y2]="f.base" />
          <text class="time" [attr.x]="one.x + 4" [attr.y]="f.top + 4">{{ sayTime()(one.atMin) }}</text>
        }
        @for (one of lines(); track one.school) {
          <path class="school" [class.leads]="one.leads" [attr.stroke-dasharray]="one.dash" [attr.d]="one.path" />
        }
        @for (one of lines(); track one.school) {
          <text class="name" [class.leads]="one.leads" [attr.x]="one.nameX" [attr.y]="one.nameY">{{ one.name }}</text>
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
    .school {
      fill: none;
      stroke: var(--ink-soft);
      stroke-width: 1.5;
      &.leads {
        stroke: var(--ink);
        stroke-width: 2.5;
      }
    }
    .midnight,
    .overtaking {
      stroke: var(--ink-soft);
      stroke-width: 1;
    }
    .overtaking {
      stroke-dasharray: 2 3;
    }
    .hand {
      stroke: var(--mark);
      stroke-width: 2;
    }
    .name,
    .time {
      fill: var(--ink-soft);
      stroke: var(--paper);
      stroke-width: 4px;
      paint-order: stroke;
      font: 400 0.75rem var(--font-figures);
      &.leads {
        fill: var(--ink);
        font-weight: 650;
      }
    }
  `,
})
export class SchoolsChart {
  readonly night = input.required<SchoolsOfNight>();
  readonly minute = input.required<number>();
  /** What the day that begins at midnight is called. */
  readonly nextDay = input.required<string>();
  readonly sayTime = input.required<(minute: number) => string>();
  readonly sayHour = input.required<(minute: number) => string>();
  readonly sentence = input.required<string>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX);
  private readonly domain = computed((): TimeDomain => {
    const { fromMin, schools } = this.night();
    return { fromMin, toMin: fromMin + Math.max(1, (schools[0]?.chances.length ?? 1) - 1), nextDay: this.nextDay() };
  });
  private readonly x = computed(() => timeScale(this.domain(), this.frame().left, this.frame().right));
  private readonly y = computed(() => scaleLinear([0, 1], [this.frame().base, this.frame().top]));
  protected readonly lines = computed(() => {
    const { fromMin, schools } = this.night();
    const [x, y, now] = [this.x(), this.y(), Math.min(Math.max(this.minute(), fromMin), this.domain().toMin) - fromMin];
    const best = Math.max(...schools.map(({ chances }) => chances[now] ?? 0));
    // Names stand one behind the other, each over its own line.
    const apartPx = (this.frame().right - this.frame().left) / Math.max(1, schools.length);
    return schools.map(({ school, chances }, k) => {
      const at = Math.min(chances.length - 1, Math.round(x.invert(this.frame().left + NAME_LEFT_PX + k * apartPx) - fromMin));
      return {
        school,
        name: SCHOOL_NAMES[school],
        leads: (chances[now] ?? 0) === best,
        dash: DASHES[school],
        path:
          line<number>()
            .x((_, minute) => x(fromMin + minute))
            .y((chance) => y(chance))([...chances]) ?? '',
        nameX: this.frame().left + NAME_LEFT_PX + k * apartPx,
        nameY: Math.max(this.frame().top + 12, y(chances[at] ?? 0) - 7),
      };
    });
  });
  protected readonly overtakings = computed(() => this.night().overtakings.map((one) => ({ ...one, x: this.x()(one.atMin) })));
  protected readonly times = computed(() => timeTicks(this.domain(), this.x(), this.sayHour()));
  protected readonly levels = computed(() =>
    [0, 0.5, 1].map((share): Tick => ({ at: this.y()(share), text: `${100 * share}`, rule: 'plain' })),
  );
  protected readonly table = computed<PlotTable>(() => {
    const { fromMin, schools } = this.night();
    const { toMin } = this.domain();
    const first = Math.ceil(fromMin / HOUR_MIN) * HOUR_MIN;
    const hours = Array.from({ length: Math.max(0, Math.floor((toMin - first) / HOUR_MIN) + 1) }, (_, k) => first + k * HOUR_MIN);
    return {
      columns: ['Time', ...schools.map(({ school }) => SCHOOL_WORDS[school])],
      rows: hours.map((minute) => [
        this.sayTime()(minute),
        ...schools.map(({ chances }) => `${Math.round(100 * (chances[minute - fromMin] ?? 0))} in 100`),
      ]),
    };
  });
  protected readonly midnightX = computed(() => placeOn(this.domain(), this.x(), MINUTES_PER_DAY));
  protected readonly handX = computed(() => placeOn(this.domain(), this.x(), this.minute()));
}
