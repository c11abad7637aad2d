import { Injectable } from '@angular/core';
import type { StopDay, StopDayInput } from '@roam-dial/core';
import { createCoreWorker } from './create-core-worker';
import { type Answer, answerTo, type Question } from './questions';
import { WorkerClient } from './worker-client';

/** Minute-by-minute days of stops, in a worker of their own: a long search does not hold them up. */
@Injectable({ providedIn: 'root' })
export class StopDaysClient {
  private readonly client = new WorkerClient<Question, Answer>(createCoreWorker, answerTo);

  ask(input: StopDayInput): Promise<StopDay | null> {
    return this.client.ask({ kind: 'day', input }) as Promise<StopDay | null>;
  }
}
