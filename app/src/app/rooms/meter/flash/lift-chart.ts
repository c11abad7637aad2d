import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { line } from 'd3-shape';
import { elementWidth } from '../../../drawing/element-size';

const LEFT_PX = 46;
const RIGHT_PX = 22;
const TOP_PX = 14;
const BASE_PX = 176;
const HEIGHT_PX = 202;
const BEFORE_MIN = 45;
const MARGIN_EV = 2;
const TICK_MIN = 15;
const EV_TICKS = 5;

/** The sky's EV as dusk falls, and the band in which flash and hands can have it; the minute at which they balance. */
@Component({
  selector: 'rd-lift-chart',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width()" [attr.height]="height" role="img" [attr.aria-label]="sentence()">
      <rect
        class="band"
        [attr.x]="left"
        [attr.width]="width() - left - right"
        [attr.y]="y()(brightestEv())"
        [attr.height]="y()(darkestEv()) - y()(brightestEv())"
      />
      @for (tick of times(); track tick.text) {
        <line class="tick" [attr.x1]="tick.x" [attr.x2]="tick.x" [attr.y1]="top" [attr.y2]="base" />
        <text class="axis" text-anchor="middle" [attr.x]="tick.x" [attr.y]="height - 8">{{ tick.text }}</text>
      }
      @for (tick of levels(); track tick.text) {
        <text class="axis" text-anchor="end" [attr.x]="left - 6" [attr.y]="tick.y + 4">{{ tick.text }}</text>
      }
      <text class="words" [attr.x]="left + 6" [attr.y]="y()(brightestEv()) + 14">{{ fastest() }}</text>
      <text class="words" [attr.x]="left + 6" [attr.y]="y()(darkestEv()) - 5">{{ slowest() }}</text>
      <path class="sky" [attr.d]="path()" />
      <line class="at" [attr.x1]="x()(balanceMin())" [attr.x2]="x()(balanceMin())" [attr.y1]="top" [attr.y2]="base" />
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    .band {
      fill: var(--straw);
      opacity: 0.45;
    }
    .tick {
      stroke: var(--rule);
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
    text {
      fill: var(--ink);
      font-size: 0.8125rem;
    }
    .axis {
      fill: var(--ink-soft);
      font-family: var(--font-figures);
      font-size: 0.75rem;
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

  protected readonly width = elementWidth(640);
  protected readonly left = LEFT_PX;
  protected readonly right = RIGHT_PX;
  protected readonly top = TOP_PX;
  protected readonly base = BASE_PX;
  protected readonly height = HEIGHT_PX;
  private readonly minutes = computed(
    () => [Math.max(0, this.fromMin() - BEFORE_MIN), Math.min(1439, this.toMin() + BEFORE_MIN)] as const,
  );
  protected readonly x = computed(() => scaleLinear([...this.minutes()], [LEFT_PX, this.width() - RIGHT_PX]));
  protected readonly y = computed(() =>
    scaleLinear([this.darkestEv() - MARGIN_EV, this.brightestEv() + MARGIN_EV], [BASE_PX, TOP_PX]).clamp(true),
  );
  protected readonly times = computed(() => {
    const [from, to] = this.minutes();
    const first = Math.ceil(from / TICK_MIN) * TICK_MIN;
    return Array.from({ length: Math.floor((to - first) / TICK_MIN) + 1 }, (_, k) => first + k * TICK_MIN).map((minute) => ({
      x: this.x()(minute),
      text: this.sayTime()(minute),
    }));
  });
  protected readonly levels = computed(() =>
    this.y()
      .ticks(EV_TICKS)
      .map((ev) => ({ y: this.y()(ev), text: `EV ${ev}` })),
  );
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
