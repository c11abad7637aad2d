import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { ToneHistogram } from '@roam-dial/core/metering';
import { elementWidth } from '../../../drawing/element-size';

const HEIGHT_PX = 92;
const TOP_PX = 16;
const BASE_PX = 76;
const END_PX = 26;
const GAP_PX = 6;
const MOST_WIDTH_PX = 640;

/** Heights go by the square root of the share: small parts of a frame are to be seen. */
const heightOf = (share: number, most: number): number => Math.sqrt(share / most) * (BASE_PX - TOP_PX);

/** A frame by its tones: what is held from black to white, and what is beyond either end as a bar of its own. */
@Component({
  selector: 'rd-tone-histogram',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width()" [attr.height]="height" role="img" [attr.aria-label]="sentence()">
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
    </svg>
  `,
  styleUrl: './tone-histogram.scss',
})
export class ToneHistogramChart {
  readonly histogram = input.required<ToneHistogram>();
  readonly midGrey = input.required<number>();
  readonly sentence = input.required<string>();

  private readonly shown = elementWidth(430);
  protected readonly height = HEIGHT_PX;
  protected readonly base = BASE_PX;
  protected readonly top = TOP_PX;
  protected readonly endPx = END_PX;
  protected readonly width = computed(() => Math.min(MOST_WIDTH_PX, this.shown()));
  private readonly most = computed(() => {
    const { columns, beyondBlack, beyondWhite } = this.histogram();
    return Math.max(1e-9, beyondBlack, beyondWhite, ...columns);
  });
  private readonly left = END_PX + GAP_PX;
  private readonly wide = computed(() => this.width() - 2 * this.left);
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
