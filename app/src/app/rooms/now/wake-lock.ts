import { Injectable, inject } from '@angular/core';
import { BehaviorSubject, combineLatest, fromEvent, map, type Observable, startWith } from 'rxjs';
import { OutingStore } from '../../state/outing/outing.store';

/** Keeps the screen awake while a walk goes on, where the browser lets it; it lets go by itself when the page is hidden. */
@Injectable({ providedIn: 'root' })
export class WakeLock {
  private readonly held = new BehaviorSubject(false);
  private sentinel: WakeLockSentinel | null = null;

  readonly isHeld$: Observable<boolean> = this.held;

  constructor() {
    const isVisible$ = fromEvent(document, 'visibilitychange').pipe(
      startWith(null),
      map(() => document.visibilityState === 'visible'),
    );
    combineLatest([inject(OutingStore).isRunning$, isVisible$]).subscribe(
      ([isRunning, isVisible]) => void this.hold(isRunning && isVisible),
    );
  }

  private async hold(isWanted: boolean): Promise<void> {
    if (!('wakeLock' in navigator)) return;
    if (!isWanted) {
      await this.sentinel?.release();
      this.sentinel = null;
    } else {
      // A low battery or the person's settings may say no: the walk goes on all the same.
      this.sentinel = await navigator.wakeLock.request('screen').catch(() => null);
      this.sentinel?.addEventListener('release', () => this.held.next(false));
    }
    this.held.next(this.sentinel !== null);
  }
}
