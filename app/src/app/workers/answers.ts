import { filter, map, Observable, type Subscription } from 'rxjs';
import type { Step } from './steps';

/** What comes of a question: its answer, or null where it was refused or failed. */
export function answersOf<Progress, Answer>(steps: Observable<Step<Progress, Answer>>): Observable<Answer | null> {
  return steps.pipe(
    filter((step) => step.kind !== 'progress'),
    map((step) => (step.kind === 'done' ? step.answer : null)),
  );
}

/**
 * Asks one question at a time: what comes while one is being answered waits, and only the latest of it is asked next. A drag
 * asks a slow worker as often as it can answer, and never for what is past.
 */
export function askLatest<Question, Answer>(ask: (question: Question) => Observable<Answer>) {
  return (questions: Observable<Question>): Observable<Answer> =>
    new Observable((observer) => {
      let next: { readonly question: Question } | null = null;
      let asking: Subscription | null = null;
      let isDone = false;
      const pump = (): void => {
        if (asking !== null) return;
        if (next === null) {
          if (isDone) observer.complete();
          return;
        }
        const { question } = next;
        next = null;
        let isOver = false;
        asking = ask(question).subscribe({
          next: (answer) => observer.next(answer),
          error: (error: unknown) => observer.error(error),
          complete: () => {
            isOver = true;
            asking = null;
            pump();
          },
        });
        // An answer that is there at once ends before it has been noted that it is awaited.
        if (isOver) asking = null;
      };
      const listening = questions.subscribe({
        next: (question) => {
          next = { question };
          pump();
        },
        error: (error: unknown) => observer.error(error),
        complete: () => {
          isDone = true;
          pump();
        },
      });
      return () => {
        listening.unsubscribe();
        asking?.unsubscribe();
      };
    });
}
