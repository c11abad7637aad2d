import { MeasuredLight, type LightQuestion } from '../app/workers/measured-light';
import { mapSteps } from '../app/workers/map-desk';
import { setUpSteps } from '../app/workers/set-up-desk';
import { WaysDesk, type WaysQuestion } from '../app/workers/ways-desk';
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
  const desk = new WaysDesk();
  return made((question: WaysQuestion) => desk.answer(question));
}
export function createLightWorker(): Worker {
  const desk = new MeasuredLight();
  return made((question: LightQuestion) => desk.answer(question));
}

/** Nothing decodes pictures here: who reads frames brings a client of its own. */
export function createFrameWorker(): Worker {
  throw new Error('frames are read by a client that the test provides');
}
