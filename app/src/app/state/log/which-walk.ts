import { daysOfFrames, fittingWalk, type LogFrame, type PlacedFrame, staysOf, type WalkLog } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../../storage/workspace';
import { walkedOn } from './planned-cards';

type Known = Pick<Workspace, 'walks' | 'outings'>;

/** Frames that were rather taken on another walk, or on this one on another day. */
export interface RatherOn {
  readonly walk: Walk;
  readonly frameIds: readonly string[];
  readonly inStays: number;
  readonly of: number;
  /** Their camera's clock goes along: other frames, or the person, have shown it. */
  readonly isClockKnown: boolean;
}

/** A clock that is off by so much is rather another day. */
const OTHER_DAY_S = 12 * 3600;
/** More walks than anybody has are not gone through. */
const MOST_WALKS = 100;

interface Doubted {
  readonly frames: readonly LogFrame[];
  /** Others of the camera have shown its clock, so that another one is no answer. */
  readonly isClockKnown: boolean;
}

/** Those of a camera that lie in no stay; all of them where its clock had to be put off by a day or so to bring them in. */
function inDoubt({ cameras }: WalkLog, placed: readonly PlacedFrame[], cameraName: string): Doubted {
  const own = placed.filter(({ frame, by }) => frame.bodyName === cameraName && frame.source.kind === 'file' && by !== 'hand');
  const outside = own.filter(({ stay }) => stay === null);
  const camera = cameras.find(({ name }) => name === cameraName);
  const shiftS = camera?.shiftS ?? 0;
  if (camera?.shiftBy === 'frames' && Math.abs(shiftS) >= OTHER_DAY_S) {
    return { frames: own.map(({ frame }) => frame), isClockKnown: false };
  }
  const isClockKnown = camera?.shiftBy !== 'frames' || outside.length < own.length;
  const byItsClock = (frame: LogFrame): LogFrame => ({
    ...frame,
    wallMs: frame.wallMs === null ? null : frame.wallMs + shiftS * 1000,
  });
  return { frames: outside.map(({ frame }) => (isClockKnown ? byItsClock(frame) : frame)), isClockKnown };
}

/** The demo's walk is invented: nobody's frames were taken there. */
const ownWalks = ({ walks }: Known): readonly Walk[] => walks.filter(({ isDemo }) => !isDemo);

/** The walk, and its day, that frames of a camera were rather taken on than on the one of their log; null where they belong there. */
export function ratherOn(workspace: Known, log: WalkLog, placed: readonly PlacedFrame[], cameraName: string): RatherOn | null {
  const { frames, isClockKnown } = inDoubt(log, placed, cameraName);
  if (frames.length === 0) return null;
  const others = ownWalks(workspace)
    .slice(-MOST_WALKS)
    .flatMap((walk) => {
      const days = new Set([walk.day, ...daysOfFrames(frames, walk.place.timeZone)]);
      return [...days].flatMap((day) => {
        const onDay: Walk = { ...walk, day };
        if (walk.id === log.walkId && day === log.day) return [];
        const stays = staysOf(onDay, walkedOn(workspace, onDay), () => []);
        return [{ walkId: walk.id, day, timeZone: walk.place.timeZone, stays, walk: onDay }];
      });
    });
  const found = fittingWalk(log, others, frames, isClockKnown ? 0 : undefined);
  return found === null
    ? null
    : { walk: found.walked.walk, frameIds: frames.map(({ id }) => id), inStays: found.inStays, of: found.frames, isClockKnown };
}
