import { DEFAULT_INTENTS, type IntentKind, type Stop } from '../stop/index.js';
import { dayOutOf, endOfDayMin, isOfWalk, leaveForRideMin, minutesMeasured, type Walk } from './index.js';

const stop = (kind: IntentKind, over: Partial<Stop> = {}): Stop =>
  ({ id: kind, intent: DEFAULT_INTENTS[kind], arriveMin: 600, leaveMin: 640, ...over }) as Stop;
const walk = (stops: readonly Stop[], over: Partial<Walk> = {}): Walk => ({ stops, ...over }) as Walk;

const BY_DAY = walk([stop('passingCandid')]);
const BY_NIGHT = walk([stop('passingCandid'), stop('litStreet')]);

describe('how long a walk may be out', () => {
  it('is until eleven, with a stop in the dark until two, or as somebody has said', () => {
    expect(dayOutOf(BY_DAY)).toEqual({ fromMin: 300, toMin: 1380 });
    expect(dayOutOf(BY_NIGHT)).toEqual({ fromMin: 300, toMin: 1560 });
    expect(dayOutOf(walk([stop('litStreet', { isSetAside: true })]))).toEqual({ fromMin: 300, toMin: 1380 });
    expect(dayOutOf(walk([], { dayOut: { fromMin: 1290, toMin: 90 } }))).toEqual({ fromMin: 1290, toMin: 1530 });
  });
  it('is over in time for the last ride: 0:52, nine minutes on foot, leave by 0:40', () => {
    const lastRide = { name: 'tram', atMin: 1492, position: null };
    expect(leaveForRideMin(lastRide, 9)).toBe(1480);
    expect(leaveForRideMin(lastRide, 8.2)).toBe(1480);
    expect(endOfDayMin({ ...BY_NIGHT, lastRide })).toBe(1489);
    expect(endOfDayMin({ ...BY_DAY, lastRide })).toBe(1380);
  });
});

describe('the minutes of a walk that are measured', () => {
  it.each([
    ['a walk by day', BY_DAY, 0, 1440],
    ['the same, where somebody looks past midnight', BY_DAY, 1450, 2160],
    ['a stop in the dark', BY_NIGHT, 0, 2160],
    ['a stop in the dark on a walk that is home by eleven', { ...BY_NIGHT, dayOut: { fromMin: 300, toMin: 1380 } }, 0, 1440],
    ['a stay past midnight', walk([stop('facade', { leaveMin: 1441 })]), 0, 2160],
    ['hours until two', walk([stop('facade', { wishes: { open: [{ fromMin: 1200, toMin: 120 }] } })]), 0, 2160],
    [
      'a last ride past midnight of a walk that is home before',
      { ...BY_DAY, lastRide: { name: '', atMin: 1492, position: null } },
      0,
      1440,
    ],
  ] as const)('of %s', (_, of, minute, minutes) => {
    expect(minutesMeasured(of as Walk, minute)).toBe(minutes);
  });
});

describe('what belongs to a walk', () => {
  it('is its day, and the morning after one that goes past midnight', () => {
    const late = walk([stop('litStreet', { leaveMin: 1500 })]);
    expect([-1, 0, 1439, 1440, 2159, 2160].map((minute) => isOfWalk(BY_DAY, minute))).toEqual([
      false,
      true,
      true,
      false,
      false,
      false,
    ]);
    expect([-1, 0, 1440, 2159, 2160].map((minute) => isOfWalk(late, minute))).toEqual([false, true, true, true, false]);
  });
});
