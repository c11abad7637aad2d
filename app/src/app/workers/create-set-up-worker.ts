export function createSetUpWorker(): Worker {
  return new Worker(new URL('./set-up.worker', import.meta.url), { type: 'module' });
}
