/** Reads frames and measures them: a script of its own, needed only for the log. */
export function createFrameWorker(): Worker {
  return new Worker(new URL('./frame.worker', import.meta.url), { type: 'module' });
}
