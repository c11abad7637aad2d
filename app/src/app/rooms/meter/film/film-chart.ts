import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { scaleLinear } from 'd3-scale';
import { elementWidth } from '../../../drawing/element-size';
import { Plot } from '../../../drawing/plot';
import type { PlotFrame, Tick } from '../../../drawing/plot-frame';

/** A stop against a roll: its light, and what its apertures and times expose on it. */
export interface FilmRow {
  readonly id: string;
  readonly name: string;
  readonly lowEv: number;
  readonly highEv: number;
  readonly exposedFrom: number;
  readonly exposedTo: number;
  readonly isOutside: boolean;
  readonly words: string;
}

const ROW_PX = 34;
const TOP_PX = 22;
const AXIS_PX = 22;
const GUTTER_PX = 132;
const NARROW_GUTTER_PX = 104;
const NARROW_PX = 460;
const LEAST_BAR_PX = 5;
const MARGIN_EV = 1;
const TICKS = 8;

/** Each stop's light as a bar over what can be exposed there on the roll: what sticks out is lost. Its table stands in the page. */
@Component({
  selector: 'rd-film-chart',
  imports: [Plot],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <rd-plot name="Each stop’s light on the roll" [sentence]="sentence()" [frame]="frame()" [xTicks]="ticks()" [table]="null">
      <svg:g>
        @for (row of lines(); track row.id) {
          <text class="name" x="0" [attr.y]="row.y + 5" [class.out]="row.isOutside">{{ row.shortName }}</text>
          <rect class="reach" [attr.x]="row.reach.x" [attr.width]="row.reach.width" [attr.y]="row.y - 9" height="18" />
          <rect
            class="light"
            [class.out]="row.isOutside"
            [attr.x]="row.bar.x"
            [attr.width]="row.bar.width"
            [attr.y]="row.y - 4"
            height="8"
          >
            <title>{{ row.words }}</title>
          </rect>
        }
      </svg:g>
    </rd-plot>
  `,
  styleUrl: './film-chart.scss',
})
export class FilmChart {
  readonly rows = input.required<readonly FilmRow[]>();
  readonly sentence = input.required<string>();

  private readonly shown = elementWidth(640);
  private readonly gutter = computed(() => (this.shown() < NARROW_PX ? NARROW_GUTTER_PX : GUTTER_PX));
  protected readonly frame = computed<PlotFrame>(() => {
    const height = TOP_PX + this.rows().length * ROW_PX + AXIS_PX;
    return { width: this.shown(), height, left: this.gutter(), right: this.shown() - 8, top: TOP_PX - 8, base: height - AXIS_PX };
  });
  private readonly x = computed(() => {
    const evs = this.rows().flatMap(({ lowEv, highEv, exposedFrom, exposedTo }) => [lowEv, highEv, exposedFrom, exposedTo]);
    return scaleLinear([Math.min(...evs) - MARGIN_EV, Math.max(...evs) + MARGIN_EV], [this.frame().left, this.frame().right]);
  });
  protected readonly ticks = computed(() =>
    this.x()
      .ticks(TICKS)
      .map((ev, k): Tick => ({ at: this.x()(ev), text: k === 0 ? `EV ${ev}` : `${ev}`, rule: 'plain' })),
  );
  protected readonly lines = computed(() => {
    const x = this.x();
    const span = (from: number, to: number) => {
      const [left, right] = [x(from), x(to)];
      const width = Math.max(LEAST_BAR_PX, right - left);
      return { x: (left + right - width) / 2, width };
    };
    const letters = Math.floor(this.gutter() / 8);
    return this.rows().map((row, k) => ({
      ...row,
      y: TOP_PX + (k + 0.5) * ROW_PX,
      shortName: row.name.length > letters ? `${row.name.slice(0, letters - 1)}…` : row.name,
      reach: span(row.exposedFrom, row.exposedTo),
      bar: span(row.lowEv, row.highEv),
    }));
  });
}
