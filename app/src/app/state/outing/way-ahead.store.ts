import { Injectable, inject } from '@angular/core';
import type { Place } from '@roam-dial/core/light';
import { type Course, courseLengthM, onCourse, placeAlong } from '@roam-dial/core/outing';
import { districtOf } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import { type District, type FootWay, placeAt } from '@roam-dial/core/streets';
import { legBetween, minutesOnFoot } from '@roam-dial/core/walk';
import { BehaviorSubject, combineLatest, distinctUntilChanged, map, type Observable, of, switchMap, tap } from 'rxjs';
import type { Workspace } from '../../storage/workspace';
import { DevicePositionStore, type Position } from '../device/device-position';
import { FootWays } from '../walk/foot-ways';
import { OutingStore, type Running, type RunningNow } from './outing.store';
import { shared } from '../../base/shared';
import { WorkspaceStore } from '../workspace/workspace.store';

/** The way to the stop that one is going to, or will go to next. */
export interface WayNow {
  readonly from: Place | null;
  readonly to: Stop;
  /** Empty where a place is not known. */
  readonly course: Course;
  readonly isAlongStreets: boolean;
  readonly walkMin: number;
  /** Null where a place is not known. */
  readonly lengthM: number | null;
}

/** What of a way is still to be walked. */
export interface WayLeft {
  readonly way: WayNow;
  readonly leftMin: number;
  readonly leftM: number | null;
  /** Where one is: as the device says, as a simulated walker walks; null where nobody knows. */
  readonly here: Place | null;
  /** Close enough to be there. */
  readonly isThere: boolean;
}

/** Further beside a way than this one is on another (s). */
const BESIDE_M = 50;
/** So close to a stop one is there (s); a position worse than the second figure says nothing. */
const THERE_M = 25;
const VAGUE_M = 60;
const MINUTE_MS = 60_000;

function courseOf(district: District | null, from: Place | null, to: Place | null, way: FootWay | null): Course {
  if (from === null || to === null) return [];
  if (way === null || district === null) return [from, to];
  return way.points.map(([eastM, northM]) => placeAt(district.origin, { eastM, northM }));
}

/** From where one comes and to where one goes next: from the stop that one is at, or has left, else from the start. */
function endsOf({
  walk,
  standing,
  next,
}: Running): { readonly from: Stop | null; readonly to: Stop; readonly start: Place | null } | null {
  if (standing.kind === 'over') return null;
  if (standing.kind === 'there') return next === null ? null : { from: standing.at, to: next, start: standing.at.position };
  const { from, to } = standing;
  return { from, to, start: from === null ? (walk.startsAt ?? null) : from.position };
}

/** How far it is to the next stop, and where one is on the way there. */
@Injectable({ providedIn: 'root' })
export class WayAheadStore {
  private readonly ways = inject(FootWays);
  private readonly outings = inject(OutingStore);
  private readonly device = inject(DevicePositionStore);
  private readonly workspace$ = inject(WorkspaceStore).workspace$;

  /** Where somebody has been found off the way, or before there was one: from there it is looked for anew. */
  private readonly found = new BehaviorSubject<{ readonly toId: string; readonly place: Place } | null>(null);

  readonly way$: Observable<WayNow | null> = combineLatest([this.outings.running$, this.workspace$, this.found]).pipe(
    map(([running, workspace, found]) => (running === null ? null : fromHere(legOf(running, workspace), found))),
    distinctUntilChanged(isSameLeg),
    switchMap((leg) => (leg === null ? of(null) : this.wayOf(leg))),
    shared(),
  );

  readonly left$: Observable<WayLeft | null> = combineLatest([this.outings.now$, this.way$, this.device.position$]).pipe(
    map(([now, way, device]) => {
      const position = device.kind === 'known' && device.position.accuracyM <= VAGUE_M ? device.position : null;
      return { now, way, position };
    }),
    tap(({ now, way, position }) => {
      if (now === null || way === null || position === null || !isAstray(now, way, position)) return;
      this.found.next({ toId: way.to.id, place: position.place });
    }),
    map(({ now, way, position }) => (now === null || way === null ? null : leftOf(now, way, position))),
    shared(),
  );

  private wayOf({ ends, district, paceMps }: LegAsked): Observable<WayNow> {
    const { from, to, start } = ends;
    const pair = { from: start, to: to.position };
    return this.ways.between(district, [pair]).pipe(
      map(({ wayOf }) => {
        const way = wayOf(pair);
        const course = courseOf(district, start, to.position, way);
        const leg = from === null ? null : legBetween(from, to, paceMps, way);
        const walkMin = leg?.walkMin ?? (start === null ? 0 : minutesOnFoot(start, to.position, paceMps, way));
        const lengthM = leg?.distanceM ?? (course.length === 0 ? null : courseLengthM(course));
        return { from: start, to, course, isAlongStreets: way !== null, walkMin, lengthM: course.length === 0 ? null : lengthM };
      }),
    );
  }
}

interface LegAsked {
  readonly ends: NonNullable<ReturnType<typeof endsOf>>;
  readonly district: District | null;
  readonly paceMps: number;
}

function legOf(running: Running, workspace: Workspace): LegAsked | null {
  const ends = endsOf(running);
  if (ends === null) return null;
  return { ends, district: districtOf(workspace, running.walk), paceMps: workspace.standard.paceMps };
}

/** The same leg from another place, where somebody has been found on the way to the same stop. */
function fromHere(leg: LegAsked | null, found: { readonly toId: string; readonly place: Place } | null): LegAsked | null {
  if (leg === null || found?.toId !== leg.ends.to.id) return leg;
  return { ...leg, ends: { ...leg.ends, from: null, start: found.place } };
}

/** Whether somebody is on another way than the one that is known. */
function isAstray({ standing, outing }: RunningNow, { course, from }: WayNow, { place }: Position): boolean {
  if (standing.kind !== 'onTheWay' || outing.clock.kind === 'simulated') return false;
  if (course.length === 0) return from === null;
  const found = onCourse(course, place);
  return found !== null && found.besideM > BESIDE_M;
}

function isSameLeg(a: LegAsked | null, b: LegAsked | null): boolean {
  if (a === null || b === null) return a === b;
  const isSameWay = a.ends.from === b.ends.from && a.ends.to === b.ends.to && a.ends.start === b.ends.start;
  return isSameWay && a.district?.ways === b.district?.ways && a.paceMps === b.paceMps;
}

/** What is left by the time that has been walked, or by where the device says that one is. */
export function leftOf({ standing, nowMs, outing }: RunningNow, way: WayNow, position: Position | null): WayLeft {
  const { course, walkMin, lengthM, to } = way;
  if (standing.kind !== 'onTheWay') return { way, leftMin: walkMin, leftM: lengthM, here: way.from, isThere: false };
  const walked = walkMin === 0 ? 1 : Math.min(1, Math.max(0, (nowMs - standing.sinceMs) / (walkMin * MINUTE_MS)));
  const isSimulated = outing.clock.kind === 'simulated';
  if (isSimulated || position === null || course.length === 0) {
    const leftM = lengthM === null ? null : lengthM * (1 - walked);
    const here = isSimulated ? placeAlong(course, courseLengthM(course) * walked) : null;
    return { way, leftMin: walkMin * (1 - walked), leftM, here, isThere: isSimulated && walked >= 1 };
  }
  return byPosition(way, to, position.place);
}

function byPosition(way: WayNow, to: Stop, here: Place): WayLeft {
  const found = onCourse(way.course, here);
  const straightM = to.position === null ? null : courseLengthM([here, to.position]);
  const isOnIt = found !== null && found.besideM <= BESIDE_M;
  const leftM = isOnIt ? found.leftM : straightM;
  const paceMPerMin = (way.lengthM ?? 0) / Math.max(1, way.walkMin);
  const leftMin = leftM === null || paceMPerMin === 0 ? way.walkMin : leftM / paceMPerMin;
  return { way, leftMin, leftM, here, isThere: straightM !== null && straightM <= THERE_M };
}
