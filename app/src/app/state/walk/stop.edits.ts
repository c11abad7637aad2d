import { LAST_WALK_MINUTE } from '@roam-dial/core/light';
import { DEFAULT_INTENTS, type IntentKind, type Stop, type Wishes, zoneForIntent } from '@roam-dial/core/stop';
import { takenBack } from './day-plan.edits';
import { copyName, duplicated, replaced, type WorkspaceChange } from '../workspace/lists';
import { changeWalk } from './walk.edits';

const changeStops = (walkId: string, change: (stops: readonly Stop[]) => readonly Stop[]): WorkspaceChange =>
  changeWalk(walkId, (walk) => ({ ...walk, stops: change(walk.stops) }));

/** Behind the stop with `afterId`, or at the end. */
export const addStop = (walkId: string, stop: Stop, afterId: string | null): WorkspaceChange =>
  changeStops(walkId, (stops) => {
    const index = stops.findIndex(({ id }) => id === afterId);
    const at = index === -1 ? stops.length : index + 1;
    return [...stops.slice(0, at), stop, ...stops.slice(at)];
  });

export const changeStop = (walkId: string, stopId: string, change: (stop: Stop) => Stop): WorkspaceChange =>
  changeStops(walkId, (stops) => replaced(stops, stopId, change));

export const removeStop = (walkId: string, stopId: string): WorkspaceChange =>
  changeStops(walkId, (stops) => stops.filter(({ id }) => id !== stopId));

export const duplicateStop = (walkId: string, stopId: string, newId: string): WorkspaceChange =>
  changeStops(walkId, (stops) => duplicated(stops, stopId, (stop) => ({ ...stop, id: newId, name: copyName(stop.name) })));

export const moveStop = (walkId: string, from: number, to: number): WorkspaceChange =>
  changeStops(walkId, (stops) => {
    const moving = stops[from];
    if (moving === undefined || to < 0 || to >= stops.length) return stops;
    const rest = stops.filter((_, k) => k !== from);
    // What is set aside comes back by being moved among the others, and none of them goes behind it.
    const last = rest.filter(({ isSetAside }) => isSetAside !== true).length;
    const at = Math.min(to, last);
    return [...rest.slice(0, at), takenBack(moving), ...rest.slice(at)];
  });

const SHORTEST_STAY_MIN = 1;

/** The whole stay moved as it is; within the day. */
export function withArrival(stop: Stop, minute: number): Stop {
  const stay = stop.leaveMin - stop.arriveMin;
  const arriveMin = Math.min(LAST_WALK_MINUTE - Math.max(0, stay), Math.max(0, Math.round(minute)));
  return { ...stop, arriveMin, leaveMin: arriveMin + stay };
}

/** An arrival that somebody names stands; what of the stay lies beyond the end of the day is cut. */
export function arrivingAt(stop: Stop, minute: number): Stop {
  const stay = Math.max(SHORTEST_STAY_MIN, stop.leaveMin - stop.arriveMin);
  const arriveMin = Math.min(LAST_WALK_MINUTE - SHORTEST_STAY_MIN, Math.max(0, Math.round(minute)));
  return { ...stop, arriveMin, leaveMin: Math.min(LAST_WALK_MINUTE, arriveMin + stay) };
}

/** Leaving stretches the stay; never before arrival. */
export function withLeaving(stop: Stop, minute: number): Stop {
  const leaveMin = Math.min(LAST_WALK_MINUTE, Math.max(stop.arriveMin + SHORTEST_STAY_MIN, Math.round(minute)));
  return { ...stop, leaveMin };
}

/** At the best again. */
export function withoutHand({ hand: _, ...stop }: Stop): Stop {
  return stop;
}

export function withIntent(stop: Stop, kind: IntentKind): Stop {
  if (stop.intent.kind === kind) return stop;
  return { ...stop, intent: DEFAULT_INTENTS[kind], subject: zoneForIntent(stop.subject, stop.intent.kind, kind) };
}

/** A stop with other wishes; without what is as usual. */
export function withWishes(stop: Stop, change: { readonly [Key in keyof Wishes]?: Wishes[Key] | undefined }): Stop {
  const { wishes, ...others } = stop;
  const all = Object.entries({ ...wishes, ...change }).filter(([, value]) => value !== undefined);
  return all.length === 0 ? others : { ...others, wishes: Object.fromEntries(all) as Wishes };
}
