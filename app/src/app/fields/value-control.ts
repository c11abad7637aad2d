import { Directive, ElementRef, forwardRef, inject, input, Renderer2 } from '@angular/core';
import {
  type AbstractControl,
  type ControlValueAccessor,
  NG_VALIDATORS,
  NG_VALUE_ACCESSOR,
  type ValidationErrors,
  type Validator,
} from '@angular/forms';
import type { Codec } from './codec';

/**
 * A text input as a form's control whose value is what people mean: reads what they type by a codec when they leave the field
 * or press Enter, and steps by the codec's own marks on the arrows. What cannot be read stays as it was typed and is the error
 * `entry`, in words; the control keeps the last value that could be. Escape goes back to it.
 */
@Directive({
  selector: 'input[rdValue]',
  exportAs: 'rdValue',
  host: {
    class: 'figure',
    autocomplete: 'off',
    spellcheck: 'false',
    '[attr.inputmode]': "codec().inputMode ?? 'text'",
    '(input)': 'type()',
    '(change)': 'commit()',
    '(blur)': 'touched()',
    '(keydown.arrowUp)': 'stepBy(1, $event)',
    '(keydown.arrowDown)': 'stepBy(-1, $event)',
    '(keydown.escape)': 'revert($event)',
  },
  providers: [
    { provide: NG_VALUE_ACCESSOR, useExisting: forwardRef(() => ValueControl), multi: true },
    { provide: NG_VALIDATORS, useExisting: forwardRef(() => ValueControl), multi: true },
  ],
})
export class ValueControl<Value> implements ControlValueAccessor, Validator {
  readonly codec = input.required<Codec<Value>>({ alias: 'rdValue' });

  private readonly host = inject<ElementRef<HTMLInputElement>>(ElementRef).nativeElement;
  private readonly renderer = inject(Renderer2);
  /** The last value that could be read; undefined before there was one. */
  private held: Value | undefined;
  private isDraft = false;
  private problem: string | null = null;
  private changed: (value: Value) => void = () => undefined;
  private revalidate: () => void = () => undefined;
  protected touched: () => void = () => undefined;

  writeValue(value: Value): void {
    // Undone, or of another stop: what was being typed was not about this.
    if (this.isDraft && value !== this.held) {
      this.isDraft = false;
      this.say(null);
    }
    this.held = value;
    if (!this.isDraft) this.show();
  }

  registerOnChange(changed: (value: Value) => void): void {
    this.changed = changed;
  }

  registerOnTouched(touched: () => void): void {
    this.touched = touched;
  }

  registerOnValidatorChange(revalidate: () => void): void {
    this.revalidate = revalidate;
  }

  setDisabledState(isDisabled: boolean): void {
    this.renderer.setProperty(this.host, 'disabled', isDisabled);
  }

  validate(_: AbstractControl): ValidationErrors | null {
    return this.problem === null ? null : { entry: this.problem };
  }

  /** The held value again as the codec writes it now: units and series change under it. */
  rewrite(): void {
    if (!this.isDraft && this.held !== undefined) this.show();
  }

  protected type(): void {
    this.isDraft = true;
    if (this.problem !== null) this.read();
  }

  protected commit(): void {
    const read = this.read();
    if (read !== null) this.take(read.value);
  }

  stepBy(direction: 1 | -1, event?: Event): void {
    const { step } = this.codec();
    if (step === undefined || this.held === undefined) return;
    event?.preventDefault();
    const from = this.isDraft ? this.read() : { value: this.held };
    if (from !== null) this.take(step(from.value, direction));
  }

  protected revert(event: Event): void {
    if (!this.isDraft) return;
    event.stopPropagation();
    this.isDraft = false;
    this.say(null);
    this.show();
  }

  private take(value: Value): void {
    this.isDraft = false;
    this.held = value;
    this.show();
    this.changed(value);
  }

  private read(): { readonly value: Value } | null {
    const read = this.codec().parse(this.host.value);
    this.say(read.ok ? null : read.message);
    return read.ok ? read : null;
  }

  private say(problem: string | null): void {
    if (problem === this.problem) return;
    this.problem = problem;
    this.revalidate();
  }

  private show(): void {
    const text = this.codec().format(this.held as Value);
    if (this.host.value !== text) this.renderer.setProperty(this.host, 'value', text);
  }
}
