import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { type FormControl, ReactiveFormsModule } from '@angular/forms';
import { MatDatepickerModule } from '@angular/material/datepicker';
import { MatFormFieldModule } from '@angular/material/form-field';
import { MatIconModule } from '@angular/material/icon';
import { MatInputModule } from '@angular/material/input';
import {
  MAT_LUXON_DATE_ADAPTER_OPTIONS,
  type MatLuxonDateAdapterOptions,
  provideLuxonDateAdapter,
} from '@angular/material-luxon-adapter';
import type { DateTime } from 'luxon';

const DATES = {
  parse: { dateInput: ['d MMMM yyyy', 'd MMM yyyy', 'd.M.yyyy', 'd/M/yyyy', 'yyyy-MM-dd', 'ccc d MMMM yyyy'] },
  display: {
    dateInput: 'ccc d MMMM yyyy',
    monthYearLabel: 'LLL yyyy',
    dateA11yLabel: 'd MMMM yyyy',
    monthYearA11yLabel: 'LLLL yyyy',
  },
};
const MONDAY_FIRST: MatLuxonDateAdapterOptions = { firstDayOfWeek: 1, useUtc: false, defaultOutputCalendar: 'gregory' };

/** A day, typed as people write it or chosen from a calendar whose weeks begin on Monday. */
@Component({
  selector: 'rd-date-field',
  imports: [MatDatepickerModule, MatFormFieldModule, MatIconModule, MatInputModule, ReactiveFormsModule],
  providers: [provideLuxonDateAdapter(DATES), { provide: MAT_LUXON_DATE_ADAPTER_OPTIONS, useValue: MONDAY_FIRST }],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <mat-form-field subscriptSizing="dynamic" floatLabel="always">
      <mat-label>Date</mat-label>
      <input matInput [formControl]="control()" [matDatepicker]="picker" />
      <mat-datepicker-toggle matIconSuffix [for]="picker">
        <mat-icon matDatepickerToggleIcon svgIcon="calendar" />
      </mat-datepicker-toggle>
      <mat-datepicker #picker />
      @if (control().invalid) {
        <mat-error role="alert">No such date: write it like 5 December 2026, or choose it.</mat-error>
      }
    </mat-form-field>
  `,
  styleUrl: './field.scss',
})
export class DateField {
  readonly control = input.required<FormControl<DateTime | null>>();
}
