import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';

let count = 0;

/** Free text; every keystroke is kept, so that nothing typed is lost. */
@Component({
  selector: 'rd-text-field',
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    <label [for]="id">{{ label() }}</label>
    @if (isLong()) {
      <textarea class="field-line" [id]="id" [value]="value()" [maxLength]="20000" (input)="type($event)"></textarea>
    } @else {
      <input class="field-line" autocomplete="off" [id]="id" [value]="value()" maxlength="200" (input)="type($event)" />
    }
  `,
  styleUrl: './field.scss',
})
export class TextField {
  readonly label = input.required<string>();
  readonly value = input.required<string>();
  readonly isLong = input(false);
  readonly changed = output<string>();

  protected readonly id = `text-${count++}`;

  protected type(event: Event): void {
    this.changed.emit((event.target as HTMLInputElement).value);
  }
}
