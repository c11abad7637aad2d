import { Injectable, inject } from '@angular/core';
import { type FilmQuestion, filmQuestion, type FilmStop } from '@roam-dial/core';
import { distinctUntilChanged, map, type Observable, of, shareReplay, startWith } from 'rxjs';
import { askLatest } from '../workers/answers';
import { SetUpClient } from '../workers/set-up.client';
import { settledWalk } from './settled-walk';

/** What the walk asks of film, and its stops as a roll sees them; null while that is being worked out. */
export interface FilmFinding {
  readonly question: FilmQuestion;
  readonly stops: readonly FilmStop[] | null;
}

function isSame(a: FilmQuestion | null, b: FilmQuestion | null): boolean {
  if (a === null || b === null) return a === b;
  return JSON.stringify(a.stops) === JSON.stringify(b.stops) && JSON.stringify(a.films) === JSON.stringify(b.films);
}

/** The stops of the walk as film sees them: a search for each, in the worker. Null without a walk. */
@Injectable({ providedIn: 'root' })
export class FilmStore {
  private readonly client = inject(SetUpClient);

  readonly finding$: Observable<FilmFinding | null> = settledWalk().pipe(
    map(({ workspace, walk, days }) => (walk === null ? null : filmQuestion(workspace, walk, days))),
    distinctUntilChanged(isSame),
    askLatest((question) => (question === null ? of(null) : this.stopsFor(question))),
    shareReplay({ bufferSize: 1, refCount: true }),
  );

  private stopsFor(question: FilmQuestion): Observable<FilmFinding> {
    if (question.stops.length === 0) return of({ question, stops: [] });
    return this.client.ask({ kind: 'film', stops: question.stops }).pipe(
      map((stops) => ({ question, stops })),
      startWith({ question, stops: null }),
    );
  }
}
