export { bestCell } from './best.js';
export { type ApproachRow, compareApproaches, type Dimension } from './compareApproaches.js';
export { type Across, type CameraMode, type Controls, controlsOf, depthSchool } from './controls.js';
export { cardAt, dialCard, dialCardAt } from './dialCard.js';
export { type Evaluation, evaluationAt } from './evaluation.js';
export { type FlickerAdvice, flickerAdvice } from './flickerWorth.js';
export { type HomeState, homeState, type HomeStop, type HomeStopResult } from './homeState.js';
export {
  type Change,
  cheapestPath,
  ladderEvs,
  ladderOf,
  type LadderOptions,
  lightLadder,
  type LightLadder,
  priceOfStep,
  type Rung,
} from './lightLadder.js';
export { type BrokenLimit, type Factors, HARD_LIMITS, type Limit, LIMITS } from './limits.js';
export { type GridCell, type LimitsGrid, limitsGrid } from './limitsGrid.js';
export { type Passer, passersAt } from './passers.js';
export { cameraResponse, type ResponsePoint } from './response.js';
export { relit, type Scene } from './scene.js';
export { type CellPlace, cellIndex, type Cells, placeOfCell, searchAt } from './searchAt.js';
export { checkSetUpInput, exposureUsed, figuresOf, type SetUpInput, shootingOf } from './searchInput.js';
export { evaluateSetUp, type Found, foundIn, nearestPlace, placeOfHand, prepareSearch, searchSetUp } from './searchSetUp.js';
export type { FocusWay, IsoLimit, MeterLimit, Obstacle, SetUp, SetUpResult, Why, WhyInput, WhyUnit } from './setUp.js';
export type { SharpZone } from './sharpZone.js';
export type { SideLimit, Sides } from './sides.js';
export { shakeLimitS, steadyCurve } from './steadiness.js';
export { type WayOut, type WayOutResult, waysOut } from './waysOut.js';
