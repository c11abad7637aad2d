import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import type { StopDay } from '@roam-dial/core/stop';
import { BehaviorSubject, firstValueFrom, filter, Observable, of, Subject } from 'rxjs';
import { demoWorkspace, plainDay } from '../../../testing/demo';
import { KeptDays } from '../../storage/kept-days';
import type { Workspace } from '../../storage/workspace';
import { LightClient } from '../../workers/light/light.client';
import type { LightQuestion } from '../../workers/light/light-jobs';
import type { Step } from '../../workers/steps';
import { DaysStore } from './days.store';
import { changeStop } from '../walk/stop.edits';
import { type Focus, FocusStore } from '../selection/focus.store';
import { WorkspaceStore } from '../workspace/workspace.store';

const WORKSPACE = demoWorkspace();
const focusAt = (workspace: Workspace, stopIndex: number): Focus => {
  const walk = workspace.walks[0] ?? null;
  return { walk, stop: walk?.stops[stopIndex] ?? null, stopIndex, minuteOfDay: 600 };
};

interface Asked {
  readonly question: LightQuestion;
  readonly worker: number;
  readonly steps: Subject<Step<unknown, unknown>>;
  isOver: boolean;
}

/** Two light workers that are answered by hand. */
class FakeLight {
  readonly asked: Asked[] = [];
  readonly days = [0, 1].map((worker) => ({
    ask: (question: LightQuestion) =>
      new Observable((observer) => {
        const one: Asked = { question, worker, steps: new Subject(), isOver: false };
        this.asked.push(one);
        const subscription = one.steps.subscribe(observer);
        return () => {
          one.isOver = true;
          subscription.unsubscribe();
        };
      }),
  }));

  running(): Asked[] {
    return this.asked.filter(({ isOver }) => !isOver);
  }

  answer(one = this.running()[0]): void {
    one?.steps.next({ kind: 'done', answer: plainDay() });
    one?.steps.complete();
  }
}

const bearing = ({ question }: Asked): number | false => question.kind === 'day' && question.input.site.shootingBearingDeg;

function setUp(stopIndex: number, keptAlready: ReadonlyMap<string, StopDay> = new Map()) {
  const light = new FakeLight();
  const kept = { read: () => of(keptAlready), keep: jest.fn() };
  const workspace$ = new BehaviorSubject(WORKSPACE);
  const focus$ = new BehaviorSubject(focusAt(WORKSPACE, stopIndex));
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: LightClient, useValue: light },
      { provide: KeptDays, useValue: kept },
      { provide: WorkspaceStore, useValue: { workspace$ } },
      { provide: FocusStore, useValue: { focus$ } },
    ],
  });
  const store = TestBed.inject(DaysStore);
  store.days$.subscribe();
  return { light, store, kept, workspace$, focus$ };
}

describe('the days of a walk', () => {
  afterEach(() => TestBed.resetTestingModule());

  it('are asked for two at a time, the selected stop first', async () => {
    const { light, store } = setUp(4);
    expect(light.running().map(bearing)).toEqual([48, 160]);
    light.answer();
    expect(light.asked.map(bearing)).toEqual([48, 160, WORKSPACE.walks[0]?.stops[1]?.shootingBearingDeg]);
    const days = await firstValueFrom(store.days$.pipe(filter((found) => found.has('orrel'))));
    expect(days.get('orrel')?.keyEv100).toHaveLength(1440);
    // Nothing is said of a stop that is not measured yet.
    expect(days.has('weir')).toBe(false);
  });

  it('let what runs go on when another stop is chosen, which comes next', () => {
    const { light, focus$ } = setUp(0);
    focus$.next(focusAt(WORKSPACE, 5));
    expect(light.asked).toHaveLength(2);
    light.answer();
    expect(bearing(light.asked[2] as Asked)).toBe(252);
  });

  it('drop what runs when it is about a stop that has changed, and ask anew, of the worker that knows its walls', () => {
    const { light, workspace$, focus$ } = setUp(4);
    const turned = changeStop('demo-walk', 'orrel', (stop) => ({ ...stop, shootingBearingDeg: 50 }))(WORKSPACE);
    focus$.next(focusAt(turned, 4));
    workspace$.next(turned);
    expect(light.asked[0]?.isOver).toBe(true);
    const again = light.running().find((one) => bearing(one) === 50);
    expect(again?.worker).toBe(light.asked[0]?.worker);
  });

  it('stop when they are told to, and go on', async () => {
    const { light, store } = setUp(4);
    light.asked[0]?.steps.next({ kind: 'progress', progress: { doing: 'measuring', share: 0.4 } });
    expect(await firstValueFrom(store.progress$)).toMatchObject({ stopName: 'Orrel Steps', share: 0.4, left: 8 });
    store.stop();
    expect(light.running()).toEqual([]);
    expect(await firstValueFrom(store.progress$)).toBeNull();
    expect(await firstValueFrom(store.isStopped$)).toBe(true);
    store.goOn();
    expect(light.running().map(bearing)).toEqual([48, 160]);
  });

  it('are not asked for again when only the stay is moved', () => {
    const { light, workspace$, focus$ } = setUp(4);
    for (let stop = 0; stop < 8; stop++) light.answer();
    expect(light.asked).toHaveLength(8);
    const moved = changeStop('demo-walk', 'orrel', (stop) => ({ ...stop, arriveMin: 900, notes: 'later' }))(WORKSPACE);
    workspace$.next(moved);
    focus$.next(focusAt(moved, 4));
    expect(light.asked).toHaveLength(8);
  });

  it('are taken as they were kept, and put by when nothing moves any more', async () => {
    jest.useFakeTimers();
    const first = setUp(4);
    for (let stop = 0; stop < 8; stop++) first.light.answer();
    expect(first.kept.keep).not.toHaveBeenCalled();
    jest.advanceTimersByTime(1500);
    jest.useRealTimers();
    const put = first.kept.keep.mock.calls[0]?.[0] as readonly { key: string; day: StopDay }[];
    expect(put).toHaveLength(8);
    TestBed.resetTestingModule();
    const again = setUp(4, new Map(put.slice(0, 7).map(({ key, day }) => [key, day])));
    expect(again.light.asked).toHaveLength(1);
    expect((await firstValueFrom(again.store.days$)).size).toBe(7);
  });
});
