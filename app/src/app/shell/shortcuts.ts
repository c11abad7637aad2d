import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom, Subject } from 'rxjs';
import { isTyping } from '../ui/is-typing';
import { AppActions } from '../state/app/app.actions';
import { StopActions } from '../state/walk/stop.actions';
import { WorkspaceStore } from '../state/workspace/workspace.store';

export interface Shortcut {
  readonly keys: string;
  readonly words: string;
  /** Needs a modifier, so it works even where single keys are turned off. */
  readonly isModified?: boolean;
}

/** The sheet, in the order of the work. */
export const SHORTCUTS: readonly Shortcut[] = [
  { keys: '?', words: 'this sheet' },
  { keys: 'w', words: 'Walk' },
  { keys: 'l', words: 'Light' },
  { keys: 's', words: 'Set-up' },
  { keys: 'm', words: 'Meter' },
  { keys: 'g', words: 'Log' },
  { keys: 'k', words: 'Kit' },
  { keys: 'd', words: 'the card full screen' },
  { keys: 'j', words: 'next stop' },
  { keys: 'h', words: 'previous stop' },
  { keys: 'a', words: 'add a stop; on the plan, at the pointer' },
  { keys: '.', words: 'five minutes later' },
  { keys: ',', words: 'five minutes earlier' },
  { keys: 'n', words: 'night or light theme' },
  { keys: 'Ctrl Z', words: 'undo', isModified: true },
  { keys: 'Ctrl Shift Z', words: 'redo', isModified: true },
  { keys: 'Alt ↑ ↓', words: 'move the focused stop along the walk', isModified: true },
  {
    keys: '← → ↑ ↓',
    words:
      'on the year chart: days and ten minutes, Enter goes there; on the plan: move a stop by a metre, turn it by five degrees',
    isModified: true,
  },
  { keys: '← → ↑ ↓', words: 'on the limits chart: next setting; with Shift, read without changing', isModified: true },
  { keys: '← →', words: 'on a handle: five minutes; with Shift one; Page up and down an hour', isModified: true },
  { keys: '1–7, 0', words: 'in the Log: mark the chosen frames; 0 rejects, Backspace clears the mark', isModified: true },
  { keys: '[ ]', words: 'in the Log: move the chosen frames to the previous or next stop; Delete removes them', isModified: true },
];

/** Keys of the whole window. Single keys can be turned off; arrows act only on what has the focus. */
@Injectable({ providedIn: 'root' })
export class Shortcuts {
  private readonly actions = inject(AppActions);
  private readonly stopActions = inject(StopActions);
  private readonly store = inject(WorkspaceStore);
  private readonly router = inject(Router);
  private readonly sheetSubject = new Subject<void>();
  readonly sheetWanted$ = this.sheetSubject.asObservable();

  private readonly singleKeys: Readonly<Record<string, () => unknown>> = {
    '?': () => this.sheetSubject.next(),
    w: () => this.go('/walk'),
    l: () => this.go('/light'),
    s: () => this.go('/setup'),
    m: () => this.go('/meter'),
    g: () => this.go('/log'),
    k: () => this.go('/kit'),
    d: () => this.go('/card'),
    j: () => this.actions.stepStop(1),
    h: () => this.actions.stepStop(-1),
    a: () => this.stopActions.add(),
    '.': () => this.actions.stepMinutes(5),
    ',': () => this.actions.stepMinutes(-5),
    n: () => this.actions.toggleTheme(),
  };

  handle(event: KeyboardEvent): void {
    const isUndo = (event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z';
    if (isUndo && !isTyping(event.target)) {
      event.preventDefault();
      if (event.shiftKey) this.store.redo();
      else this.store.undo();
      return;
    }
    if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return;
    // Typing to find an entry of an open menu or dialog is not a shortcut.
    if (event.target instanceof HTMLElement && event.target.closest('.cdk-overlay-container') !== null) return;
    const action = this.singleKeys[event.key];
    if (action !== undefined) void this.ifOn(action, event.key);
  }

  private async ifOn(action: () => unknown, key: string): Promise<void> {
    const { shortcutsOn } = await firstValueFrom(this.store.settings$);
    if (shortcutsOn || key === '?') action();
  }

  private go(path: string): void {
    void this.router.navigate([path], { queryParamsHandling: 'preserve' });
  }
}
