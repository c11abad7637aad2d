import { Injectable, inject } from '@angular/core';
import { seeded } from '@roam-dial/core/metering';
import { type Happening, instantAt, leaveByMin, minuteAt, momentOf } from '@roam-dial/core/outing';
import { simulatedPicture } from '@roam-dial/core/stand-ins';
import type { Stop } from '@roam-dial/core/stop';
import type { Walk } from '@roam-dial/core/walk';
import { asapScheduler, auditTime, BehaviorSubject, combineLatest, filter, type Observable, withLatestFrom } from 'rxjs';
import { contentKey } from '../base/content-key';
import { OutingActions } from '../state/outing/outing.actions';
import type { Workspace } from '../storage/workspace';
import { type Card, cardFor } from '../state/card/card.store';
import { type DaysByStop, DaysStore } from '../state/light/days.store';
import { DevicePositionStore } from '../state/device/device-position';
import { OutingStore, type RunningNow } from '../state/outing/outing.store';
import { type WayLeft, WayAheadStore } from '../state/outing/way-ahead.store';
import { WorkspaceStore } from '../state/workspace/workspace.store';

const MINUTE_MS = 60_000;
/** So many digits to the base 36 a whole number holds to the last. */
const SEED_DIGITS = 6;

type CardOf = (stop: Stop, atMs: number) => Card | null;

/** The card of a stop at an instant, whichever the screen shows. */
function cardOf(workspace: Workspace, walk: Walk, stop: Stop, atMs: number, days: DaysByStop): Card | null {
  const focus = { walk, stop, stopIndex: walk.stops.indexOf(stop), minuteOfDay: minuteAt(walk, atMs) };
  const card = cardFor(workspace, focus, days.get(stop.id) ?? null);
  return card.kind === 'card' ? card : null;
}

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
        // A move is made when all that the last one changed has been heard: never by a standing that is over.
        auditTime(0, asapScheduler),
        withLatestFrom(inject(WorkspaceStore).workspace$, inject(DaysStore).days$),
      )
      .subscribe(([[now, left, device, isLingering], workspace, days]) => {
        if (now?.outing.clock.kind === 'simulated')
          this.walk(now, left, isLingering, (stop, atMs) => cardOf(workspace, now.walk, stop, atMs, days));
        else if (now?.standing.kind === 'onTheWay' && device.kind === 'known' && left?.isThere === true) this.arrive(now, left);
      });
  }

  linger(isLingering: boolean): void {
    this.lingers.next(isLingering);
  }

  /** At most one move, at the minute at which it is made, however fast the time runs. */
  private walk(now: RunningNow, left: WayLeft | null, isLingering: boolean, cardOf: CardOf): void {
    const { standing, next, walk, nowMs } = now;
    if (standing.kind === 'onTheWay' && left?.way.to.id === standing.to.id && left.isThere) {
      const atMs = standing.sinceMs + left.way.walkMin * MINUTE_MS;
      this.actions.walkOn(now, standing.to, { kind: 'arrived' }, Math.min(nowMs, atMs));
      return;
    }
    if (standing.kind !== 'there') return;
    if (next !== null && left?.way.to.id !== next.id) return;
    const dueMs = instantAt(walk, leaveByMin(standing.at, next, left?.way.walkMin ?? 0));
    const halfMs = (standing.sinceMs + Math.max(standing.sinceMs, dueMs)) / 2;
    if (nowMs >= halfMs && this.takePicture(now, standing.at, halfMs, cardOf)) return;
    if (isLingering || nowMs < dueMs) return;
    this.actions.walkOn(now, standing.at, { kind: 'wentOn' }, Math.max(standing.sinceMs, Math.min(nowMs, dueMs)));
  }

  /** Once, and not where somebody has marked one; the same in every rehearsal of this outing. Whether it has been. */
  private takePicture(now: RunningNow, stop: Stop, atMs: number, cardOf: CardOf): boolean {
    const isMarked = ({ stopId, event }: Happening): boolean =>
      stopId === stop.id && (event.kind === 'got' || event.kind === 'missed');
    if (now.outing.happenings.some(isMarked)) return false;
    const card = cardOf(stop, atMs);
    if (card === null) return false;
    const { chance, factors } = card.result.setUp.found;
    const random = seeded(parseInt(contentKey(`${now.outing.id}/${stop.id}`).slice(-SEED_DIGITS), 36));
    this.actions.walkOn(now, stop, simulatedPicture(random, chance, factors), atMs, momentOf(card));
    return true;
  }

  private arrive({ outing }: RunningNow, { way: { to } }: WayLeft): void {
    const key = `${outing.id}/${to.id}`;
    if (this.arrivedAt.has(key)) return;
    this.arrivedAt.add(key);
    void this.actions.arrive(to);
  }
}
