export { compensationFor, type Placement, placementOf } from './placement.js';
export type { Reading } from './reading.js';
