import { HandMeterStore, type HandMeter } from './hand-meter';

/** A stream that a test holds the other end of. */
class FakeSource {
  static readonly open: FakeSource[] = [];
  isClosed = false;
  private readonly listeners = new Map<string, (event: { data: string }) => void>();
  constructor(readonly url: string) {
    FakeSource.open.push(this);
  }
  addEventListener(name: string, listener: (event: { data: string }) => void): void {
    this.listeners.set(name, listener);
  }
  close(): void {
    this.isClosed = true;
  }
  say(count: number): void {
    this.listeners.get('reading')?.({ data: JSON.stringify({ count, ev100: 12, name: 'the wall' }) });
  }
  breakOff(): void {
    this.listeners.get('error')?.({ data: '' });
  }
}

describe('the meter in the hand', () => {
  let said: HandMeter[];
  let store: HandMeterStore;
  const latest = (): HandMeter | undefined => said.at(-1);
  const source = (): FakeSource => FakeSource.open.at(-1) as FakeSource;
  beforeEach(() => {
    jest.useFakeTimers();
    FakeSource.open.length = 0;
    (globalThis as { EventSource?: unknown }).EventSource = FakeSource;
    store = new HandMeterStore();
    said = [];
    store.meter$.subscribe((one) => said.push(one));
  });
  afterEach(() => {
    store.turn(false);
    jest.useRealTimers();
  });

  it('is off until it is turned on, and closes its stream when it is turned off', () => {
    expect(latest()).toEqual({ kind: 'off' });
    expect(FakeSource.open).toHaveLength(0);
    store.turn(true);
    source().say(0);
    expect(latest()).toMatchObject({ kind: 'reading', from: 'server', reading: { count: 0 } });
    store.turn(false);
    expect([latest(), source().isClosed]).toEqual([{ kind: 'off' }, true]);
  });
  it('asks again after one second, then two, and reads on where it is answered', () => {
    store.turn(true);
    source().say(3);
    source().breakOff();
    expect(latest()).toMatchObject({ kind: 'gone', againInS: 1, last: { count: 3 } });
    jest.advanceTimersByTime(1000);
    expect(FakeSource.open).toHaveLength(2);
    source().breakOff();
    expect(latest()).toMatchObject({ kind: 'gone', againInS: 2 });
    jest.advanceTimersByTime(2000);
    source().say(0);
    expect(latest()).toMatchObject({ kind: 'reading', from: 'server' });
    source().breakOff();
    expect(latest()).toMatchObject({ kind: 'gone', againInS: 1 });
  });
  it('takes a silent stream for gone', () => {
    store.turn(true);
    source().say(0);
    jest.advanceTimersByTime(4100);
    expect(latest()).toMatchObject({ kind: 'gone' });
    expect(FakeSource.open[0]?.isClosed).toBe(true);
  });
  it('reads the same script here where no server answers, going on where it was, until one does', () => {
    store.turn(true);
    for (const seconds of [1, 2]) {
      source().breakOff();
      jest.advanceTimersByTime(seconds * 1000);
    }
    source().breakOff();
    jest.advanceTimersByTime(1600);
    expect(latest()).toMatchObject({ kind: 'reading', from: 'here', reading: { count: 3, name: 'the white wall' } });
    jest.advanceTimersByTime(2400);
    source().breakOff();
    jest.advanceTimersByTime(100);
    expect(latest()).toMatchObject({ from: 'here', reading: { count: 8 } });
    jest.advanceTimersByTime(8000);
    source().say(40);
    expect(latest()).toMatchObject({ from: 'server', reading: { count: 40 } });
  });
});
