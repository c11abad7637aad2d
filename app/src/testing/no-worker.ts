/** Jest has no module workers; the clients fall back to the core functions themselves. */
function none(): Worker {
  throw new Error('there are no workers here');
}
export const createCoreWorker = none;
export const createLightWorker = none;
export const createMapWorker = none;
