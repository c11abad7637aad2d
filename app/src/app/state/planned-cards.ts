import { momentOf, type Outing, type PlannedMoment, staysOf, type Stop, type Walk, type WalkLog } from '@roam-dial/core';
import type { Workspace } from '../data/workspace';
import { cardFor } from './card.store';
import type { DaysByStop } from './days.store';
import { minuteAt } from './outing.store';

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

/** A log for a walk, with what was planned as it stands now. */
export function newLog(id: string, workspace: Workspace, walk: Walk, days: DaysByStop): WalkLog {
  const outing: Outing | null = workspace.outings.filter(({ walkId }) => walkId === walk.id).at(-1) ?? null;
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
