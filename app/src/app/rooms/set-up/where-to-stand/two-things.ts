import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';

const WIDTH_PX = 300;
const HEIGHT_PX = 170;
const GAP_PX = 120;

/** Two upright things as tall in the picture as they come out against each other, on one horizon. */
@Component({
  selector: 'rd-two-things',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.width]="width" [attr.height]="height" role="img" [attr.aria-label]="sentence()">
      <line class="horizon" x1="0" [attr.x2]="width" [attr.y1]="view().horizonY" [attr.y2]="view().horizonY" />
      @for (one of view().things; track one.name) {
        <rect [class.far]="one.isFar" [attr.x]="one.x" [attr.y]="one.y" [attr.width]="one.width" [attr.height]="one.height" />
        <text text-anchor="middle" [attr.x]="one.x + one.width / 2" [attr.y]="height - 4">{{ one.name }}</text>
      }
    </svg>
  `,
  styles: `
    svg {
      display: block;
      max-width: 100%;
    }
    .horizon {
      stroke: var(--ink-soft);
      stroke-dasharray: 4 4;
    }
    rect {
      fill: var(--ink);
    }
    .far {
      fill: var(--slate);
      stroke: var(--ink);
    }
    text {
      fill: var(--ink-soft);
      font: 400 0.75rem var(--font-figures);
    }
  `,
})
export class TwoThingsView {
  readonly nearHeightM = input.required<number>();
  readonly farHeightM = input.required<number>();
  readonly nearDistanceM = input.required<number>();
  readonly gapM = input.required<number>();
  readonly eyeHeightM = input(1.6);
  readonly sentence = input.required<string>();

  protected readonly width = WIDTH_PX;
  protected readonly height = HEIGHT_PX;
  protected readonly view = computed(() => {
    const eyeM = this.eyeHeightM();
    const farM = this.nearDistanceM() + this.gapM();
    const all = [
      { name: 'near', isFar: false, heightM: this.nearHeightM(), distanceM: this.nearDistanceM() },
      { name: 'far', isFar: true, heightM: this.farHeightM(), distanceM: farM },
    ].map((one) => ({
      ...one,
      up: Math.max(0, one.heightM - eyeM) / one.distanceM,
      down: eyeM / one.distanceM,
      whole: one.heightM / one.distanceM,
    }));
    const [up, down] = [Math.max(...all.map((one) => one.up), 0.01), Math.max(...all.map((one) => one.down))];
    const px = (HEIGHT_PX - 30) / (up + down);
    const horizonY = 6 + up * px;
    return {
      horizonY,
      things: all.map((one, k) => {
        const width = Math.min(60, Math.max(10, one.whole * px * 0.3));
        const bottom = horizonY + one.down * px;
        return {
          name: one.name,
          isFar: one.isFar,
          x: (WIDTH_PX - GAP_PX) / 2 + k * GAP_PX - width / 2,
          y: bottom - one.whole * px,
          width,
          height: Math.max(1, one.whole * px),
        };
      }),
    };
  });
}
