import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { bin } from 'd3-array';
import { scaleLinear } from 'd3-scale';
import { Plot } from '../../../drawing/plot';
import type { PlotFrame, PlotTable, Tick } from '../../../drawing/plot-frame';

/** What was set, frame by frame, in stops from the card. */
export interface DepartureRow {
  readonly label: string;
  readonly stops: readonly number[];
  /** The words at the two ends. */
  readonly less: string;
  readonly more: string;
}

const LEFT_PX = 78;
const WIDTH_PX = 300;
const ROW_PX = 26;
const FOOT_PX = 22;
/** Farther off is drawn at the end. */
const MOST_STOPS = 4;
const PER_STOP = 3;
const TICKS = [-4, -2, 0, 2, 4];

const signed = (stops: number): string => `${stops > 0 ? '+' : '−'}${Math.abs(stops)}`;

/** Frames as dots beside their card: by thirds of a stop, those alike on one another. */
@Component({
  selector: 'rd-departure-strip',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-plot [name]="sentence()" [sentence]="sentence()" [frame]="frame()" [xTicks]="ticks" [table]="table()">
      <svg:g>
        <line class="card" [attr.x1]="x(0)" [attr.x2]="x(0)" y1="0" [attr.y2]="frame().base" />
        @for (line of lines(); track line.label) {
          <text class="label" x="0" [attr.y]="line.y + 4">{{ line.label }}</text>
          <line class="base" [attr.x1]="x(-most)" [attr.x2]="x(most)" [attr.y1]="line.y" [attr.y2]="line.y" />
          @for (dot of line.dots; track dot.x) {
            <circle [attr.cx]="dot.x" [attr.cy]="line.y" [attr.r]="dot.r" />
          }
        }
      </svg:g>
    </rd-plot>
  `,
  styles: `
    :host {
      display: block;
    }
    .card {
      stroke: var(--rule-strong);
    }
    .base {
      stroke: var(--rule);
    }
    circle {
      fill: var(--ink);
    }
    .label {
      fill: var(--ink);
      font-size: 0.8125rem;
    }
  `,
})
export class DepartureStrip {
  readonly rows = input.required<readonly DepartureRow[]>();
  readonly sentence = input.required<string>();

  protected readonly most = MOST_STOPS;
  private readonly scale = scaleLinear([-MOST_STOPS, MOST_STOPS], [LEFT_PX + 10, WIDTH_PX - 10]).clamp(true);
  protected readonly ticks = TICKS.map((stops): Tick => ({ at: this.scale(stops), text: stops === 0 ? 'card' : signed(stops) }));
  protected readonly frame = computed<PlotFrame>(() => {
    const base = this.rows().length * ROW_PX;
    return { width: WIDTH_PX, height: base + FOOT_PX, left: LEFT_PX, right: WIDTH_PX, top: 0, base };
  });
  protected readonly table = computed<PlotTable>(() => ({
    columns: ['Set', 'Frames', 'Stops from the card'],
    rows: this.rows().map(({ label, stops }) => [
      label,
      `${stops.length}`,
      [...stops]
        .sort((a, b) => a - b)
        .map((one) => (Math.abs(one) < 0.05 ? '0' : signed(Number(one.toFixed(1)))))
        .join(', '),
    ]),
  }));
  protected readonly lines = computed(() =>
    this.rows().map(({ label, stops }, k) => {
      const held = stops.map((one) => Math.round(Math.min(MOST_STOPS, Math.max(-MOST_STOPS, one)) * PER_STOP));
      const bins = bin().thresholds(Array.from({ length: 2 * MOST_STOPS * PER_STOP }, (_, n) => n - MOST_STOPS * PER_STOP + 0.5))(
        held,
      );
      const dots = bins.flatMap((one) => {
        const [first] = one;
        return first === undefined
          ? []
          : [{ x: this.scale(first / PER_STOP), r: Math.min(ROW_PX / 2 - 2, 1.6 + Math.sqrt(one.length) * 1.4) }];
      });
      return { label, y: k * ROW_PX + ROW_PX / 2, dots };
    }),
  );

  protected x(stops: number): number {
    return this.scale(stops);
  }
}
