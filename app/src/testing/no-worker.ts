/** Jest has no module workers; the clients fall back to the core functions themselves. */
export function createCoreWorker(): Worker {
  throw new Error('there are no workers here');
}
