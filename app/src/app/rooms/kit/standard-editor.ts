import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DEFAULT_STANDARD, type Standard } from '@roam-dial/core/kit';
import { ofKind } from '@roam-dial/core/plan';
import { DescribedForm, type FieldChange } from '../../fields/described-form';
import { fieldReading } from '../../shared/field-reading';
import { CardFocus, type CardTarget } from '../../state/selection/card-focus';
import { KitActions } from '../../state/kit/actions';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { cardNumbers } from './card-numbers';
import { FiguresEditor } from './figures-editor';
import { ceilingOf, STANDARD_FORM, type StandardRow } from './standard-fields';

/** A person's own limits: sharpness, steadiness, noise, guessing, pace. */
@Component({
  selector: 'rd-standard-editor',
  imports: [DescribedForm, FiguresEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './standard-editor.html',
  styleUrl: './field-row.scss',
})
export class StandardEditor {
  private readonly actions = inject(KitActions);
  private readonly cardFocus = inject(CardFocus);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  private readonly numbers = cardNumbers();
  protected readonly reading = fieldReading();
  protected readonly standard = computed(() => this.workspace()?.standard ?? DEFAULT_STANDARD);
  private readonly bodies = computed(() =>
    ofKind(this.workspace()?.kit ?? [], 'body').filter(({ medium }) => medium === 'digital'),
  );

  /** Each with what it does to the card; a ceiling for every digital body. */
  protected readonly rows = computed(() => {
    const [standard, numbers] = [this.standard(), this.numbers()];
    const [before, after] = STANDARD_FORM;
    return [...before, ...this.bodies().map(ceilingOf), ...after]
      .filter(({ fields: [field] }) => field.isShown?.(standard, this.reading()) !== false)
      .map((row: StandardRow) => ({ ...row, number: row.feeds === null ? '' : (numbers[row.feeds] ?? '') }));
  });

  protected apply({ change }: FieldChange<Standard>): void {
    this.actions.changeStandard(change);
  }

  protected set(change: Partial<Standard>): void {
    this.actions.changeStandard((standard) => ({ ...standard, ...change }));
  }

  protected point(target: CardTarget): void {
    this.cardFocus.pointAt(target);
  }
}
