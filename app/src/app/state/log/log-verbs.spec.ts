import { TestBed } from '@angular/core/testing';
import { provideRouter } from '@angular/router';
import { writeFramesCsv } from '@roam-dial/core/formats/logFiles';
import { type LogFrame, placedFrames, type WalkLog } from '@roam-dial/core/log';
import { BehaviorSubject, firstValueFrom, map, of } from 'rxjs';
import { demoDay, demoWorkspace } from '../../../testing/demo';
import { VERDICT_WORDS } from '../../words/log';
import { Thumbnails } from '../../storage/thumbnails';
import type { Workspace } from '../../storage/workspace';
import { FrameQuestions } from '../../reading/frame-questions';
import { AppActions } from '../app/app.actions';
import { ThumbnailCleanup } from '../app/thumbnail-cleanup';
import { CardStore } from '../card/card.store';
import { DaysStore } from '../light/days.store';
import { focusOn, FocusStore } from '../selection/focus.store';
import { SelectionStore } from '../selection/selection.store';
import { FilmActions } from '../outing/film.actions';
import { OutingStore } from '../outing/outing.store';
import { PlacePictures } from '../pictures/place-pictures';
import { PictureActions } from '../pictures/actions';
import { WorkspaceStore } from '../workspace/workspace.store';
import type { WorkspaceChange } from '../workspace/lists';
import { FrameFileActions } from './frame-file.actions';
import { LogActions } from './log.actions';
import { LogOfWalk } from './log-of-walk';
import { LogStore } from './log.store';

const DEMO = demoWorkspace();
const WALK = DEMO.walks[0] as Workspace['walks'][number];
const LOG = DEMO.logs.find(({ walkId }) => walkId === WALK.id) as WalkLog;
const [FIRST, SECOND] = DEMO.frames.filter(({ logId }) => logId === LOG.id) as [LogFrame, LogFrame];

/** A workspace that edits are applied to as the store does, without a disk; what undo would say of each. */
function opened(workspace: Workspace = DEMO) {
  const workspace$ = new BehaviorSubject(workspace);
  const labels: string[] = [];
  const told: string[] = [];
  const chosen: unknown[] = [];
  const apply = (change: WorkspaceChange): void => workspace$.next(change(workspace$.value));
  const walk = workspace.walks[0];
  const stop = walk?.stops[1];
  TestBed.configureTestingModule({
    providers: [
      provideRouter([]),
      {
        provide: WorkspaceStore,
        useValue: {
          workspace$,
          settings$: workspace$.pipe(map(({ settings }) => settings)),
          aside$: of([]),
          snapshot: () => Promise.resolve(workspace$.value),
          record: apply,
          edit: ({ label }: { label: string }, change: WorkspaceChange) => (labels.push(label), apply(change)),
          announce: (words: string) => told.push(words),
        },
      },
      {
        provide: FocusStore,
        useValue: {
          focus$: workspace$.pipe(
            map((now) => focusOn(now, { walkId: walk?.id ?? null, stopId: stop?.id ?? null, minuteOfDay: null })),
          ),
        },
      },
      {
        provide: DaysStore,
        useValue: { days$: of(new Map((walk?.stops ?? []).map(({ id }) => [id, demoDay(workspace, id)]))) },
      },
      {
        provide: SelectionStore,
        useValue: {
          selectWalk: (id: string) => chosen.push(id),
          selectStop: (...which: unknown[]) => chosen.push(which),
          setMinute: (minute: number) => chosen.push(minute),
        },
      },
      { provide: CardStore, useValue: { card$: of({ kind: 'none', reason: 'noWalk' }) } },
    ],
  });
  return { now: () => workspace$.value, labels, told, chosen };
}
afterEach(() => TestBed.resetTestingModule());

const frameIn = ({ frames }: Workspace, id: string): LogFrame | undefined => frames.find((frame) => frame.id === id);

describe('what a person does with frames', () => {
  it('is a step of undo each: judged, moved, put back, removed', () => {
    const { now, labels } = opened();
    const actions = TestBed.inject(LogActions);
    actions.judge([FIRST.id, SECOND.id], 'good');
    expect([FIRST, SECOND].map(({ id }) => frameIn(now(), id)?.verdict)).toEqual(['good', 'good']);
    actions.move([FIRST.id], null, 'between the stops');
    expect(frameIn(now(), FIRST.id)?.placedByHand).toEqual({ stopId: null });
    actions.letBelong([FIRST.id]);
    expect(frameIn(now(), FIRST.id)?.placedByHand).toBeNull();
    actions.remove([FIRST.id]);
    expect(frameIn(now(), FIRST.id)).toBeUndefined();
    expect(labels).toEqual([
      'mark 2 frames as good',
      'move 1 frame to between the stops',
      'put 1 frame back where they were matched',
      'remove 1 frame',
    ]);
  });

  it('goes to the log of another walk, begun for them, with a clock that is known', async () => {
    const other = { ...WALK, id: 'other', name: 'Another walk', isDemo: false };
    const { now, chosen } = opened({ ...DEMO, walks: [other, WALK] });
    await TestBed.inject(LogActions).moveToWalk(
      { walk: other, frameIds: [FIRST.id], isClockKnown: true, inStays: 1, of: 1 },
      LOG,
      'Another walk',
    );
    const begun = now().logs.find(({ walkId }) => walkId === 'other');
    expect(frameIn(now(), FIRST.id)?.logId).toBe(begun?.id);
    const itsCamera = begun?.cameras.find(({ name }) => name === FIRST.bodyName);
    expect(itsCamera?.shiftS).toBe(LOG.cameras.find(({ name }) => name === FIRST.bodyName)?.shiftS);
    expect(chosen).toEqual(['other']);
  });

  it('come as a table that changes nothing where nothing in it was changed; what is no table is refused in words', async () => {
    const { now, labels } = opened();
    const files = TestBed.inject(FrameFileActions);
    const own = DEMO.frames.filter(({ logId }) => logId === LOG.id);
    const table = writeFramesCsv({ log: LOG, placed: placedFrames(LOG, own), hasPlaces: true, words: VERDICT_WORDS });
    const read = (text: string): Promise<string> => files.readTable(LOG, new File([text], 'frames.csv'));
    expect(await read(table)).toBe(`${own.length} lines read, 0 frames changed.`);
    expect(await read('a,b\n1,2\n')).not.toContain('read,');
    expect(await files.readTrack(LOG, new File(['<gpx'], 'way.gpx'))).not.toContain('placed by the track');
    expect([now(), labels]).toEqual([DEMO, []]);
  });
});

describe('the log of a walk', () => {
  it('is one a day: begun once, nobody’s doing, and found again', async () => {
    const other = { ...WALK, id: 'other' };
    const { now, labels } = opened({ ...DEMO, walks: [other, WALK] });
    const logs = TestBed.inject(LogOfWalk);
    const begun = await logs.of(other);
    expect((await logs.of(other)).id).toBe(begun.id);
    expect([now().logs.filter(({ walkId }) => walkId === 'other').length, labels]).toEqual([1, []]);
    expect(begun.stays.map(({ stopId }) => stopId)).toEqual(other.stops.map(({ id }) => id));
    expect(begun.stays.map(({ cards }) => cards.length)).toContain(3);
    expect((await firstValueFrom(TestBed.inject(LogStore).log$))?.walk.id).toBe('other');
  });
});

describe('a roll of film', () => {
  it('is loaded into the log, written down frame by frame, and changed with its frames', async () => {
    const { now, labels } = opened();
    TestBed.overrideProvider(OutingStore, { useValue: { running$: of(null) } });
    const actions = TestBed.inject(FilmActions);
    const body = DEMO.kit.find(({ id }) => id === 'demo-film-body');
    const film = DEMO.kit.find(({ kind }) => kind === 'film');
    if (body?.kind !== 'body' || film?.kind !== 'film') throw new Error('no film');
    await actions.load(WALK, body, film);
    const log = now().logs.find(({ rolls }) => rolls.some(({ bodyId }) => bodyId === body.id));
    const roll = log?.rolls.find(({ bodyId }) => bodyId === body.id);
    if (log === undefined || roll === undefined) throw new Error('no roll');
    const ids = [await actions.write(log, roll, WALK.stops[0]?.id ?? null), await actions.write(log, roll, null)];
    expect(ids.map((id) => frameIn(now(), id)?.source)).toMatchObject([
      { kind: 'roll', rollId: roll.id, number: 1 },
      { kind: 'roll', rollId: roll.id, number: 2 },
    ]);
    actions.changeRoll(log, roll, 'the exposure index', { exposureIndex: 800 });
    expect(ids.map((id) => frameIn(now(), id)?.iso)).toEqual([800, 800]);
    // Nobody walks: there is no frame of now.
    await actions.expose(WALK.stops[0] as never, body, roll, { fNumber: 8, shutterS: 1 / 125 } as never);
    expect(labels).toEqual([
      `load ${film.name}`,
      'frame 1 to the roll',
      'frame 2 to the roll',
      'change the exposure index of the roll',
    ]);
    expect(await actions.shiftScans(roll.id, 1)).toBe(true);
  });
});

describe('small pictures', () => {
  it('of a place are kept by its stop; a file that nothing opens leaves it without, and a full disk too', async () => {
    const put = jest.fn(() => Promise.reject(new DOMException('full', 'QuotaExceededError')));
    const smallPicture = jest.fn<Promise<Blob | null>, [File]>(() => Promise.resolve(null));
    opened();
    TestBed.overrideProvider(Thumbnails, { useValue: { put } });
    TestBed.overrideProvider(FrameQuestions, { useValue: { smallPicture } });
    const pictures = TestBed.inject(PlacePictures);
    await pictures.keep('s', new File([], 'a.jpg'));
    expect(put).not.toHaveBeenCalled();
    smallPicture.mockResolvedValue(new Blob(['x']));
    await pictures.keep('s', new File([], 'a.jpg'));
    expect(put).toHaveBeenCalledWith(expect.objectContaining({ id: 'places/s', logId: 'places' }));
  });

  it('make no stop where the file does not say where it was taken, and say so', async () => {
    const { now } = opened();
    expect(await TestBed.inject(PictureActions).addStop(new File(['x'], 'a.jpg'))).toEqual(expect.stringContaining('a.jpg'));
    expect(now().walks[0]?.stops).toHaveLength(WALK.stops.length);
  });

  it('are swept once, where no other page holds them, down to what the workspace has', async () => {
    const keepOnly = jest.fn((_: ReadonlySet<string>) => Promise.resolve());
    const request = jest.fn((_: string, options: { mode?: string }, then: (lock: unknown) => unknown) =>
      Promise.resolve(options.mode === 'shared' ? undefined : then({})),
    );
    Object.defineProperty(navigator, 'locks', { configurable: true, value: { request } });
    opened();
    TestBed.overrideProvider(Thumbnails, { useValue: { keepOnly } });
    await TestBed.inject(ThumbnailCleanup).begin();
    expect(keepOnly.mock.calls[0]?.[0].has(FIRST.id)).toBe(true);
    expect(request).toHaveBeenCalledTimes(2);
    Reflect.deleteProperty(navigator, 'locks');
  });
});

describe('steps along the walk', () => {
  it('go to the next stop and to none beyond the last, by minutes, and between the themes', async () => {
    const { chosen, now } = opened();
    const actions = TestBed.inject(AppActions);
    await actions.stepStop(1);
    await actions.stepMinutes(5);
    const [, second, third] = WALK.stops;
    expect(chosen).toEqual([[WALK.id, third?.id, third?.arriveMin], (second?.arriveMin ?? 0) + 5]);
    actions.toggleTheme();
    expect(now().settings.theme).toBe('night');
  });
});
