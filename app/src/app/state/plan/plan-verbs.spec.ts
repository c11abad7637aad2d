import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { Walk } from '@roam-dial/core/walk';
import { BehaviorSubject, filter, firstValueFrom, map, of } from 'rxjs';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import type { Workspace } from '../../storage/workspace';
import { FindingsStore } from '../card/findings.store';
import { DaysStore } from '../light/days.store';
import { focusOn, FocusStore } from '../selection/focus.store';
import { SelectionStore } from '../selection/selection.store';
import { FootWays } from '../walk/foot-ways';
import { HomeCheckStore } from '../walk/home-check';
import type { WorkspaceChange } from '../workspace/lists';
import { WorkspaceStore } from '../workspace/workspace.store';
import { DayActions } from './day.actions';
import { DayPlanStore } from './day-plan.store';

const DEMO = demoWorkspace();
/** Three stops of the demo: a day that is planned in a moment. */
const WALK: Walk = { ...(DEMO.walks[0] as Walk), stops: (DEMO.walks[0] as Walk).stops.slice(2, 5) };

function opened(walk = WALK) {
  const workspace$ = new BehaviorSubject<Workspace>({ ...DEMO, walks: [walk] });
  const labels: string[] = [];
  const edit = ({ label }: { label: string }, change: WorkspaceChange): void => {
    labels.push(label);
    workspace$.next(change(workspace$.value));
  };
  const days = new Map(walk.stops.map(({ id }) => [id, demoDay(DEMO, id)]));
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      {
        provide: WorkspaceStore,
        useValue: {
          workspace$,
          settings$: workspace$.pipe(map(({ settings }) => settings)),
          snapshot: () => Promise.resolve(workspace$.value),
          edit,
          announce: () => undefined,
        },
      },
      {
        provide: FocusStore,
        useValue: { focus$: workspace$.pipe(map((now) => focusOn(now, { walkId: walk.id, stopId: null, minuteOfDay: null }))) },
      },
      { provide: DaysStore, useValue: { days$: of(days), isSettled$: of(true), of: () => Promise.resolve(days) } },
      { provide: SelectionStore, useValue: { selectStop: () => undefined } },
    ],
  });
  return { now: (): Walk => workspace$.value.walks[0] as Walk, labels };
}
afterEach(() => TestBed.resetTestingModule());

describe('the day’s plan', () => {
  it('is laid out by the worker: stays that do not cross, each within the day, and taken back in one step', async () => {
    const { now, labels } = opened();
    const actions = TestBed.inject(DayActions);
    const plan = TestBed.inject(DayPlanStore);
    await actions.plan();
    await firstValueFrom(plan.planning$.pipe(filter((planning) => planning === null)));
    expect(now().isPlanned).toBe(true);
    const stays = now().stops.filter(({ isSetAside }) => isSetAside !== true);
    expect(stays.length).toBeGreaterThan(1);
    stays.slice(1).forEach((stop, k) => expect(stop.arriveMin).toBeGreaterThanOrEqual(stays[k]?.leaveMin ?? 0));
    expect(labels).toHaveLength(1);
    // What it is worth as it stands is then asked for too.
    expect(await firstValueFrom(plan.stands$.pipe(filter((worth) => worth !== null)))).toBeGreaterThan(0);
  });

  it('keeps what is wished of a stop, and no more than that', () => {
    const { now, labels } = opened();
    const actions = TestBed.inject(DayActions);
    const [stop] = WALK.stops;
    if (stop === undefined) throw new Error('no stop');
    actions.wish(WALK, stop, 'must', { isMust: true });
    actions.wish(WALK, stop, 'weight', { weight: 2 });
    expect(now().stops[0]?.wishes).toMatchObject({ isMust: true, weight: 2 });
    actions.wish(WALK, stop, 'must', { isMust: undefined });
    expect(now().stops[0]?.wishes).not.toHaveProperty('isMust');
    expect(labels[0]).toBe(`change the must of ${stop.name}`);
  });

  it('has room for a meal, which is moved and taken out by name', () => {
    const { now } = opened();
    const actions = TestBed.inject(DayActions);
    actions.addPause(now(), { name: 'Lunch', stayMin: 45, fromMin: 690, toMin: 840, position: null, atMin: null });
    const [lunch] = now().pauses?.slice(-1) ?? [];
    if (lunch === undefined) throw new Error('no lunch');
    actions.changePause(now(), lunch, 'stayMin', (pause) => ({ ...pause, stayMin: 30 }));
    expect(now().pauses?.find(({ id }) => id === lunch.id)?.stayMin).toBe(30);
    actions.removePause(now(), lunch);
    expect(now().pauses?.some(({ id }) => id === lunch.id)).toBe(false);
  });
});

describe('ways on foot', () => {
  it('are found once along the district’s streets, and are there at once from then on', async () => {
    opened();
    const ways = TestBed.inject(FootWays);
    const district = DEMO.districts.find(({ id }) => id === WALK.districtId) ?? null;
    const [from, to] = WALK.stops.map(({ position }) => position);
    const pair = { from: from ?? null, to: to ?? null };
    const found = await firstValueFrom(ways.between(district, [pair]).pipe(filter(({ isWhole }) => isWhole)));
    expect(found.wayOf(pair)?.lengthM).toBeGreaterThan(10);
    const again: boolean[] = [];
    ways.between(district, [pair]).subscribe(({ isWhole }) => again.push(isWhole));
    expect(again).toEqual([true]);
    expect(await firstValueFrom(ways.between(null, [pair]))).toMatchObject({ isWhole: true });
  });
});

describe('the base set-up to check before setting off', () => {
  it('is nothing while it is not known, and ticks are kept with the walk', async () => {
    const { now } = opened();
    TestBed.overrideProvider(FindingsStore, { useValue: { home$: of(null) } });
    const checks = TestBed.inject(HomeCheckStore);
    expect(await firstValueFrom(checks.home$)).toBeNull();
    checks.tick(now(), 'iso', true);
    checks.tick(now(), 'focus', true);
    checks.tick(now(), 'iso', false);
    expect(now().homeChecked).toEqual(['focus']);
    checks.untickAll(now());
    expect(now().homeChecked ?? []).toEqual([]);
  });
});
