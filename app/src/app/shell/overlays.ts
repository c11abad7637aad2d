import { Injectable, Injector, inject } from '@angular/core';

const NOTICE_MS = 10_000;

/** Dialogs and notices; their machinery is loaded when the first one is wanted. */
@Injectable({ providedIn: 'root' })
export class Overlays {
  private readonly injector = inject(Injector);
  private isOpening = false;

  async openSettings(): Promise<void> {
    const { SettingsDialog } = await import('./settings-dialog');
    await this.open(SettingsDialog, '560px');
  }

  async openShortcuts(): Promise<void> {
    const { ShortcutSheet } = await import('./shortcut-sheet');
    await this.open(ShortcutSheet, '480px');
  }

  async notify(message: string, undo: (() => void) | null): Promise<void> {
    const { MatSnackBar } = await import('@angular/material/snack-bar');
    const notice = this.injector.get(MatSnackBar).open(message, undo === null ? 'Close' : 'Undo', { duration: NOTICE_MS });
    if (undo !== null) notice.onAction().subscribe(undo);
  }

  /** One dialog at a time. */
  private async open(component: new () => object, width: string): Promise<void> {
    if (this.isOpening) return;
    this.isOpening = true;
    const { MatDialog } = await import('@angular/material/dialog');
    const dialog = this.injector.get(MatDialog);
    if (dialog.openDialogs.length === 0) dialog.open(component, { width, maxWidth: '96vw', autoFocus: 'first-heading' });
    this.isOpening = false;
  }
}
