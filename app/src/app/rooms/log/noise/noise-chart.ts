import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLog } from 'd3-scale';
import { elementWidth } from '../../../drawing/element-size';

export interface NoiseDot {
  readonly iso: number;
  readonly perPixel: number;
  readonly seen: number;
}

const LEFT_PX = 44;
const RIGHT_PX = 16;
const TOP_PX = 14;
const BOTTOM_PX = 28;
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
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width()" [attr.height]="height" role="img" [attr.aria-label]="sentence()">
      @for (tick of ratioTicks(); track tick.ratio) {
        <line class="rule" [attr.x1]="left" [attr.x2]="right()" [attr.y1]="tick.y" [attr.y2]="tick.y" />
        <text class="tick" text-anchor="end" [attr.x]="left - 6" [attr.y]="tick.y + 4">{{ tick.ratio }}</text>
      }
      @for (tick of isoTicks(); track tick.iso) {
        <text class="tick" text-anchor="middle" [attr.x]="tick.x" [attr.y]="height - 8">{{ tick.iso }}</text>
      }
      @if (linePath(); as path) {
        <path class="curve" [attr.d]="path" />
      }
      @for (dot of drawn(); track dot.iso) {
        <circle class="pixel" r="4" [attr.cx]="dot.x" [attr.cy]="dot.pixelY" />
        <circle class="seen" r="5" [attr.cx]="dot.x" [attr.cy]="dot.seenY" />
      }
      @if (limit(); as l) {
        <line class="limit" [attr.x1]="left" [attr.x2]="right()" [attr.y1]="l.y" [attr.y2]="l.y" />
        @if (l.x !== null) {
          <line class="limit" [attr.x1]="l.x" [attr.x2]="l.x" [attr.y1]="l.y" [attr.y2]="height - bottom" />
        }
        <text class="name" text-anchor="end" [attr.x]="right()" [attr.y]="l.y - 6">what you take</text>
      }
    </svg>
  `,
  styles: `
    :host {
      display: block;
    }
    .rule {
      stroke: var(--rule);
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
export class NoiseChart {
  readonly dots = input.required<readonly NoiseDot[]>();
  /** Ratio at the size looked at, by ISO; null before there is a point. */
  readonly curve = input<((iso: number) => number) | null>(null);
  /** The ratio that is still taken, and the ISO at which the curve falls to it. */
  readonly accepted = input<{ readonly ratio: number; readonly iso: number } | null>(null);
  readonly sentence = input.required<string>();

  protected readonly width = elementWidth(640);
  protected readonly left = LEFT_PX;
  protected readonly bottom = BOTTOM_PX;
  protected readonly height = HEIGHT_PX;
  protected readonly right = computed(() => this.width() - RIGHT_PX);
  private readonly isoEnds = computed(() => {
    const isos = [...this.dots().map(({ iso }) => iso), ...(this.accepted() === null ? [] : [this.accepted()?.iso ?? 100])];
    return [Math.max(25, Math.min(...isos) / ROOM), Math.min(409_600, Math.max(...isos) * ROOM)] as const;
  });
  private readonly ratioEnds = computed(() => {
    const ratios = this.dots().flatMap(({ perPixel, seen }) => [perPixel, seen]);
    const all = this.accepted() === null ? ratios : [...ratios, this.accepted()?.ratio ?? 1];
    return [Math.min(...all) / ROOM, Math.max(...all) * ROOM] as const;
  });
  private readonly x = computed(() => scaleLog([...this.isoEnds()], [LEFT_PX, this.right()]));
  private readonly y = computed(() => scaleLog([...this.ratioEnds()], [HEIGHT_PX - BOTTOM_PX, TOP_PX]));
  protected readonly ratioTicks = computed(() => {
    const [low, high] = this.ratioEnds();
    return RATIOS.filter((ratio) => ratio >= low && ratio <= high).map((ratio) => ({ ratio, y: this.y()(ratio) }));
  });
  protected readonly isoTicks = computed(() => {
    const [low, high] = this.isoEnds();
    const within = ISOS.filter((iso) => iso >= low && iso <= high);
    const every = Math.max(1, Math.ceil((within.length * TICK_PX) / Math.max(1, this.right() - LEFT_PX)));
    return within.filter((_, k) => k % every === 0).map((iso) => ({ iso, x: this.x()(iso) }));
  });
  protected readonly drawn = computed(() =>
    this.dots().map(({ iso, perPixel, seen }) => ({ iso, x: this.x()(iso), pixelY: this.y()(perPixel), seenY: this.y()(seen) })),
  );
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
