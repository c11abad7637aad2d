/** Long work in steps: how far it is, or what came of it. */
export type Step<Progress, Answer> =
  | { readonly kind: 'progress'; readonly progress: Progress }
  | { readonly kind: 'done'; readonly answer: Answer }
  /** The core refused the question. */
  | { readonly kind: 'refused'; readonly message: string }
  /** No answer: the worker died over it, twice. */
  | { readonly kind: 'failed'; readonly message: string };

/** What goes to a worker: a question, or the wish that it be dropped. */
export type ToWorker<Question> =
  { readonly id: number; readonly question: Question } | { readonly id: number; readonly isDropped: true };

export interface FromWorker<Progress, Answer> {
  readonly id: number;
  readonly step: Step<Progress, Answer>;
}

/** Work done between two looks at the messages. */
const SLICE_MS = 12;

/**
 * Takes steps for a slice of time, reports the last of them, and lets messages in; until it is done, or dropped.
 * What the core refuses (RangeError, TypeError) is an answer too.
 */
export async function runSteps<Progress, Answer>(
  steps: Generator<Progress, Answer>,
  report: (step: Step<Progress, Answer>) => void,
  isDropped: () => boolean,
): Promise<void> {
  try {
    for (;;) {
      const until = performance.now() + SLICE_MS;
      let next = steps.next();
      while (next.done !== true && performance.now() < until) next = steps.next();
      if (isDropped()) return;
      if (next.done === true) {
        report({ kind: 'done', answer: next.value });
        return;
      }
      report({ kind: 'progress', progress: next.value });
      await new Promise((resolve) => setTimeout(resolve));
      if (isDropped()) return;
    }
  } catch (error) {
    if (!(error instanceof RangeError || error instanceof TypeError)) throw error;
    report({ kind: 'refused', message: error.message });
  }
}
