import { crowdShareAt, suitablePerMinute, waitAhead } from '@roam-dial/core/day';
import { peopleWishOf, type Stop, type StopDay } from '@roam-dial/core/stop';
import { type Leg, stopsInOrder, type Walk } from '@roam-dial/core/walk';
import { lateLegs, minutesInLight, type WalkRow } from './chart/walk-chart.geometry';
import type { Wording } from '../../words/wording';
import { nameOf } from '../../words/name';

/** The walk as the rows of its chart. */
export function walkRows(walk: Walk, legs: readonly Leg[], days: ReadonlyMap<string, StopDay | null>): readonly WalkRow[] {
  let alongM = 0;
  return stopsInOrder(walk).map((stop, k) => {
    alongM += legs[k - 1]?.distanceM ?? 0;
    const windows = days.get(stop.id)?.windows ?? [];
    return {
      stopId: stop.id,
      name: nameOf(stop),
      isSetAside: stop.isSetAside === true,
      arriveMin: stop.arriveMin,
      leaveMin: stop.leaveMin,
      alongM,
      walkMin: legs[k]?.walkMin ?? null,
      crowdByHour: stop.crowdByHour,
      isMeasured: days.has(stop.id),
      windows: windows.map(({ fromMin, toMin, label }) => ({
        fromMin,
        toMin,
        label,
        isSun: days.get(stop.id)?.isLit[Math.round((fromMin + toMin) / 2)] === 1,
      })),
    };
  });
}

export interface WalkGain {
  readonly lightMin: number;
  readonly late: readonly { readonly name: string; readonly byMin: number }[];
}

export function walkGain(rows: readonly WalkRow[]): WalkGain {
  return { lightMin: rows.reduce((sum, row) => sum + minutesInLight(row), 0), late: lateLegs(rows) };
}

const WANTED_FRAMES = 3;

/** What the selected stay is good for: its minutes of light, and who may come by in them. */
export function staySentence(walk: Walk, rows: readonly WalkRow[], stopId: string | null, wording: Wording): string {
  const row = rows.find((one) => one.stopId === stopId);
  const stop = walk.stops.find((one) => one.id === stopId);
  if (row === undefined || stop === undefined) return '';
  const stay = row.leaveMin - row.arriveMin;
  if (row.isSetAside) return `${row.name} is set aside today.`;
  if (!row.isMeasured) return `${row.name}: ${wording.duration(stay)}, its light is being measured.`;
  const light = minutesInLight(row);
  const lit =
    light === stay ? 'all of it in its light' : light === 0 ? 'none of it in its light' : `${light} min of it in its light`;
  const start = `${row.name}: ${wording.duration(stay)}, ${lit}.`;
  if (light === 0 || peopleWishOf(stop.intent, stop.wishes) !== 'people') return start;
  const suitablePerMin = suitableInLight(stop, row);
  const { chance } = waitAhead({ suitablePerMin, wanted: WANTED_FRAMES, goodChance: 1 });
  const { fourInFive } = waitAhead({ suitablePerMin, wanted: 1, goodChance: 1 });
  const waits =
    fourInFive.kind === 'within'
      ? `four in five waits end within ${wording.duration(Math.max(1, fourInFive.minutes))}`
      : `somebody at all: at most ${wording.chance(fourInFive.atMost)}`;
  return `${start} At least ${WANTED_FRAMES} good subjects: ${wording.chance(chance)}; ${waits}.`;
}

/** Who would do, by the minutes of a stay that are in its light. */
function suitableInLight({ crowdByHour, movers }: Stop, row: WalkRow): readonly number[] {
  const minutes = Array.from({ length: Math.max(0, row.leaveMin - row.arriveMin) }, (_, k) => row.arriveMin + k);
  const isLit = (minute: number): boolean => row.windows.some(({ fromMin, toMin }) => minute >= fromMin && minute <= toMin);
  return minutes
    .filter(isLit)
    .map((minute) =>
      suitablePerMinute({ ...movers, passersPerMinute: movers.passersPerMinute * crowdShareAt(crowdByHour, minute) }),
    );
}

/** What a drag has gained or lost since it began. */
export function gainSentence(before: WalkGain, after: WalkGain): string {
  const gained = after.lightMin - before.lightMin;
  const light = gained === 0 ? 'no light gained or lost' : `${Math.abs(gained)} min of light ${gained > 0 ? 'gained' : 'lost'}`;
  return [light, ...after.late.map(({ name, byMin }) => `${byMin} min late at ${name}`)].join('; ');
}
