import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

/** Yes or no, its label beside it. */
@Component({
  selector: 'rd-check-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label class="check">
      <input type="checkbox" [checked]="value()" (change)="toggle($event)" />
      <span>{{ label() }}</span>
    </label>
    @if (hint()) {
      <p class="hint soft">{{ hint() }}</p>
    }
  `,
  styleUrl: './field.scss',
  styles: `
    @use 'phone';
    .check {
      display: flex;
      align-items: center;
      gap: var(--space-2);
      min-height: 30px;
      color: var(--ink);
      font-size: inherit;
    }
    input {
      width: 18px;
      height: 18px;
      margin: 0;
      flex: none;
    }
    @include phone.below {
      .check {
        min-height: 48px;
      }
    }
  `,
})
export class CheckField {
  readonly label = input.required<string>();
  readonly value = input.required<boolean>();
  readonly hint = input('');
  readonly changed = output<boolean>();

  protected toggle(event: Event): void {
    this.changed.emit((event.target as HTMLInputElement).checked);
  }
}
