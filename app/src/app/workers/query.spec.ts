import { lastValueFrom, of, Subject, throwError } from 'rxjs';
import { answersOf, askLatest } from './answers';
import { Lru } from '../base/lru';
import { Query } from './query';
import type { Step, ToWorker } from './steps';

type Asked = ToWorker<string>;

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
  say(k: number, step: Step<number, string>): void {
    this.onmessage?.({ data: { id: this.asked[k]?.id, step } });
  }
}

describe('asking a worker', () => {
  let workers: FakeWorker[];
  let told: number;
  let query: Query<string, number, string>;
  const worker = (k = 0): FakeWorker => workers[k] as FakeWorker;
  const questions = (k = 0): string[] => worker(k).asked.flatMap((one) => ('question' in one ? [one.question] : []));

  beforeEach(() => {
    jest.useFakeTimers();
    workers = [];
    told = 0;
    const create = (): Worker => {
      workers.push(new FakeWorker());
      return workers.at(-1) as unknown as Worker;
    };
    query = new Query(create, { patienceMs: 1000, onNewWorker: () => told++ });
  });
  afterEach(() => {
    jest.useRealTimers();
  });

  it('says how far it is, and ends with the answer', () => {
    const seen: unknown[] = [];
    query.ask('a').subscribe({ next: (step) => seen.push(step), complete: () => seen.push('over') });
    worker().say(0, { kind: 'progress', progress: 0.5 });
    worker().say(0, { kind: 'done', answer: 'A' });
    expect(seen).toEqual([{ kind: 'progress', progress: 0.5 }, { kind: 'done', answer: 'A' }, 'over']);
  });

  it('is dropped in the worker too when nobody waits any more', () => {
    query.ask('a').subscribe().unsubscribe();
    expect(worker().asked.at(-1)).toEqual({ id: worker().asked[0]?.id, isDropped: true });
  });

  it('replaces a worker that falls silent, and asks the new one what is still wanted', () => {
    const seen: unknown[] = [];
    query.ask('a').subscribe((step) => seen.push(step));
    query.ask('b').subscribe((step) => seen.push(step));
    query.ask('c').subscribe().unsubscribe();
    jest.advanceTimersByTime(1001);
    expect([worker().isTerminated, questions(1).sort(), told]).toEqual([true, ['a', 'b'], 2]);
    worker(1).say(questions(1).indexOf('a'), { kind: 'done', answer: 'A' });
    worker(1).say(questions(1).indexOf('b'), { kind: 'done', answer: 'B' });
    expect(seen).toEqual([
      { kind: 'done', answer: 'A' },
      { kind: 'done', answer: 'B' },
    ]);
  });

  it('gives a question up over which two workers have died, and goes on with the rest', () => {
    const seen: unknown[] = [];
    query.ask('deadly').subscribe((step) => seen.push(step.kind));
    query.ask('b').subscribe((step) => seen.push(step.kind));
    for (let k = 0; k < 4 && seen.length === 0; k++) {
      // Whatever comes before it is answered; it is not.
      const at = questions(k).indexOf('b');
      if (k > 0 && questions(k)[0] === 'b') worker(k).say(at, { kind: 'done', answer: 'B' });
      worker(k).onerror?.();
    }
    expect(seen).toContain('failed');
    expect(seen).toContain('done');
    expect(worker(0).isTerminated).toBe(true);
  });

  it('hears from a worker for as long as it says anything', () => {
    query.ask('a').subscribe();
    for (let k = 0; k < 5; k++) {
      jest.advanceTimersByTime(900);
      worker().say(0, { kind: 'progress', progress: k });
    }
    expect(worker().isTerminated).toBe(false);
  });

  it('says so where there are no workers at all', async () => {
    const none = new Query<string, number, string>(() => {
      throw new ReferenceError('Worker is not defined');
    });
    expect(await lastValueFrom(none.ask('a'))).toMatchObject({ kind: 'failed' });
    expect(await lastValueFrom(answersOf(none.ask('a')))).toBeNull();
  });
});

describe('asking the latest only', () => {
  it('one at a time, and never what has been overtaken', () => {
    const open: Subject<string>[] = [];
    const asked: number[] = [];
    const source = new Subject<number>();
    const answers: string[] = [];
    source
      .pipe(
        askLatest((question) => {
          asked.push(question);
          open.push(new Subject());
          return open.at(-1) as Subject<string>;
        }),
      )
      .subscribe((answer) => answers.push(answer));
    for (const question of [1, 2, 3, 4]) source.next(question);
    expect(asked).toEqual([1]);
    open[0]?.next('one');
    open[0]?.complete();
    expect(asked).toEqual([1, 4]);
    open[1]?.next('four');
    open[1]?.complete();
    expect(answers).toEqual(['one', 'four']);
  });
  it('answers that are there at once too, and ends with its source', () => {
    const seen: unknown[] = [];
    of(1, 2, 3)
      .pipe(askLatest((question) => of(question * 10)))
      .subscribe({ next: (answer) => seen.push(answer), complete: () => seen.push('over') });
    expect(seen).toEqual([10, 20, 30, 'over']);
  });
  it('hands on what fails, and cancels what runs', () => {
    const failures: unknown[] = [];
    of(1)
      .pipe(askLatest(() => throwError(() => 'dead')))
      .subscribe({ error: (error: unknown) => failures.push(error) });
    expect(failures).toEqual(['dead']);
    const running = new Subject<string>();
    const subscription = new Subject<number>().pipe(askLatest(() => running)).subscribe();
    subscription.unsubscribe();
    expect(running.observed).toBe(false);
  });
});

describe('a map that forgets', () => {
  it('keeps what was asked for last', () => {
    const kept = new Lru<string, number>(2);
    kept.set('a', 1);
    kept.set('b', 2);
    expect(kept.get('a')).toBe(1);
    kept.set('c', 3);
    expect([kept.get('a'), kept.get('b'), kept.get('c')]).toEqual([1, undefined, 3]);
  });
});
