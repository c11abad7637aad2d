import { instantAt, type Outing, type OutingClock } from '@roam-dial/core/outing';
import type { Walk } from '@roam-dial/core/walk';
import { demoWorkspace } from '../../../testing/demo';
import { newLog } from './planned-cards';

const WORKSPACE = { ...demoWorkspace(), logs: [], frames: [] };
const WALK = WORKSPACE.walks[0] as Walk;
const [FIRST] = WALK.stops as [Walk['stops'][number]];
const LATE_MIN = FIRST.arriveMin + 40;
const OWN: OutingClock = { kind: 'own' };
const SIMULATED: OutingClock = { kind: 'simulated', shownMs: 0, deviceMs: 0, speed: 60 };

/** Forty minutes late at the first stop, and there for ten. */
function outing(clock: OutingClock, walk: Walk = WALK): Outing {
  const at = (minute: number): number => instantAt(walk, minute);
  const happening = (minute: number, kind: 'arrived' | 'wentOn') =>
    ({ id: `${kind}`, stopId: FIRST.id, atMs: at(minute), event: { kind }, moment: null }) as const;
  return {
    id: 'outing',
    walkId: WALK.id,
    startedMs: at(LATE_MIN - 5),
    endedMs: at(LATE_MIN + 60),
    clock,
    happenings: [happening(LATE_MIN, 'arrived'), happening(LATE_MIN + 10, 'wentOn')],
  };
}

function firstStay(outings: readonly Outing[]): readonly [fromMs: number | undefined, toMs: number | undefined] {
  const { stays } = newLog('log', { ...WORKSPACE, outings }, WALK, new Map());
  const stay = stays.find(({ stopId }) => stopId === FIRST.id);
  return [stay?.fromMs, stay?.toMs];
}

describe('what a walk’s frames are held against', () => {
  const planned = [instantAt(WALK, FIRST.arriveMin), instantAt(WALK, FIRST.leaveMin)];
  const walked = [instantAt(WALK, LATE_MIN), instantAt(WALK, LATE_MIN + 10)];

  it('is as it was walked, and else as it was planned', () => {
    expect(firstStay([outing(OWN)])).toEqual(walked);
    expect(firstStay([])).toEqual(planned);
  });

  it('is no rehearsal, and no other day’s walk', () => {
    expect(firstStay([outing(SIMULATED)])).toEqual(planned);
    expect(firstStay([outing(OWN), outing(SIMULATED)])).toEqual(walked);
    expect(firstStay([outing(OWN, { ...WALK, day: '2027-02-01' })])).toEqual(planned);
  });
});
