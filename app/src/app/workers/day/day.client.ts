import { Injectable } from '@angular/core';
import type { PlannableWalk } from '@roam-dial/core/plan';
import type { Observable } from 'rxjs';
import { createDayWorker } from '../create';
import { type DayAnswer, type DayAnswers, type DayAsked, type DayProgress, MOST_WALKS } from './day-jobs';
import { Lru } from '../../base/lru';
import { Query } from '../query';
import type { Step } from '../steps';

type Asked<Kind extends DayAsked['kind']> = Omit<Extract<DayAsked, { kind: Kind }>, 'key'>;

/** A worker for days. A walk goes to it once, under a name of its own, and again when the worker is another. */
@Injectable({ providedIn: 'root' })
export class DayClient {
  private readonly told = new Lru<PlannableWalk, string>(MOST_WALKS);
  private lastKey = 0;
  private readonly query = new Query<DayAsked, DayProgress, DayAnswer>(createDayWorker, {
    // Thirty stops take their time, and a step of the search may be a long one.
    patienceMs: 60_000,
    onNewWorker: () => this.told.clear(),
  });

  ask<Kind extends Exclude<DayAsked['kind'], 'walk'>>(
    of: PlannableWalk,
    asked: Asked<Kind>,
  ): Observable<Step<DayProgress, DayAnswers[Kind]>> {
    const key = this.told.get(of) ?? this.tell(of);
    return this.query.ask({ ...asked, key } as DayAsked) as Observable<Step<DayProgress, DayAnswers[Kind]>>;
  }

  private tell(of: PlannableWalk): string {
    const key = `day ${++this.lastKey}`;
    this.query.tell({ kind: 'walk', key, of });
    this.told.set(of, key);
    return key;
  }
}
