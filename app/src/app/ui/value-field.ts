import { ChangeDetectionStrategy, Component, computed, input, linkedSignal, output, signal } from '@angular/core';
import type { Codec } from '../wording/codec';

let count = 0;

/**
 * One value on a line: reads what people type, says what is wrong and keeps what was typed until it is right. Arrow up
 * and down step by the field's own marks.
 */
@Component({
  selector: 'rd-value-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [for]="id" [class.visually-hidden]="isLabelHidden()">{{ label() }}</label>
    <span class="line">
      @if (hasSteppers()) {
        <button type="button" class="plain-button stepper" [attr.aria-label]="label() + ': less'" (click)="step($event, -1)">
          −
        </button>
      }
      <input
        class="field-line figure"
        autocomplete="off"
        spellcheck="false"
        [id]="id"
        [value]="shown()"
        [attr.inputmode]="codec().inputMode ?? 'text'"
        [attr.aria-invalid]="problem() !== null"
        [attr.aria-describedby]="problem() === null ? (hint() ? id + '-hint' : null) : id + '-problem'"
        [attr.placeholder]="placeholder() || null"
        (input)="type($event)"
        (change)="commit($event)"
        (keydown.arrowUp)="step($event, 1)"
        (keydown.arrowDown)="step($event, -1)"
        (keydown.escape)="revert($event)"
      />
      @if (hasSteppers()) {
        <button type="button" class="plain-button stepper" [attr.aria-label]="label() + ': more'" (click)="step($event, 1)">
          +
        </button>
      }
      @if (codec().unit; as unit) {
        <span class="unit soft" aria-hidden="true">{{ unit }}</span>
      }
    </span>
    @if (problem(); as message) {
      <p class="problem warn" role="alert" [id]="id + '-problem'">{{ message }}</p>
    } @else if (hint()) {
      <p class="hint soft" [id]="id + '-hint'">{{ hint() }}</p>
    }
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

  protected readonly id = `value-${count++}`;
  /** What is being typed, until it is taken over. */
  private readonly draft = signal<string | null>(null);
  protected readonly problem = signal<string | null>(null);
  /** The value bound, or where steps have led since it was: keys repeat faster than screens are drawn. */
  private readonly held = linkedSignal(() => this.value());
  protected readonly shown = computed(() => this.draft() ?? this.codec().format(this.value()));

  protected type(event: Event): void {
    this.draft.set((event.target as HTMLInputElement).value);
    if (this.problem() !== null) this.check();
  }

  protected commit(event: Event): void {
    this.draft.set((event.target as HTMLInputElement).value);
    const parsed = this.check();
    if (parsed === null) return;
    this.draft.set(null);
    (event.target as HTMLInputElement).value = this.codec().format(parsed.value);
    this.changed.emit(parsed.value);
  }

  protected step(event: Event, direction: 1 | -1): void {
    const { step } = this.codec();
    if (step === undefined) return;
    event.preventDefault();
    const parsed = this.draft() === null ? { value: this.held() } : this.check();
    if (parsed === null) return;
    this.draft.set(null);
    this.held.set(step(parsed.value, direction));
    this.changed.emit(this.held());
  }

  protected revert(event: Event): void {
    if (this.draft() === null) return;
    event.stopPropagation();
    this.draft.set(null);
    this.problem.set(null);
    (event.target as HTMLInputElement).value = this.codec().format(this.value());
  }

  private check(): { readonly value: Value } | null {
    const parsed = this.codec().parse(this.shown());
    this.problem.set(parsed.ok ? null : parsed.message);
    return parsed.ok ? parsed : null;
  }
}
