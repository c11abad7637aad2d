export {
  type Cause,
  CAUSES,
  fileOfFrame,
  frameName,
  type FrameScan,
  type FrameSettings,
  type PictureReading,
  type FrameSource,
  type LogFrame,
  type PictureSpot,
  thumbnailIdOf,
  type Verdict,
  VERDICTS,
} from './frame.js';
export { type ExifTags, type FrameFacts, frameFacts } from './exif.js';
export { cameraOf, clockMs, frameMs } from './frameTime.js';
export { NEAR_STOP_M, outsideMs, type PlacedBy, type PlacedFrame, placedFrame, placedFrames, STAY_GRACE_MS } from './matching.js';
export { type ClockProposal, clockOfPair, proposeClock } from './cameraClock.js';
export { daysOfFrames, fittingWalk, type WalkFit, type WalkCandidate } from './fittingWalk.js';
export { bodyOf, lensOf } from './gearOf.js';
export { newGear } from './newGear.js';
export {
  momentOfStayAt,
  type LogCamera,
  type LogLens,
  type LogRoll,
  type LogStay,
  type LogTrack,
  type PlannedMoment,
  type ShiftBy,
  SHIFTS_BY,
  type WalkLog,
} from './walkLog.js';
export { staysAgain, staysOf } from './staysOf.js';
export { Placer } from './placer.js';
