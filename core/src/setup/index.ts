export { LEAST_ZONE_CHANCE } from './choose.js';
export { type Change, firstLadder, type FirstLadder, type Rung } from './firstLadder.js';
export { firstSetUp } from './firstSetUp.js';
export type {
  ApertureLimit,
  FocusLimit,
  IsoLimit,
  MeterLimit,
  Obstacle,
  Sacrifice,
  SetUp,
  SetUpInput,
  SetUpResult,
  SharpZone,
  ShutterLimit,
  Why,
  WhyInput,
  WhyUnit,
} from './setUp.js';
