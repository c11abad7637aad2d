import { ChangeDetectionStrategy, Component, computed, input, output, signal } from '@angular/core';
import { MatButtonModule } from '@angular/material/button';
import { MatExpansionModule } from '@angular/material/expansion';
import type { KitItem } from '@roam-dial/core/kit';
import { TextField } from '../../fields/text-field';
import { ExplainedFields } from './explained-fields';
import { fieldsFor } from './fields';
import { kitContext } from './kit-context';

/** One kit item, field by field, with what each does to the card beside it. */
@Component({
  selector: 'rd-kit-item-editor',
  imports: [ExplainedFields, MatButtonModule, MatExpansionModule, TextField],
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

  protected readonly context = kitContext();
  private readonly fields = computed(() => fieldsFor(this.item(), this.context()));
  protected readonly main = computed(() => this.fields().filter(({ isRare }) => isRare !== true));
  protected readonly rare = computed(() => this.fields().filter(({ isRare }) => isRare === true));
  /** Once opened it stays so from one thing to the next. */
  protected readonly isOpen = signal(false);
}
