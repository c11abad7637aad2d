import type { Stop, StopDay } from '@roam-dial/core/stop';
import type { District } from '@roam-dial/core/streets';
import { BehaviorSubject, type Observable, Subject, type Subscription } from 'rxjs';
import type { LightWorker } from '../../workers/light/light.client';
import type { LightDayQuestion } from '../../workers/light/light-jobs';

export interface WantedDay {
  readonly stop: Pick<Stop, 'id' | 'name'>;
  /** All that the day depends on. */
  readonly key: string;
  readonly question: LightDayQuestion;
  readonly district: District | null;
}

export interface QueuedDay {
  readonly stopId: string;
  readonly key: string;
  /** Null where the core refuses the question, as for a day that a time zone skipped. */
  readonly day: StopDay | null;
}

/** How far the days are, and what is being done. */
export interface DaysProgress {
  readonly stopName: string;
  readonly doing: 'measuring' | 'reckoning';
  readonly share: number;
  readonly left: number;
}

interface Running {
  readonly stopId: string;
  readonly key: string;
  readonly subscription: Subscription;
}

/**
 * Has the days that are wanted worked out, as many at a time as there are workers, the first wanted first. A stop stays with
 * the worker that has measured the walls round it.
 */
export class DayQueue {
  private readonly running: (Running | null)[];
  private readonly workerOf = new Map<string, number>();
  private readonly answersSubject = new Subject<QueuedDay>();
  private readonly progressSubject = new BehaviorSubject<DaysProgress | null>(null);
  private readonly isStoppedSubject = new BehaviorSubject(false);
  private wanted: readonly WantedDay[] = [];

  readonly answers$: Observable<QueuedDay> = this.answersSubject;
  readonly progress$: Observable<DaysProgress | null> = this.progressSubject;
  readonly isStopped$: Observable<boolean> = this.isStoppedSubject;

  constructor(private readonly workers: readonly Pick<LightWorker, 'ask'>[]) {
    this.running = workers.map(() => null);
  }

  /** From now on these, and no others: what runs and is not among them is dropped. */
  want(wanted: readonly WantedDay[]): void {
    this.wanted = wanted;
    this.running.forEach((one, k) => {
      if (one === null || wanted.some(({ key, stop }) => key === one.key && stop.id === one.stopId)) return;
      one.subscription.unsubscribe();
      this.running[k] = null;
    });
    this.askNext();
  }

  /** Leaves what is still to be worked out. */
  stop(): void {
    this.isStoppedSubject.next(true);
    this.running.forEach((one) => one?.subscription.unsubscribe());
    this.running.fill(null);
    this.progressSubject.next(null);
  }

  goOn(): void {
    this.isStoppedSubject.next(false);
    this.askNext();
  }

  private askNext(): void {
    if (this.isStoppedSubject.value) return;
    if (this.wanted.length === 0) this.progressSubject.next(null);
    for (let worker = 0; worker < this.workers.length; worker++) {
      if (this.running[worker] === null) this.askOf(worker);
    }
  }

  private askOf(worker: number): void {
    const isIts = ({ stop }: WantedDay): boolean => (this.workerOf.get(stop.id) ?? worker) === worker;
    const isRunning = ({ stop, key }: WantedDay): boolean => this.running.some((one) => one?.stopId === stop.id && one.key === key);
    const next = this.wanted.find((one) => isIts(one) && !isRunning(one));
    if (next === undefined) return;
    const { stop, key, question, district } = next;
    this.workerOf.set(stop.id, worker);
    const subscription = this.workers[worker]?.ask<'day'>(question, district).subscribe((step) => {
      if (step.kind === 'progress') {
        this.progressSubject.next({ stopName: stop.name, ...step.progress, left: this.wanted.length });
        return;
      }
      this.wanted = this.wanted.filter((one) => one.key !== key || one.stop.id !== stop.id);
      this.running[worker] = null;
      this.answersSubject.next({ stopId: stop.id, key, day: step.kind === 'done' ? step.answer : null });
      this.askNext();
    });
    // The answer can have come already where there is no worker.
    if (subscription?.closed === false) this.running[worker] = { stopId: stop.id, key, subscription };
  }
}
