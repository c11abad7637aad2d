import { Injectable, inject, signal } from '@angular/core';
import type { Evaluation, Hand, Stop } from '@roam-dial/core';
import type { Card } from './card.store';
import { changeStop } from './edits';
import { WorkspaceStore } from './workspace.store';

/** A set-up put aside to compare others with. */
export interface Pinned {
  readonly stopId: string;
  readonly found: Evaluation;
}

function withoutHand({ hand: _, ...stop }: Stop): Stop {
  return stop;
}

/** What the hand sets otherwise than the best: written to the stop, so that the card, undo and other tabs follow. */
@Injectable({ providedIn: 'root' })
export class HandStore {
  private readonly store = inject(WorkspaceStore);

  readonly pinned = signal<Pinned | null>(null);

  /** One drag is one step of undo. */
  set({ walk, stop, result }: Card, change: Partial<Hand>): void {
    this.store.edit(
      { label: `set otherwise at ${stop.name}`, mergeKey: `hand/${stop.id}` },
      changeStop(walk.id, stop.id, (one) => ({ ...one, hand: { ...result.setUp.found.hand, ...change } })),
    );
  }

  backToBest({ walk, stop }: Card): void {
    this.store.edit({ label: `go back to the best at ${stop.name}` }, changeStop(walk.id, stop.id, withoutHand));
  }

  pin({ stop, result }: Card): void {
    this.pinned.set({ stopId: stop.id, found: result.setUp.found });
  }

  unpin(): void {
    this.pinned.set(null);
  }
}
