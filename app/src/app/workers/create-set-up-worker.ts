/** One script for every kind of question, so that a second worker costs no second download. */
export function createSetUpWorker(): Worker {
  return new Worker(new URL('./set-up.worker', import.meta.url), { type: 'module' });
}
