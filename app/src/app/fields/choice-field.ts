import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { Choice } from '../words/choices';

/** One of a few words. */
@Component({
  selector: 'rd-choice-field',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field subscriptSizing="dynamic" floatLabel="always">
      <mat-label>{{ label() }}</mat-label>
      <select matNativeControl [formControl]="control">
        @for (choice of choices(); track choice.value) {
          <option [value]="choice.value">{{ choice.label }}</option>
        }
      </select>
      @if (hint(); as words) {
        <mat-hint>{{ words }}</mat-hint>
      }
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class ChoiceField<Value extends string> {
  readonly label = input.required<string>();
  readonly value = input.required<Value>();
  readonly choices = input.required<readonly Choice<Value>[]>();
  readonly hint = input('');
  readonly changed = output<Value>();

  protected readonly control = new FormControl<Value | null>(null);

  constructor() {
    effect(() => {
      this.choices();
      this.control.setValue(this.value(), { emitEvent: false });
    });
    this.control.valueChanges.subscribe((value) => this.changed.emit(value as Value));
  }
}
