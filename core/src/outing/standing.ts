import type { Stop } from '../stop/index.js';
import type { Happening, Outing } from './outing.js';

/** Where in the walk one is. */
export type Standing =
  | {
      readonly kind: 'onTheWay';
      readonly to: Stop;
      /** The stop that was left; null before the first. */
      readonly from: Stop | null;
      readonly sinceMs: number;
    }
  | {
      readonly kind: 'there';
      readonly at: Stop;
      readonly sinceMs: number;
      readonly isGot: boolean;
    }
  /** Nothing is left to go to. */
  | { readonly kind: 'over'; readonly from: Stop | null; readonly sinceMs: number };

const isMove = ({ event }: Happening): boolean => event.kind === 'arrived' || event.kind === 'wentOn';

/** Stops that are over, and whether they were got: whoever comes back to one is there again. */
function overOf({ happenings }: Pick<Outing, 'happenings'>): ReadonlySet<string> {
  const over = new Set<string>();
  for (const { stopId, event } of happenings) {
    if (event.kind === 'wentOn') over.add(stopId);
    if (event.kind === 'arrived') over.delete(stopId);
  }
  return over;
}

/** Whether the picture of a stop has been got. */
export function isGot({ happenings }: Pick<Outing, 'happenings'>, stopId: string): boolean {
  return happenings.some((one) => one.stopId === stopId && one.event.kind === 'got');
}

/**
 * Where one is: at the stop that one came to last and has not gone on from, else on the way to the first that is not over.
 * `today` are the stops of the day in their order, those set aside left out.
 */
export function standingOf(today: readonly Stop[], outing: Pick<Outing, 'happenings' | 'startedMs'>): Standing {
  const last = outing.happenings.filter(isMove).at(-1) ?? null;
  const lastStop = today.find(({ id }) => id === last?.stopId) ?? null;
  const sinceMs = last?.atMs ?? outing.startedMs;
  if (last?.event.kind === 'arrived' && lastStop !== null) {
    return { kind: 'there', at: lastStop, sinceMs, isGot: isGot(outing, lastStop.id) };
  }
  const over = overOf(outing);
  const to = today.find(({ id }) => !over.has(id));
  return to === undefined ? { kind: 'over', from: lastStop, sinceMs } : { kind: 'onTheWay', to, from: lastStop, sinceMs };
}

/** The stop after the one that one is at, or is going to. */
export function nextAfter(today: readonly Stop[], outing: Pick<Outing, 'happenings' | 'startedMs'>): Stop | null {
  const standing = standingOf(today, outing);
  if (standing.kind === 'over') return null;
  const here = standing.kind === 'there' ? standing.at : standing.to;
  const over = overOf(outing);
  return today.find((stop) => stop !== here && !over.has(stop.id)) ?? null;
}
