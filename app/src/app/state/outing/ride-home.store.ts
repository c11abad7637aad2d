import { inject, Injectable } from '@angular/core';
import type { Place } from '@roam-dial/core/light';
import { districtOf } from '@roam-dial/core/plan';
import { endOfDayPlace, type LastRide, leaveForRideMin, minutesOnFoot, type Walk } from '@roam-dial/core/walk';
import { combineLatest, distinctUntilChanged, map, type Observable, of, switchMap } from 'rxjs';
import { shared } from '../../base/shared';
import { FootWays } from '../walk/foot-ways';
import { slice } from '../workspace/slice';
import { WorkspaceStore } from '../workspace/workspace.store';
import { OutingStore, type Running } from './outing.store';

/** The last ride home, and the way to it from where one is or is going. */
export interface RideHome {
  readonly ride: LastRide;
  /** Whole minutes on foot; 0 where nobody knows from where it goes. */
  readonly footMin: number;
  /** The latest minute at which one goes to it. */
  readonly leaveByMin: number;
}

interface Asked {
  readonly walk: Walk;
  readonly ride: LastRide;
  readonly from: Place | null;
}

function askedOf({ walk, standing, today }: Running): Asked | null {
  if (walk.lastRide === undefined) return null;
  const stop = standing.kind === 'there' ? standing.at : standing.kind === 'onTheWay' ? standing.to : today.at(-1);
  return { walk, ride: walk.lastRide, from: stop?.position ?? null };
}

/** By when one has to go so as not to miss the last ride. */
@Injectable({ providedIn: 'root' })
export class RideHomeStore {
  private readonly ways = inject(FootWays);

  readonly ride$: Observable<RideHome | null> = combineLatest([
    inject(OutingStore).running$.pipe(
      map((running) => (running === null ? null : askedOf(running))),
      distinctUntilChanged((a, b) => a?.walk === b?.walk && a?.from === b?.from),
    ),
    inject(WorkspaceStore).workspace$.pipe(slice('districts', 'standard')),
  ]).pipe(
    switchMap(([asked, workspace]) => {
      if (asked === null) return of(null);
      const { walk, ride, from } = asked;
      const pair = { from, to: endOfDayPlace(walk) };
      return this.ways.between(districtOf(workspace, walk), [pair]).pipe(
        map(({ wayOf }): RideHome => {
          const isKnown = pair.from !== null && pair.to !== null;
          const footMin = isKnown ? Math.ceil(minutesOnFoot(pair.from, pair.to, workspace.standard.paceMps, wayOf(pair))) : 0;
          return { ride, footMin, leaveByMin: leaveForRideMin(ride, footMin) };
        }),
      );
    }),
    shared(),
  );
}
