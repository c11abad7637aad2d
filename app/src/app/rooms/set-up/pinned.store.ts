import { Injectable } from '@angular/core';
import type { Evaluation } from '@roam-dial/core/setup';
import { BehaviorSubject, type Observable } from 'rxjs';
import type { Card } from '../../state/card/card.store';

/** A set-up put aside to compare others with. */
export interface Pinned {
  readonly stopId: string;
  readonly found: Evaluation;
}

/** What is put aside until the page is left; nobody stores it. */
@Injectable({ providedIn: 'root' })
export class PinnedStore {
  private readonly subject = new BehaviorSubject<Pinned | null>(null);

  readonly pinned$: Observable<Pinned | null> = this.subject;

  pin({ stop, result }: Card): void {
    this.subject.next({ stopId: stop.id, found: result.setUp.found });
  }

  unpin(): void {
    this.subject.next(null);
  }
}
