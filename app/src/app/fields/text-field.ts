import { ChangeDetectionStrategy, Component, effect, input, output } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';

const LONGEST_LINE = 200;
const LONGEST_TEXT = 20_000;

/** Free text; every keystroke is kept, so that nothing typed is lost. */
@Component({
  selector: 'rd-text-field',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field subscriptSizing="dynamic" floatLabel="always">
      <mat-label>{{ label() }}</mat-label>
      @if (isLong()) {
        <textarea matInput cdkTextareaAutosize cdkAutosizeMinRows="2" [formControl]="control" [maxLength]="longestText"></textarea>
      } @else {
        <input matInput autocomplete="off" [formControl]="control" [maxLength]="longestLine" />
      }
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class TextField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly isLong = input(false);
  readonly changed = output<string>();

  protected readonly longestLine = LONGEST_LINE;
  protected readonly longestText = LONGEST_TEXT;
  protected readonly control = new FormControl('', { nonNullable: true });

  constructor() {
    effect(() => {
      if (this.control.value !== this.value()) this.control.setValue(this.value(), { emitEvent: false });
    });
    this.control.valueChanges.subscribe((text) => this.changed.emit(text));
  }
}
