/** Plans days: a script of its own, needed only once somebody asks for a plan. */
export function createDayWorker(): Worker {
  return new Worker(new URL('./day.worker', import.meta.url), { type: 'module' });
}
