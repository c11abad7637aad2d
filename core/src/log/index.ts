export {
  CAUSES,
  type Cause,
  type Frame,
  type FrameSettings,
  type FrameSight,
  type FrameSource,
  type PictureSpot,
  type Verdict,
  VERDICTS,
} from './frames/frame.js';
export { type ExifTags, type FrameFacts, frameFacts } from './frames/exif.js';
export { cameraOf, clockMs, frameMs } from './frames/frameTime.js';
export { NEAR_STOP_M, type PlacedBy, type PlacedFrame, placedFrame, placedFrames, STAY_GRACE_MS } from './frames/matching.js';
export { type ClockProposal, clockOfPair, proposeClock } from './frames/cameraClock.js';
export {
  cardAt,
  type LogCamera,
  type LogLens,
  type LogRoll,
  type LogStay,
  type PlannedMoment,
  type ShiftBy,
  SHIFTS_BY,
  type WalkLog,
} from './frames/walkLog.js';
export {
  COMPARED,
  type Compared,
  type Departure,
  departures,
  DEPARTS_FROM_EV,
  wideDepartures,
} from './compare/plannedAgainstUsed.js';
export { type HandsPath, type StandInPicture, type StandInShot, takeStandIn } from './camera/standInCamera.js';
export { SCENE_DEPTHS } from './camera/depths.js';
export { blurMap } from './softness/blurMap.js';
export { type Blur } from './softness/spread.js';
export { cropped, halved, type Luma, lumaOf, smoothed } from './softness/luma.js';
export { type Fault, faultyShot, type FaultyShot } from './camera/faultyShot.js';
export { readSoftness, type SoftnessReading, tileGrid } from './softness/readSoftness.js';
export {
  type Evidence,
  evidenceOf,
  type Look,
  sharpPxOf,
  softnessVerdict,
  type SoftnessVerdict,
  stateOf,
  type TileState,
} from './softness/verdict.js';
export { type Tones, tonesOf } from './softness/tones.js';
