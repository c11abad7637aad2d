import type { StopDayInput } from '@roam-dial/core';
import { newStop } from '../data/defaults';
import { StopDaysClient } from './stop-days.client';
import type { StopDayAnswer, StopDayQuestion } from './stop-days.protocol';

/** A worker that answers when the test says so. */
class FakeWorker {
  readonly asked: StopDayQuestion[] = [];
  isTerminated = false;
  onmessage: ((event: { data: StopDayAnswer }) => void) | null = null;
  onerror: (() => void) | null = null;
  postMessage(question: StopDayQuestion): void {
    this.asked.push(question);
  }
  terminate(): void {
    this.isTerminated = true;
  }
  answer(k: number): void {
    this.onmessage?.({ data: { id: this.asked[k]?.id ?? -1, ok: true, day: null } });
  }
}
const mockWorker = { current: new FakeWorker() };
jest.mock('./create-stop-days-worker', () => ({ createStopDaysWorker: () => mockWorker.current }));

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
    const days = [INPUT, INPUT, INPUT].map((input) => client.compute(input));
    for (let k = 0; k < 3; k++) {
      jest.advanceTimersByTime(9000);
      mockWorker.current.answer(k);
    }
    expect(await Promise.all(days)).toEqual([null, null, null]);
    expect(mockWorker.current.isTerminated).toBe(false);
  });

  it('are computed here when the worker falls silent, and from then on', async () => {
    const client = new StopDaysClient();
    const days = [client.compute(INPUT), client.compute(INPUT)];
    mockWorker.current.answer(0);
    jest.advanceTimersByTime(10_001);
    const [first, second] = await Promise.all(days);
    expect(first).toBeNull();
    expect(second?.keyEv100).toHaveLength(1440);
    expect(mockWorker.current.isTerminated).toBe(true);
    expect((await client.compute(INPUT))?.keyEv100).toHaveLength(1440);
  });

  it('are computed here when the worker breaks', async () => {
    const client = new StopDaysClient();
    const day = client.compute(INPUT);
    mockWorker.current.onerror?.();
    expect((await day)?.keyEv100).toHaveLength(1440);
  });
});
