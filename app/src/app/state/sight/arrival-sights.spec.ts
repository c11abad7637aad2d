import { TestBed } from '@angular/core/testing';
import { BehaviorSubject, map, type Observable, of } from 'rxjs';
import { demoWorkspace } from '../../../testing/demo';
import type { Workspace } from '../../storage/workspace';
import type { SightDrawn } from '../../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../../workers/sight/sight.client';
import { DaysStore } from '../light/days.store';
import { FocusStore } from '../selection/focus.store';
import { changeStop } from '../walk/stop.edits';
import { WorkspaceStore } from '../workspace/workspace.store';
import { ArrivalSights, type SightsOfWalk } from './arrival-sights.store';
import { sightKey } from './sight-wanted';

const DEMO = demoWorkspace();
const WALK = DEMO.walks[0]?.id ?? '';
const IDS = (DEMO.walks[0]?.stops ?? []).map(({ id }) => id);
/** The walk has rested, and all views that are asked for have been drawn. */
const RESTED_MS = 200;

describe('the views of a walk’s stops', () => {
  const workspace$ = new BehaviorSubject<Workspace>(DEMO);
  const asked: SightWanted[] = [];
  let last: SightsOfWalk = new Map();
  let cannot = new Set<string>();

  beforeAll(() => {
    jest.useFakeTimers();
    const small = (wanted: SightWanted): Observable<SightDrawn | null> => {
      asked.push(wanted);
      return of(cannot.has(sightKey(wanted)) ? null : ({ width: asked.length } as SightDrawn));
    };
    TestBed.configureTestingModule({
      providers: [
        { provide: WorkspaceStore, useValue: { workspace$ } },
        { provide: FocusStore, useValue: { focus$: workspace$.pipe(map(({ walks }) => ({ walk: walks[0] ?? null }))) } },
        { provide: DaysStore, useValue: { days$: of(new Map()), isSettled$: of(true) } },
        { provide: SightClient, useValue: { small } },
      ],
    });
    TestBed.inject(ArrivalSights).sights$.subscribe((sights) => (last = sights));
    jest.advanceTimersByTime(RESTED_MS);
  });
  afterAll(() => jest.useRealTimers());
  beforeEach(() => (asked.length = 0));

  it('are drawn for every stop of the day, each at its arrival', () => {
    expect([...last.keys()]).toEqual(IDS);
  });
  it('of a stop that arrives at another time is drawn anew, and no other', () => {
    const before = last;
    workspace$.next(changeStop(WALK, IDS[4] ?? '', (stop) => ({ ...stop, arriveMin: 600, leaveMin: 640 }))(workspace$.value));
    jest.advanceTimersByTime(RESTED_MS);
    expect(asked).toHaveLength(1);
    expect(last.get(IDS[4] ?? '')).not.toBe(before.get(IDS[4] ?? ''));
    expect(last.get(IDS[3] ?? '')).toBe(before.get(IDS[3] ?? ''));
  });
  it('do not change with what is only said of a stop, nor for one that is set aside', () => {
    workspace$.next(changeStop(WALK, IDS[0] ?? '', (stop) => ({ ...stop, notes: 'the third landing' }))(workspace$.value));
    workspace$.next(changeStop(WALK, IDS[1] ?? '', (stop) => ({ ...stop, isSetAside: true }))(workspace$.value));
    jest.advanceTimersByTime(RESTED_MS);
    expect(asked).toHaveLength(0);
    expect([...last.keys()]).toEqual(IDS.filter((id) => id !== IDS[1]));
  });
  it('put nobody where nobody passes, and leave out what cannot be drawn', () => {
    workspace$.next(
      changeStop(WALK, IDS[2] ?? '', (stop) => ({ ...stop, movers: { ...stop.movers, passersPerMinute: 0 } }))(workspace$.value),
    );
    jest.advanceTimersByTime(RESTED_MS);
    expect(asked.map(({ look }) => look.personM)).toEqual([null]);
    const turned = changeStop(WALK, IDS[2] ?? '', (stop) => ({ ...stop, shootingBearingDeg: 1 }));
    cannot = new Set([sightKey({ ...(asked[0] as SightWanted), look: { ...(asked[0] as SightWanted).look, bearingDeg: 1 } })]);
    workspace$.next(turned(workspace$.value));
    jest.advanceTimersByTime(RESTED_MS);
    expect(last.has(IDS[2] ?? '')).toBe(false);
    expect(last.size).toBe(IDS.length - 2);
  });
});
