import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { DEFAULT_STANDARD, type Figures, type Standard } from '@roam-dial/core/kit';
import { ofKind } from '@roam-dial/core/plan';
import type { FieldChange } from '../../fields/described-form';
import { KitActions } from '../../state/kit/actions';
import { WorkspaceStore } from '../../state/workspace/workspace.store';
import { ExplainedFields } from './explained-fields';
import { FiguresEditor } from './figures-editor';
import { kitContext } from './kit-context';
import { ceilingOf, STANDARD_FORM } from './standard-fields';

/** A person's own limits: sharpness, steadiness, noise, guessing, pace. */
@Component({
  selector: 'rd-standard-editor',
  imports: [ExplainedFields, FiguresEditor],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './standard-editor.html',
  styleUrl: './field-row.scss',
})
export class StandardEditor {
  private readonly actions = inject(KitActions);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);
  protected readonly context = kitContext();
  protected readonly standard = computed(() => this.workspace()?.standard ?? DEFAULT_STANDARD);
  private readonly ceilings = computed(() =>
    ofKind(this.workspace()?.kit ?? [], 'body')
      .filter(({ medium }) => medium === 'digital')
      .map(ceilingOf),
  );

  /** A ceiling for every digital body between the rest. */
  protected readonly fields = computed(() => {
    const [before, after] = STANDARD_FORM;
    const [standard, context] = [this.standard(), this.context()];
    return [...before, ...this.ceilings(), ...after].filter((field) => field.isShown?.(standard, context) !== false);
  });

  protected apply({ change }: FieldChange<Standard>): void {
    this.actions.changeStandard(change);
  }

  protected setFigures(figures: Partial<Figures>): void {
    this.actions.changeStandard((standard) => ({ ...standard, figures }));
  }
}
