/** Reads maps: a script of its own, because only an import needs its parsers. */
export function createMapWorker(): Worker {
  return new Worker(new URL('./map.worker', import.meta.url), { type: 'module' });
}
