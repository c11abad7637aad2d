import type { StopDay, StopDayInput } from '@roam-dial/core';
import { firstValueFrom, lastValueFrom } from 'rxjs';
import { newStop } from '../data/defaults';
import { answersOf, LightClient } from './light.client';
import type { LightQuestion } from './light-desk';
import type { ToWorker } from './steps';

type Asked = ToWorker<LightQuestion>;

/** A worker that answers when the test says so. */
class FakeWorker {
  readonly asked: Asked[] = [];
  isTerminated = false;
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(question: Asked): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.isTerminated = true;
  }
  say(k: number, step: unknown): void {
    this.onmessage?.({ data: { id: this.asked[k]?.id, step } });
  }
}
const mockWorker = { current: new FakeWorker() };
jest.mock('./create-light-worker', () => ({ createLightWorker: () => mockWorker.current }));

const INPUT: Omit<StopDayInput, 'streets'> = {
  site: newStop('s', undefined),
  day: '2027-03-13',
  timeZone: 'Atlantic/Azores',
  latitude: 46.5,
  longitude: -20.7,
  cloud: 0,
  halfFieldDeg: 30,
};
const QUESTION = { kind: 'day', site: { kind: 'none' }, input: INPUT } as const;
const dayFrom = (client: LightClient, question: Extract<LightQuestion, { kind: 'day' }> = QUESTION): Promise<StopDay | null> =>
  lastValueFrom(answersOf(client.days.ask<'day'>(question)));

describe('light without a worker', () => {
  it('is worked out here instead', async () => {
    expect((await dayFrom(new LightClient()))?.keyEv100).toHaveLength(1440);
  });
  it('is null where the core refuses the input', async () => {
    expect(await dayFrom(new LightClient(), { ...QUESTION, input: { ...INPUT, timeZone: 'Town/Hall' } })).toBeNull();
  });
});

describe('light from a worker', () => {
  beforeEach(() => {
    mockWorker.current = new FakeWorker();
    (globalThis as { Worker?: unknown }).Worker = FakeWorker;
  });
  afterEach(() => {
    jest.useRealTimers();
    delete (globalThis as { Worker?: unknown }).Worker;
  });

  it('says how far it is, and ends with the answer', () => {
    const seen: unknown[] = [];
    let isOver = false;
    new LightClient().days
      .ask<'day'>(QUESTION)
      .subscribe({ next: (step) => seen.push(step.kind), complete: () => (isOver = true) });
    mockWorker.current.say(0, { kind: 'progress', progress: { doing: 'measuring', share: 0.5 } });
    mockWorker.current.say(0, { kind: 'done', answer: null });
    expect([seen, isOver]).toEqual([['progress', 'done'], true]);
  });

  it('is dropped in the worker too when nobody waits for it any more', () => {
    const asked = new LightClient().days.ask<'day'>(QUESTION).subscribe();
    asked.unsubscribe();
    expect(mockWorker.current.asked.at(-1)).toEqual({ id: mockWorker.current.asked[0]?.id, isDropped: true });
    mockWorker.current.say(0, { kind: 'done', answer: null });
  });

  it('goes on here when the worker falls silent, and when it breaks', async () => {
    jest.useFakeTimers();
    const client = new LightClient();
    const day = dayFrom(client);
    jest.advanceTimersByTime(20_001);
    jest.useRealTimers();
    expect((await day)?.keyEv100).toHaveLength(1440);
    expect(mockWorker.current.isTerminated).toBe(true);
    mockWorker.current = new FakeWorker();
    const other = dayFrom(new LightClient());
    mockWorker.current.onerror?.();
    expect((await other)?.keyEv100).toHaveLength(1440);
  });

  it('sends a district once, and a changed one again', () => {
    const client = new LightClient();
    const district = { id: 'd', name: '', origin: { latitude: 0, longitude: 0 }, buildings: [], trees: [], waters: [] };
    const keys = [client.days.keyOf(district), client.days.keyOf(district), client.days.keyOf({ ...district })];
    expect(keys[0]).toBe(keys[1]);
    expect(keys[2]).not.toBe(keys[0]);
    expect(mockWorker.current.asked).toHaveLength(2);
  });
});

describe('a walled stop', () => {
  it('is measured among the district that was told of, with its share as it goes', async () => {
    const client = new LightClient();
    const wall = {
      id: 'w',
      footprint: [
        [-50, 3],
        [50, 3],
        [50, 12],
        [-50, 12],
      ] as const,
      heightM: 20,
      heightSource: 'given',
    } as const;
    const key = client.days.keyOf({
      id: 'd',
      name: '',
      origin: { latitude: 46.5, longitude: -20.7 },
      buildings: [wall],
      trees: [],
      waters: [],
    });
    const question = { ...QUESTION, site: { kind: 'district', key, eastM: 0, northM: 0, groundM: 0 } } as const;
    expect((await firstValueFrom(client.days.ask<'day'>(question))).kind).toBe('progress');
    const day = await dayFrom(client, question);
    expect([day?.hasWalls, day === null ? 0 : day.skyShare < 0.6]).toEqual([true, true]);
  });
});
