import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { MatTooltipModule } from '@angular/material/tooltip';

const LEVELS = ['empty', 'few', 'busy', 'packed'] as const;

/** The crowd by hour: 24 columns, a click or a key raises one, past packed it is empty again. */
@Component({
  selector: 'rd-crowd-field',
  imports: [MatTooltipModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <p class="label" id="crowd-label">Crowd by hour: click a column for empty, few, busy, packed</p>
    <div class="hours" role="group" aria-labelledby="crowd-label">
      @for (level of value(); track $index; let hour = $index) {
        <button
          type="button"
          [attr.aria-label]="hour + ' to ' + (hour + 1) + ' o’clock: ' + word(level)"
          [matTooltip]="hour + ' h: ' + word(level)"
          (click)="raise(hour)"
        >
          <span class="column" [style.height.px]="3 + level * 8"></span>
          <span class="hour figure" aria-hidden="true">{{ hour % 3 === 0 ? hour : '' }}</span>
        </button>
      }
    </div>
  `,
  styleUrl: '../../../fields/field.scss',
  styles: `
    @use 'phone';
    .hours {
      display: grid;
      grid-template-columns: repeat(12, minmax(24px, 1fr));
      max-width: 420px;
    }
    button {
      display: flex;
      flex-direction: column;
      justify-content: end;
      min-width: 0;
      height: 48px;
      padding: 0 1px;
      border: 0;
      background: transparent;
      cursor: pointer;
    }
    button:hover .column {
      background: var(--mark);
    }
    .column {
      border-bottom: 1px solid var(--ink);
      background: var(--slate);
    }
    .hour {
      height: 14px;
      font-size: 0.6875rem;
      line-height: 14px;
      text-align: left;
    }
    @include phone.below {
      .hours {
        grid-template-columns: repeat(6, minmax(48px, 1fr));
      }
    }
  `,
})
export class CrowdField {
  readonly value = input.required<readonly number[]>();
  readonly changed = output<readonly number[]>();

  protected word(level: number): string {
    return LEVELS[Math.round(level)] ?? LEVELS[0];
  }

  protected raise(hour: number): void {
    this.changed.emit(this.value().map((level, k) => (k === hour ? (Math.round(level) + 1) % LEVELS.length : level)));
  }
}
