/** Paints and meters scenes: a script of its own, needed only at the bench. */
export function createBenchWorker(): Worker {
  return new Worker(new URL('./bench.worker', import.meta.url), { type: 'module' });
}
