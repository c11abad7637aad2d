import { ChangeDetectionStrategy, Component, computed, input } from '@angular/core';
import { toObservable, toSignal } from '@angular/core/rxjs-interop';
import {
  type AbstractControl,
  type FormControl,
  ReactiveFormsModule,
  type ValidationErrors,
  type ValidatorFn,
} from '@angular/forms';
import { MatAutocompleteModule } from '@angular/material/autocomplete';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatInputModule } from '@angular/material/input';
import { startWith, switchMap } from 'rxjs';
import { AT_ONCE } from '../ui/at-once';

/** Any zone that this browser reckons with; those of the open sea are in no list of names. */
export const isZone: ValidatorFn = ({ value }: AbstractControl<string>): ValidationErrors | null => {
  try {
    if (value !== '') new Intl.DateTimeFormat('en', { timeZone: value });
    return null;
  } catch {
    return { zone: 'No time zone of this name: type part of it and choose.' };
  }
};

const MOST_SHOWN = 30;

/** A time zone, found by typing part of its name. */
@Component({
  selector: 'rd-zone-field',
  imports: [MatAutocompleteModule, MatFormFieldModule, MatInputModule, ReactiveFormsModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field subscriptSizing="dynamic" floatLabel="always">
      <mat-label>Time zone</mat-label>
      <input
        matInput
        autocomplete="off"
        spellcheck="false"
        [formControl]="control()"
        [errorStateMatcher]="atOnce"
        [matAutocomplete]="zones"
      />
      <mat-autocomplete #zones>
        @for (name of shown(); track name) {
          <mat-option [value]="name">{{ name }}</mat-option>
        }
      </mat-autocomplete>
      @if (control().invalid) {
        <mat-error>{{ control().getError('zone') }}</mat-error>
      }
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class ZoneField {
  readonly control = input.required<FormControl<string>>();
  /** All that there are, by name. */
  readonly names = input.required<readonly string[]>();

  protected readonly atOnce = AT_ONCE;
  private readonly typed = toSignal(
    toObservable(this.control).pipe(switchMap((control) => control.valueChanges.pipe(startWith(control.value)))),
    { initialValue: '' },
  );
  protected readonly shown = computed(() => {
    const typed = this.typed().trim().toLowerCase().replace(/\s+/g, '_');
    return this.names()
      .filter((name) => name.toLowerCase().includes(typed))
      .slice(0, MOST_SHOWN);
  });
}
