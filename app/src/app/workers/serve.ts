import { type FromWorker, runSteps, type ToWorker } from './steps';

/** A shell round core functions that take steps: one question after the other, each of which can be dropped. */
export function serve<Question, Progress, Answer>(
  stepsFor: (question: Question) => Generator<Progress, Answer>,
  buffersOf: (answer: Answer) => Transferable[] = () => [],
): void {
  const dropped = new Set<number>();
  let last: Promise<void> = Promise.resolve();
  // A fault of the program, not of the question: said aloud, so that whoever waits gives this worker up.
  const fail = (error: unknown): void =>
    void setTimeout(() => {
      throw error;
    });
  addEventListener('message', ({ data }: MessageEvent<ToWorker<Question>>) => {
    if ('isDropped' in data) {
      dropped.add(data.id);
      return;
    }
    const { id, question } = data;
    last = last
      .then(async () => {
        const isDropped = (): boolean => dropped.has(id);
        if (!isDropped()) {
          await runSteps(
            stepsFor(question),
            (step) => {
              const transfer = step.kind === 'done' ? buffersOf(step.answer) : [];
              postMessage({ id, step } satisfies FromWorker<Progress, Answer>, { transfer });
            },
            isDropped,
          );
        }
        dropped.delete(id);
      })
      .catch(fail);
  });
}
