import { Injectable } from '@angular/core';
import type { SightQuestion } from '@roam-dial/core/sight';
import { debounceTime, merge, type Observable, share, switchMap } from 'rxjs';
import { Lru } from '../../base/lru';
import { answersOf, askLatest } from '../answers';
import { createSightWorker } from '../create';
import { Query } from '../query';
import { MOST_PLACES, type SightAsk, type SightAsked, type SightPicture } from './sight-jobs';

/** A question before its size is chosen, with the place that it is about. */
export interface SightWanted extends Omit<SightAsked, 'kind' | 'look'> {
  readonly site: SightQuestion['site'];
  readonly look: Omit<SightAsked['look'], 'size'>;
  readonly isLarge: boolean;
}

/** Cells while something moves, at rest, and enlarged; the long side. */
const MOVING = 120;
const AT_REST = 240;
const ENLARGED = 480;
/** Nothing has moved for so long. */
const REST_MS = 160;

/** A worker for what frames will see. A place goes to it once, and again when the worker is another or has forgotten it. */
@Injectable({ providedIn: 'root' })
export class SightClient {
  private readonly told = new Lru<string, true>(MOST_PLACES);
  private readonly query = new Query<SightAsk, null, SightPicture | null>(createSightWorker, {
    onNewWorker: () => this.told.clear(),
  });

  /** Pictures of a stream of questions: small while it flows, as many as can be made; finer once it rests. */
  pictures(questions: Observable<SightWanted>): Observable<SightPicture | null> {
    const shared = questions.pipe(share());
    return merge(
      shared.pipe(askLatest((wanted) => this.ask(wanted, MOVING))),
      shared.pipe(
        debounceTime(REST_MS),
        switchMap((wanted) => this.ask(wanted, wanted.isLarge ? ENLARGED : AT_REST)),
      ),
    );
  }

  private ask({ site, look, isLarge: _, ...rest }: SightWanted, longSide: number): Observable<SightPicture | null> {
    if (this.told.get(rest.place) === undefined) {
      this.query.tell({ kind: 'place', place: rest.place, site });
      this.told.set(rest.place, true);
    }
    const { sensorWidthMm, sensorHeightMm, isUpright } = look.frame;
    const shortSide = Math.max(1, Math.round((longSide * sensorHeightMm) / sensorWidthMm));
    const size = isUpright ? { width: shortSide, height: longSide } : { width: longSide, height: shortSide };
    return answersOf(this.query.ask({ kind: 'sight', ...rest, look: { ...look, size } }));
  }
}
