import { Injectable, Injector, inject } from '@angular/core';
import { BehaviorSubject, type Observable } from 'rxjs';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import { fetched } from '../base/fetched';

const NOTICE_MS = 10_000;
/** A notice that comes later than this is said plainly instead (s). */
const NOTICE_LIMIT_MS = 4000;

/** Dialogs and notices; their machinery is loaded when the first one is wanted. */
@Injectable({ providedIn: 'root' })
export class Overlays {
  private readonly injector = inject(Injector);
  private readonly store = inject(WorkspaceStore);
  private isOpening = false;
  private readonly plainSubject = new BehaviorSubject<string | null>(null);
  /** A notice that the page itself shows, where Material's could not be loaded. */
  readonly plain$: Observable<string | null> = this.plainSubject;

  async openSettings(): Promise<void> {
    await this.open('Settings', async () => (await fetched('Settings', () => import('./settings-dialog'))).SettingsDialog, '560px');
  }

  async openShortcuts(): Promise<void> {
    await this.open('The keys', async () => (await fetched('The keys', () => import('./shortcut-sheet'))).ShortcutSheet, '860px');
  }

  /** In the hand: what the bar has no room for. */
  async openMore(): Promise<void> {
    await this.alone(async () => {
      const [{ MoreSheet }, { MatBottomSheet }] = await Promise.all([
        fetched('More', () => import('./more-sheet')),
        fetched('More', () => import('@angular/material/bottom-sheet')),
      ]);
      const sheet = this.injector.get(MatBottomSheet).open(MoreSheet, { ariaLabel: 'More' });
      sheet.afterDismissed().subscribe((chosen) => {
        if (chosen === 'settings') void this.openSettings();
      });
    });
  }

  forgetPlain(): void {
    this.plainSubject.next(null);
  }

  async notify(message: string, undo: (() => void) | null): Promise<void> {
    try {
      const { MatSnackBar } = await fetched('Notices', () => import('@angular/material/snack-bar'), NOTICE_LIMIT_MS);
      const notice = this.injector.get(MatSnackBar).open(message, undo === null ? 'Close' : 'Undo', { duration: NOTICE_MS });
      if (undo !== null) notice.onAction().subscribe(undo);
      this.plainSubject.next(null);
    } catch {
      // What says that something could not be loaded must not need loading itself.
      this.plainSubject.next(message);
    }
  }

  private async open(what: string, load: () => Promise<new () => object>, width: string): Promise<void> {
    await this.alone(async () => {
      const [component, { MatDialog }] = await Promise.all([load(), fetched(what, () => import('@angular/material/dialog'))]);
      const dialog = this.injector.get(MatDialog);
      if (dialog.openDialogs.length === 0) dialog.open(component, { width, maxWidth: '96vw', autoFocus: 'first-heading' });
    });
  }

  /** One overlay at a time; one that cannot be loaded says so. */
  private async alone(open: () => Promise<void>): Promise<void> {
    if (this.isOpening) return;
    this.isOpening = true;
    try {
      await open();
    } catch (error) {
      this.store.notify(error instanceof Error ? error.message : String(error));
    } finally {
      this.isOpening = false;
    }
  }
}
