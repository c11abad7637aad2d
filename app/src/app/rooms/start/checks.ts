import type { AbstractControl, ValidationErrors, ValidatorFn } from '@angular/forms';
import { withoutThousandsCommas } from '@roam-dial/core/units';
import { readPlace } from '@roam-dial/core/walk';

/** A number as it is typed, with a point or a comma, `12,800` as thousands; NaN for what is none. */
export function numberIn(text: string): number {
  const plain = withoutThousandsCommas(text.trim()).replace(',', '.');
  return /^[+-]?\d*\.?\d+$/.test(plain) ? Number(plain) : NaN;
}

export function withinRange(name: string, low: number, high: number): ValidatorFn {
  return ({ value }: AbstractControl<string>): ValidationErrors | null => {
    const number = numberIn(value);
    if (number >= low && number <= high) return null;
    return { between: Number.isNaN(number) ? `${name} has to be a number.` : `${name} has to lie from ${low} to ${high}.` };
  };
}

/** Empty is fine: each answer is optional. */
export const isPlace: ValidatorFn = ({ value }: AbstractControl<string>): ValidationErrors | null => {
  if (value.trim() === '') return null;
  const read = readPlace(value);
  return read.ok ? null : { place: read.message };
};
