import { Injectable } from '@angular/core';
import { stopDay, type StopDay, type StopDayInput } from '@roam-dial/core';
import { createStopDaysWorker } from './create-stop-days-worker';
import type { StopDayAnswer } from './stop-days.protocol';

/** A day of one stop takes some 30 ms; a worker that has not answered anything for so long is taken for dead. */
const PATIENCE_MS = 10_000;

interface Waiting {
  readonly input: StopDayInput;
  readonly resolve: (day: StopDay | null) => void;
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
  private watchdog: ReturnType<typeof setTimeout> | undefined;
  private readonly waiting = new Map<number, Waiting>();

  compute(input: StopDayInput): Promise<StopDay | null> {
    const worker = this.running();
    if (worker === null) return Promise.resolve(computeHere(input));
    return new Promise((resolve) => {
      const id = this.nextId++;
      this.waiting.set(id, { input, resolve });
      worker.postMessage({ id, input });
      if (this.waiting.size === 1) this.watch();
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
    this.watch();
    waiting.resolve(answer.ok ? answer.day : null);
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
    for (const { input, resolve } of this.waiting.values()) {
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
