export function createStopDaysWorker(): Worker {
  return new Worker(new URL('./stop-days.worker', import.meta.url), { type: 'module' });
}
