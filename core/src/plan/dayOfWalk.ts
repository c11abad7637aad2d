import {
  crowdShareAt,
  type DayQuestion,
  DEFAULT_STAY,
  fixedAt,
  goodFramesOfUsefulStay,
  goodFramesPerMin,
  type MinuteSpan,
  suitablePerMinute,
  type Visit,
} from '../day/index.js';
import { type WalkClock, walkClock } from '../light/index.js';
import type { SetUpInput } from '../setup/index.js';
import { fieldAtDistance } from '../optics/index.js';
import { isAloneWished, overMidnight, peopleWishOf, type Stop, type StopDay } from '../stop/index.js';
import { dayOutOf, endOfDayMin, type Pause, type Walk } from '../walk/index.js';
import { chanceAt, chancesByLight } from './chances.js';

/** A stop with its measured light and the search that its chances come from; null without a kit that reaches it. */
export interface StopOfDay {
  readonly stop: Stop;
  readonly light: Pick<StopDay, 'quality' | 'keyEv100' | 'squareSideM' | 'readingOffsetEv'>;
  readonly input: SetUpInput | null;
}

/** All that a walk's day is planned from: plain data, for a worker. */
export interface PlannableWalk {
  readonly walk: Pick<Walk, 'day' | 'place' | 'dayOut' | 'lastRide' | 'pauses'>;
  readonly stops: readonly StopOfDay[];
  /** Whole minutes on foot between the stops and then the pauses, by number; a pause without a place has none. */
  readonly walksMin: readonly (readonly number[])[];
  readonly fromStartMin: readonly number[] | null;
  readonly toEndMin: readonly number[] | null;
}

/** A walk's day as the planner takes it, its visits in the order of stops and pauses. */
export interface PlannableDay {
  readonly question: DayQuestion;
  readonly clock: WalkClock;
}

/** Minutes of the wall with any light that suits the intent: from the darkest to the brightest of them. */
function lightSpan({ quality, keyEv100 }: StopOfDay['light'], offsetEv: number): readonly [number, number] | null {
  let [low, high] = [Infinity, -Infinity];
  for (let minute = 0; minute < quality.length; minute++) {
    if ((quality[minute] as number) === 0) continue;
    const ev = (keyEv100[minute] as number) + offsetEv;
    low = Math.min(low, ev);
    high = Math.max(high, ev);
  }
  return low > high ? null : [low, high];
}

/** Metres of way that are in the picture where people pass. */
function viewM({ stop, input }: StopOfDay): number {
  if (input === null) return stop.subject.medianM;
  const { focalLengthMm, body } = input;
  const distanceM = Math.max(stop.subject.medianM, (1.01 * focalLengthMm) / 1000);
  return fieldAtDistance({ focalLengthMm, ...body, distanceM }).widthM;
}

/** Everybody who passes crosses the picture (s). */
const CROSSING_SHARE = 1;

/** Suitable passers of a stop at a minute of the wall. */
export function suitableAt(one: StopOfDay, wallMin: number): number {
  const { stop, light } = one;
  const { movers, wishes, intent, streetWidthM, crowdByHour } = stop;
  const side = light.squareSideM[wallMin] ?? 0;
  const isPool = intent.kind === 'lightPool' && side > 0;
  const alone = { crossingShare: CROSSING_SHARE, lengthM: viewM(one), ...movers };
  return suitablePerMinute({
    passersPerMinute: movers.passersPerMinute * crowdShareAt(crowdByHour, wallMin),
    suitableShare: movers.suitableShare,
    ...(isPool ? { patchShare: side / streetWidthM } : {}),
    ...(isAloneWished(intent, wishes) ? { alone } : {}),
  });
}

/** Good frames a minute at a minute of the wall, with the chance of a good frame by the EV of its light. */
export function goodFramesAt(one: StopOfDay, wallMin: number, chanceOf: (ev100: number) => number): number {
  const { stop, light } = one;
  const quality = light.quality[wallMin] ?? 0;
  if (quality === 0) return 0;
  const { wishes, intent, movers, crowdByHour, lightOffsetEv } = stop;
  if (wishes?.usefulMin !== undefined) return goodFramesOfUsefulStay(quality, wishes.usefulMin);
  const ev100 = (light.keyEv100[wallMin] as number) - light.readingOffsetEv + lightOffsetEv;
  return goodFramesPerMin({
    wish: peopleWishOf(intent, wishes),
    quality,
    chance: chanceOf(ev100),
    suitablePerMin: suitableAt(one, wallMin),
    passersPerMin: movers.passersPerMinute * crowdShareAt(crowdByHour, wallMin),
    viewM: viewM(one),
    speedMps: movers.speedMps,
  });
}

/** Spans of the wall as they run; one that ends before it begins goes on over midnight. */
function running(span: MinuteSpan, { elapsedAt }: WalkClock): MinuteSpan {
  const { fromMin, toMin } = overMidnight(span);
  return { fromMin: elapsedAt(fromMin), toMin: elapsedAt(toMin) };
}

function stopVisit(one: StopOfDay, clock: WalkClock): Visit {
  const { stop, light, input } = one;
  const { wishes = {} } = stop;
  const span = lightSpan(light, stop.lightOffsetEv - light.readingOffsetEv);
  const chances = input === null || span === null || wishes.usefulMin !== undefined ? null : chancesByLight(input, ...span);
  const chanceOf = (ev100: number): number => (chances === null ? 1 : chanceAt(chances, ev100));
  const byWall = Float64Array.from({ length: light.quality.length }, (_, wallMin) => goodFramesAt(one, wallMin, chanceOf));
  const measured = { length: clock.elapsedAt(byWall.length) };
  const goodFrames = Float64Array.from(measured, (_, elapsed) => byWall[clock.wallAt(elapsed)] ?? 0);
  const { weight = 1, isMust, open, fixedAtMin } = wishes;
  const shortestMin = wishes.shortestMin ?? Math.min(DEFAULT_STAY.shortestMin, wishes.longestMin ?? Infinity);
  const longestMin = Math.max(shortestMin, wishes.longestMin ?? DEFAULT_STAY.longestMin);
  const isFixed = fixedAtMin !== undefined;
  return {
    id: stop.id,
    worth: { kind: 'light', fromMin: 0, goodFramesPerMin: goodFrames, weight },
    shortestMin,
    longestMin,
    ...(isFixed
      ? fixedAt(clock.elapsedAt(fixedAtMin), Math.max(1, clock.elapsedAt(stop.leaveMin) - clock.elapsedAt(stop.arriveMin)))
      : {}),
    ...(open === undefined || open.length === 0 ? {} : { open: open.map((hours) => running(hours, clock)) }),
    ...(isMust === true ? { isMust } : {}),
  };
}

function pauseVisit({ id, stayMin, fromMin, toMin, position }: Pause, clock: WalkClock): Visit {
  return {
    id,
    worth: { kind: 'flat', millionths: 0 },
    shortestMin: stayMin,
    longestMin: stayMin,
    beginnings: running({ fromMin, toMin }, clock),
    isMust: true,
    ...(position === null ? { isAnywhere: true } : {}),
  };
}

/**
 * The day of a walk: each stop worth its good frames by the minute, from the quality of its light, the people who pass and the
 * chance of the best set-up; each pause a must. Null on a day that the zone skipped. Source: docs/formulas.md#day.
 */
export function dayOfWalk({ walk, stops, walksMin, fromStartMin, toEndMin }: PlannableWalk): PlannableDay | null {
  const clock = walkClock(walk.day, walk.place.timeZone);
  if (clock === null) return null;
  const out = { ...walk, stops: stops.map(({ stop }) => stop) };
  const earliestMin = clock.elapsedAt(dayOutOf(out).fromMin);
  const question: DayQuestion = {
    visits: [...stops.map((one) => stopVisit(one, clock)), ...(walk.pauses ?? []).map((pause) => pauseVisit(pause, clock))],
    walksMin,
    ...(fromStartMin === null ? {} : { fromStartMin }),
    ...(toEndMin === null ? {} : { toEndMin }),
    earliestMin,
    latestMin: Math.max(earliestMin, clock.elapsedAt(endOfDayMin(out))),
  };
  return { question, clock };
}
