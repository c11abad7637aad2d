import { Injectable } from '@angular/core';
import type { Observable } from 'rxjs';
import { createFrameWorker } from '../create';
import type { FrameAnswer, FrameQuestion } from './frame-jobs';
import { Query } from '../query';
import type { Step } from '../steps';

/** Two workers for frames: what files say is there at once, while the slower looking at pictures goes on. */
@Injectable({ providedIn: 'root' })
export class FrameClient {
  private readonly facts = new Query<FrameQuestion, never, FrameAnswer>(createFrameWorker);
  private readonly looks = new Query<FrameQuestion, never, FrameAnswer>(createFrameWorker);

  ask(question: FrameQuestion): Observable<Step<never, FrameAnswer>> {
    return (question.kind === 'facts' ? this.facts : this.looks).ask(question);
  }
}
