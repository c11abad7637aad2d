import type { Stop } from '../stop/index.js';
import type { MissReason, Outing } from './outing.js';

/** What came of one stop of a walk. */
export interface StopSummary {
  readonly stop: Stop;
  /** Instants, milliseconds since 1970; null where one never came, or never went on. */
  readonly cameMs: number | null;
  readonly leftMs: number | null;
  readonly isGot: boolean;
  /** Why frames got away, each once, in the order in which it was said. */
  readonly missed: readonly MissReason[];
  /** Stops by which the light was found off the model while one was there; null where nobody looked. */
  readonly lightOffEv: number | null;
}

/** A walk that was walked, stop by stop in their order: when one was there, what was got, what was missed and why. */
export function walkSummary(
  today: readonly Stop[],
  { happenings, endedMs }: Pick<Outing, 'happenings' | 'endedMs'>,
): readonly StopSummary[] {
  return today.map((stop) => {
    const own = happenings.filter(({ stopId }) => stopId === stop.id);
    const came = own.find(({ event }) => event.kind === 'arrived');
    const left = own.filter(({ event }) => event.kind === 'wentOn').at(-1);
    const missed = own.flatMap(({ event }) => (event.kind === 'missed' ? [event.why] : []));
    const read = own
      .flatMap(({ moment }) => (moment === null || moment.readingOffsetEv === 0 ? [] : [moment.readingOffsetEv]))
      .at(-1);
    return {
      stop,
      cameMs: came?.atMs ?? null,
      leftMs: left?.atMs ?? (came === undefined ? null : endedMs),
      isGot: own.some(({ event }) => event.kind === 'got'),
      missed: [...new Set(missed)],
      lightOffEv: read ?? null,
    };
  });
}
