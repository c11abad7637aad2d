import { Observable } from 'rxjs';

/**
 * Asks one question at a time: what comes while one is being answered waits, and only the latest of it is asked next.
 * A drag asks a slow worker as often as it can answer, and never for what is past.
 */
export function conflate<Question, Answer>(ask: (question: Question) => Promise<Answer>) {
  return (source: Observable<Question>): Observable<Answer> =>
    new Observable((observer) => {
      let isBusy = false;
      let isDone = false;
      let next: { readonly question: Question } | null = null;
      const pump = (): void => {
        if (isBusy) return;
        if (next === null) {
          if (isDone) observer.complete();
          return;
        }
        const { question } = next;
        next = null;
        isBusy = true;
        ask(question).then(
          (answer) => {
            isBusy = false;
            observer.next(answer);
            pump();
          },
          (error: unknown) => observer.error(error),
        );
      };
      return source.subscribe({
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
    });
}
