import { ChangeDetectionStrategy, Component, computed, input, model } from '@angular/core';
import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable, type Tick } from '../../../drawing/plot-frame';
import type { PlacePx } from '../../../drawing/grip';
import { Handle, type HandleStep } from '../../../drawing/handle';

const MARGINS = { leftPx: 46, rightPx: 18, topPx: 14, bottomPx: 26 };
const HEIGHT_PX = 210;
const FROM_S = 1;
const TO_S = 900;
const STEPS = 120;
const MOST = 0.12;
const THIRD = 1 / 3;
const TICKS_S = [1, 4, 15, 60, 240, 900] as const;

/** What is left of walkers against the time of exposure: under the line nobody sees it. The time is dragged, in thirds of a stop. */
@Component({
  selector: 'rd-vanishing-curve',
  imports: [Handle, Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let f = frame();
    <rd-plot
      name="What is left of walkers by the time of exposure"
      [sentence]="sentence()"
      [frame]="f"
      [xTicks]="ticks()"
      [yTicks]="levels()"
      [table]="table()"
      [hasHandles]="true"
    >
      <svg:g>
        <line class="unseen" [attr.x1]="f.left" [attr.x2]="f.right" [attr.y1]="unseenY()" [attr.y2]="unseenY()" />
        <text class="words" text-anchor="end" [attr.x]="f.right" [attr.y]="unseenY() - 5">seen above this</text>
        <path class="curve" [attr.d]="path()" />
        <g
          class="handle"
          rdHandle="Time of exposure"
          [value]="shutterS()"
          [low]="from"
          [high]="to"
          [reading]="say()(shutterS())"
          (dragged)="drag($event)"
          (stepped)="step($event)"
        >
          <line class="at" [attr.x1]="at().x" [attr.x2]="at().x" [attr.y1]="f.top" [attr.y2]="f.base" />
          <circle class="grip" r="18" [attr.cx]="at().x" [attr.cy]="at().y" />
          <circle class="knob" r="7" [attr.cx]="at().x" [attr.cy]="at().y" />
        </g>
      </svg:g>
    </rd-plot>
  `,
  styles: `
    @use 'chart';
    :host {
      display: block;
    }
    .unseen {
      stroke: var(--ink-soft);
      stroke-dasharray: 5 4;
    }
    .words {
      fill: var(--ink-soft);
      font: 400 0.8125rem var(--font-text);
    }
    .curve {
      fill: none;
      stroke: var(--ink);
      stroke-width: 2;
    }
    .at {
      stroke: var(--mark);
      stroke-width: 1.5;
    }
    .handle {
      @include chart.handle;
      .knob {
        fill: var(--mark);
        stroke: var(--paper);
        stroke-width: 2;
      }
    }
  `,
})
export class VanishingCurve {
  /** What an exposure leaves of them, a share of the ground's brightness. */
  readonly leaves = input.required<(shutterS: number) => number>();
  readonly unseen = input.required<number>();
  readonly shutterS = model.required<number>();
  readonly say = input.required<(seconds: number) => string>();
  readonly sentence = input.required<string>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX);
  protected readonly from = FROM_S;
  protected readonly to = TO_S;
  private readonly x = computed(() => scaleLog([FROM_S, TO_S], [this.frame().left, this.frame().right]).clamp(true));
  private readonly y = computed(() => scaleLinear([0, MOST], [this.frame().base, this.frame().top]).clamp(true));
  protected readonly ticks = computed(() =>
    TICKS_S.map((seconds): Tick => ({ at: this.x()(seconds), text: this.say()(seconds), rule: 'plain' })),
  );
  protected readonly levels = computed(() =>
    [0, 0.05, 0.1].map((share): Tick => ({ at: this.y()(share), text: `${share * 100} %` })),
  );
  protected readonly table = computed<PlotTable>(() => ({
    columns: ['Time of exposure', 'Left of walkers'],
    rows: TICKS_S.map((seconds) => [this.say()(seconds), `${(100 * this.leaves()(seconds)).toFixed(1)} %`]),
  }));
  protected readonly unseenY = computed(() => this.y()(this.unseen()));
  protected readonly path = computed(() => {
    const samples = Array.from({ length: STEPS + 1 }, (_, k) => FROM_S * (TO_S / FROM_S) ** (k / STEPS));
    return (
      line<number>(
        (seconds) => this.x()(seconds),
        (seconds) => this.y()(this.leaves()(seconds)),
      )(samples) ?? ''
    );
  });
  protected readonly at = computed(() => ({ x: this.x()(this.shutterS()), y: this.y()(this.leaves()(this.shutterS())) }));

  protected drag({ xPx }: PlacePx): void {
    this.move(this.x().invert(xPx));
  }

  protected step({ by }: HandleStep): void {
    this.move(this.shutterS() * 2 ** (by * THIRD));
  }

  private move(seconds: number): void {
    const thirds = 2 ** (Math.round(Math.log2(seconds) * 3) / 3);
    this.shutterS.set(Math.min(TO_S, Math.max(FROM_S, thirds)));
  }
}
