import { inject, Injectable } from '@angular/core';
import { firstValueFrom, last } from 'rxjs';
import { FrameClient } from '../workers/frame/frame.client';
import type { FrameAnswer, FrameAnswers, FrameKind, TypedSettings } from '../workers/frame/frame-jobs';
import type { Step } from '../workers/steps';

/** Answers of which nothing came. */
const NOTHING: { readonly [Kind in FrameKind]: (problem: string) => FrameAnswers[Kind] } = {
  facts: (problem) => ({ kind: 'facts', facts: null, thumb: null, problem }),
  look: (problem) => ({ kind: 'look', seen: null, problem }),
  patch: (problem) => ({ kind: 'patch', patch: null, problem }),
};

/** Asks the frame workers about one file; a worker that dies over it is an answer too. */
@Injectable({ providedIn: 'root' })
export class FrameQuestions {
  private readonly client = inject(FrameClient);

  async answer<Kind extends FrameKind>(kind: Kind, file: File, settings: TypedSettings = {}): Promise<FrameAnswers[Kind]> {
    const step: Step<never, FrameAnswer> = await firstValueFrom(this.client.ask({ kind, file, settings }).pipe(last()));
    if (step.kind === 'done') return step.answer as FrameAnswers[Kind];
    return NOTHING[kind](step.kind === 'progress' ? '' : `could not be read: ${step.message.replace(/\.$/, '')}`);
  }

  /** A small picture of a file: the one that it carries, else one that is made of it. */
  async smallPicture(file: File): Promise<Blob | null> {
    const { thumb } = await this.answer('facts', file);
    return thumb ?? (await this.answer('look', file)).seen?.thumb ?? null;
  }
}
