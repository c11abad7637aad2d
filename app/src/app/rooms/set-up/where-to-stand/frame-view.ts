import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

/**
 * One frame at true proportions with somebody standing in it as tall as they come out, feet on the ground line or cut by
 * the frame. An outline, not a figure: only the height matters.
 */
@Component({
  selector: 'rd-frame-view',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width()" [attr.height]="height()" aria-hidden="true">
      <rect class="frame" x="0.5" y="0.5" [attr.width]="width() - 1" [attr.height]="height() - 1" />
      <line class="horizon" x1="1" [attr.x2]="width() - 1" [attr.y1]="horizonY()" [attr.y2]="horizonY()" />
      <path class="person" [attr.d]="outline()" />
    </svg>
  `,
  styles: `
    svg {
      display: block;
    }
    .frame {
      fill: var(--sheet);
      stroke: var(--ink);
    }
    .horizon {
      stroke: var(--rule);
    }
    .person {
      fill: var(--ink);
    }
  `,
})
export class FrameView {
  readonly heightShare = input.required<number>();
  /** Width ÷ height. */
  readonly aspect = input(1.5);
  readonly longSidePx = input(108);

  protected readonly width = computed(() => (this.aspect() >= 1 ? this.longSidePx() : this.longSidePx() * this.aspect()));
  protected readonly height = computed(() => (this.aspect() >= 1 ? this.longSidePx() / this.aspect() : this.longSidePx()));
  /** A level camera at the eye cuts everybody at its own height, whatever the distance. */
  protected readonly horizonY = computed(() => this.height() / 2);
  protected readonly outline = computed(() => personPath(this.width(), this.height(), this.heightShare()));
}

const EYE_SHARE = 1.6 / 1.7;

/** A tapered upright with a round top, `share` of the frame tall, its eyes on the horizon; cut at the frame. */
export function personPath(width: number, height: number, share: number): string {
  const tall = share * height;
  const top = height / 2 - tall * (1 - EYE_SHARE);
  const bottom = Math.min(height - 1, top + tall);
  const half = tall * 0.12;
  const [middle, headR] = [width / 2, tall * 0.065];
  const shoulder = top + headR * 2.4;
  const cutShare = (bottom - shoulder) / Math.max(1e-9, top + tall - shoulder);
  const foot = half * (1 - 0.45 * cutShare);
  const round = (value: number): string => value.toFixed(1);
  const head = `M${round(middle - headR)},${round(top + headR)}a${round(headR)},${round(headR)} 0 1 1 ${round(2 * headR)},0a${round(headR)},${round(headR)} 0 1 1 ${round(-2 * headR)},0Z`;
  const corners = [
    [middle - half, shoulder],
    [middle + half, shoulder],
    [middle + foot, bottom],
    [middle - foot, bottom],
  ].map(([x = 0, y = 0]) => `${round(Math.min(width - 1, Math.max(1, x)))},${round(y)}`);
  return `${head}M${corners.join('L')}Z`;
}
