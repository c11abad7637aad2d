import { Injectable } from '@angular/core';
import { defer, filter, map, merge, type Observable, share, switchMap, tap, timer } from 'rxjs';
import { Lru } from '../../base/lru';
import { answersOf, askLatest } from '../answers';
import { createSightWorker } from '../create';
import { Query } from '../query';
import { MOST_PLACES, type SightAsk, type SightAsked, type SightDrawn, type SightPlace } from './sight-jobs';

/** A question before its size is chosen, with the place that it is about. */
export interface SightWanted extends Omit<SightAsked, 'kind' | 'look'> {
  readonly site: SightPlace;
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
  private readonly query = new Query<SightAsk, null, SightDrawn | null>(createSightWorker, {
    onNewWorker: () => this.told.clear(),
  });

  /** Pictures of a stream of questions: small while it flows, as many as can be made; finer once it rests. */
  pictures(questions: Observable<SightWanted>): Observable<SightDrawn | null> {
    const numbered = questions.pipe(
      map((wanted, number) => ({ wanted, number })),
      share(),
    );
    let finest = -1;
    const fine = numbered.pipe(
      switchMap(({ wanted, number }) =>
        timer(REST_MS).pipe(
          switchMap(() => this.ask(wanted, wanted.isLarge ? ENLARGED : AT_REST)),
          tap(() => {
            finest = number;
          }),
        ),
      ),
    );
    const moving = numbered.pipe(
      askLatest(({ wanted, number }) => this.ask(wanted, MOVING).pipe(map((picture) => ({ picture, number })))),
      // A rough one that was waiting may come after the fine one of the same minute.
      filter(({ number }) => number > finest),
      map(({ picture }) => picture),
    );
    return merge(moving, fine);
  }

  /** A small picture, with all that is metered and said of it; null where it cannot be drawn. */
  small(wanted: SightWanted): Observable<SightDrawn | null> {
    return defer(() => this.ask(wanted, MOVING));
  }

  /** The largest picture with its map, for a bench. */
  whole(wanted: SightWanted): Observable<SightDrawn | null> {
    return defer(() => this.ask({ ...wanted, shown: { ...wanted.shown, isMapWanted: true } }, ENLARGED));
  }

  private ask({ site, look, isLarge: _, ...rest }: SightWanted, longSide: number): Observable<SightDrawn | null> {
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
