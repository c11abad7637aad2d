import { inject, Injectable } from '@angular/core';
import { pairwise, startWith, type Subscription, withLatestFrom } from 'rxjs';
import { type Focus, FocusStore } from './focus.store';
import { SelectionStore } from './selection.store';

const isWithin = ({ stop, minuteOfDay }: Focus): boolean =>
  stop !== null && stop.arriveMin <= minuteOfDay && minuteOfDay <= stop.leaveMin;

/**
 * Where the time handle goes when the stay at its stop becomes another (typed, dragged, planned, undone): it keeps its place in
 * a stay that moves, else goes to the arrival. Null where it stays: another stop, the same stay, or a minute still within it.
 */
export function minuteAfter(before: Focus, after: Focus): number | null {
  const [was, is] = [before.stop, after.stop];
  if (was === null || is === null || was.id !== is.id) return null;
  if (was.arriveMin === is.arriveMin && was.leaveMin === is.leaveMin) return null;
  const along = is.arriveMin + (after.minuteOfDay - was.arriveMin);
  const wanted = isWithin(before) ? Math.min(is.leaveMin, Math.max(is.arriveMin, along)) : is.arriveMin;
  // Only the end of the stay moved, and the handle is still within it.
  if (was.arriveMin === is.arriveMin && isWithin(after)) return null;
  return wanted === after.minuteOfDay ? null : wanted;
}

/** What is shown of a stop is shown for a minute of its stay, whoever has changed that; on the walk its clock leads. */
@Injectable({ providedIn: 'root' })
export class HandleFollowsStay {
  private readonly focus = inject(FocusStore);
  private readonly selection = inject(SelectionStore);

  begin(): Subscription {
    return this.focus.focus$
      .pipe(pairwise(), withLatestFrom(this.selection.room$.pipe(startWith(''))))
      .subscribe(([[before, after], room]) => {
        const minute = room === 'now' ? null : minuteAfter(before, after);
        if (minute !== null) this.selection.setMinute(minute);
      });
  }
}
