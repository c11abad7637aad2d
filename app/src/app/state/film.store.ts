import { Injectable, inject } from '@angular/core';
import { type FilmQuestion, filmQuestion, type FilmStop } from '@roam-dial/core';
import { auditTime, combineLatest, distinctUntilChanged, filter, map, type Observable, of, shareReplay, startWith } from 'rxjs';
import { askLatest } from '../workers/answers';
import { SetUpClient } from '../workers/set-up.client';
import { DaysStore } from './days.store';
import { FocusStore } from './focus.store';
import { WorkspaceStore } from './workspace.store';

/** What the walk asks of film, and its stops as a roll sees them; null while that is being worked out. */
export interface FilmFinding {
  readonly question: FilmQuestion;
  readonly stops: readonly FilmStop[] | null;
}

const REST_MS = 60;

function isSame(a: FilmQuestion | null, b: FilmQuestion | null): boolean {
  if (a === null || b === null) return a === b;
  return JSON.stringify(a.stops) === JSON.stringify(b.stops) && JSON.stringify(a.films) === JSON.stringify(b.films);
}

/** The stops of the walk as film sees them: a search for each, in the worker. Null without a walk. */
@Injectable({ providedIn: 'root' })
export class FilmStore {
  private readonly client = inject(SetUpClient);

  readonly finding$: Observable<FilmFinding | null> = combineLatest([
    inject(WorkspaceStore).workspace$,
    inject(FocusStore).focus$.pipe(
      map(({ walk }) => walk),
      distinctUntilChanged(),
    ),
    inject(DaysStore).days$,
    inject(DaysStore).isSettled$,
  ]).pipe(
    auditTime(REST_MS),
    // Each day that is measured would ask for all of them again.
    filter(([, , , isSettled]) => isSettled),
    map(([workspace, walk, days]) => (walk === null ? null : filmQuestion(workspace, walk, days))),
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
