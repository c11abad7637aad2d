import 'fake-indexeddb/auto';
import { TestBed } from '@angular/core/testing';
import { frameFacts } from '@roam-dial/core/log';
import type { Walk } from '@roam-dial/core/walk';
import { type Observable, of } from 'rxjs';
import { Database, DATABASE_NAME } from '../../storage/rows/database';
import { Thumbnails } from '../../storage/thumbnails';
import { FrameClient } from '../../workers/frame/frame.client';
import type { FrameAnswer, FrameQuestion } from '../../workers/frame/frame-jobs';
import type { Step } from '../../workers/steps';
import { demoWorkspace } from '../../../testing/demo';
import { DaysStore } from '../light/days.store';
import { FramesReading, type FramesReadingState } from './frames-reading';
import { WorkspaceStore } from '../workspace/workspace.store';

const WORKSPACE = { ...demoWorkspace(), logs: [], frames: [] };
const WALK = WORKSPACE.walks[0] as Walk;
/** Tollard Stop's stay begins at 5:40; a camera an hour behind shows 4:4x. */
const FOUR = Date.parse(`${WALK.day}T04:41:00Z`);

/** Answers as the worker would: a frame a minute by its number, nothing that can be opened, and none of an empty file. */
class FakeClient {
  readonly asked: string[] = [];
  ask({ kind, file }: FrameQuestion): Observable<Step<never, FrameAnswer>> {
    this.asked.push(`${kind} ${file.name}`);
    if (kind !== 'facts') return of({ kind: 'done', answer: { kind: 'look', seen: null, problem: 'is broken' } });
    if (file.name === 'dies.jpg') return of({ kind: 'failed', message: 'It took too long.' });
    if (file.size === 0) return of({ kind: 'done', answer: { kind, facts: null, thumb: null, problem: 'is empty: 0 bytes' } });
    const facts = { ...frameFacts({ Model: 'One' }), wallMs: FOUR + Number(file.name.slice(1, 3)) * 60_000 };
    return of({ kind: 'done', answer: { kind, facts, thumb: new Blob(['x']), problem: '' } });
  }
}

const file = (name: string, bytes = 10): File => new File([new Uint8Array(bytes)], name);
const files = (count: number): File[] => Array.from({ length: count }, (_, k) => file(`f${String(k).padStart(2, '0')}.jpg`));

describe('reading frames', () => {
  let database = 0;
  let client: FakeClient;
  let reading: FramesReading;
  let store: WorkspaceStore;
  let said: FramesReadingState[];
  beforeEach(async () => {
    client = new FakeClient();
    TestBed.configureTestingModule({
      providers: [
        { provide: DATABASE_NAME, useValue: `frames-${database++}` },
        { provide: FrameClient, useValue: client },
        { provide: DaysStore, useValue: { days$: of(new Map()) } },
      ],
    });
    store = TestBed.inject(WorkspaceStore);
    await store.open();
    await store.seed(WORKSPACE);
    reading = TestBed.inject(FramesReading);
    said = [];
    reading.state$.subscribe((state) => said.push(state));
  });
  afterEach(() => TestBed.inject(Database).close());

  it('puts in what files say, with the walk as it was planned, and the clock that suits them', async () => {
    await reading.read(WALK, files(10));
    const { frames, logs } = await store.snapshot();
    expect(frames.map(({ source, bodyName }) => [source.kind === 'file' ? source.name : '', bodyName])).toEqual(
      files(10).map(({ name }) => [name, 'One']),
    );
    const [log] = logs;
    expect([log?.walkId, log?.stays.length, log?.day]).toEqual([WALK.id, 8, WALK.day]);
    expect(log?.stays.every(({ cards }) => cards.length === 3)).toBe(true);
    expect(log?.cameras).toEqual([{ name: 'One', bodyId: null, shiftS: 3600, shiftBy: 'frames' }]);
    expect(said.at(-1)).toMatchObject({ doing: 'idle', read: 10, known: 0 });
    // All of what is read at once is one step back; what was planned stays.
    store.undo();
    expect((await store.snapshot()).frames).toEqual([]);
  });

  it('does not rewrite what was planned when the walk is another one later, and knows its files again', async () => {
    await reading.read(WALK, files(2));
    const [before] = (await store.snapshot()).logs;
    await reading.read({ ...WALK, stops: [] }, files(3));
    const { logs, frames } = await store.snapshot();
    expect([logs.length, logs[0]?.stays, frames.length]).toEqual([1, before?.stays, 3]);
    expect(said.at(-1)).toMatchObject({ read: 1, known: 2 });
  });

  it('says of each file what is wrong with it, and goes on', async () => {
    await reading.read(WALK, [file('f01.jpg'), file('nothing.jpg', 0), file('dies.jpg'), file('f02.jpg')]);
    expect((await store.snapshot()).frames).toHaveLength(2);
    expect(said.at(-1)?.problems).toEqual([
      'nothing.jpg is empty: 0 bytes.',
      'dies.jpg could not be read: It took too long.',
      'f01.jpg is broken: its camera data is kept.',
      'f02.jpg is broken: its camera data is kept.',
    ]);
  });

  it('keeps what is read when there is no room for small pictures, and says so once', async () => {
    jest.spyOn(TestBed.inject(Thumbnails), 'put').mockRejectedValue(new DOMException('full', 'QuotaExceededError'));
    await reading.read(WALK, files(3));
    expect((await store.snapshot()).frames).toHaveLength(3);
    expect(said.at(-1)?.problems.filter((one) => one.includes('storage is full'))).toHaveLength(1);
  });

  it('stops where it is told to, and what is in stays', async () => {
    const stopping = reading.state$.subscribe(({ read }) => {
      if (read === 4) reading.stop();
    });
    await reading.read(WALK, files(9));
    stopping.unsubscribe();
    expect((await store.snapshot()).frames).toHaveLength(4);
    expect(client.asked.some((one) => one.startsWith('look'))).toBe(false);
    expect(said.at(-1)?.doing).toBe('idle');
  });
});
