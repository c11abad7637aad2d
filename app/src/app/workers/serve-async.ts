import type { FromWorker, ToWorker } from './steps';

/**
 * A shell round work that waits for the browser (files, decoding): one question after the other, each of which can be dropped
 * before it is begun. What fails is an answer too.
 */
export function serveAsync<Question, Answer>(
  answerTo: (question: Question) => Promise<Answer>,
  buffersOf: (answer: Answer) => Transferable[] = () => [],
): void {
  const dropped = new Set<number>();
  let last: Promise<void> = Promise.resolve();
  addEventListener('message', ({ data }: MessageEvent<ToWorker<Question>>) => {
    if ('isDropped' in data) {
      dropped.add(data.id);
      return;
    }
    const { id, question } = data;
    last = last.then(async () => {
      if (dropped.delete(id)) return;
      try {
        const answer = await answerTo(question);
        postMessage({ id, step: { kind: 'done', answer } } satisfies FromWorker<never, Answer>, { transfer: buffersOf(answer) });
      } catch (error) {
        const message = error instanceof Error ? error.message : String(error);
        postMessage({ id, step: { kind: 'refused', message } } satisfies FromWorker<never, Answer>);
      }
    });
  });
}
