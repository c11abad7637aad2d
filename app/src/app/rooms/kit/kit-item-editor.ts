import { ChangeDetectionStrategy, Component, computed, inject, input, output, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { NgTemplateOutlet } from '@angular/common';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import type { KitItem } from '@roam-dial/core/kit';
import { ofKind } from '@roam-dial/core/plan';
import { CardFocus, type CardTarget } from '../../state/selection/card-focus';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { CheckField } from '../../fields/check-field';
import { ChoiceField } from '../../fields/choice-field';
import { TextField } from '../../fields/text-field';
import { ValueField } from '../../fields/value-field';
import { fieldReading } from '../../shared/field-reading';
import { cardNumbers } from './card-numbers';
import type { FieldContext } from './field-spec';
import { fieldsFor } from './fields';

/** One kit item, field by field, with what each does to the card beside it. */
@Component({
  selector: 'rd-kit-item-editor',
  imports: [CheckField, ChoiceField, MatButtonModule, MatExpansionModule, NgTemplateOutlet, TextField, ValueField],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './kit-item-editor.html',
  styleUrl: './field-row.scss',
})
export class KitItemEditor {
  readonly item = input.required<KitItem>();
  /** Applied to the item as it is by then, so that two quick changes keep each other. */
  readonly changed = output<(item: KitItem) => KitItem>();
  readonly renamed = output<string>();
  readonly duplicated = output();
  readonly removed = output();

  private readonly cardFocus = inject(CardFocus);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly numbers = cardNumbers();

  private readonly reading = fieldReading();
  private readonly context = computed<FieldContext>(() => ({
    ...this.reading(),
    films: ofKind(this.workspace()?.kit ?? [], 'film').map(({ id, name }) => ({ value: id, label: name })),
  }));

  protected readonly fields = computed(() => {
    const item = this.item();
    return fieldsFor(item).map((field) => ({
      label: field.label,
      isRare: field.isRare === true,
      effect: field.effect,
      feeds: field.feeds,
      number: field.feeds === null ? '' : (this.numbers()[field.feeds] ?? ''),
      value:
        field.kind === 'value'
          ? {
              codec: field.codec(item, this.context()),
              now: field.read(item),
              set: (v: unknown) => (one: KitItem) => field.write(one, v),
            }
          : null,
      choice:
        field.kind === 'choice'
          ? {
              choices: field.choices(this.context()),
              now: field.read(item),
              set: (v: string) => (one: KitItem) => field.write(one, v),
            }
          : null,
      check: field.kind === 'check' ? { now: field.read(item), set: (v: boolean) => (one: KitItem) => field.write(one, v) } : null,
    }));
  });

  protected readonly main = computed(() => this.fields().filter(({ isRare }) => !isRare));
  protected readonly rare = computed(() => this.fields().filter(({ isRare }) => isRare));
  /** Once opened it stays so from one thing to the next. */
  protected readonly isOpen = signal(false);

  protected point(target: CardTarget): void {
    this.cardFocus.pointAt(target);
  }
}
