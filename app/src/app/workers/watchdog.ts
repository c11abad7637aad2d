/** A worker that has not said anything for so long is taken for dead. */
const PATIENCE_MS = 20_000;

/** Counts a worker's silence while somebody waits for it. */
export class Watchdog {
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly onSilence: () => void) {}

  /** Begins to count anew: a long queue is no sign of death, silence is. */
  heard(isAwaited: boolean): void {
    clearTimeout(this.timer);
    if (isAwaited) this.timer = setTimeout(this.onSilence, PATIENCE_MS);
  }
}
