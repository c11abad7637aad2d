import { Injectable, Injector, inject } from '@angular/core';
import { WorkspaceStore } from '../state/workspace.store';

const NOTICE_MS = 10_000;

/** Dialogs and notices; their machinery is loaded when the first one is wanted. */
@Injectable({ providedIn: 'root' })
export class Overlays {
  private readonly injector = inject(Injector);
  private readonly store = inject(WorkspaceStore);
  private isOpening = false;

  async openSettings(): Promise<void> {
    await this.open('Settings', async () => (await import('./settings-dialog')).SettingsDialog, '560px');
  }

  async openShortcuts(): Promise<void> {
    await this.open('The keys', async () => (await import('./shortcut-sheet')).ShortcutSheet, '480px');
  }

  async notify(message: string, undo: (() => void) | null): Promise<void> {
    const { MatSnackBar } = await import('@angular/material/snack-bar');
    const notice = this.injector.get(MatSnackBar).open(message, undo === null ? 'Close' : 'Undo', { duration: NOTICE_MS });
    if (undo !== null) notice.onAction().subscribe(undo);
  }

  /** One dialog at a time; one that cannot be loaded says so. */
  private async open(what: string, load: () => Promise<new () => object>, width: string): Promise<void> {
    if (this.isOpening) return;
    this.isOpening = true;
    try {
      const [component, { MatDialog }] = await Promise.all([load(), import('@angular/material/dialog')]);
      const dialog = this.injector.get(MatDialog);
      if (dialog.openDialogs.length === 0) dialog.open(component, { width, maxWidth: '96vw', autoFocus: 'first-heading' });
    } catch {
      this.store.tell(`${what} could not be loaded: try again when there is a network, or reload the page.`);
    } finally {
      this.isOpening = false;
    }
  }
}
