import { Observable, type Subscriber } from 'rxjs';
import type { FromWorker, Step, ToWorker } from './steps';

interface Waiting<Question, Progress, Answer> {
  readonly question: Question;
  readonly observer: Subscriber<Step<Progress, Answer>>;
  /** Whether a worker has fallen silent or broken over it already. */
  readonly isSecondTry: boolean;
}

export interface QueryOptions {
  /** A worker that has not said anything for so long while it is waited for is taken for dead. */
  readonly patienceMs?: number;
  /** Called for every new worker: what it has been told before it has forgotten. */
  readonly onNewWorker?: () => void;
}

const PATIENCE_MS = 20_000;

/**
 * The one way to ask a worker. A question is a stream of steps: how far it is, then its answer, what the core refuses, or
 * that it failed; to unsubscribe is to cancel. A worker that falls silent or breaks is replaced, and what it was asked is
 * asked once more; a question over which two workers have died has failed. Nothing is ever worked out on the page's thread.
 * docs/decisions/0005-queries.md.
 */
export class Query<Question, Progress, Answer> {
  private worker: Worker | null = null;
  private nextId = 1;
  private silence: ReturnType<typeof setTimeout> | undefined;
  private readonly waiting = new Map<number, Waiting<Question, Progress, Answer>>();
  private readonly patienceMs: number;

  constructor(
    private readonly create: () => Worker,
    private readonly options: QueryOptions = {},
  ) {
    this.patienceMs = options.patienceMs ?? PATIENCE_MS;
  }

  ask(question: Question): Observable<Step<Progress, Answer>> {
    return new Observable((observer) => {
      const id = this.send({ question, observer, isSecondTry: false });
      return () => this.drop(id, observer);
    });
  }

  /** Tells the worker something without waiting for an answer. */
  tell(question: Question): void {
    this.running()?.postMessage({ id: this.nextId++, question } satisfies ToWorker<Question>);
  }

  private send(one: Waiting<Question, Progress, Answer>): number {
    const id = this.nextId++;
    const worker = this.running();
    if (worker === null) {
      one.observer.next({ kind: 'failed', message: 'This browser runs no workers.' });
      one.observer.complete();
      return id;
    }
    this.waiting.set(id, one);
    worker.postMessage({ id, question: one.question } satisfies ToWorker<Question>);
    if (this.waiting.size === 1) this.listen();
    return id;
  }

  private drop(id: number, observer: Subscriber<Step<Progress, Answer>>): void {
    // Asked again meanwhile, it has another number.
    const now = this.waiting.get(id)?.observer === observer ? id : this.numberOf(observer);
    if (now === null || !this.waiting.delete(now)) return;
    this.worker?.postMessage({ id: now, isDropped: true } satisfies ToWorker<Question>);
    this.listen();
  }

  private numberOf(observer: Subscriber<Step<Progress, Answer>>): number | null {
    for (const [id, one] of this.waiting) if (one.observer === observer) return id;
    return null;
  }

  private running(): Worker | null {
    if (this.worker !== null) return this.worker;
    let worker: Worker;
    try {
      worker = this.create();
    } catch {
      return null;
    }
    worker.onmessage = ({ data }: MessageEvent<FromWorker<Progress, Answer>>) => this.take(data);
    worker.onerror = () => this.replace('The worker broke.');
    this.worker = worker;
    this.options.onNewWorker?.();
    return worker;
  }

  private take({ id, step }: FromWorker<Progress, Answer>): void {
    const observer = this.waiting.get(id)?.observer;
    if (step.kind !== 'progress') this.waiting.delete(id);
    this.listen();
    if (observer === undefined) return;
    observer.next(step);
    if (step.kind !== 'progress') observer.complete();
  }

  /** Begins to count anew: a long queue is no sign of death, silence is. */
  private listen(): void {
    clearTimeout(this.silence);
    if (this.waiting.size > 0) this.silence = setTimeout(() => this.replace('It took too long.'), this.patienceMs);
  }

  /** Another worker in the place of a dead one. Only the question that it was at can have killed it. */
  private replace(message: string): void {
    clearTimeout(this.silence);
    this.worker?.terminate();
    this.worker = null;
    const [first, ...others] = [...this.waiting.values()];
    this.waiting.clear();
    if (first === undefined) return;
    for (const one of others) this.send(one);
    if (!first.isSecondTry) {
      this.send({ ...first, isSecondTry: true });
      return;
    }
    first.observer.next({ kind: 'failed', message });
    first.observer.complete();
  }
}
