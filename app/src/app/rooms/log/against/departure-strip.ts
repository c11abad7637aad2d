import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { bin } from 'd3-array';
import { scaleLinear } from 'd3-scale';

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
const FOOT_PX = 16;
/** Farther off is drawn at the end. */
const MOST_STOPS = 4;
const PER_STOP = 3;

/** Frames as dots beside their card: by thirds of a stop, those alike on one another. */
@Component({
  selector: 'rd-departure-strip',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width" [attr.height]="height()" role="img" [attr.aria-label]="sentence()">
      <line class="card" [attr.x1]="x(0)" [attr.x2]="x(0)" y1="0" [attr.y2]="rows().length * rowPx" />
      @for (line of lines(); track line.label) {
        <text class="label" x="0" [attr.y]="line.y + 4">{{ line.label }}</text>
        <line class="base" [attr.x1]="x(-most)" [attr.x2]="x(most)" [attr.y1]="line.y" [attr.y2]="line.y" />
        @for (dot of line.dots; track dot.x) {
          <circle [attr.cx]="dot.x" [attr.cy]="line.y" [attr.r]="dot.r" />
        }
      }
      @for (tick of ticks; track tick) {
        <text class="tick" text-anchor="middle" [attr.x]="x(tick)" [attr.y]="height() - 3">{{ tickText(tick) }}</text>
      }
    </svg>
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
    text {
      fill: var(--ink);
      font-size: 0.8125rem;
    }
    .tick {
      fill: var(--ink-soft);
      font-family: var(--font-figures);
      font-size: 0.75rem;
    }
  `,
})
export class DepartureStrip {
  readonly rows = input.required<readonly DepartureRow[]>();
  readonly sentence = input.required<string>();

  protected readonly width = WIDTH_PX;
  protected readonly rowPx = ROW_PX;
  protected readonly most = MOST_STOPS;
  protected readonly ticks = [-4, -2, 0, 2, 4];
  protected readonly height = computed(() => this.rows().length * ROW_PX + FOOT_PX);
  private readonly scale = scaleLinear([-MOST_STOPS, MOST_STOPS], [LEFT_PX + 10, WIDTH_PX - 10]).clamp(true);
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

  protected tickText(stops: number): string {
    return stops === 0 ? 'card' : `${stops > 0 ? '+' : '−'}${Math.abs(stops)}`;
  }
}
