/** Jest has no module workers; the client falls back to the core function itself. */
export function createStopDaysWorker(): Worker {
  throw new Error('there are no workers here');
}
