import { Injectable } from '@angular/core';
import { createCoreWorker } from './create-core-worker';
import { type Answer, type Answers, answerTo, type Question } from './questions';
import { WorkerClient } from './worker-client';

/** Ladders, ways out, approaches and home states. */
@Injectable({ providedIn: 'root' })
export class SetUpClient {
  private readonly client = new WorkerClient<Question, Answer>(createCoreWorker, answerTo);

  ask<Kind extends Question['kind']>(question: Extract<Question, { kind: Kind }>): Promise<Answers[Kind] | null> {
    return this.client.ask(question) as Promise<Answers[Kind] | null>;
  }
}
