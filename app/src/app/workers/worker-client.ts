import { Watchdog } from './watchdog';
interface Asked<Answer> {
  readonly id: number;
  readonly ok: boolean;
  readonly answer?: Answer;
  readonly message?: string;
}

interface Waiting<Question, Answer> {
  readonly question: Question;
  readonly resolve: (answer: Answer | null) => void;
}

/** What goes to a worker and comes back, plain data. */
export interface Envelope<Question> {
  readonly id: number;
  readonly question: Question;
}

/**
 * Answers from a worker. Where there is no worker, or it dies, the same core function answers here instead; a question
 * that the core refuses has no answer.
 */
export class WorkerClient<Question, Answer> {
  private worker: Worker | null = null;
  private hasFailed = typeof Worker === 'undefined';
  private nextId = 1;
  private readonly watchdog = new Watchdog(() => this.giveUp());
  private readonly waiting = new Map<number, Waiting<Question, Answer>>();

  constructor(
    private readonly create: () => Worker,
    private readonly answerHere: (question: Question) => Answer,
  ) {}

  ask(question: Question): Promise<Answer | null> {
    const worker = this.running();
    if (worker === null) return Promise.resolve(this.refusedAsNull(question));
    return new Promise((resolve) => {
      const id = this.nextId++;
      this.waiting.set(id, { question, resolve });
      worker.postMessage({ id, question } satisfies Envelope<Question>);
      if (this.waiting.size === 1) this.watchdog.heard(true);
    });
  }

  private running(): Worker | null {
    if (this.hasFailed) return null;
    if (this.worker === null) {
      this.worker = this.create();
      this.worker.onmessage = ({ data }: MessageEvent<Asked<Answer>>) => this.settle(data);
      this.worker.onerror = () => this.giveUp();
    }
    return this.worker;
  }

  private settle({ id, ok, answer }: Asked<Answer>): void {
    const waiting = this.waiting.get(id);
    if (waiting === undefined) return;
    this.waiting.delete(id);
    this.watchdog.heard(this.waiting.size > 0);
    waiting.resolve(ok ? (answer ?? null) : null);
  }

  private giveUp(): void {
    this.watchdog.heard(false);
    this.hasFailed = true;
    this.worker?.terminate();
    this.worker = null;
    for (const { question, resolve } of this.waiting.values()) resolve(this.refusedAsNull(question));
    this.waiting.clear();
  }

  private refusedAsNull(question: Question): Answer | null {
    try {
      return this.answerHere(question);
    } catch (error) {
      if (error instanceof RangeError || error instanceof TypeError) return null;
      throw error;
    }
  }
}
