import { Injectable } from '@angular/core';
import type { Photograph } from '@roam-dial/core/metering';
import type { Observable } from 'rxjs';
import { answersOf, askLatest } from '../answers';
import type { BenchAnswer, BenchMeter, BenchQuestion } from './bench-jobs';
import type { SightMap } from '../sight/sight-jobs';
import { createBenchWorker } from '../create';
import { Query } from '../query';

/** A worker for the bench. A photograph goes to it once, and again when the worker is another one. */
@Injectable({ providedIn: 'root' })
export class BenchClient {
  private readonly query = new Query<BenchQuestion, null, BenchAnswer | null>(createBenchWorker, {
    onNewWorker: () => {
      this.tellPhoto();
      this.tellSeen();
    },
  });
  private seen: Extract<BenchQuestion, { kind: 'seen' }> | null = null;
  private photo: Extract<BenchQuestion, { kind: 'photo' }> | null = null;

  usePhoto(id: string, photograph: Photograph): void {
    this.photo = { kind: 'photo', id, photograph };
    this.tellPhoto();
  }

  useSeen(id: string, seen: SightMap): void {
    this.seen = { kind: 'seen', id, seen };
    this.tellSeen();
  }

  /** Answers of a stream of questions: while one is worked at, only the latest of the others waits. */
  answers(questions: Observable<BenchMeter>): Observable<BenchAnswer | null> {
    return questions.pipe(askLatest((question) => answersOf(this.query.ask(question))));
  }

  private tellSeen(): void {
    if (this.seen !== null) this.query.tell(this.seen);
  }

  private tellPhoto(): void {
    if (this.photo !== null) this.query.tell(this.photo);
  }
}
