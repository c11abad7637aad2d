import { serve } from './serve';
import { runSteps, type Step } from './steps';

type Said = Step<number, string>;

/** Steps that each take a while, so that a slice ends after each. */
function* slow(count: number): Generator<number, string> {
  for (let k = 1; k <= count; k++) {
    const until = performance.now() + 15;
    while (performance.now() < until);
    yield k / count;
  }
  return 'done';
}

describe('work in steps', () => {
  it('reports between slices and ends with its answer', async () => {
    const said: Said[] = [];
    await runSteps(
      slow(3),
      (step) => said.push(step),
      () => false,
    );
    expect(said).toEqual([
      { kind: 'progress', progress: 1 / 3 },
      { kind: 'progress', progress: 2 / 3 },
      { kind: 'progress', progress: 1 },
      { kind: 'done', answer: 'done' },
    ]);
  });

  it('says nothing of steps that fit into one slice', async () => {
    const said: Said[] = [];
    const quick = function* (): Generator<number, string> {
      yield 0.5;
      return 'quick';
    };
    await runSteps(
      quick(),
      (step) => said.push(step),
      () => false,
    );
    expect(said).toEqual([{ kind: 'done', answer: 'quick' }]);
  });

  it('lets messages in between, and ends where it is dropped', async () => {
    const said: Said[] = [];
    let isDropped = false;
    setTimeout(() => (isDropped = true));
    await runSteps(
      slow(50),
      (step) => said.push(step),
      () => isDropped,
    );
    expect(said.length).toBeLessThan(5);
    expect(said.every(({ kind }) => kind === 'progress')).toBe(true);
  });

  it('gives what the core refuses as an answer, and lets its own faults through', async () => {
    const said: Said[] = [];
    const refuses = function* (): Generator<number, string> {
      yield 0;
      throw new RangeError('latitude must be a number from -90 to 90, got 91');
    };
    await runSteps(
      refuses(),
      (step) => said.push(step),
      () => false,
    );
    expect(said).toEqual([{ kind: 'refused', message: 'latitude must be a number from -90 to 90, got 91' }]);
    const breaks = function* (): Generator<number, string> {
      yield 0;
      throw new Error('a fault');
    };
    await expect(
      runSteps(
        breaks(),
        () => undefined,
        () => false,
      ),
    ).rejects.toThrow('a fault');
  });
});

describe('a worker of steps', () => {
  it('answers one question after the other, and leaves out those that are dropped before their turn', async () => {
    const posted: unknown[] = [];
    const globals = globalThis as unknown as { postMessage: (message: unknown) => void };
    const before = globals.postMessage;
    const isDone = (one: unknown): boolean => (one as { step: Said }).step.kind === 'done';
    const bothDone = new Promise<void>((resolve) => {
      globals.postMessage = (message) => {
        posted.push(message);
        if (posted.filter(isDone).length === 2) resolve();
      };
    });
    const started: number[] = [];
    serve(function* (question: number): Generator<number, string> {
      started.push(question);
      yield* slow(1);
      return `answer ${question}`;
    });
    const send = (data: unknown): boolean => dispatchEvent(new MessageEvent('message', { data }));
    send({ id: 1, question: 10 });
    send({ id: 2, question: 20 });
    send({ id: 3, question: 30 });
    send({ id: 2, isDropped: true });
    await bothDone;
    globals.postMessage = before;
    expect(started).toEqual([10, 30]);
    expect(posted.filter(isDone)).toEqual([
      { id: 1, step: { kind: 'done', answer: 'answer 10' } },
      { id: 3, step: { kind: 'done', answer: 'answer 30' } },
    ]);
  });
});
