import { frameFacts, type LogFrame, placedFrames, type WalkLog } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import { newLog } from './planned-cards';
import { ratherOn } from './which-walk';

const DEMO = { ...demoWorkspace(), logs: [], frames: [], outings: [] };
/** Somebody's own walk, laid as the demo's. */
const WORKSPACE = { ...DEMO, walks: DEMO.walks.map((walk) => ({ ...walk, isDemo: false })) };
const WALK = WORKSPACE.walks[0] as Walk;
const MIDNIGHT = Date.parse(`${WALK.day}T00:00:00Z`);
const DAY_MIN = 1440;

/** By what the camera's clock showed, minutes of the walk's day. */
const frame = (minute: number): LogFrame => ({
  ...frameFacts({ Model: 'One' }),
  id: `at ${minute}`,
  logId: 'log',
  source: { kind: 'file', name: `${minute}.JPG`, bytes: 1 },
  wallMs: MIDNIGHT + minute * 60_000,
  placedByHand: null,
  verdict: null,
  sight: null,
  subjectAt: null,
});
const log = (shiftS: number, shiftBy: 'frames' | 'typed' = 'frames'): WalkLog => ({
  ...newLog('log', WORKSPACE, WALK, new Map()),
  cameras: [{ name: 'One', bodyId: null, shiftS, shiftBy }],
});
const stayed = WALK.stops.map(({ arriveMin, leaveMin }) => (arriveMin + leaveMin) / 2);
/** Half way from one stop to the next, each a while off both stays. */
const onTheWay = WALK.stops.slice(1).map(({ arriveMin }, k) => (arriveMin + (WALK.stops[k]?.leaveMin ?? 0)) / 2);

function found(
  minutes: readonly number[],
  at: WalkLog,
  workspace: typeof DEMO = WORKSPACE,
): readonly [day: string, frames: number] | null {
  const frames = minutes.map(frame);
  const rather = ratherOn(workspace, at, placedFrames(at, frames), 'One');
  return rather === null ? null : [rather.walk.day, rather.frameIds.length];
}

describe('the walk that a camera’s frames were rather taken on', () => {
  const weekLater = new Date(MIDNIGHT + 7 * 86_400_000).toISOString().slice(0, 10);
  const later = stayed.map((minute) => minute + 7 * DAY_MIN);

  it('is the one of the day that they are of', () => {
    expect(found(later, log(0))).toEqual([weekLater, stayed.length]);
  });

  it('is never the demo’s, which nobody has walked, nor any by one or two frames', () => {
    expect(found(later, log(0), DEMO)).toBeNull();
    expect(found(later.slice(0, 2), log(0))).toBeNull();
    expect(found(later.slice(0, 3), log(0))).toEqual([weekLater, 3]);
  });

  it('is asked for those alone that lie in no stay, by the clock that the others have shown', () => {
    expect(found([...stayed, ...later], log(0))).toEqual([weekLater, stayed.length]);
    // An hour ahead: with the clock put right all lie in stays of their days.
    const ahead = [...stayed, ...later].map((minute) => minute + 60);
    expect(found(ahead, log(-3600))).toEqual([weekLater, stayed.length]);
  });

  it('is none for frames on the way, whatever clock would bring them into another day', () => {
    expect(found([...stayed, ...onTheWay], log(0))).toBeNull();
    expect(found(onTheWay, log(0, 'typed'))).toBeNull();
  });

  it('is the day before where the clock had to be put a day off', () => {
    const before = new Date(MIDNIGHT - 86_400_000).toISOString().slice(0, 10);
    expect(
      found(
        stayed.map((minute) => minute - DAY_MIN),
        log(86_400),
      ),
    ).toEqual([before, stayed.length]);
  });
});
