import type { Envelope } from './worker-client';

/** A shell round a core function: plain data in and out, failures sent as data. */
export function serve<Question, Answer>(answerTo: (question: Question) => Answer): void {
  addEventListener('message', ({ data: { id, question } }: MessageEvent<Envelope<Question>>) => {
    try {
      const answer = answerTo(question);
      postMessage({ id, ok: true, answer });
    } catch (error) {
      postMessage({ id, ok: false, message: error instanceof Error ? error.message : String(error) });
    }
  });
}
