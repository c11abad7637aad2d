import { BenchJobs, type BenchQuestion } from '../app/workers/bench/bench-jobs';
import { type DayAsked, DayJobs } from '../app/workers/day/day-jobs';
import { LightJobs, type LightQuestion } from '../app/workers/light/light-jobs';
import { mapSteps } from '../app/workers/map/map-jobs';
import { setUpSteps } from '../app/workers/set-up/set-up-jobs';
import { type SightAsk, SightJobs } from '../app/workers/sight/sight-jobs';
import { WaysJobs, type WaysQuestion } from '../app/workers/ways/ways-jobs';
import { runSteps, type ToWorker } from '../app/workers/steps';

/** A worker of tests: the same desk in the same thread, its messages cloned on the way as a real worker's are. */
class InThreadWorker<Question> {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror: (() => void) | null = null;
  private readonly dropped = new Set<number>();
  private last: Promise<void> = Promise.resolve();

  constructor(private readonly stepsFor: (question: Question) => Generator<unknown, unknown>) {}

  postMessage(message: ToWorker<Question>): void {
    if ('isDropped' in message) {
      this.dropped.add(message.id);
      return;
    }
    const { id, question } = structuredClone(message);
    this.last = this.last.then(() =>
      runSteps(
        this.stepsFor(question),
        (step) => this.onmessage?.({ data: { id, step: structuredClone(step) } }),
        () => this.dropped.has(id),
      ),
    );
  }

  terminate(): void {
    this.onmessage = null;
  }
}

const made = <Question>(stepsFor: (question: Question) => Generator<unknown, unknown>): Worker =>
  new InThreadWorker(stepsFor) as unknown as Worker;

export const createSetUpWorker = (): Worker => made(setUpSteps);
export const createMapWorker = (): Worker => made(mapSteps);
export function createWaysWorker(): Worker {
  const jobs = new WaysJobs();
  return made((question: WaysQuestion) => jobs.answer(question));
}
export function createLightWorker(): Worker {
  const jobs = new LightJobs();
  return made((question: LightQuestion) => jobs.answer(question));
}
export function createDayWorker(): Worker {
  const jobs = new DayJobs();
  return made((asked: DayAsked) => jobs.answer(asked));
}
export function createSightWorker(): Worker {
  const jobs = new SightJobs();
  return made((ask: SightAsk) => jobs.answer(ask));
}
export function createBenchWorker(): Worker {
  const jobs = new BenchJobs();
  return made((question: BenchQuestion) => jobs.answer(question));
}

/** Nothing decodes pictures here: who reads frames brings a client of its own. */
export function createFrameWorker(): Worker {
  throw new Error('frames are read by a client that the test provides');
}
