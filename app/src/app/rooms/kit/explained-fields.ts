import { ChangeDetectionStrategy, Component, inject, input, output } from '@angular/core';
import { DescribedForm, type FieldChange } from '../../fields/described-form';
import { CardFocus, type CardTarget } from '../../state/selection/card-focus';
import { cardNumbers } from './card-numbers';
import type { ExplainedField, KitContext } from './field-spec';

/** Fields one below the other, each with what it does to the card, and the number of the card that it feeds. */
@Component({
  selector: 'rd-explained-fields',
  imports: [DescribedForm],
  changeDetection: ChangeDetectionStrategy.OnPush,
  template: `
    @for (field of fields(); track of() + (field.key ?? field.label)) {
      <div class="field" (focusin)="point(field.feeds)" (focusout)="point(null)">
        <rd-described-form [fields]="[field]" [item]="item()" [context]="context()" (changed)="changed.emit($event)" />
        <p class="effect">
          {{ field.effect }}
          @if (field.feeds !== null && numbers()[field.feeds]; as number) {
            <b>→ {{ number }}</b>
          }
        </p>
      </div>
    }
  `,
  styleUrl: './field-row.scss',
})
export class ExplainedFields<Item> {
  readonly fields = input.required<readonly ExplainedField<Item>[]>();
  readonly item = input.required<Item>();
  readonly context = input.required<KitContext>();
  /** Whose they are: what is half typed does not go along to another item. */
  readonly of = input('');
  readonly changed = output<FieldChange<Item>>();

  protected readonly numbers = cardNumbers();
  private readonly cardFocus = inject(CardFocus);

  protected point(target: CardTarget): void {
    this.cardFocus.pointAt(target);
  }
}
