import type { PlannedStay } from '@roam-dial/core/plan';
import type { Stop } from '@roam-dial/core/stop';
import type { Pause, Walk } from '@roam-dial/core/walk';
import type { WorkspaceChange } from '../workspace/lists';
import { changeWalk } from './walk.edits';

/** On the walk again. */
export function takenBack({ isSetAside: _, ...stop }: Stop): Stop {
  return stop;
}

/** Typed minutes belong to the leg that they were typed for. */
function withoutStaleWalk(stop: Stop, before: string | undefined, beforeThen: string | undefined): Stop {
  return before === beforeThen ? stop : { ...stop, walkMin: null };
}

/** The stops with planned stays in their order, the others set aside behind them; the pauses at their times. */
export function withPlan(walk: Walk, stays: readonly PlannedStay[]): Walk {
  const { stops, pauses } = walk;
  const before = new Map(stops.map(({ id }, k) => [id, stops[k - 1]?.id]));
  const planned = stays.flatMap(({ id, fromMin, toMin }) => {
    const stop = stops.find((one) => one.id === id);
    return stop === undefined ? [] : [{ ...takenBack(stop), arriveMin: fromMin, leaveMin: Math.max(fromMin + 1, toMin) }];
  });
  const today = planned.map((stop, k) => withoutStaleWalk(stop, planned[k - 1]?.id, before.get(stop.id)));
  const aside = stops.filter(({ id }) => !planned.some((one) => one.id === id)).map((stop) => ({ ...stop, isSetAside: true }));
  const timed = pauses?.map((pause): Pause => ({ ...pause, atMin: stays.find(({ id }) => id === pause.id)?.fromMin ?? null }));
  return { ...walk, stops: [...today, ...aside], isPlanned: true, ...(timed === undefined ? {} : { pauses: timed }) };
}

export const takePlan = (walkId: string, stays: readonly PlannedStay[]): WorkspaceChange =>
  changeWalk(walkId, (walk) => withPlan(walk, stays));

/**
 * The rest of a day as it has been planned from a minute on: what is over stays before it, as it was, and so do the pauses that
 * have begun; what is not planned any more is set aside.
 */
export const takeRest = (
  walkId: string,
  over: readonly Pick<Stop, 'id' | 'arriveMin' | 'leaveMin'>[],
  rest: readonly PlannedStay[],
  nowMin: number,
): WorkspaceChange =>
  changeWalk(walkId, (walk) => {
    const asItWas = (id: string, fromMin: number, toMin: number): PlannedStay => ({ id, fromMin, toMin, worth: 0, spareMin: 0 });
    const begun = (walk.pauses ?? []).flatMap(({ id, atMin, stayMin }) =>
      atMin === null || atMin > nowMin || rest.some((stay) => stay.id === id) ? [] : [asItWas(id, atMin, atMin + stayMin)],
    );
    return withPlan(walk, [...over.map(({ id, arriveMin, leaveMin }) => asItWas(id, arriveMin, leaveMin)), ...begun, ...rest]);
  });

/** Left out of the day, behind all others. */
export const setAside = (walkId: string, stopId: string): WorkspaceChange =>
  changeWalk(walkId, (walk) => {
    const stop = walk.stops.find(({ id }) => id === stopId);
    if (stop === undefined) return walk;
    return { ...walk, stops: [...walk.stops.filter((one) => one !== stop), { ...stop, isSetAside: true }] };
  });

/** Back on the walk, where its stay lies among the others. */
export const takeBack = (walkId: string, stopId: string): WorkspaceChange =>
  changeWalk(walkId, (walk) => {
    const stop = walk.stops.find(({ id }) => id === stopId);
    if (stop === undefined) return walk;
    const others = walk.stops.filter((one) => one !== stop);
    const at = others.findIndex(({ arriveMin, isSetAside }) => isSetAside === true || arriveMin > stop.arriveMin);
    const where = at === -1 ? others.length : at;
    return { ...walk, stops: [...others.slice(0, where), takenBack(stop), ...others.slice(where)] };
  });
