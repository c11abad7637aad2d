import { TestBed } from '@angular/core/testing';
import { provideRouter, Router } from '@angular/router';
import { DEFAULT_SETTINGS } from '@roam-dial/core/formats/archive';
import { BehaviorSubject, firstValueFrom, Subject } from 'rxjs';
import { demoWorkspace } from '../../../testing/demo';
import { type DevicePosition, DevicePositionStore } from '../device/device-position';
import { WordingStore } from '../workspace/wording.store';
import { WorkspaceStore } from '../workspace/workspace.store';
import { CardFocus } from './card-focus';
import { type Focus, FocusStore } from './focus.store';
import { HandleFollowsStay } from './handle-follows-stay';
import { LastWalk } from './last-walk';
import { OpenSections } from './open-sections';
import { SelectionStore } from './selection.store';
import { TimeViewStore } from './time-view';

const DEMO = demoWorkspace();
const [WALK] = DEMO.walks;
const [STOP] = WALK?.stops ?? [];
if (WALK === undefined || STOP === undefined) throw new Error('no demo');
const focusAt = (minuteOfDay: number, arriveMin = STOP.arriveMin): Focus => ({
  walk: WALK,
  stop: { ...STOP, arriveMin, leaveMin: arriveMin + 30 },
  stopIndex: 0,
  minuteOfDay,
});

afterEach(() => {
  TestBed.resetTestingModule();
  localStorage.clear();
  jest.restoreAllMocks();
});

describe('what this browser remembers of its person', () => {
  it('is which sections were open, known ones alone, and the first where nothing can be read', () => {
    const sections = TestBed.inject(OpenSections);
    expect([...sections.open()]).toEqual(['picture']);
    sections.toggle('zone', true);
    sections.toggle('picture', false);
    TestBed.resetTestingModule();
    expect([...TestBed.inject(OpenSections).open()]).toEqual(['zone']);
    localStorage.setItem('roam-dial.open-sections', '["zone","cellar"]');
    TestBed.resetTestingModule();
    expect([...TestBed.inject(OpenSections).open()]).toEqual(['zone']);
    localStorage.setItem('roam-dial.open-sections', '{');
    TestBed.resetTestingModule();
    expect([...TestBed.inject(OpenSections).open()]).toEqual(['picture']);
  });

  it('is the walk looked at last; a full disk forgets it with the page', () => {
    TestBed.inject(LastWalk).remember('a');
    TestBed.resetTestingModule();
    expect(TestBed.inject(LastWalk).id).toBe('a');
    jest.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError');
    });
    TestBed.inject(LastWalk).remember('b');
    expect(TestBed.inject(LastWalk).id).toBe('b');
    TestBed.resetTestingModule();
    expect(TestBed.inject(LastWalk).id).toBe('a');
  });
});

describe('what several parts of the screen share', () => {
  it('is the number that a field points at', async () => {
    const focus = TestBed.inject(CardFocus);
    focus.pointAt('iso');
    expect(await firstValueFrom(focus.pointedAt$)).toBe('iso');
  });

  it('is how close the time axis is drawn: the light of the day, or no more than the stays', async () => {
    TestBed.configureTestingModule({
      providers: [{ provide: FocusStore, useValue: { focus$: new BehaviorSubject(focusAt(600)) } }],
    });
    const view = TestBed.inject(TimeViewStore);
    const { light } = await firstValueFrom(view.view$);
    expect(light?.toMin).toBeGreaterThan(light?.fromMin ?? 1440);
    view.toggle();
    expect(await firstValueFrom(view.view$)).toEqual({ isClose: true, light: null });
  });

  it('is how the person writes values, the same one until that changes', () => {
    const settings$ = new BehaviorSubject(DEFAULT_SETTINGS);
    TestBed.configureTestingModule({ providers: [{ provide: WorkspaceStore, useValue: { settings$ } }] });
    const heard: string[] = [];
    TestBed.inject(WordingStore).wording$.subscribe((wording) => heard.push(wording.distance(3)));
    settings$.next({ ...DEFAULT_SETTINGS, theme: 'night' });
    settings$.next({ ...DEFAULT_SETTINGS, lengthUnit: 'feet' });
    expect(heard).toEqual(['3 m', '9\'10"']);
  });
});

describe('the time handle', () => {
  const begun = (room: string) => {
    const focus$ = new Subject<Focus>();
    const moved: number[] = [];
    TestBed.configureTestingModule({
      providers: [
        { provide: FocusStore, useValue: { focus$ } },
        {
          provide: SelectionStore,
          useValue: { room$: new BehaviorSubject(room), setMinute: (minute: number) => moved.push(minute) },
        },
      ],
    });
    TestBed.inject(HandleFollowsStay).begin();
    return { focus$, moved };
  };

  it('goes along with a stay that is moved, and nowhere on the walk, where its clock leads', () => {
    const { focus$, moved } = begun('walk');
    focus$.next(focusAt(610, 600));
    focus$.next(focusAt(610, 700));
    expect(moved).toEqual([710]);
    TestBed.resetTestingModule();
    const now = begun('now');
    now.focus$.next(focusAt(610, 600));
    now.focus$.next(focusAt(610, 700));
    expect(now.moved).toEqual([]);
  });
});

describe('the address', () => {
  it('says walk, stop and time; a minute that is moved shows at once and is written when it rests', async () => {
    jest.useFakeTimers();
    TestBed.configureTestingModule({ providers: [provideRouter([{ path: '**', children: [] }])] });
    const router = TestBed.inject(Router);
    const selection = TestBed.inject(SelectionStore);
    await router.navigateByUrl('/walk?walk=w&stop=s&t=15:10');
    expect(await firstValueFrom(selection.selection$)).toEqual({ walkId: 'w', stopId: 's', minuteOfDay: 910 });
    selection.setMinute(925);
    expect((await firstValueFrom(selection.selection$)).minuteOfDay).toBe(925);
    expect(router.url).toContain('t=15:10');
    await jest.advanceTimersByTimeAsync(300);
    expect(router.url).toContain('t=15:25');
    jest.useRealTimers();
  });
});

describe('where the device is', () => {
  it('is asked for only when wanted, and a refusal is said in the device’s words', () => {
    const watch = { known: (_: unknown): void => undefined, refused: (_: unknown): void => undefined };
    const clearWatch = jest.fn();
    const watchPosition = jest.fn((known: (at: unknown) => void, refused: (error: unknown) => void) => {
      Object.assign(watch, { known, refused });
      return 7;
    });
    Object.defineProperty(navigator, 'geolocation', { configurable: true, value: { watchPosition, clearWatch } });
    const store = TestBed.inject(DevicePositionStore);
    const heard: DevicePosition['kind'][] = [];
    const listening = store.position$.subscribe(({ kind }) => heard.push(kind));
    expect(watchPosition).not.toHaveBeenCalled();
    store.turn(true);
    watch.known({ coords: { latitude: 46, longitude: 7, accuracy: 12 } });
    watch.refused({ message: 'denied' });
    store.turn(false);
    expect([heard, clearWatch.mock.calls]).toEqual([['off', 'looking', 'known', 'refused', 'off'], [[7]]]);
    listening.unsubscribe();
  });
});
