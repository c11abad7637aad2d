import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { Router } from '@angular/router';
import { instantAt, type Outing } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { firstValueFrom } from 'rxjs';
import { FIRST, openTab, until } from '../../../testing/tabs';
import { newKitItem, newStop } from '../../storage/defaults';
import type { Database } from '../../storage/rows/database';
import type { Workspace } from '../../storage/workspace';
import { OutingActions } from './outing.actions';
import { ReturnActions } from '../returns/actions';
import { DeviceClock } from '../device/device-clock';
import { OutingStore, runningIn } from './outing.store';
import { leftOf, type WayNow } from './way-ahead.store';
import type { WorkspaceStore } from '../workspace/workspace.store';

const [A, B] = ['a', 'b'].map((id, k): Stop => ({
  ...newStop(id, undefined),
  name: id.toUpperCase(),
  arriveMin: 600 + 60 * k,
  leaveMin: 630 + 60 * k,
})) as [Stop, Stop];
const WALK: Walk = { ...(FIRST.walks[0] as Walk), name: 'Saturday', stops: [A, B] };
const NOON_MS = Date.parse('2027-03-13T13:00:00Z');

let run = 0;

describe('a walk that is walked', () => {
  let store: WorkspaceStore;
  let database: Database;
  const now = (): Promise<Workspace> => store.snapshot();
  const outing = async (): Promise<Outing> => (await now()).outings.at(-1) as Outing;
  const kinds = async (): Promise<string[]> => (await outing()).happenings.map(({ event }) => event.kind);
  const undoes = async (): Promise<string | null> => (await firstValueFrom(store.history$)).undo;

  beforeEach(async () => {
    ({ store, database } = openTab(`outing-${++run}`));
    await firstValueFrom(store.unseeded$);
    await store.seed({ ...FIRST, kit: [...FIRST.kit, newKitItem('lens', 'lens', 'third')], walks: [WALK] });
    await until(store, () => true);
    jest.spyOn(TestBed.inject(Router), 'navigate').mockResolvedValue(true);
    jest.spyOn(TestBed.inject(DeviceClock), 'nowMs').mockReturnValue(NOON_MS);
  });
  afterEach(() => database.close());

  it('keeps what happens with its minute and its card, each a step of undo', async () => {
    const actions = TestBed.inject(OutingActions);
    await actions.go(WALK);
    expect(await outing()).toMatchObject({ walkId: WALK.id, startedMs: NOON_MS, endedMs: null, clock: { kind: 'own' } });
    await actions.arrive(A);
    await actions.missed(A, 'smear');
    await actions.note(A, 'Wet ground');
    await actions.got(A);
    expect(await kinds()).toEqual(['arrived', 'missed', 'note', 'got']);
    const { happenings } = await outing();
    expect(happenings.at(-1)).toMatchObject({ stopId: 'a', atMs: NOON_MS, moment: { fNumber: expect.any(Number) } });
    expect(happenings.at(-1)?.moment?.keyEv100).toBeGreaterThan(5);
    expect(await undoes()).toBe('got A');
    store.undo();
    store.undo();
    expect(await kinds()).toEqual(['arrived', 'missed']);
    store.redo();
    expect(await kinds()).toEqual(['arrived', 'missed', 'note']);
    await actions.end();
    expect((await outing()).endedMs).toBe(NOON_MS);
    expect(runningIn(await now())).toBeNull();
  });

  it('leaves a stop out for today, and takes that back whole', async () => {
    const actions = TestBed.inject(OutingActions);
    await actions.go(WALK);
    await actions.notToday(A);
    expect((await now()).walks[0]?.stops.map(({ id, isSetAside }) => [id, isSetAside ?? false])).toEqual([
      ['b', false],
      ['a', true],
    ]);
    expect(runningIn(await now())?.standing).toMatchObject({ kind: 'onTheWay', to: { id: 'b' } });
    store.undo();
    expect((await now()).walks[0]?.stops.map(({ id }) => id)).toEqual(['a', 'b']);
    expect(await kinds()).toEqual([]);
  });

  it('keeps a place for another time, and undo takes it out of Returns', async () => {
    const actions = TestBed.inject(OutingActions);
    await actions.go(WALK);
    const { place, day } = WALK;
    await actions.comeBack(A, { stop: A, place, districtId: null, day, lightMin: 610, crowd: 'busier', wrong: 'Too empty' });
    expect((await now()).returns).toMatchObject([{ stop: { id: 'a' }, crowd: 'busier', notedMs: NOON_MS }]);
    expect((await outing()).happenings[0]?.event).toEqual({ kind: 'comeBack', returnId: (await now()).returns[0]?.id });
    store.undo();
    expect((await now()).returns).toEqual([]);
  });

  it('of one walk one outing goes on; a rehearsal runs by its own time, whose speed nobody has to undo', async () => {
    const actions = TestBed.inject(OutingActions);
    await actions.go(WALK);
    await actions.rehearse(WALK, A.arriveMin);
    const all = (await now()).outings;
    expect(all.map(({ endedMs }) => endedMs === null)).toEqual([false, true]);
    const outings = TestBed.inject(OutingStore);
    const running = runningIn(await now());
    if (running === null) throw new Error('nothing goes on');
    expect(outings.at(running).minute).toBe(A.arriveMin - 15);
    expect(outings.at(running, NOON_MS + 2000).minute).toBe(A.arriveMin - 13);
    await actions.setSpeed(600);
    expect(await undoes()).toBe('rehearse Saturday');
    const faster = runningIn(await now());
    expect(faster === null ? null : outings.at(faster, NOON_MS + 2000).minute).toBe(A.arriveMin + 5);
    actions.walkOn(running, A, { kind: 'arrived' }, instantAt(WALK, 600));
    expect(await kinds()).toEqual(['arrived']);
    expect(await undoes()).toBe('rehearse Saturday');
  });

  it('takes the rest of a day as it was planned from here, what is over before it', async () => {
    const actions = TestBed.inject(OutingActions);
    await actions.go(WALK);
    await actions.arrive(A);
    await actions.leave(A);
    const running = runningIn(await now());
    if (running === null) throw new Error('nothing goes on');
    const stay = { id: 'b', fromMin: 780, toMin: 800, worth: 1, spareMin: 0 };
    await actions.takeRest(running, { value: 1, stays: [stay], leftOut: [], givenUp: [] });
    expect((await now()).walks[0]?.stops.map(({ id, arriveMin, leaveMin }) => [id, arriveMin, leaveMin])).toEqual([
      ['a', 600, 630],
      ['b', 780, 800],
    ]);
    expect(await kinds()).toEqual(['arrived', 'wentOn', 'replanned']);
    store.undo();
    expect((await now()).walks[0]?.stops[1]?.arriveMin).toBe(660);
  });

  it('makes a walk of returns: each at its light, in the order of those times', async () => {
    const actions = TestBed.inject(ReturnActions);
    actions.keep(WALK, { ...B, hand: { fNumber: 4, focusM: 3, shutterS: null, iso: null, support: 'handheld' } }, 700);
    actions.keep(WALK, A, 900);
    const { returns } = await now();
    const runs = [{ fromDay: '2027-03-20', toDay: '2027-03-22', day: '2027-03-21', minuteOfDay: 640, apartDeg: 1, isLit: true }];
    const chosen = [
      { one: returns[1] as never, days: { kind: 'runs', runs: [{ ...runs[0], minuteOfDay: 905 }] } as never },
      { one: returns[0] as never, days: { kind: 'runs', runs } as never },
    ];
    await actions.makeWalk(chosen, '2027-03-21', 'Sun 21 March');
    const made = (await now()).walks.at(-1);
    expect(made).toMatchObject({ name: 'Returns, Sun 21 March', day: '2027-03-21', districtId: null });
    expect(made?.stops.map(({ name, arriveMin, leaveMin }) => [name, arriveMin, leaveMin])).toEqual([
      ['B', 630, 660],
      ['A', 895, 925],
    ]);
    expect(made?.stops[0]?.hand).toBeUndefined();
    expect(made?.stops.every(({ id }) => id !== 'a' && id !== 'b')).toBe(true);
  });
});

describe('what of a way is left', () => {
  const north = (metres: number) => ({ latitude: 46.5 + metres / 111_195, longitude: -20.7 });
  const to = { ...B, position: north(300) };
  const way: WayNow = { from: north(0), to, course: [north(0), north(300)], isAlongStreets: true, walkMin: 5, lengthM: 300 };
  const on = (clock: Outing['clock'], minutes: number) =>
    ({ standing: { kind: 'onTheWay', to, from: A, sinceMs: 0 }, nowMs: minutes * 60_000, outing: { clock } }) as never;
  const simulated = { kind: 'simulated', shownMs: 0, deviceMs: 0, speed: 1 } as const;

  it('goes by the time without a position, by the place with one', () => {
    expect(leftOf(on({ kind: 'own' }, 2), way, null)).toMatchObject({ leftMin: 3, here: null, isThere: false });
    const at = leftOf(on({ kind: 'own' }, 2), way, { place: north(100), accuracyM: 8 });
    expect(at.leftM).toBeCloseTo(200, 0);
    expect(at.leftMin).toBeCloseTo(10 / 3, 1);
    expect(leftOf(on({ kind: 'own' }, 9), way, { place: north(285), accuracyM: 8 }).isThere).toBe(true);
  });
  it('goes straight from a place beside the way', () => {
    const beside = { latitude: north(300).latitude, longitude: -20.7 + 200 / (111_195 * Math.cos((46.5 * Math.PI) / 180)) };
    expect(leftOf(on({ kind: 'own' }, 2), way, { place: beside, accuracyM: 8 }).leftM).toBeCloseTo(200, 0);
  });
  it('of a simulated walker is where it walks, until it is there', () => {
    const half = leftOf(on(simulated, 2.5), way, null);
    expect(half.leftM).toBeCloseTo(150, 0);
    expect(half.here?.latitude).toBeCloseTo(north(150).latitude, 6);
    expect(leftOf(on(simulated, 5), way, null).isThere).toBe(true);
    expect(leftOf(on(simulated, 1), { ...way, walkMin: 0, lengthM: null, course: [] }, null).isThere).toBe(true);
  });
});
