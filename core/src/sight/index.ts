export { FIGURE_HEIGHT_M } from './figure.js';
export { type FrameSize, heldSides, placeInFrame, type SightFrame, uprightsMeetAt } from './frame.js';
export { type LampLight, measureLamps } from './lamps.js';
export { SIGHT_LABELS, type SightLabel } from './labels.js';
export { measureLight, type MeasuredLight } from './light.js';
export { type SightInstant } from './moment.js';
export { type Sight, sightAt } from './sight.js';
export { EYE_M, type MeasuredView, measureView, SEEN, type SightQuestion } from './view.js';
