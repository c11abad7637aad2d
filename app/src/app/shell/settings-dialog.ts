import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { MatButtonModule } from '@angular/material/button';
import { MatDialogModule, MatDialogRef } from '@angular/material/dialog';
import { DEFAULT_SETTINGS, type Settings } from '@roam-dial/core/formats/archive';
import type { ReadArchive } from '@roam-dial/core/formats/reading';
import type { ImportMode } from '../storage/transfer';
import { AppActions } from '../state/app/app.actions';
import { WalkActions } from '../state/walk/walk.actions';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import { CheckField } from '../fields/check-field';
import { ChoiceField } from '../fields/choice-field';
import type { Choice } from '../words/choices';

/** How values are written, and everything that one has as a file. */
@Component({
  selector: 'rd-settings-dialog',
  imports: [CheckField, ChoiceField, MatButtonModule, MatDialogModule],
  changeDetection: ChangeDetectionStrategy.OnPush,
  templateUrl: './settings-dialog.html',
  styles: `
    .fields {
      display: grid;
      grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
      gap: var(--space-3) var(--space-5);
    }
    h3 {
      margin: var(--space-5) 0 var(--space-2);
      padding-top: var(--space-3);
      border-top: 1px solid var(--rule);
    }
    .data {
      display: flex;
      flex-wrap: wrap;
      align-items: end;
      gap: var(--space-2);
      margin-top: var(--space-2);
    }
    .data rd-choice-field {
      width: 220px;
    }
    .outcome {
      margin-top: var(--space-3);
      padding: var(--space-2) var(--space-3);
      border-left: 3px solid var(--mark);
      ul {
        margin: var(--space-1) 0 0;
        padding-left: var(--space-4);
        overflow-wrap: anywhere;
      }
    }
    .outcome.good {
      border-left-color: var(--ink);
    }
  `,
})
export class SettingsDialog {
  private readonly actions = inject(AppActions);
  private readonly walkActions = inject(WalkActions);
  private readonly dialog = inject(MatDialogRef<SettingsDialog>);
  private readonly workspace = toSignal(inject(WorkspaceStore).workspace$);

  protected readonly settings = computed(() => this.workspace()?.settings ?? DEFAULT_SETTINGS);
  protected readonly mode = signal<ImportMode>('add');
  /** Whether there are any to go along, and whether they do: they make the file many times as large. */
  protected readonly hasFrames = computed(() => (this.workspace()?.frames.length ?? 0) > 0);
  protected readonly hasPictures = signal(false);
  protected readonly isReading = signal(false);
  protected readonly outcome = signal<(ReadArchive & { readonly file: string }) | null>(null);

  protected readonly themes: readonly Choice<Settings['theme']>[] = [
    { value: 'light', label: 'Light' },
    { value: 'night', label: 'Night: dim, without white' },
  ];
  protected readonly units: readonly Choice<Settings['lengthUnit']>[] = [
    { value: 'metres', label: 'Metres' },
    { value: 'feet', label: 'Feet' },
  ];
  protected readonly clocks: readonly Choice<Settings['clock']>[] = [
    { value: '24h', label: '24 hours, 15:36' },
    { value: '12h', label: '12 hours, 3:36 pm' },
  ];
  protected readonly steps: readonly Choice<Settings['markStep']>[] = [
    { value: 'third', label: 'Thirds of a stop' },
    { value: 'half', label: 'Halves' },
    { value: 'full', label: 'Full stops' },
  ];
  protected readonly modes: readonly Choice<ImportMode>[] = [
    { value: 'add', label: 'Add to what is here' },
    { value: 'replace', label: 'Replace all that is here' },
  ];

  protected set(change: Partial<Settings>): void {
    this.actions.changeSettings(change);
  }

  protected export(): void {
    void this.actions.exportAll({ hasPictures: this.hasPictures() });
  }

  protected async import(event: Event): Promise<void> {
    const input = event.target as HTMLInputElement;
    const file = input.files?.[0];
    if (file === undefined) return;
    this.isReading.set(true);
    try {
      this.outcome.set({ ...(await this.actions.importFile(file, this.mode())), file: file.name });
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      this.outcome.set({ ok: false, refusal: 'broken', message, problems: [], file: file.name });
    } finally {
      this.isReading.set(false);
      input.value = '';
    }
  }

  protected async demo(): Promise<void> {
    await this.actions.bringDemoBack();
    this.dialog.close();
  }

  protected async startWalk(): Promise<void> {
    await this.walkActions.start();
    this.dialog.close();
  }
}
