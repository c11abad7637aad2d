import { ChangeDetectionStrategy, Component, effect, input, output, viewChild } from '@angular/core';
import { FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import type { Codec } from './codec';
import { AT_ONCE } from '../ui/at-once';
import { ValueControl } from './value-control';

/** One value on a line, read and stepped by its codec: a form field round a `ValueControl`. */
@Component({
  selector: 'rd-value-field',
  imports: [MatFormFieldModule, MatInputModule, ReactiveFormsModule, ValueControl],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field subscriptSizing="dynamic" floatLabel="always" [class.bare]="isLabelHidden()">
      @if (!isLabelHidden()) {
        <mat-label>{{ label() }}</mat-label>
      }
      @if (hasSteppers()) {
        <button matIconPrefix type="button" class="plain-button" [attr.aria-label]="label() + ': less'" (click)="field.stepBy(-1)">
          −
        </button>
      }
      <input
        #field="rdValue"
        matInput
        [rdValue]="codec()"
        [formControl]="control"
        [errorStateMatcher]="atOnce"
        [attr.aria-label]="isLabelHidden() ? label() : null"
        [placeholder]="placeholder()"
      />
      @if (codec().unit; as unit) {
        <span matTextSuffix class="soft" aria-hidden="true">{{ unit }}</span>
      }
      @if (hasSteppers()) {
        <button matIconSuffix type="button" class="plain-button" [attr.aria-label]="label() + ': more'" (click)="field.stepBy(1)">
          +
        </button>
      }
      @if (control.invalid) {
        <mat-error role="alert">{{ control.getError('entry') }}</mat-error>
      }
      @if (hint(); as words) {
        <mat-hint>{{ words }}</mat-hint>
      }
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class ValueField<Value> {
  readonly label = input.required<string>();
  readonly value = input.required<Value>();
  readonly codec = input.required<Codec<Value>>();
  readonly hint = input('');
  readonly placeholder = input('');
  /** Where the words beside it say as much to those who see them. */
  readonly isLabelHidden = input(false);
  /** Minus and plus beside the value, for the thumb and the mouse. */
  readonly hasSteppers = input(false);
  readonly changed = output<Value>();

  protected readonly control = new FormControl<Value | null>(null);
  protected readonly atOnce = AT_ONCE;
  private held: Value | null = null;
  private readonly written = viewChild.required<ValueControl<Value>>(ValueControl);

  constructor() {
    effect(() => {
      this.held = this.value();
      this.control.setValue(this.held, { emitEvent: false });
    });
    effect(() => {
      this.codec();
      this.written().rewrite();
    });
    // A form speaks up, too, when only what is wrong has changed.
    this.control.valueChanges.subscribe((value) => {
      if (value === this.held) return;
      this.held = value as Value;
      this.changed.emit(this.held);
    });
  }
}
