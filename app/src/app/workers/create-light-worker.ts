/** One script for days and for years, so that a second worker costs no second download. */
export function createLightWorker(): Worker {
  return new Worker(new URL('./light.worker', import.meta.url), { type: 'module' });
}
