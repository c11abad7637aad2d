/** A worker that has not answered anything for so long is taken for dead. */
const PATIENCE_MS = 20_000;

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
  private watchdog: ReturnType<typeof setTimeout> | undefined;
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
      if (this.waiting.size === 1) this.watch();
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
    this.watch();
    waiting.resolve(ok ? (answer ?? null) : null);
  }

  /** Begins to count anew: a long queue is no sign of death, silence is. */
  private watch(): void {
    clearTimeout(this.watchdog);
    if (this.waiting.size > 0) this.watchdog = setTimeout(() => this.giveUp(), PATIENCE_MS);
  }

  private giveUp(): void {
    clearTimeout(this.watchdog);
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
