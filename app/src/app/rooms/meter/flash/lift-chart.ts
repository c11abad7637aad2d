import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable, type Tick } from '../../../drawing/plot-frame';

const MARGINS = { leftPx: 46, rightPx: 22, topPx: 14, bottomPx: 26 };
const HEIGHT_PX = 202;
const BEFORE_MIN = 45;
const MARGIN_EV = 2;
const TICK_MIN = 15;
const EV_TICKS = 5;

/** The sky's EV as dusk falls, and the band in which flash and hands can have it; the minute at which they balance. */
@Component({
  selector: 'rd-lift-chart',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let f = frame();
    <rd-plot
      name="The sky as dusk falls"
      [sentence]="sentence()"
      [frame]="f"
      [xTicks]="times()"
      [yTicks]="levels()"
      [table]="table()"
    >
      <svg:g>
        <rect class="band" [attr.x]="f.left" [attr.width]="f.right - f.left" [attr.y]="band().top" [attr.height]="band().height" />
        <text class="words" [attr.x]="f.left + 6" [attr.y]="band().top + 14">{{ fastest() }}</text>
        <text class="words" [attr.x]="f.left + 6" [attr.y]="band().top + band().height - 5">{{ slowest() }}</text>
        <path class="sky" [attr.d]="path()" />
        <line class="at" [attr.x1]="x()(balanceMin())" [attr.x2]="x()(balanceMin())" [attr.y1]="f.top" [attr.y2]="f.base" />
      </svg:g>
    </rd-plot>
  `,
  styles: `
    :host {
      display: block;
    }
    .band {
      fill: var(--straw);
      opacity: 0.45;
    }
    .sky {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
    }
    .at {
      stroke: var(--mark);
      stroke-width: 2;
    }
    .words {
      fill: var(--ink);
      font-size: 0.8125rem;
    }
  `,
})
export class LiftChart {
  /** EV of the sky by minute of the clock. */
  readonly skyEv = input.required<ArrayLike<number>>();
  readonly brightestEv = input.required<number>();
  readonly darkestEv = input.required<number>();
  readonly fromMin = input.required<number>();
  readonly toMin = input.required<number>();
  readonly balanceMin = input.required<number>();
  readonly fastest = input.required<string>();
  readonly slowest = input.required<string>();
  readonly sayTime = input.required<(minute: number) => string>();
  readonly sentence = input.required<string>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX);
  private readonly minutes = computed(
    () => [Math.max(0, this.fromMin() - BEFORE_MIN), Math.min(this.skyEv().length - 1, this.toMin() + BEFORE_MIN)] as const,
  );
  protected readonly x = computed(() => scaleLinear([...this.minutes()], [this.frame().left, this.frame().right]));
  private readonly y = computed(() =>
    scaleLinear([this.darkestEv() - MARGIN_EV, this.brightestEv() + MARGIN_EV], [this.frame().base, this.frame().top]).clamp(true),
  );
  protected readonly band = computed(() => {
    const top = this.y()(this.brightestEv());
    return { top, height: this.y()(this.darkestEv()) - top };
  });
  private readonly quarters = computed(() => {
    const [from, to] = this.minutes();
    const first = Math.ceil(from / TICK_MIN) * TICK_MIN;
    return Array.from({ length: Math.floor((to - first) / TICK_MIN) + 1 }, (_, k) => first + k * TICK_MIN);
  });
  protected readonly times = computed(() =>
    this.quarters().map((minute): Tick => ({ at: this.x()(minute), text: this.sayTime()(minute), rule: 'plain' })),
  );
  protected readonly levels = computed(() =>
    this.y()
      .ticks(EV_TICKS)
      .map((ev): Tick => ({ at: this.y()(ev), text: `EV ${ev}` })),
  );
  protected readonly table = computed<PlotTable>(() => ({
    columns: ['Time', 'Sky, EV'],
    rows: this.quarters().map((minute) => [this.sayTime()(minute), (this.skyEv()[minute] ?? NaN).toFixed(1)]),
  }));
  protected readonly path = computed(() => {
    const [from, to] = this.minutes();
    const minutes = Array.from({ length: to - from + 1 }, (_, k) => from + k);
    const [x, y, sky] = [this.x(), this.y(), this.skyEv()];
    return (
      line<number>()
        .defined((minute) => (sky[minute] as number) >= this.darkestEv() - MARGIN_EV)
        .x((minute) => x(minute))
        .y((minute) => y(sky[minute] as number))(minutes) ?? ''
    );
  });
}
