export { bestCell } from './search/best.js';
export { type ApproachRow, compareApproaches, type Dimension } from './answers/compareApproaches.js';
export { type Dial, type CameraMode, type Controls, controlsOf, depthSchool } from './question/controls.js';
export { setUpAtCell, dialCard, dialCardAt } from './answers/dialCard.js';
export { type Check, CHECKS, checklistOf } from './answers/checklist.js';
export { filmStopOf } from './answers/filmStop.js';
export { mediumOf } from './answers/meterRow.js';
export { type Evaluation, cameraAt, evaluationAt } from './search/evaluation.js';
export { type FlickerAdvice, flickerAdvice } from './scene/flickerWorth.js';
export { type HomeState, homeState, type HomeStop, type HomeStopResult } from './answers/homeState.js';
export {
  type Change,
  cheapestPath,
  ladderEvs,
  ladderOf,
  type LadderOptions,
  lightLadder,
  type LightLadder,
  priceOfStep,
  type LadderStep,
} from './answers/lightLadder.js';
export { type BrokenLimit, type Factors, HARD_LIMITS, type Limit, LIMITS } from './search/limits.js';
export { type FirstLimit, firstLimit } from './answers/firstLimit.js';
export { type LimitedCell, type LimitsGrid, limitsGrid } from './answers/limitsGrid.js';
export { type Passer, passersAt } from './answers/passers.js';
export { cameraResponse, type ResponsePoint } from './answers/response.js';
export { withLight, type Scene } from './scene/scene.js';
export { type GridCell, gridIndex, type SettingsGrid, placeOfCell, searchAt } from './search/searchAt.js';
export { checkSetUpInput, exposureUsed, figuresOf, frameOf, type SetUpInput, shootingOf } from './question/searchInput.js';
export { evaluateSetUp, type Found, foundIn, nearestPlace, placeOfHand, prepareSearch, searchSetUp } from './search/searchSetUp.js';
export type { FocusWay, IsoLimit, MeterLimit, Obstacle, SetUp, SetUpResult, Why, WhyInput, WhyUnit } from './search/setUp.js';
export type { SharpZone } from './scene/sharpZone.js';
export type { SideLimit, Sides } from './search/sides.js';
export { shakeLimitS, steadyCurve } from './scene/steadiness.js';
export { type WayOut, type WayOutResult, waysOut } from './answers/waysOut.js';
