import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { DEFAULT_APPROACH, type Stop } from '@roam-dial/core/stop';
import { BehaviorSubject, delay, map, of } from 'rxjs';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import { KeptDays } from '../../storage/kept-days';
import type { Workspace } from '../../storage/workspace';
import { LightClient } from '../../workers/light/light.client';
import type { LightQuestion } from '../../workers/light/light-jobs';
import { SetUpClient } from '../../workers/set-up/set-up.client';
import { WaysClient } from '../../workers/ways/ways.client';
import { CardStore } from './card.store';
import { DaysStore } from '../light/days.store';
import { addReturn, startOuting } from '../outing/edits';
import { changeKitItem, changeSettings, changeStandard } from '../kit/edits';
import { changeFrames, changeLog, removeFrames } from '../log/edits';

import { arrivingAt, changeStop, moveStop } from '../walk/stop.edits';
import { changeWalk } from '../walk/walk.edits';
import type { WorkspaceChange } from '../workspace/lists';
import { FindingsStore } from './findings.store';
import { FocusStore } from '../selection/focus.store';
import { LegsStore } from '../walk/legs.store';
import { LogStore } from '../log/log.store';
import { WorkspaceStore } from '../workspace/workspace.store';

const DEMO = demoWorkspace();
const WALK = DEMO.walks[0]?.id ?? '';
const [HERE, THERE] = (DEMO.walks[0]?.stops ?? []).map(({ id }) => id) as [string, string];
const BODY = DEMO.kit.find(({ kind }) => kind === 'body')?.id ?? '';
/** All that waits for a moment's rest has been asked by then. */
const RESTED_MS = 500;

const atStop = (stopId: string, change: Parameters<typeof changeStop>[2]) => changeStop(WALK, stopId, change);

type Woken = 'card' | 'focus' | 'days' | 'log' | 'legs' | 'askedOfLight' | 'askedOfSetUp' | 'askedOfWays';
const NOTHING: Record<Woken, number> = {
  card: 0,
  focus: 0,
  days: 0,
  log: 0,
  legs: 0,
  askedOfLight: 0,
  askedOfSetUp: 0,
  askedOfWays: 0,
};

describe('what an edit wakes', () => {
  const workspace$ = new BehaviorSubject<Workspace>(DEMO);
  const counts = { ...NOTHING };

  beforeAll(() => {
    jest.useFakeTimers();
    const light = {
      ask: ({ input, kind }: Extract<LightQuestion, { kind: 'day' }>) => {
        counts.askedOfLight++;
        const stop = DEMO.walks[0]?.stops.find(({ shootingBearingDeg }) => shootingBearingDeg === input.site.shootingBearingDeg);
        return of({ kind: 'done', answer: kind === 'day' ? demoDay(DEMO, stop?.id ?? HERE) : null }).pipe(delay(1));
      },
    };
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: WorkspaceStore, useValue: { workspace$, settings$: workspace$.pipe(map(({ settings }) => settings)) } },
        { provide: LightClient, useValue: { days: [light, light], years: light } },
        { provide: KeptDays, useValue: { read: () => of(new Map()), keep: () => undefined } },
        { provide: SetUpClient, useValue: { ask: () => (counts.askedOfSetUp++, of(null)) } },
        {
          provide: WaysClient,
          useValue: {
            ask: (_: string, __: unknown, pairs: readonly unknown[]) => (
              counts.askedOfWays++,
              of({ kind: 'done', answer: pairs.map(() => null) })
            ),
          },
        },
      ],
    });
    TestBed.inject(CardStore).card$.subscribe(() => counts.card++);
    TestBed.inject(FocusStore).focus$.subscribe(() => counts.focus++);
    TestBed.inject(DaysStore).days$.subscribe(() => counts.days++);
    TestBed.inject(LogStore).log$.subscribe(() => counts.log++);
    TestBed.inject(LegsStore).legs$.subscribe(() => counts.legs++);
    TestBed.inject(FindingsStore).ladder$.subscribe();
    jest.advanceTimersByTime(RESTED_MS);
  });
  beforeEach(() => {
    workspace$.next(DEMO);
    jest.advanceTimersByTime(RESTED_MS);
    Object.assign(counts, NOTHING);
  });
  afterAll(() => {
    jest.useRealTimers();
    TestBed.resetTestingModule();
  });

  const oneFrame = new Set(DEMO.frames.slice(0, 1).map(({ id }) => id));
  const ofStop = { card: 1, focus: 1, log: 1, legs: 1 };
  const faster = (stop: Stop): Stop => ({ ...stop, movers: { ...stop.movers, speedMps: 2 } });
  const outing = { id: 'o', walkId: WALK, day: '2027-03-13', happenings: [], plan: [] } as never;
  it.each<readonly [string, WorkspaceChange, Partial<Record<Woken, number>>]>([
    // What is about frames, the screen or another walk wakes nothing of this one.
    ['a verdict on a frame', changeFrames(oneFrame, (frame) => ({ ...frame, verdict: 'noise' })), { log: 1 }],
    ['a frame taken out', removeFrames(oneFrame), { log: 1 }],
    ['a name of a log', changeLog(DEMO.logs[0]?.id ?? '', (log) => ({ ...log, name: 'Before' })), { log: 1 }],
    ['the night theme', changeSettings((settings) => ({ ...settings, theme: 'night' })), {}],
    ['lengths in feet', changeSettings((settings) => ({ ...settings, lengthUnit: 'feet' })), {}],
    ['a return put down', addReturn({ id: 'r' } as never), {}],
    ['an outing begun', startOuting(outing), {}],
    // Names and notes ask nobody anything; legs go by stops as they are.
    ['a name for the walk', changeWalk(WALK, (walk) => ({ ...walk, name: 'Another' })), { card: 1, focus: 1, log: 1 }],
    ['a note here', atStop(HERE, (stop) => ({ ...stop, notes: 'mind the steps' })), ofStop],
    ['a note at another stop', atStop(THERE, (stop) => ({ ...stop, notes: 'mind the steps' })), ofStop],
    ['a later arrival there', atStop(THERE, (stop) => arrivingAt(stop, (stop.arriveMin ?? 0) + 5)), ofStop],
    ['a stop moved', moveStop(WALK, 1, 2), { ...ofStop, days: 1, legs: 2, askedOfWays: 1 }],
    // What is set here is a matter of its card and its ladder.
    ['how fast they walk here', atStop(HERE, faster), { ...ofStop, askedOfSetUp: 1 }],
    ['how fast they walk there', atStop(THERE, faster), ofStop],
    [
      'how deep it is meant there',
      atStop(THERE, (stop) => ({ ...stop, approach: { ...DEFAULT_APPROACH, depth: 'deep' } })),
      ofStop,
    ],
    [
      'a sharpness of one’s own',
      changeStandard((standard) => ({ ...standard, sharpness: { kind: 'strict' } })),
      { card: 1, askedOfSetUp: 1 },
    ],
    ['another body', changeKitItem(BODY, (item) => ({ ...item, name: 'Another' })), { card: 1, askedOfSetUp: 1 }],
    // Where one looks is a matter of its day; this one turns out to have the light that it had, so that the ladder stands.
    ['a stop turned here', atStop(HERE, (stop) => ({ ...stop, shootingBearingDeg: 7 })), { ...ofStop, days: 2, askedOfLight: 1 }],
    ['a stop turned there', atStop(THERE, (stop) => ({ ...stop, shootingBearingDeg: 7 })), { ...ofStop, days: 2, askedOfLight: 1 }],
    ['more cloud', changeWalk(WALK, (walk) => ({ ...walk, cloud: 1 })), { card: 1, focus: 1, log: 1, days: 2, askedOfLight: 8 }],
  ])('%s', (_, edit, woken) => {
    workspace$.next(edit(workspace$.value));
    jest.advanceTimersByTime(RESTED_MS);
    expect(counts).toEqual({ ...NOTHING, ...woken });
  });
});
