import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { BehaviorSubject, firstValueFrom, filter, Observable, Subject } from 'rxjs';
import { demoWorkspace, plainDay } from '../../testing/demo';
import type { Workspace } from '../data/workspace';
import { LightClient } from '../workers/light.client';
import type { LightQuestion } from '../workers/measured-light';
import type { Step } from '../workers/steps';
import { DaysStore } from './days.store';
import { changeStop } from './edits';
import { type Focus, FocusStore } from './focus.store';
import { WorkspaceStore } from './workspace.store';

const WORKSPACE = demoWorkspace();
const focusAt = (workspace: Workspace, stopIndex: number): Focus => {
  const walk = workspace.walks[0] ?? null;
  return { walk, stop: walk?.stops[stopIndex] ?? null, stopIndex, minuteOfDay: 600 };
};

/** A light worker that is answered by hand, one question at a time. */
class FakeLight {
  readonly asked: { question: LightQuestion; steps: Subject<Step<unknown, unknown>>; isAnswered: boolean; isDropped: boolean }[] =
    [];
  readonly days = {
    refOf: () => ({ kind: 'none' }),
    ask: (question: LightQuestion) =>
      new Observable((observer) => {
        const one = { question, steps: new Subject<Step<unknown, unknown>>(), isAnswered: false, isDropped: false };
        this.asked.push(one);
        const subscription = one.steps.subscribe(observer);
        return () => {
          one.isDropped = !one.isAnswered;
          subscription.unsubscribe();
        };
      }),
  };
  answer(): void {
    const last = this.asked.at(-1);
    if (last !== undefined) last.isAnswered = true;
    last?.steps.next({ kind: 'done', answer: plainDay() });
    last?.steps.complete();
  }
}

function setUp(stopIndex: number) {
  const light = new FakeLight();
  const workspace$ = new BehaviorSubject(WORKSPACE);
  const focus$ = new BehaviorSubject(focusAt(WORKSPACE, stopIndex));
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      { provide: LightClient, useValue: light },
      { provide: WorkspaceStore, useValue: { workspace$ } },
      { provide: FocusStore, useValue: { focus$ } },
    ],
  });
  const store = TestBed.inject(DaysStore);
  const subscription = store.days$.subscribe();
  const asks = (k: number): unknown => {
    const question = light.asked[k]?.question;
    return question?.kind === 'day' && question.input.site.shootingBearingDeg;
  };
  return { light, store, workspace$, focus$, subscription, asks };
}

describe('the days of a walk', () => {
  afterEach(() => TestBed.resetTestingModule());

  it('are asked for one at a time, the selected stop first', async () => {
    const { light, store, asks } = setUp(4);
    expect([light.asked.length, asks(0)]).toEqual([1, 48]);
    light.answer();
    expect([light.asked.length, asks(1)]).toEqual([2, 160]);
    const days = await firstValueFrom(store.days$.pipe(filter((found) => found.get('orrel') !== null)));
    expect(days.get('orrel')?.keyEv100).toHaveLength(1440);
    expect(store.isFresh('orrel')).toBe(true);
    expect(days.get('weir')).toBeNull();
  });

  it('let a stop that is chosen meanwhile go on with what runs, and come next', () => {
    const { light, focus$, asks } = setUp(0);
    expect(asks(0)).toBe(160);
    focus$.next(focusAt(WORKSPACE, 5));
    expect(light.asked).toHaveLength(1);
    light.answer();
    expect(asks(1)).toBe(252);
  });

  it('drop what runs when it is about a stop that has changed, and ask anew', () => {
    const { light, workspace$, focus$, asks } = setUp(4);
    const turned = changeStop('demo-walk', 'orrel', (stop) => ({ ...stop, shootingBearingDeg: 50 }))(WORKSPACE);
    focus$.next(focusAt(turned, 4));
    workspace$.next(turned);
    expect(light.asked[0]?.isDropped).toBe(true);
    expect(asks(light.asked.length - 1)).toBe(50);
  });

  it('stop when they are told to, and go on', async () => {
    const { light, store } = setUp(4);
    light.asked[0]?.steps.next({ kind: 'progress', progress: { doing: 'measuring', share: 0.4 } });
    expect(await firstValueFrom(store.progress$)).toMatchObject({ stopName: 'Orrel Steps', share: 0.4, left: 8 });
    store.stop();
    expect([light.asked[0]?.isDropped, await firstValueFrom(store.progress$), await firstValueFrom(store.isStopped$)]).toEqual([
      true,
      null,
      true,
    ]);
    store.goOn();
    expect(light.asked).toHaveLength(2);
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
});
