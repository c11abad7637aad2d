import type { LogFrame } from './frame.js';
import { type PlacedFrame, placedFrame, inOrderOfTaking } from './matching.js';
import type { WalkLog } from './walkLog.js';

/** Whether two states of a frame belong to the same place for the same reason: a verdict moves nothing. */
function isPlacedAlike(a: LogFrame, b: LogFrame): boolean {
  return (
    a === b ||
    (a.wallMs === b.wallMs &&
      a.offsetMin === b.offsetMin &&
      a.bodyName === b.bodyName &&
      a.position === b.position &&
      a.placedByHand === b.placedByHand)
  );
}

/** Places the frames of one state of a log, and each again only when something about its place has changed. */
export class Placer {
  private readonly known = new Map<string, PlacedFrame>();

  constructor(private readonly log: WalkLog) {}

  /** As `placedFrames`. */
  placed(frames: readonly LogFrame[]): readonly PlacedFrame[] {
    return inOrderOfTaking(frames.map((frame) => this.one(frame)));
  }

  private one(frame: LogFrame): PlacedFrame {
    const known = this.known.get(frame.id);
    if (known?.frame === frame) return known;
    const placed = known !== undefined && isPlacedAlike(known.frame, frame) ? { ...known, frame } : placedFrame(this.log, frame);
    this.known.set(frame.id, placed);
    return placed;
  }
}
