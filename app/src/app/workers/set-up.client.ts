import { Injectable } from '@angular/core';
import { createSetUpWorker } from './create-set-up-worker';
import { type SetUpAnswer, type SetUpAnswers, type SetUpQuestion, answerSetUp } from './set-up.questions';
import { WorkerClient } from './worker-client';

/** Ladders, ways out, approaches and home states. */
@Injectable({ providedIn: 'root' })
export class SetUpClient {
  private readonly client = new WorkerClient<SetUpQuestion, SetUpAnswer>(createSetUpWorker, answerSetUp);

  ask<Kind extends SetUpQuestion['kind']>(question: Extract<SetUpQuestion, { kind: Kind }>): Promise<SetUpAnswers[Kind] | null> {
    return this.client.ask(question) as Promise<SetUpAnswers[Kind] | null>;
  }
}
