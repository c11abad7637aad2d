import { Worker } from 'node:worker_threads';
import { availableParallelism } from 'node:os';

/** So many are told at a time how far it is. */
const TOLD_EVERY = 100;

/** The same done to each of a list, by as many threads as there are cores; the answers in the list's order. */
export async function inProcesses(what, items) {
  const answers = Array(items.length);
  let [next, done] = [0, 0];
  await Promise.all(
    Array.from({ length: availableParallelism() }, () => {
      const worker = new Worker(new URL('worker.mjs', import.meta.url));
      const goOn = () => (next < items.length ? worker.postMessage({ what, k: next, item: items[next++] }) : worker.terminate());
      return new Promise((resolve, reject) => {
        worker.on('message', ({ k, answer }) => {
          answers[k] = answer;
          done += 1;
          if (done % TOLD_EVERY === 0) process.stderr.write(`${what}: ${done} of ${items.length}\n`);
          goOn();
        });
        worker.on('error', reject);
        worker.on('exit', resolve);
        goOn();
      });
    }),
  );
  return answers;
}
