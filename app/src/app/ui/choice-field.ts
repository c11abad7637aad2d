import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

export interface Choice<Value extends string> {
  readonly value: Value;
  readonly label: string;
}

let count = 0;

/** One of a few words. */
@Component({
  selector: 'rd-choice-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [for]="id">{{ label() }}</label>
    <select class="field-line" [id]="id" (change)="choose($event)" [attr.aria-describedby]="hint() ? id + '-hint' : null">
      @for (choice of choices(); track choice.value) {
        <option [value]="choice.value" [selected]="choice.value === value()">{{ choice.label }}</option>
      }
    </select>
    @if (hint()) {
      <p class="hint soft" [id]="id + '-hint'">{{ hint() }}</p>
    }
  `,
  styleUrl: './field.scss',
})
export class ChoiceField<Value extends string> {
  readonly label = input.required<string>();
  readonly value = input.required<Value>();
  readonly choices = input.required<readonly Choice<Value>[]>();
  readonly hint = input('');
  readonly changed = output<Value>();

  protected readonly id = `choice-${count++}`;

  protected choose(event: Event): void {
    this.changed.emit((event.target as HTMLSelectElement).value as Value);
  }
}
