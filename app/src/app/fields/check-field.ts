import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatCheckboxModule } from '@angular/material/checkbox';

/** Yes or no, its label beside it. */
@Component({
  selector: 'rd-check-field',
  imports: [MatCheckboxModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-checkbox [formControl]="control">{{ label() }}</mat-checkbox>
    @if (hint(); as words) {
      <p class="hint soft">{{ words }}</p>
    }
  `,
  styleUrl: './field.scss',
})
export class CheckField {
  readonly label = input.required<string>();
  readonly value = input.required<boolean>();
  readonly hint = input('');
  readonly changed = output<boolean>();

  protected readonly control = new FormControl(false, { nonNullable: true });

  constructor() {
    effect(() => this.control.setValue(this.value(), { emitEvent: false }));
    this.control.valueChanges.subscribe((isChecked) => this.changed.emit(isChecked));
  }
}
