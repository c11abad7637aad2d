import {
  stopsToday,
  type Leg,
  type StopDay,
  type Walk,
  chanceOfAtLeast,
  expectedForChance,
  suitablePerMinute,
} from '@roam-dial/core';
import { lateLegs, minutesInLight, type WalkRow } from '../../charts/walk-chart/walk-chart.geometry';
import type { Wording } from '../../wording/wording';
import { nameOf } from '../../wording/name';

/** The walk as the rows of its chart. */
export function walkRows(walk: Walk, legs: readonly Leg[], days: ReadonlyMap<string, StopDay | null>): readonly WalkRow[] {
  let alongM = 0;
  const today = stopsToday(walk);
  const aside = walk.stops.filter((stop) => !today.includes(stop));
  return [...today, ...aside].map((stop, k) => {
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
  const rate = suitablePerMinute(stop.movers);
  const start = `${row.name}: ${wording.duration(stay)}, ${lit}.`;
  if (rate === 0 || light === 0) return start;
  const chance = wording.chance(chanceOfAtLeast(WANTED_FRAMES, rate * light));
  return `${start} At least ${WANTED_FRAMES} who would do: ${chance}; four in five waits end within ${wording.duration(Math.max(1, expectedForChance(1, 0.8) / rate))}.`;
}

/** What a drag has gained or lost since it began. */
export function gainSentence(before: WalkGain, after: WalkGain): string {
  const gained = after.lightMin - before.lightMin;
  const light = gained === 0 ? 'no light gained or lost' : `${Math.abs(gained)} min of light ${gained > 0 ? 'gained' : 'lost'}`;
  return [light, ...after.late.map(({ name, byMin }) => `${byMin} min late at ${name}`)].join('; ');
}
