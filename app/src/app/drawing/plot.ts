import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import type { PlotFrame, PlotTable, Tick } from './plot-frame';

/** Between a tick's words and what they stand beside, px. */
const GAP_PX = 6;
const FOOT_PX = 8;
const HALF_LETTER_PX = 4;

/**
 * What every drawing has: its size, its two axes, its name, its sentence, and the same as a table for whoever does not see it.
 * The marks are what is put into it (`<svg:g>`); they bring their own scales, colours and handles.
 */
@Component({
  selector: 'rd-plot',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <figure>
      <svg
        [attr.width]="frame().width"
        [attr.height]="frame().height"
        [attr.role]="hasHandles() ? 'group' : 'img'"
        [attr.aria-label]="hasHandles() ? name() : sentence()"
      >
        @for (tick of xTicks(); track $index) {
          @if (tick.rule; as rule) {
            <line [class]="rule" [attr.x1]="tick.at" [attr.x2]="tick.at" [attr.y1]="frame().top" [attr.y2]="frame().base" />
          }
          <text class="axis" text-anchor="middle" [attr.x]="tick.at" [attr.y]="frame().height - foot">{{ tick.text }}</text>
        }
        @for (tick of yTicks(); track $index) {
          @if (tick.rule; as rule) {
            <line [class]="rule" [attr.x1]="frame().left" [attr.x2]="frame().right" [attr.y1]="tick.at" [attr.y2]="tick.at" />
          }
          <text class="axis" text-anchor="end" [attr.x]="frame().left - gap" [attr.y]="tick.at + half">{{ tick.text }}</text>
        }
        <ng-content />
      </svg>
      @if (hasHandles()) {
        <figcaption aria-live="polite" [style.--gutter.px]="frame().left">{{ sentence() }}</figcaption>
      }
      @if (table(); as t) {
        <table class="visually-hidden">
          <caption>
            {{ name() }}
          </caption>
          <thead>
            <tr>
              @for (column of t.columns; track $index) {
                <th scope="col">{{ column }}</th>
              }
            </tr>
          </thead>
          <tbody>
            @for (row of t.rows; track $index) {
              <tr>
                @for (cell of row; track $index) {
                  @if ($first) {
                    <th scope="row">{{ cell }}</th>
                  } @else {
                    <td>{{ cell }}</td>
                  }
                }
              </tr>
            }
          </tbody>
        </table>
      }
    </figure>
  `,
  styles: `
    @use 'chart';
    @include chart.frame(var(--gutter));
    :host {
      position: relative;
    }
    .plain {
      stroke: var(--rule);
    }
    .dashed {
      stroke: var(--ink-soft);
      stroke-dasharray: 2 4;
    }
  `,
})
export class Plot {
  readonly frame = input.required<PlotFrame>();
  /** What it is of. */
  readonly name = input.required<string>();
  /** What it says now. */
  readonly sentence = input.required<string>();
  readonly xTicks = input<readonly Tick[]>([]);
  readonly yTicks = input<readonly Tick[]>([]);
  /** Something on it is moved: its parts are reached one by one, and its sentence stands below, where it can be read. */
  readonly hasHandles = input(false);
  readonly table = input.required<PlotTable | null>();

  protected readonly gap = GAP_PX;
  protected readonly half = HALF_LETTER_PX;
  protected readonly foot = FOOT_PX;
}
