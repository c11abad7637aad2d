import { Injectable, inject } from '@angular/core';
import { walkClock, sunPosition } from '@roam-dial/core/light';
import { type Return, type ReturnDays, runOn, sameDarkness } from '@roam-dial/core/outing';
import { lightInputFor, siteOf } from '@roam-dial/core/plan';
import type { Walk } from '@roam-dial/core/walk';
import { concatMap, distinctUntilChanged, from, map, type Observable, of, scan, startWith, switchMap, throttleTime } from 'rxjs';
import { newWalk } from '../../storage/defaults';
import { today } from '../../base/today';
import type { Workspace } from '../../storage/workspace';
import { answersOf } from '../../workers/answers';
import { LightClient } from '../../workers/light/light.client';
import { Lru } from '../../base/lru';
import { siteRefOf } from '../../workers/light/light-jobs';
import { shared } from '../../base/shared';
import { WorkspaceStore } from '../workspace/workspace.store';

/** The days on which a return has its light again, from today on; by the id of the return, as far as they are known. */
export type DaysOfReturns = ReadonlyMap<string, ReturnDays | null>;

/** So near the sun has to come to where it stood (s). */
const WITHIN_DEG = 2;
const MOST_KEPT = 2000;
/** What becomes known within so long is told together: a thousand places do not draw a list a thousand times. */
const TOGETHER_MS = 200;
/** How far ahead is looked: a year and a little. */
const DAYS_AHEAD = 400;

/** Whole days from one to another that lies after it; 0 where it does not. */
function daysUntil(day: string, later: string): number {
  return Math.max(0, Math.round((Date.parse(later) - Date.parse(day)) / 86_400_000));
}

const laterOf = (a: string, b: string): string => (a < b ? b : a);

/** A return as a walk of one stop: what the light of a place is asked with. */
function walkOfReturn({ stop, place, districtId, day }: Return): Walk {
  return { ...newWalk('return', day, null), place, districtId, stops: [stop] };
}

/** Whether a return wants the sun, or the dark. */
function isByDay({ stop, place, day, lightMin }: Return): boolean {
  const clock = walkClock(day, place.timeZone);
  const where = stop.position ?? place;
  return clock !== null && sunPosition({ ...where, time: new Date(clock.msAt(lightMin)), refraction: 'none' }).altitudeDeg > 0;
}

/** The minute of a day at which a return has its light: as the sun comes back, or as it gets dark; null where it does not. */
export function returnMinuteOf({ stop, place, day, lightMin }: Return, days: ReturnDays, onDay: string): number | null {
  if (days.kind === 'anyDay') {
    const where = { ...(stop.position ?? place), timeZone: place.timeZone };
    return sameDarkness(where, { day, minuteOfDay: lightMin }, onDay);
  }
  return runOn(days, onDay)?.minuteOfDay ?? null;
}

/** What is only said of a return, or who is wanted there, is no matter of its light. */
export function isSameLight(a: readonly Return[], b: readonly Return[]): boolean {
  const isSame = (one: Return, k: number): boolean => {
    const other = b[k];
    return one.id === other?.id && one.stop === other.stop && one.day === other.day && one.lightMin === other.lightMin;
  };
  return a === b || (a.length === b.length && a.every(isSame));
}

@Injectable({ providedIn: 'root' })
export class ReturnsStore {
  private readonly client = inject(LightClient).years;
  private readonly known = new Lru<string, ReturnDays>(MOST_KEPT);
  private readonly workspace$ = inject(WorkspaceStore).workspace$;

  readonly returns$: Observable<readonly Return[]> = this.workspace$.pipe(
    map(({ returns }) => returns),
    distinctUntilChanged(),
    shared(),
  );

  /** One after the other, each as soon as it is known; null where it could not be worked out. */
  readonly days$: Observable<DaysOfReturns> = this.workspace$.pipe(
    distinctUntilChanged((a, b) => a.districts === b.districts && isSameLight(a.returns, b.returns)),
    switchMap((workspace) => this.daysFor(workspace, workspace.returns)),
    shared(),
  );

  /** The same of lights that nobody has kept yet. */
  daysFor(workspace: Workspace, returns: readonly Return[]): Observable<DaysOfReturns> {
    return from(returns).pipe(
      concatMap((one) => this.daysOf(workspace, one).pipe(map((days) => [one.id, days] as const))),
      scan((all, [id, days]) => all.set(id, days), new Map<string, ReturnDays | null>()),
      throttleTime(TOGETHER_MS, undefined, { leading: true, trailing: true }),
      map((all) => new Map(all)),
      startWith(new Map<string, ReturnDays | null>()),
    );
  }

  private daysOf(workspace: Workspace, one: Return): Observable<ReturnDays | null> {
    if (!isByDay(one)) return of({ kind: 'anyDay' });
    const walk = walkOfReturn(one);
    const site = siteOf(workspace, walk, one.stop);
    const now = today();
    const question = {
      kind: 'sameLight',
      site: siteRefOf(site),
      input: { ...lightInputFor(workspace, walk, one.stop), fromDay: one.day, days: daysUntil(one.day, now) + DAYS_AHEAD },
      day: one.day,
      minuteOfDay: one.lightMin,
      withinDeg: WITHIN_DEG,
    } as const;
    const key = JSON.stringify([question, now]);
    const known = this.known.get(key);
    if (known !== undefined) return of(known);
    return answersOf(this.client.ask<'sameLight'>(question, site.kind === 'district' ? site.district : null)).pipe(
      map((runs) => {
        if (runs === null) return null;
        const ahead = runs
          .filter(({ toDay }) => toDay >= now)
          .map((run) => ({ ...run, fromDay: laterOf(run.fromDay, now), day: laterOf(run.day, now) }));
        const days: ReturnDays = { kind: 'runs', runs: ahead };
        this.known.set(key, days);
        return days;
      }),
    );
  }
}
