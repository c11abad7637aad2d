import type { Place } from '@roam-dial/core/light';
import { isWithinReach, kitInHand, lightFor, setUpInputFor, type StopOfDay, type PlannableWalk } from '@roam-dial/core/plan';
import type { Stop, StopDay } from '@roam-dial/core/stop';
import { endOfDayPlace, minutesOnFoot, stopsToday, type Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../../storage/workspace';
import type { PlacePair, WayOf } from './foot-ways';

/** More than anybody walks to in a day; every pair of them has a way to be found (s). */
export const MOST_PLANNED = 40;

/** What a plan has to find room for. */
export function visitsOf({ stops, pauses = [] }: Pick<Walk, 'stops' | 'pauses'>): number {
  return stops.length + pauses.length;
}

/** The minute at which a stop's light suits its intent best. */
function bestMinute({ quality }: StopDay): number {
  return quality.reduce((best, its, minute) => (its > (quality[best] as number) ? minute : best), 0);
}

export function stopOfDay(workspace: Workspace, walk: Walk, stop: Stop, day: StopDay): StopOfDay {
  const { quality, keyEv100, squareSideM, readingOffsetEv } = day;
  const kit = kitInHand(workspace.kit, walk, stop);
  const light = lightFor(walk, stop, bestMinute(day), day);
  const isReached = kit !== null && light !== null && isWithinReach(kit, stop);
  return {
    stop,
    light: { quality, keyEv100, squareSideM, readingOffsetEv },
    input: isReached ? setUpInputFor(workspace, walk, stop, kit, light) : null,
  };
}

/** The places of a day: its stops, its pauses, where it starts and where it ends. */
function placesOf({ stops, pauses = [] }: Walk): readonly (Place | null)[] {
  return [...stops, ...pauses].map(({ position }) => position);
}

/** Every way that a plan may take, in one direction: the other is as long. */
export function pairsOfDay(walk: Walk): readonly PlacePair[] {
  const places = [...placesOf(walk), walk.startsAt ?? null, endOfDayPlace(walk)];
  return places.flatMap((from, k) => places.slice(k + 1).map((to) => ({ from, to })));
}

/**
 * All that a walk's day is planned from, once the light of every stop is known; null before. Minutes that somebody has typed
 * win on the leg that they were typed for.
 */
export function walkOfDay(
  workspace: Workspace,
  walk: Walk,
  days: ReadonlyMap<string, StopDay | null>,
  wayOf: WayOf,
): PlannableWalk | null {
  const stops = walk.stops.flatMap((stop) => {
    const day = days.get(stop.id) ?? null;
    return day === null ? [] : [stopOfDay(workspace, walk, stop, day)];
  });
  if (stops.length < walk.stops.length) return null;
  const places = placesOf(walk);
  const { paceMps } = workspace.standard;
  const minutes = (from: Place | null, to: Place | null): number =>
    minutesOnFoot(from, to, paceMps, wayOf({ from, to }) ?? wayOf({ from: to, to: from }));
  const isSomewhere = (k: number): boolean => k < walk.stops.length || places[k] !== null;
  const walksMin = places.map((from, a) =>
    places.map((to, b) => (a !== b && isSomewhere(a) && isSomewhere(b) ? minutes(from, to) : 0)),
  );
  const numberOf = (stop: Stop | undefined): number => walk.stops.findIndex((one) => one === stop);
  const today = stopsToday(walk);
  today.forEach((stop, k) => {
    const row = walksMin[numberOf(today[k - 1])];
    if (row !== undefined && stop.walkMin !== null) row[numberOf(stop)] = Math.ceil(stop.walkMin);
  });
  const toAll = (place: Place | null | undefined): readonly number[] | null =>
    place == null ? null : places.map((to, k) => (isSomewhere(k) ? minutes(place, to) : 0));
  const { day, place, dayOut, lastRide, pauses } = walk;
  return {
    walk: {
      ...{ day, place },
      ...(dayOut === undefined ? {} : { dayOut }),
      ...(lastRide === undefined ? {} : { lastRide }),
      ...(pauses === undefined ? {} : { pauses }),
    },
    stops,
    walksMin,
    fromStartMin: toAll(walk.startsAt),
    toEndMin: toAll(endOfDayPlace(walk)),
  };
}

/** What of a walk the plan of its day depends on: not when its stays are, nor what is only said of it. */
export function planSignature({ kit, standard }: Pick<Workspace, 'kit' | 'standard'>, walk: Walk): readonly unknown[] {
  const today = stopsToday(walk);
  const stops = walk.stops.map((stop) => {
    const {
      arriveMin,
      leaveMin,
      isSetAside: _,
      hand: __,
      notes: ___,
      cautions: ____,
      consent: _____,
      name: ______,
      walkMin,
      ...matters
    } = stop;
    const stay = stop.wishes?.fixedAtMin === undefined ? null : leaveMin - arriveMin;
    const before = walkMin === null ? null : (today[today.indexOf(stop) - 1]?.id ?? null);
    return { ...matters, stay, before, walkMin: before === null ? null : walkMin };
  });
  const pauses = walk.pauses?.map(({ atMin: _, name: __, ...pause }) => pause);
  const { day, place, dayOut, lastRide, lampsOut, startsAt, endsAt, approach, bodyId, districtId, cloud, forecast, windows } = walk;
  const hours = [dayOut, lastRide, lampsOut];
  return [
    kit,
    standard,
    JSON.stringify([stops, pauses, day, place, hours, startsAt, endsAt, approach, bodyId, districtId, cloud, forecast, windows]),
  ];
}
