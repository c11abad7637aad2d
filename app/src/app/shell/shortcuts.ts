import { Injectable, inject } from '@angular/core';
import { Router } from '@angular/router';
import { firstValueFrom, Subject } from 'rxjs';
import { isTyping } from '../ui/is-typing';
import { AppActions } from '../state/app/app.actions';
import { StopActions } from '../state/walk/stop.actions';
import { WorkspaceStore } from '../state/workspace/workspace.store';
import type { RoomKeys } from '../shared/room';
import { ROOMS } from './rooms';

/** The sheet, in the order of the work: single keys first, then those that act on what has the focus. */
export const SHORTCUTS: readonly RoomKeys[] = [
  { keys: '?', words: 'this sheet' },
  ...ROOMS.flatMap(({ key, keyWords, name }) => (key === undefined ? [] : [{ keys: key, words: keyWords ?? name }])),
  { keys: 'j', words: 'next stop' },
  { keys: 'h', words: 'previous stop' },
  { keys: 'a', words: 'add a stop; on the plan, at the pointer' },
  { keys: '.', words: 'five minutes later' },
  { keys: ',', words: 'five minutes earlier' },
  { keys: 'n', words: 'night or light theme' },
  { keys: 'Ctrl Z', words: 'undo' },
  { keys: 'Ctrl Shift Z', words: 'redo' },
  { keys: 'Alt ↑ ↓', words: 'move the focused stop along the walk' },
  { keys: '← →', words: 'on a handle: five minutes; with Shift one; Page up and down an hour' },
  ...ROOMS.flatMap(({ ownKeys = [] }) => ownKeys),
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
    ...Object.fromEntries(
      ROOMS.flatMap(({ key, path }) => (key === undefined ? [] : [[key, (): void => this.go(`/${path}`)] as const])),
    ),
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
