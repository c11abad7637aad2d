import { TestBed } from '@angular/core/testing';
import { METER_PATTERNS } from '@roam-dial/core/kit';
import { BehaviorSubject, delay, of } from 'rxjs';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import type { SightDrawn } from '../../workers/sight/sight-jobs';
import { SightClient, type SightWanted } from '../../workers/sight/sight.client';
import { DaysStore } from '../light/days.store';
import { type Focus, FocusStore } from '../selection/focus.store';
import { SelectionStore } from '../selection/selection.store';
import { WorkspaceStore } from '../workspace/workspace.store';
import { type Card, CardStore, type NoCard } from './card.store';

const DEMO = demoWorkspace();
const [walk] = DEMO.walks;
const ORREL = walk?.stops.find(({ id }) => id === 'orrel');
/** A frame whose patterns read a stop over its key. */
const seenAt = (keyEv: number): SightDrawn =>
  ({
    metered: {
      patterns: METER_PATTERNS.map((pattern) => ({ pattern, readEv: keyEv + 1, keyShare: null })),
      key: { readEv: keyEv, exposureEv: keyEv, share: 0.1 },
      histogram: new Uint32Array(52 * 32),
      tones: [],
    },
  }) as unknown as SightDrawn;

describe('a card and the frame that it is metered on', () => {
  const cards: (Card | NoCard)[] = [];
  let minute = 900;
  const selection$ = new BehaviorSubject(0);
  let answer: (wanted: SightWanted) => SightDrawn | null = () => seenAt(12);
  const last = (): Card => cards.at(-1) as Card;
  const go = (to: number): void => {
    minute = to;
    selection$.next(to);
  };

  beforeAll(() => {
    jest.useFakeTimers();
    if (walk === undefined || ORREL === undefined) throw new Error('no demo');
    const on = (): Focus => ({ walk, stop: ORREL, stopIndex: walk.stops.indexOf(ORREL), minuteOfDay: minute });
    TestBed.configureTestingModule({
      providers: [
        { provide: WorkspaceStore, useValue: { workspace$: of(DEMO) } },
        { provide: SelectionStore, useValue: { selection$ } },
        { provide: FocusStore, useValue: { focus$: of(on()), on } },
        { provide: DaysStore, useValue: { days$: of(new Map([['orrel', demoDay(DEMO, 'orrel')]])) } },
        { provide: SightClient, useValue: { small: (wanted: SightWanted) => of(answer(wanted)).pipe(delay(20)) } },
      ],
    });
    TestBed.inject(CardStore).card$.subscribe((card) => cards.push(card));
  });
  afterAll(() => jest.useRealTimers());

  it('comes at once, without a compensation until the frame is seen', () => {
    expect(last()).toMatchObject({ kind: 'card', isFrameAwaited: true, seen: null });
    jest.advanceTimersByTime(100);
    expect(last()).toMatchObject({ isFrameAwaited: false });
    // The body's pattern reads a stop over what the picture is about.
    expect(last().result.setUp.meter).toMatchObject({ compensationEv: 1, isKeyInFrame: true });
  });
  it('keeps the last frame while the time is dragged, and takes the new one when it rests', () => {
    const before = cards.length;
    answer = () => seenAt(13);
    for (let k = 1; k <= 5; k++) {
      go(900 + k);
      jest.advanceTimersByTime(16);
      expect(last()).toMatchObject({ isFrameAwaited: false, minuteOfDay: 900 + k });
    }
    expect(cards.length).toBe(before + 5);
    jest.advanceTimersByTime(100);
    expect(cards.length).toBe(before + 6);
    expect(last().seen).toMatchObject({ metered: { key: { readEv: 13 } } });
  });
  it('is that of the light alone where the frame cannot be drawn; says that nothing of the key is in it', () => {
    answer = () => null;
    go(950);
    jest.advanceTimersByTime(100);
    expect(last()).toMatchObject({ isFrameAwaited: false, seen: null });
    answer = () => ({ ...seenAt(12), metered: { ...seenAt(12).metered, key: null } });
    go(951);
    jest.advanceTimersByTime(100);
    expect(last().result.setUp.meter.isKeyInFrame).toBe(false);
  });
  it('what was seen once is there at once', () => {
    const before = cards.length;
    go(905);
    expect(cards.length).toBe(before + 1);
    expect(last()).toMatchObject({ isFrameAwaited: false, seen: { metered: { key: { readEv: 13 } } } });
  });
});
