import { Injectable } from '@angular/core';
import type { Observable } from 'rxjs';
import { answersOf } from '../answers';
import { createSetUpWorker } from '../create';
import { Query } from '../query';
import type { SetUpAnswer, SetUpAnswers, SetUpQuestion } from './set-up-jobs';

/** Ladders, ways out, approaches and home states. */
@Injectable({ providedIn: 'root' })
export class SetUpClient {
  private readonly query = new Query<SetUpQuestion, null, SetUpAnswer>(createSetUpWorker);

  ask<Kind extends SetUpQuestion['kind']>(question: Extract<SetUpQuestion, { kind: Kind }>): Observable<SetUpAnswers[Kind] | null> {
    return answersOf(this.query.ask(question)) as Observable<SetUpAnswers[Kind] | null>;
  }
}
