import { ChangeDetectionStrategy, Component, computed, input, output } from '@angular/core';
import { CheckField } from './check-field';
import { ChoiceField } from './choice-field';
import type { FieldSpec } from './field-spec';
import { TextField } from './text-field';
import { ValueField } from './value-field';

/** A change of an item that applies to the item as it is by then, so that two quick ones keep each other. */
export interface FieldChange<Item> {
  readonly change: (item: Item) => Item;
  /** What undo says was changed; empty where the field does not say. */
  readonly part: string;
  /** Letter by letter: steps of one undo. */
  readonly isTyping: boolean;
}

/** A form drawn from the descriptions of its fields, into the columns of what is round it. */
@Component({
  selector: 'rd-described-form',
  imports: [CheckField, ChoiceField, TextField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (one of shown(); track one.key) {
      @switch (one.field.kind) {
        @case ('value') {
          <rd-value-field
            [class]="one.field.width ?? ''"
            [label]="one.label"
            [hint]="one.hint"
            [placeholder]="one.field.placeholder ?? ''"
            [hasSteppers]="one.field.hasSteppers === true"
            [value]="one.value"
            [codec]="one.codec"
            (changed)="changed.emit(one.set($event))"
          />
        }
        @case ('choice') {
          <rd-choice-field
            [class]="one.field.width ?? ''"
            [label]="one.label"
            [hint]="one.hint"
            [value]="one.value"
            [choices]="one.choices"
            (changed)="changed.emit(one.set($event))"
          />
        }
        @case ('check') {
          <rd-check-field
            [class]="one.field.width ?? ''"
            [label]="one.label"
            [hint]="one.hint"
            [value]="one.value"
            (changed)="changed.emit(one.set($event))"
          />
        }
        @case ('text') {
          <rd-text-field
            [class]="one.field.width ?? ''"
            [label]="one.label"
            [isLong]="one.field.isLong === true"
            [value]="one.value"
            (changed)="changed.emit(one.set($event))"
          />
        }
      }
    }
  `,
  styles: `
    :host {
      display: contents;
    }
    .double {
      grid-column: span 2;
    }
    .wide {
      grid-column: 1 / -1;
    }
  `,
})
export class DescribedForm<Item, Context> {
  readonly fields = input.required<readonly FieldSpec<Item, Context>[]>();
  readonly item = input.required<Item>();
  readonly context = input.required<Context>();
  readonly changed = output<FieldChange<Item>>();

  protected readonly shown = computed(() => {
    const [item, context] = [this.item(), this.context()];
    const told = (words: FieldSpec<Item, Context>['label'] | undefined): string =>
      typeof words === 'function' ? words(item, context) : (words ?? '');
    return this.fields()
      .map((field, k) => ({ field, key: `${k} ${told(field.label)}` }))
      .filter(({ field }) => field.isShown?.(item, context) !== false)
      .map(({ field, key }) => ({
        field,
        key,
        label: told(field.label),
        hint: told(field.hint),
        // Once for each change, not for each look: a list made anew is another to whoever shows it.
        value: field.read(item) as never,
        codec: field.kind === 'value' ? field.codec(item, context) : (null as never),
        choices: field.kind === 'choice' ? field.choices(context, item) : [],
        set: (value: unknown): FieldChange<Item> => ({
          change: (one) => (field.write as (item: Item, value: unknown) => Item)(one, value),
          part: field.part ?? '',
          isTyping: field.kind === 'text',
        }),
      }));
  });
}
