import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { type Happening, minuteAt } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom, Subject } from 'rxjs';
import { eventually, FIRST, openTab, until } from '../../testing/tabs';
import { newKitItem, newStop } from '../storage/defaults';
import type { Database } from '../storage/rows/database';
import { OutingActions } from '../state/outing/outing.actions';
import { DeviceClock } from '../state/device/device-clock';
import { SimulatedWalker } from './simulated-walker';
import type { WorkspaceStore } from '../state/workspace/workspace.store';

const STOPS = ['a', 'b', 'c'].map((id, k): Stop => ({
  ...newStop(id, undefined),
  name: id.toUpperCase(),
  arriveMin: 600 + 60 * k,
  leaveMin: 630 + 60 * k,
}));
const WALK: Walk = { ...(FIRST.walks[0] as Walk), name: 'Saturday', stops: STOPS };
const NOON_MS = Date.parse('2027-03-13T13:00:00Z');

let run = 0;

describe('a walker who does not exist', () => {
  let store: WorkspaceStore;
  let database: Database;
  let ticks: Subject<number>;
  let deviceMs: number;

  /** So many minutes of the rehearsal in one tick of the device's clock. */
  const pass = (minutes: number): void => {
    deviceMs += minutes * 1000;
    ticks.next(deviceMs);
  };
  const happenings = async (): Promise<readonly Happening[]> => (await store.snapshot()).outings.at(-1)?.happenings ?? [];
  const told = async (): Promise<readonly string[]> =>
    (await happenings()).map(({ stopId, event: { kind } }) => `${stopId} ${kind === 'missed' ? 'got' : kind}`);

  beforeEach(async () => {
    ({ store, database } = openTab(`walker-${++run}`));
    await firstValueFrom(store.unseeded$);
    await store.seed({ ...FIRST, kit: [...FIRST.kit, newKitItem('lens', 'lens', 'third')], walks: [WALK] });
    await until(store, () => true);
    jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    deviceMs = NOON_MS;
    ticks = new Subject<number>();
    jest.spyOn(TestBed.inject(DeviceClock), 'nowMs').mockImplementation(() => deviceMs);
    jest.spyOn(TestBed.inject(DeviceClock), 'every').mockReturnValue(ticks);
    TestBed.inject(SimulatedWalker);
    await TestBed.inject(OutingActions).rehearse(WALK, 600);
  });
  afterEach(() => database.close());

  it('walks the whole day in one tick of a clock that jumps: to each stop once, in order, one picture at each', async () => {
    pass(14 * 60);
    const whole = ['a', 'b', 'c'].flatMap((id) => ['arrived', 'got', 'wentOn'].map((kind) => `${id} ${kind}`));
    await eventually(told, (all) => all.length >= whole.length);
    pass(1);
    expect((await told()).filter((one) => !one.endsWith('got'))).toEqual(whole.filter((one) => !one.endsWith('got')));
    expect((await told()).filter((one) => one.endsWith('got'))).toHaveLength(3);
    const went = (await happenings()).filter(({ event }) => event.kind === 'wentOn');
    // Early by ten minutes and the way before it, and from the last when its stay ends.
    expect(went.map(({ atMs }) => minuteAt(WALK, atMs))).toEqual([644, 704, 750]);
  });

  it('lingers where it is told to, its picture taken, and goes on when it may', async () => {
    TestBed.inject(SimulatedWalker).linger(true);
    pass(14 * 60);
    await eventually(told, (all) => all.length >= 2);
    pass(1);
    expect(await told()).toEqual(['a arrived', 'a got']);
    TestBed.inject(SimulatedWalker).linger(false);
    await eventually(told, (all) => all.includes('a wentOn'));
  });
});
