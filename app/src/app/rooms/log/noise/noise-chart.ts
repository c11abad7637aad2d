import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLog } from 'd3-scale';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable, type Tick } from '../../../drawing/plot-frame';

export interface NoiseDot {
  readonly iso: number;
  readonly perPixel: number;
  readonly seen: number;
}

const MARGINS = { leftPx: 44, rightPx: 16, topPx: 14, bottomPx: 28 };
const HEIGHT_PX = 230;
const RATIOS = [2, 5, 10, 20, 50, 100, 200, 500];
/** ISO values that the axis may name: whole stops. */
const ISOS = Array.from({ length: 13 }, (_, k) => 50 * 2 ** k);
/** A tick needs so much room. */
const TICK_PX = 52;
const ROOM = 1.25;

/** Signal to noise against ISO, both by their logarithms: pixel by pixel (rings), at the size looked at (dots), and where it ends. */
@Component({
  selector: 'rd-noise-chart',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @let f = frame();
    <rd-plot
      name="Signal to noise by ISO"
      [sentence]="sentence()"
      [frame]="f"
      [xTicks]="isoTicks()"
      [yTicks]="ratioTicks()"
      [table]="table()"
    >
      <svg:g>
        @if (linePath(); as path) {
          <path class="curve" [attr.d]="path" />
        }
        @for (dot of drawn(); track dot.iso) {
          <circle class="pixel" r="4" [attr.cx]="dot.x" [attr.cy]="dot.pixelY" />
          <circle class="seen" r="5" [attr.cx]="dot.x" [attr.cy]="dot.seenY" />
        }
        @if (limit(); as l) {
          <line class="limit" [attr.x1]="f.left" [attr.x2]="f.right" [attr.y1]="l.y" [attr.y2]="l.y" />
          @if (l.x !== null) {
            <line class="limit" [attr.x1]="l.x" [attr.x2]="l.x" [attr.y1]="l.y" [attr.y2]="f.base" />
          }
          <text class="name" text-anchor="end" [attr.x]="f.right" [attr.y]="l.y - 6">what you take</text>
        }
      </svg:g>
    </rd-plot>
  `,
  styles: `
    :host {
      display: block;
    }
    .curve {
      fill: none;
      stroke: var(--ink);
      stroke-width: 1.5;
    }
    .seen {
      fill: var(--ink);
    }
    .pixel {
      fill: none;
      stroke: var(--ink-soft);
      stroke-width: 1.5;
    }
    .limit {
      stroke: var(--mark);
      stroke-width: 1.5;
    }
    .name {
      fill: var(--ink);
      font-size: 0.8125rem;
    }
  `,
})
export class NoiseChart {
  readonly dots = input.required<readonly NoiseDot[]>();
  /** Ratio at the size looked at, by ISO; null before there is a point. */
  readonly curve = input<((iso: number) => number) | null>(null);
  /** The ratio that is still taken, and the ISO at which the curve falls to it. */
  readonly accepted = input<{ readonly ratio: number; readonly iso: number } | null>(null);
  readonly sentence = input.required<string>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX);
  private readonly isoEnds = computed(() => {
    const isos = [...this.dots().map(({ iso }) => iso), ...(this.accepted() === null ? [] : [this.accepted()?.iso ?? 100])];
    return [Math.max(25, Math.min(...isos) / ROOM), Math.min(409_600, Math.max(...isos) * ROOM)] as const;
  });
  private readonly ratioEnds = computed(() => {
    const ratios = this.dots().flatMap(({ perPixel, seen }) => [perPixel, seen]);
    const all = this.accepted() === null ? ratios : [...ratios, this.accepted()?.ratio ?? 1];
    return [Math.min(...all) / ROOM, Math.max(...all) * ROOM] as const;
  });
  private readonly x = computed(() => scaleLog([...this.isoEnds()], [this.frame().left, this.frame().right]));
  private readonly y = computed(() => scaleLog([...this.ratioEnds()], [this.frame().base, this.frame().top]));
  protected readonly ratioTicks = computed(() => {
    const [low, high] = this.ratioEnds();
    return RATIOS.filter((ratio) => ratio >= low && ratio <= high).map((ratio): Tick => ({
      at: this.y()(ratio),
      text: `${ratio}`,
      rule: 'plain',
    }));
  });
  protected readonly isoTicks = computed(() => {
    const [low, high] = this.isoEnds();
    const within = ISOS.filter((iso) => iso >= low && iso <= high);
    const every = Math.max(1, Math.ceil((within.length * TICK_PX) / (this.frame().right - this.frame().left)));
    return within.filter((_, k) => k % every === 0).map((iso): Tick => ({ at: this.x()(iso), text: `${iso}` }));
  });
  protected readonly drawn = computed(() =>
    this.dots().map(({ iso, perPixel, seen }) => ({ iso, x: this.x()(iso), pixelY: this.y()(perPixel), seenY: this.y()(seen) })),
  );
  protected readonly table = computed<PlotTable>(() => ({
    columns: ['ISO', 'At the size looked at', 'Pixel by pixel'],
    rows: this.dots().map(({ iso, seen, perPixel }) => [`${iso}`, seen.toFixed(1), perPixel.toFixed(1)]),
  }));
  /** Straight in these scales: its ends are enough. */
  protected readonly linePath = computed(() => {
    const curve = this.curve();
    if (curve === null) return null;
    const [from, to] = this.isoEnds();
    return `M${this.x()(from)},${this.y()(curve(from))}L${this.x()(to)},${this.y()(curve(to))}`;
  });
  protected readonly limit = computed(() => {
    const accepted = this.accepted();
    if (accepted === null) return null;
    const [low, high] = this.isoEnds();
    const isWithin = accepted.iso >= low && accepted.iso <= high;
    return { y: this.y()(accepted.ratio), x: isWithin ? this.x()(accepted.iso) : null };
  });
}
