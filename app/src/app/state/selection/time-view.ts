import { Injectable, inject } from '@angular/core';
import { daylightOf } from '@roam-dial/core/plan';
import type { Walk } from '@roam-dial/core/walk';
import { BehaviorSubject, combineLatest, distinctUntilChanged, map, type Observable } from 'rxjs';
import { FocusStore } from './focus.store';
import { shared } from '../../base/shared';

/** What the time axis of every chart spans beside the stays: the light of the whole day, or no more than them. */
export interface TimeView {
  readonly isClose: boolean;
  readonly light: ReturnType<typeof daylightOf>;
}

/** How close the time axis is drawn; until the page is left. */
@Injectable({ providedIn: 'root' })
export class TimeViewStore {
  private readonly isClose = new BehaviorSubject(false);

  readonly view$: Observable<TimeView> = combineLatest([
    this.isClose,
    inject(FocusStore).focus$.pipe(
      map(({ walk }) => walk),
      distinctUntilChanged((a, b) => a?.day === b?.day && a?.place === b?.place),
      map((walk) => (walk === null ? null : lightOf(walk))),
    ),
  ]).pipe(
    map(([isClose, light]) => ({ isClose, light: isClose ? null : light })),
    shared(),
  );

  toggle(): void {
    this.isClose.next(!this.isClose.value);
  }
}

/** A zone or a day that nobody can reckon with has no light to show. */
function lightOf(walk: Walk): TimeView['light'] {
  try {
    return daylightOf(walk);
  } catch {
    return null;
  }
}
