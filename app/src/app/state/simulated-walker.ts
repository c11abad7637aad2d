import { Injectable, inject } from '@angular/core';
import { type Happening, leaveByMin, momentOf, seeded, simulatedPicture, type Stop } from '@roam-dial/core';
import { BehaviorSubject, combineLatest, filter, type Observable, withLatestFrom } from 'rxjs';
import { contentKey } from '../data/content-key';
import { OutingActions } from './actions/outing.actions';
import { type Card, CardStore } from './card.store';
import { DevicePositionStore } from './device-position';
import { instantAt, OutingStore, type RunningNow } from './outing.store';
import { type WayLeft, WayAheadStore } from './way-ahead.store';

const MINUTE_MS = 60_000;

/**
 * Moves that nobody has to tap: a simulated walker comes to each stop when the way there is walked and goes on when it is time,
 * unless it is told to linger, its picture got or missed by the chance of the card that stands; with a device that knows where it is, one is at a stop as soon as one is near it.
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
      .pipe(
        filter(() => document.visibilityState !== 'hidden'),
        withLatestFrom(inject(CardStore).card$),
      )
      .subscribe(([[now, left, device, isLingering], card]) => {
        if (now?.outing.clock.kind === 'simulated') this.walk(now, left, isLingering, card.kind === 'card' ? card : null);
        else if (now?.standing.kind === 'onTheWay' && device.kind === 'known' && left?.isThere === true) this.arrive(now, left);
      });
  }

  linger(isLingering: boolean): void {
    this.lingers.next(isLingering);
  }

  /** Each move at the minute at which it is made, however fast the time runs. */
  private walk(now: RunningNow, left: WayLeft | null, isLingering: boolean, card: Card | null): void {
    const { standing, next, walk, nowMs } = now;
    if (standing.kind === 'onTheWay' && left?.way.to.id === standing.to.id && left.isThere) {
      const atMs = standing.sinceMs + left.way.walkMin * MINUTE_MS;
      this.actions.walkOn(now, standing.to, { kind: 'arrived' }, Math.min(nowMs, atMs));
      return;
    }
    if (standing.kind !== 'there') return;
    if (next !== null && left?.way.to.id !== next.id) return;
    const dueMs = instantAt(walk, leaveByMin(standing.at, next, left?.way.walkMin ?? 0));
    if (nowMs >= (standing.sinceMs + dueMs) / 2) this.takePicture(now, standing.at, card);
    if (isLingering) return;
    if (nowMs < dueMs) return;
    this.actions.walkOn(now, standing.at, { kind: 'wentOn' }, Math.max(standing.sinceMs, Math.min(nowMs, dueMs)));
  }

  /** Half-way through its stay, once, and not where somebody has marked one; the same in every rehearsal of this outing. */
  private takePicture(now: RunningNow, stop: Stop, card: Card | null): void {
    if (card?.stop.id !== stop.id || card.walk.id !== now.walk.id) return;
    const isMarked = ({ stopId, event }: Happening): boolean =>
      stopId === stop.id && (event.kind === 'got' || event.kind === 'missed');
    if (now.outing.happenings.some(isMarked)) return;
    const { chance, factors } = card.result.setUp.found;
    const random = seeded(parseInt(contentKey(`${now.outing.id}/${stop.id}`).split('.')[1] ?? '0', 36));
    this.actions.walkOn(now, stop, simulatedPicture(random, chance, factors), now.nowMs, momentOf(card));
  }

  private arrive({ outing }: RunningNow, { way: { to } }: WayLeft): void {
    const key = `${outing.id}/${to.id}`;
    if (this.arrivedAt.has(key)) return;
    this.arrivedAt.add(key);
    void this.actions.arrive(to);
  }
}
