import { Injectable, inject } from '@angular/core';
import { type FilmQuestion, filmQuestion } from '@roam-dial/core/plan';
import { distinctUntilChanged, map, type Observable, of, startWith } from 'rxjs';
import { askLatest } from '../../../workers/answers';
import { SetUpClient } from '../../../workers/set-up/set-up.client';
import type { FilmsFound } from '../../../workers/set-up/set-up-jobs';
import { settledWalk } from '../../../state/light/settled-walk';
import { shared } from '../../../base/shared';

/** What the walk asks of film, and what was found; null while that is being worked out. */
export interface FilmFinding {
  readonly question: FilmQuestion;
  readonly found: FilmsFound | null;
}

function isSame(a: FilmQuestion | null, b: FilmQuestion | null): boolean {
  return JSON.stringify(a) === JSON.stringify(b);
}

/** The stops of the walk as film sees them, and the rolls ranked: a search for each stop, in the worker. Null without a walk. */
@Injectable({ providedIn: 'root' })
export class FilmStore {
  private readonly client = inject(SetUpClient);

  readonly finding$: Observable<FilmFinding | null> = settledWalk().pipe(
    map(({ workspace, walk, days }) => (walk === null ? null : filmQuestion(workspace, walk, days))),
    distinctUntilChanged(isSame),
    askLatest((question) => (question === null ? of(null) : this.findingFor(question))),
    shared(),
  );

  private findingFor(question: FilmQuestion): Observable<FilmFinding> {
    if (question.stops.length === 0) return of({ question, found: { stops: [], ranked: [] } });
    return this.client.ask({ kind: 'film', of: question }).pipe(
      map((found) => ({ question, found })),
      startWith({ question, found: null }),
    );
  }
}
