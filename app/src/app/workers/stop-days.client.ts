import { Injectable } from '@angular/core';
import { stopDay, type StopDay, type StopDayInput } from '@roam-dial/core';
import { createStopDaysWorker } from './create-stop-days-worker';
import type { StopDayAnswer } from './stop-days.protocol';

/** A day of one stop takes some 30 ms; a worker that has not answered by then is taken for dead. */
const PATIENCE_MS = 10_000;

interface Waiting {
  readonly input: StopDayInput;
  readonly resolve: (day: StopDay | null) => void;
  readonly timer: ReturnType<typeof setTimeout>;
}

/**
 * Stop days from a worker. Where there is no worker, or it dies, the same core function answers here instead; an input
 * that the core refuses has no day.
 */
@Injectable({ providedIn: 'root' })
export class StopDaysClient {
  private worker: Worker | null = null;
  private hasFailed = typeof Worker === 'undefined';
  private nextId = 1;
  private readonly waiting = new Map<number, Waiting>();

  compute(input: StopDayInput): Promise<StopDay | null> {
    const worker = this.running();
    if (worker === null) return Promise.resolve(computeHere(input));
    return new Promise((resolve) => {
      const id = this.nextId++;
      const timer = setTimeout(() => this.giveUp(), PATIENCE_MS);
      this.waiting.set(id, { input, resolve, timer });
      worker.postMessage({ id, input });
    });
  }

  private running(): Worker | null {
    if (this.hasFailed) return null;
    if (this.worker === null) {
      this.worker = createStopDaysWorker();
      this.worker.onmessage = ({ data }: MessageEvent<StopDayAnswer>) => this.settle(data);
      this.worker.onerror = () => this.giveUp();
    }
    return this.worker;
  }

  private settle(answer: StopDayAnswer): void {
    const waiting = this.waiting.get(answer.id);
    if (waiting === undefined) return;
    this.waiting.delete(answer.id);
    clearTimeout(waiting.timer);
    waiting.resolve(answer.ok ? answer.day : null);
  }

  private giveUp(): void {
    this.hasFailed = true;
    this.worker?.terminate();
    this.worker = null;
    for (const { input, resolve, timer } of this.waiting.values()) {
      clearTimeout(timer);
      resolve(computeHere(input));
    }
    this.waiting.clear();
  }
}

function computeHere(input: StopDayInput): StopDay | null {
  try {
    return stopDay(input);
  } catch (error) {
    if (error instanceof RangeError || error instanceof TypeError) return null;
    throw error;
  }
}
