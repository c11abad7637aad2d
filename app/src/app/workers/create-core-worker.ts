/** One script for every kind of question, so that a second worker costs no second download. */
export function createCoreWorker(): Worker {
  return new Worker(new URL('./core.worker', import.meta.url), { type: 'module' });
}
