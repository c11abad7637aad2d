import { Injectable } from '@angular/core';
import type { Way } from '@roam-dial/core/streets';
import type { Observable } from 'rxjs';
import { createWaysWorker } from '../create';
import { Lru } from '../../base/lru';
import { Query } from '../query';
import type { Step } from '../steps';
import { MOST_NETWORKS, type WayPair, type WaysAnswer, type WaysProgress, type WaysQuestion } from './ways-jobs';

/** A worker for ways. The streets go to it once, and again when the worker is another or has forgotten them. */
@Injectable({ providedIn: 'root' })
export class WaysClient {
  private readonly told = new Lru<string, true>(MOST_NETWORKS);
  private readonly query = new Query<WaysQuestion, WaysProgress, WaysAnswer>(createWaysWorker, {
    onNewWorker: () => this.told.clear(),
  });

  ask(key: string, ways: readonly Way[], pairs: readonly WayPair[]): Observable<Step<WaysProgress, WaysAnswer>> {
    if (this.told.get(key) === undefined) {
      this.query.tell({ kind: 'streets', key, ways });
      this.told.set(key, true);
    }
    return this.query.ask({ kind: 'ways', key, pairs });
  }
}
