/** Finds ways along streets: a script of its own, needed only by a walk on a map that has some. */
export function createWaysWorker(): Worker {
  return new Worker(new URL('./ways.worker', import.meta.url), { type: 'module' });
}
