import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import type { MeterPattern } from '@roam-dial/core/kit';
import { focusZones, PATTERN_FIGURES, type Spot, spotRadius, ZONES_ACROSS, ZONES_DOWN } from '@roam-dial/core/metering';

interface Line {
  readonly x1: number;
  readonly y1: number;
  readonly x2: number;
  readonly y2: number;
}

/** Where a pattern measures, drawn over a picture; in heights of the frame. */
@Component({
  selector: 'rd-pattern-overlay',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <svg [attr.viewBox]="'0 0 ' + aspect() + ' 1'" aria-hidden="true">
      @switch (pattern()) {
        @case ('multiZone') {
          @for (line of lines(); track $index) {
            <line [attr.x1]="line.x1" [attr.x2]="line.x2" [attr.y1]="line.y1" [attr.y2]="line.y2" />
          }
          <rect
            class="chosen"
            [attr.x]="focus().x"
            [attr.y]="focus().y"
            [attr.width]="focus().width"
            [attr.height]="focus().height"
          />
        }
        @case ('centreWeighted') {
          <circle class="chosen" [attr.cx]="aspect() / 2" cy="0.5" [attr.r]="centreRadius" />
        }
        @case ('spot') {
          <circle class="chosen" [attr.cx]="at().x" [attr.cy]="at().y" [attr.r]="radius()" />
        }
        @default {
          <rect class="chosen" x="0.015" y="0.015" [attr.width]="aspect() - 0.03" height="0.97" />
        }
      }
    </svg>
  `,
  styles: `
    :host {
      position: absolute;
      inset: 0;
      pointer-events: none;
    }
    svg {
      display: block;
      width: 100%;
      height: 100%;
    }
    line,
    rect,
    circle {
      fill: none;
      stroke: #fff;
      stroke-width: 1;
      vector-effect: non-scaling-stroke;
      opacity: 0.6;
    }
    .chosen {
      stroke-width: 2.5;
      opacity: 1;
      filter: drop-shadow(0 0 1px #000);
    }
  `,
})
export class PatternOverlay {
  readonly pattern = input.required<MeterPattern>();
  readonly cells = input.required<{ readonly width: number; readonly height: number }>();
  /** Where the spot is put and one focuses; the middle where it is null. */
  readonly spotAt = input.required<Spot | null>();

  protected readonly centreRadius = PATTERN_FIGURES.centreDiameter / 2;
  protected readonly aspect = computed(() => this.cells().width / this.cells().height);
  protected readonly at = computed<Spot>(() => this.spotAt() ?? { x: this.aspect() / 2, y: 0.5 });
  protected readonly radius = computed(() => spotRadius(this.cells()));
  protected readonly lines = computed<readonly Line[]>(() => {
    const aspect = this.aspect();
    const upright = Array.from({ length: ZONES_ACROSS - 1 }, (_, k) => ((k + 1) / ZONES_ACROSS) * aspect);
    const level = Array.from({ length: ZONES_DOWN - 1 }, (_, k) => (k + 1) / ZONES_DOWN);
    return [...upright.map((x) => ({ x1: x, x2: x, y1: 0, y2: 1 })), ...level.map((y) => ({ x1: 0, x2: aspect, y1: y, y2: y }))];
  });
  protected readonly focus = computed(() => {
    const [column, row] = focusZones(this.cells(), this.at());
    const [width, height] = [this.aspect() / ZONES_ACROSS, 1 / ZONES_DOWN];
    return { x: column * width, y: row * height, width: 3 * width, height: 3 * height };
  });
}
