import { type PlannedMoment, staysOf, type WalkLog } from '@roam-dial/core/log';
import { minuteAt, momentOf, type Outing } from '@roam-dial/core/outing';
import type { Stop } from '@roam-dial/core/stop';
import { isOfWalk, type Walk } from '@roam-dial/core/walk';
import type { Workspace } from '../../storage/workspace';
import { cardFor } from '../card/card.store';
import type { DaysByStop } from '../light/days.store';

/** The cards of a stay are kept for its beginning, its middle and its end. */
const CARD_SHARES = [0, 0.5, 1] as const;

function cardsOfStay(workspace: Workspace, walk: Walk, days: DaysByStop) {
  return (stop: Stop, fromMs: number, toMs: number): readonly PlannedMoment[] =>
    CARD_SHARES.flatMap((share) => {
      const atMs = fromMs + share * (toMs - fromMs);
      const minuteOfDay = minuteAt(walk, atMs);
      const card = cardFor(workspace, { walk, stop, stopIndex: walk.stops.indexOf(stop), minuteOfDay }, days.get(stop.id) ?? null);
      return card.kind === 'card' ? [{ atMs, moment: momentOf(card) }] : [];
    });
}

/** The last time that it was really walked on its day: a rehearsal, or another day, says nothing of when frames were taken. */
export function walkedOn({ outings }: Pick<Workspace, 'outings'>, walk: Walk): Outing | null {
  const isOfDay = ({ startedMs }: Outing): boolean => isOfWalk(walk, minuteAt(walk, startedMs));
  return outings.filter((one) => one.walkId === walk.id && one.clock.kind === 'own' && isOfDay(one)).at(-1) ?? null;
}

/** A log for a walk, with what was planned as it stands now. */
export function newLog(id: string, workspace: Workspace, walk: Walk, days: DaysByStop): WalkLog {
  const outing = walkedOn(workspace, walk);
  return {
    id,
    walkId: walk.id,
    name: walk.name,
    day: walk.day,
    timeZone: walk.place.timeZone,
    stays: staysOf(walk, outing, cardsOfStay(workspace, walk, days)),
    cameras: [],
    lenses: [],
    rolls: [],
  };
}
