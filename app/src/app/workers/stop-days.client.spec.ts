import type { StopDayInput } from '@roam-dial/core';
import { newStop } from '../data/defaults';
import { StopDaysClient } from './stop-days.client';
import type { Question } from './questions';
import type { Envelope } from './worker-client';

/** A worker that answers when the test says so. */
class FakeWorker {
  readonly asked: Envelope<Question>[] = [];
  isTerminated = false;
  onmessage: ((event: { data: { id: number; ok: boolean; answer: null } }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(question: Envelope<Question>): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.isTerminated = true;
  }
  answer(k: number): void {
    this.onmessage?.({ data: { id: this.asked[k]?.id ?? -1, ok: true, answer: null } });
  }
}
const mockWorker = { current: new FakeWorker() };
jest.mock('./create-core-worker', () => ({ createCoreWorker: () => mockWorker.current }));

const INPUT: StopDayInput = {
  site: newStop('s', undefined),
  day: '2027-03-13',
  timeZone: 'Atlantic/Azores',
  latitude: 46.5,
  longitude: -20.7,
  cloud: 0,
  halfFieldDeg: 30,
};

describe('days from a worker', () => {
  beforeEach(() => {
    jest.useFakeTimers();
    mockWorker.current = new FakeWorker();
    (globalThis as { Worker?: unknown }).Worker = FakeWorker;
  });
  afterEach(() => {
    jest.useRealTimers();
    delete (globalThis as { Worker?: unknown }).Worker;
  });

  it('wait in a long queue while answers keep coming', async () => {
    const client = new StopDaysClient();
    const days = [INPUT, INPUT, INPUT].map((input) => client.ask(input));
    for (let k = 0; k < 3; k++) {
      jest.advanceTimersByTime(19_000);
      mockWorker.current.answer(k);
    }
    expect(await Promise.all(days)).toEqual([null, null, null]);
    expect(mockWorker.current.isTerminated).toBe(false);
  });

  it('are computed here when the worker falls silent, and from then on', async () => {
    const client = new StopDaysClient();
    const days = [client.ask(INPUT), client.ask(INPUT)];
    mockWorker.current.answer(0);
    jest.advanceTimersByTime(20_001);
    const [first, second] = await Promise.all(days);
    expect(first).toBeNull();
    expect(second?.keyEv100).toHaveLength(1440);
    expect(mockWorker.current.isTerminated).toBe(true);
    expect((await client.ask(INPUT))?.keyEv100).toHaveLength(1440);
  });

  it('are computed here when the worker breaks', async () => {
    const client = new StopDaysClient();
    const day = client.ask(INPUT);
    mockWorker.current.onerror?.();
    expect((await day)?.keyEv100).toHaveLength(1440);
  });
});
