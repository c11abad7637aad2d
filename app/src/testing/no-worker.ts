/** Jest has no module workers; the clients fall back to the core functions themselves. */
function createNoWorker(): Worker {
  throw new Error('there are no workers here');
}

export { createNoWorker as createSetUpWorker, createNoWorker as createStopDaysWorker };
