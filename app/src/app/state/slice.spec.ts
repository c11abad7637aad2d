import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { BehaviorSubject, map, of } from 'rxjs';
import { demoWorkspace } from '../../testing/demo';
import type { Workspace } from '../data/workspace';
import { CardStore } from './card.store';
import { DaysStore } from './days.store';
import { FocusStore } from './focus.store';
import { LogStore } from './log.store';
import { WorkspaceStore } from './workspace.store';

const DEMO = demoWorkspace();

describe('what an edit wakes', () => {
  const workspace$ = new BehaviorSubject<Workspace>(DEMO);
  const counts = { card: 0, focus: 0, log: 0 };
  beforeAll(() => {
    TestBed.configureTestingModule({
      providers: [
        provideRouter([]),
        { provide: WorkspaceStore, useValue: { workspace$, settings$: workspace$.pipe(map(({ settings }) => settings)) } },
        { provide: DaysStore, useValue: { days$: of(new Map()) } },
      ],
    });
    TestBed.inject(CardStore).card$.subscribe(() => counts.card++);
    TestBed.inject(FocusStore).focus$.subscribe(() => counts.focus++);
    TestBed.inject(LogStore).log$.subscribe(() => counts.log++);
  });
  beforeEach(() => Object.assign(counts, { card: 0, focus: 0, log: 0 }));

  it('is the log alone for a verdict', () => {
    const [first, ...rest] = DEMO.frames;
    if (first === undefined) throw new Error('no frames');
    workspace$.next({ ...workspace$.value, frames: [{ ...first, verdict: 'noise' }, ...rest] });
    expect(counts).toEqual({ card: 0, focus: 0, log: 1 });
  });
  it('is no card for the night theme, and a card for a change of the walk', () => {
    workspace$.next({ ...workspace$.value, settings: { ...DEMO.settings, theme: 'night' } });
    expect(counts).toEqual({ card: 0, focus: 0, log: 0 });
    workspace$.next({ ...workspace$.value, walks: DEMO.walks.map((walk) => ({ ...walk, cloud: 1 })) });
    expect([counts.card, counts.focus]).toEqual([1, 1]);
  });
});
