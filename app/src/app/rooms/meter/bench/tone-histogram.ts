import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ToneHistogram } from '@roam-dial/core/metering';
import { Plot } from '../../../drawing/plot';
import { plotFrame, type PlotTable } from '../../../drawing/plot-frame';

const HEIGHT_PX = 92;
const TOP_PX = 16;
const BASE_PX = 76;
const END_PX = 26;
const GAP_PX = 6;
const MOST_WIDTH_PX = 640;
const MARGINS = { leftPx: 0, rightPx: 0, topPx: TOP_PX, bottomPx: HEIGHT_PX - BASE_PX };
/** What is held, by thirds. */
const HELD = ['the dark third', 'the middle', 'the light third'] as const;

/** Heights go by the square root of the share: small parts of a frame are to be seen. */
const heightOf = (share: number, most: number): number => Math.sqrt(share / most) * (BASE_PX - TOP_PX);

/** A frame by its tones: what is held from black to white, and what is beyond either end as a bar of its own. */
@Component({
  selector: 'rd-tone-histogram',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-plot name="A frame by its tones" [sentence]="sentence()" [frame]="frame()" [table]="table()">
      <svg:g>
        <line class="base" x1="0" [attr.x2]="width()" [attr.y1]="base" [attr.y2]="base" />
        <path class="tones" [attr.d]="path()" />
        <rect class="end" x="0" [attr.width]="endPx" [attr.y]="base - black().height" [attr.height]="black().height" />
        <rect
          class="end"
          [attr.x]="width() - endPx"
          [attr.width]="endPx"
          [attr.y]="base - white().height"
          [attr.height]="white().height"
        />
        <text x="0" [attr.y]="base - black().height - 4">{{ black().text }}</text>
        <text text-anchor="end" [attr.x]="width()" [attr.y]="base - white().height - 4">{{ white().text }}</text>
        <text class="axis" x="0" [attr.y]="height - 2">beyond black</text>
        <text class="axis" text-anchor="middle" [attr.x]="greyX()" [attr.y]="height - 2">mid-grey</text>
        <text class="axis" text-anchor="end" [attr.x]="width()" [attr.y]="height - 2">beyond white</text>
        <line class="grey" [attr.x1]="greyX()" [attr.x2]="greyX()" [attr.y1]="top" [attr.y2]="base" />
      </svg:g>
    </rd-plot>
  `,
  styleUrl: './tone-histogram.scss',
})
export class ToneHistogramChart {
  readonly histogram = input.required<ToneHistogram>();
  readonly midGrey = input.required<number>();
  readonly sentence = input.required<string>();

  protected readonly frame = plotFrame(MARGINS, HEIGHT_PX, { initialPx: 430, mostPx: MOST_WIDTH_PX });
  protected readonly height = HEIGHT_PX;
  protected readonly base = BASE_PX;
  protected readonly top = TOP_PX;
  protected readonly endPx = END_PX;
  protected readonly width = computed(() => this.frame().width);
  private readonly most = computed(() => {
    const { columns, beyondBlack, beyondWhite } = this.histogram();
    return Math.max(1e-9, beyondBlack, beyondWhite, ...columns);
  });
  private readonly left = END_PX + GAP_PX;
  private readonly wide = computed(() => this.width() - 2 * this.left);
  protected readonly table = computed<PlotTable>(() => {
    const { columns, beyondBlack, beyondWhite } = this.histogram();
    const third = columns.length / 3;
    const held = HELD.map(
      (name, k) => [name, columns.slice(Math.round(k * third), Math.round((k + 1) * third)).reduce((a, b) => a + b, 0)] as const,
    );
    const rows = [['beyond black', beyondBlack] as const, ...held, ['beyond white', beyondWhite] as const];
    return { columns: ['Tones', 'Of the frame'], rows: rows.map(([name, share]) => [name, `${(100 * share).toFixed(1)} %`]) };
  });
  protected readonly greyX = computed(() => this.left + this.midGrey() * this.wide());
  protected readonly path = computed(() => {
    const { columns } = this.histogram();
    const step = this.wide() / columns.length;
    const tops = columns.map(
      (share, k) => `H${this.left + k * step}V${BASE_PX - heightOf(share, this.most())}H${this.left + (k + 1) * step}`,
    );
    return `M${this.left} ${BASE_PX}${tops.join('')}V${BASE_PX}Z`;
  });
  protected readonly black = computed(() => this.endBar(this.histogram().beyondBlack));
  protected readonly white = computed(() => this.endBar(this.histogram().beyondWhite));

  private endBar(share: number): { readonly height: number; readonly text: string } {
    const percent = share * 100;
    return {
      height: heightOf(share, this.most()),
      text: share === 0 ? '' : `${percent < 0.1 ? 'under 0.1' : percent.toFixed(percent < 10 ? 1 : 0)} %`,
    };
  }
}
