/** The scripts that compute beside the page. One file, so that tests can put others in their place by one line. */

/** Paints and meters scenes: a script of its own, needed only at the bench. */
export function createBenchWorker(): Worker {
  return new Worker(new URL('./bench/bench.worker', import.meta.url), { type: 'module' });
}

/** Plans days: a script of its own, needed only once somebody asks for a plan. */
export function createDayWorker(): Worker {
  return new Worker(new URL('./day/day.worker', import.meta.url), { type: 'module' });
}

/** Reads frames and measures them: a script of its own, needed only for the log. */
export function createFrameWorker(): Worker {
  return new Worker(new URL('./frame/frame.worker', import.meta.url), { type: 'module' });
}

/** One script for days and for years, so that a second worker costs no second download. */
export function createLightWorker(): Worker {
  return new Worker(new URL('./light/light.worker', import.meta.url), { type: 'module' });
}

/** Reads maps: a script of its own, because only an import needs its parsers. */
export function createMapWorker(): Worker {
  return new Worker(new URL('./map/map.worker', import.meta.url), { type: 'module' });
}

/** One script for every kind of question, so that a second worker costs no second download. */
export function createSetUpWorker(): Worker {
  return new Worker(new URL('./set-up/set-up.worker', import.meta.url), { type: 'module' });
}

/** Draws what a frame will see: a script of its own, needed only where a view is on screen. */
export function createSightWorker(): Worker {
  return new Worker(new URL('./sight/sight.worker', import.meta.url), { type: 'module' });
}

/** Finds ways along streets: a script of its own, needed only by a walk on a map that has some. */
export function createWaysWorker(): Worker {
  return new Worker(new URL('./ways/ways.worker', import.meta.url), { type: 'module' });
}
