import { Observable, type Subscriber } from 'rxjs';
import { type FromWorker, runSteps, type Step, type ToWorker } from './steps';
import { Watchdog } from './watchdog';

/**
 * Long work in a worker as a stream of steps; to unsubscribe is to stop it. Where there is no worker, or it dies, the same
 * functions take their steps here, in slices between which the screen is drawn.
 */
export class StepsClient<Question, Progress, Answer> {
  private worker: Worker | null = null;
  private hasFailed = typeof Worker === 'undefined';
  private nextId = 1;
  private readonly watchdog = new Watchdog(() => this.giveUp());
  private readonly waiting = new Map<number, { question: Question; observer: Subscriber<Step<Progress, Answer>> }>();

  constructor(
    private readonly create: () => Worker,
    private readonly stepsHere: (question: Question) => Generator<Progress, Answer>,
  ) {}

  run(question: Question): Observable<Step<Progress, Answer>> {
    return new Observable((observer) => {
      const worker = this.running();
      if (worker === null) return this.runHere(question, observer);
      const id = this.nextId++;
      this.waiting.set(id, { question, observer });
      worker.postMessage({ id, question } satisfies ToWorker<Question>);
      this.watchdog.heard(this.waiting.size > 0);
      return () => {
        if (!this.waiting.delete(id)) return;
        this.worker?.postMessage({ id, isDropped: true } satisfies ToWorker<Question>);
        this.watchdog.heard(this.waiting.size > 0);
      };
    });
  }

  private running(): Worker | null {
    if (this.hasFailed) return null;
    if (this.worker === null) {
      this.worker = this.create();
      this.worker.onmessage = ({ data }: MessageEvent<FromWorker<Progress, Answer>>) => this.take(data);
      this.worker.onerror = () => this.giveUp();
    }
    return this.worker;
  }

  private take({ id, step }: FromWorker<Progress, Answer>): void {
    const { observer } = this.waiting.get(id) ?? {};
    if (step.kind !== 'progress') this.waiting.delete(id);
    this.watchdog.heard(this.waiting.size > 0);
    if (observer === undefined) return;
    observer.next(step);
    if (step.kind !== 'progress') observer.complete();
  }

  private giveUp(): void {
    this.watchdog.heard(false);
    this.hasFailed = true;
    this.worker?.terminate();
    this.worker = null;
    const left = [...this.waiting.values()];
    this.waiting.clear();
    for (const { question, observer } of left) observer.add(this.runHere(question, observer));
  }

  private runHere(question: Question, observer: Subscriber<Step<Progress, Answer>>): () => void {
    let isDropped = false;
    runSteps(
      this.stepsHere(question),
      (step) => {
        observer.next(step);
        if (step.kind !== 'progress') observer.complete();
      },
      () => isDropped,
    ).catch((error: unknown) => observer.error(error));
    return () => {
      isDropped = true;
    };
  }
}
