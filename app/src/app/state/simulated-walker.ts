import { Injectable, inject } from '@angular/core';
import { leaveByMin } from '@roam-dial/core';
import { BehaviorSubject, combineLatest, filter, type Observable } from 'rxjs';
import { OutingActions } from './actions/outing.actions';
import { DevicePositionStore } from './device-position';
import { instantAt, OutingStore, type RunningNow } from './outing.store';
import { type WayLeft, WayAheadStore } from './way-ahead.store';

const MINUTE_MS = 60_000;

/**
 * Moves that nobody has to tap: a simulated walker comes to each stop when the way there is walked and goes on when it is time,
 * unless it is told to linger; with a device that knows where it is, one is at a stop as soon as one is near it.
 */
@Injectable({ providedIn: 'root' })
export class SimulatedWalker {
  private readonly actions = inject(OutingActions);
  private readonly lingers = new BehaviorSubject(false);
  /** A stop whose arrival by position has been taken back is not arrived at again by itself. */
  private readonly arrivedAt = new Set<string>();

  readonly isLingering$: Observable<boolean> = this.lingers;

  constructor() {
    combineLatest([inject(OutingStore).now$, inject(WayAheadStore).left$, inject(DevicePositionStore).position$, this.lingers])
      .pipe(filter(() => document.visibilityState !== 'hidden'))
      .subscribe(([now, left, device, isLingering]) => {
        if (now?.outing.clock.kind === 'simulated') this.walk(now, left, isLingering);
        else if (now?.standing.kind === 'onTheWay' && device.kind === 'known' && left?.isThere === true) this.arrive(now, left);
      });
  }

  linger(isLingering: boolean): void {
    this.lingers.next(isLingering);
  }

  /** Each move at the minute at which it is made, however fast the time runs. */
  private walk(now: RunningNow, left: WayLeft | null, isLingering: boolean): void {
    const { standing, next, walk, nowMs } = now;
    if (standing.kind === 'onTheWay' && left?.way.to.id === standing.to.id && left.isThere) {
      const atMs = standing.sinceMs + left.way.walkMin * MINUTE_MS;
      this.actions.walkOn(now, standing.to, { kind: 'arrived' }, Math.min(nowMs, atMs));
      return;
    }
    if (standing.kind !== 'there' || isLingering) return;
    if (next !== null && left?.way.to.id !== next.id) return;
    const dueMs = instantAt(walk, leaveByMin(standing.at, next, left?.way.walkMin ?? 0));
    if (nowMs < dueMs) return;
    this.actions.walkOn(now, standing.at, { kind: 'wentOn' }, Math.max(standing.sinceMs, Math.min(nowMs, dueMs)));
  }

  private arrive({ outing }: RunningNow, { way: { to } }: WayLeft): void {
    const key = `${outing.id}/${to.id}`;
    if (this.arrivedAt.has(key)) return;
    this.arrivedAt.add(key);
    void this.actions.arrive(to);
  }
}
