import { walkClock } from '../../light/index.js';
import type { Outing } from '../../outing/index.js';
import type { Approach, Stop } from '../../stop/index.js';
import { stopsToday, type Walk } from '../../walk/index.js';
import type { LogStay, PlannedMoment } from './walkLog.js';

type Cards = (stop: Stop, fromMs: number, toMs: number) => readonly PlannedMoment[];

function stayAt(stop: Stop, fromMs: number, toMs: number, cards: readonly PlannedMoment[]): LogStay {
  const { id, name, intent, position } = stop;
  return { stopId: id, name, intent, position, fromMs, toMs: Math.max(fromMs, toMs), cards };
}

/** Stays as they were walked, each from the arrival until one went on, came elsewhere or the walk was over. */
function staysWalked(stops: readonly Stop[], { happenings, endedMs }: Outing): readonly LogStay[] {
  return happenings.flatMap((arrived, k) => {
    const stop = stops.find(({ id }) => id === arrived.stopId);
    if (arrived.event.kind !== 'arrived' || stop === undefined) return [];
    const after = happenings.slice(k + 1);
    const left = after.findIndex(({ event }) => event.kind === 'arrived' || event.kind === 'wentOn' || event.kind === 'notToday');
    const there = [arrived, ...(left === -1 ? after : after.slice(0, left + 1))].filter(({ stopId }) => stopId === stop.id);
    const toMs = left === -1 ? (endedMs ?? (there.at(-1) ?? arrived).atMs) : (after[left]?.atMs ?? arrived.atMs);
    const cards = there.flatMap(({ atMs, moment }) => (moment === null ? [] : [{ atMs, moment }]));
    return [stayAt(stop, arrived.atMs, toMs, cards)];
  });
}

/** Stays as they were planned; none on a day that the zone skipped. */
function staysPlanned(walk: Walk): readonly LogStay[] {
  const clock = walkClock(walk.day, walk.place.timeZone);
  if (clock === null) return [];
  return stopsToday(walk).map((stop) => stayAt(stop, clock.msAt(stop.arriveMin), clock.msAt(stop.leaveMin), []));
}

/**
 * What a walk is held against: as it was walked where somebody noted that, else as planned; with the cards that stood there, and
 * where none was noted those that are asked for. Source: docs/log.md#matching.
 */
export function staysOf(walk: Walk, outing: Outing | null, cards: Cards): readonly LogStay[] {
  const stops = stopsToday(walk);
  const walked = outing === null ? [] : staysWalked(stops, outing);
  const planned = staysPlanned(walk).filter(({ stopId }) => !walked.some((stay) => stay.stopId === stopId));
  return [...walked, ...planned]
    .sort((a, b) => a.fromMs - b.fromMs)
    .map((stay) => {
      const stop = stops.find(({ id }) => id === stay.stopId);
      if (stop === undefined) return stay;
      const approach: Approach = stop.approach ?? walk.approach;
      return { ...stay, approach, cards: stay.cards.length > 0 ? stay.cards : cards(stop, stay.fromMs, stay.toMs) };
    });
}

/**
 * Stays of a walk that has gone on since they were first copied: as they are by now, with the cards that were kept already, for
 * those may be of a kit that has changed; a stop that the walk has no more keeps its stay.
 */
export function staysAgain(before: readonly LogStay[], now: readonly LogStay[]): readonly LogStay[] {
  const left = before.filter(({ stopId }) => !now.some((stay) => stay.stopId === stopId));
  const kept = now.map((stay) => {
    const earlier = before.filter(({ stopId }) => stopId === stay.stopId);
    const own = earlier.flatMap(({ cards }) => cards);
    const approach = earlier[0]?.approach ?? stay.approach;
    const others = stay.cards.filter(({ atMs }) => !own.some((card) => card.atMs === atMs));
    const cards = own.length === 0 ? stay.cards : [...own, ...others].sort((a, b) => a.atMs - b.atMs);
    return { ...stay, cards, ...(approach === undefined ? {} : { approach }) };
  });
  return [...kept, ...left].sort((a, b) => a.fromMs - b.fromMs);
}
