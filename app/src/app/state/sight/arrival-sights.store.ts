import { inject, Injectable } from '@angular/core';
import { kitInHand, lightFor } from '@roam-dial/core/plan';
import { stopsToday } from '@roam-dial/core/walk';
import { concatMap, from, lastValueFrom, map, type Observable, of, scan, startWith, switchMap } from 'rxjs';
import { shared } from '../../base/shared';
import type { SightDrawn } from '../../workers/sight/sight-jobs';
import type { SightWanted } from '../../workers/sight/sight.client';
import { settledWalk, type SettledWalk } from '../light/settled-walk';
import { SeenStore } from './seen.store';
import { placeOfSight, sightWanted } from './sight-wanted';

/** What each stop's frame will see when one arrives, by the stop's id. */
export type SightsOfWalk = ReadonlyMap<string, SightDrawn>;

/** More pictures than this nobody looks through. */
export const MOST_SIGHTS = 120;

interface StopWanted {
  readonly stopId: string;
  readonly wanted: SightWanted;
}

/** The views of a walk's stops at their arrivals; none of a stop whose numbers the core refuses, of which its card tells. */
function wantedOf({ workspace, walk, days }: SettledWalk): readonly StopWanted[] {
  if (walk === null) return [];
  return stopsToday(walk)
    .slice(0, MOST_SIGHTS)
    .flatMap((stop) => {
      try {
        const light = lightFor(walk, stop, stop.arriveMin, days.get(stop.id) ?? null);
        if (light === null) return [];
        const kit = kitInHand(workspace.kit, walk, stop);
        const wanted = sightWanted(placeOfSight(workspace, walk, stop), walk, stop, stop.arriveMin, { kit, light });
        return wanted === null ? [] : [{ stopId: stop.id, wanted }];
      } catch (error) {
        if (error instanceof RangeError || error instanceof TypeError) return [];
        throw error;
      }
    });
}

/** The walk as a strip of pictures: one after the other, once its light rests. */
@Injectable({ providedIn: 'root' })
export class ArrivalSights {
  private readonly seen = inject(SeenStore);

  readonly sights$: Observable<SightsOfWalk> = settledWalk().pipe(
    map(wantedOf),
    switchMap((all) => this.drawn(all)),
    shared(),
  );

  /** All views of a walk's stops, once they are drawn. */
  all(walk: SettledWalk): Promise<SightsOfWalk> {
    return lastValueFrom(this.drawn(wantedOf(walk)));
  }

  /** What is known already at once, then the rest as it comes. */
  private drawn(all: readonly StopWanted[]): Observable<SightsOfWalk> {
    const known = new Map(
      all.flatMap(({ stopId, wanted }) => {
        const drawn = this.seen.known(wanted);
        return drawn === null ? [] : [[stopId, drawn] as const];
      }),
    );
    const missing = all.filter(({ stopId }) => !known.has(stopId));
    if (missing.length === 0) return of(known);
    return from(missing).pipe(
      concatMap(({ stopId, wanted }) => this.seen.seen(wanted).pipe(map((drawn) => ({ stopId, drawn })))),
      scan((sights: SightsOfWalk, { stopId, drawn }) => (drawn === null ? sights : new Map(sights).set(stopId, drawn)), known),
      startWith(known),
    );
  }
}
