import { walkClock, sunPosition } from '../light/index.js';
import { axisGapDeg, peopleWishOf, type Stop } from '../stop/index.js';
import { turnDeg } from '../units/index.js';
import { stopsToday, type Walk } from '../walk/index.js';
import { placeOf } from './place.js';

/** What one has to mind because of the picture, the place or the hour, whatever somebody has typed. */
export const CARES = ['sun', 'road', 'water', 'flash', 'tripod', 'fireworks', 'dark', 'people', 'longDay'] as const;
export type Care = (typeof CARES)[number];

/** The sun so far below the horizon leaves streets to their lamps: the end of civil twilight. */
const DARK_DEG = -6;
/** Longer than this a day asks for water and a layer more (s). */
const LONG_DAY_MIN = 6 * 60;

function isDark(walk: Walk, stop: Stop): boolean {
  const clock = walkClock(walk.day, walk.place.timeZone);
  if (clock === null) return false;
  const altitudeAt = (minute: number): number =>
    sunPosition({ ...placeOf(walk, stop), time: new Date(clock.msAt(minute)), refraction: 'none' }).altitudeDeg;
  return altitudeAt(stop.arriveMin) < DARK_DEG || altitudeAt(stop.leaveMin) < DARK_DEG;
}

/** What to mind at a stop, in the order of CARES. @throws TypeError, RangeError for a malformed day or zone. */
export function caresAt(walk: Walk, stop: Stop): readonly Care[] {
  const { intent, pavement, consent, wishes } = stop;
  const { support } = stop.approach ?? walk.approach;
  const arises: Readonly<Record<Exclude<Care, 'longDay'>, boolean>> = {
    sun: intent.kind === 'intoTheSun' || (intent.kind === 'silhouette' && intent.background === 'sky'),
    road: pavement === 'middle' || (intent.kind === 'longExposure' && intent.of === 'trails'),
    water: (intent.kind === 'longExposure' && intent.of === 'water') || (intent.kind === 'reflection' && intent.mirror === 'water'),
    flash: intent.kind === 'flashLift',
    tripod: support === 'tripod',
    fireworks: intent.kind === 'fireworks',
    dark: isDark(walk, stop),
    people: peopleWishOf(intent, wishes) === 'people' && consent === 'unasked',
  };
  return CARES.filter((care) => care !== 'longDay' && arises[care]);
}

/** A sun within so many degrees of the view is in the frame, or near it (s). */
const SUN_AHEAD_DEG = 35;
/** A view within so many degrees of the street's axis is down the street (s). */
const DOWN_THE_STREET_DEG = 15;

/** What to mind at a minute at which one looks: the sun where it stands ahead, the road where one stands in it and looks along it. */
export function caresOfLook(
  stop: Pick<Stop, 'shootingBearingDeg' | 'streetAxisDeg' | 'pavement'>,
  sun: { readonly altitudeDeg: number; readonly azimuthDeg: number },
): readonly Extract<Care, 'sun' | 'road'>[] {
  const isAhead = sun.altitudeDeg > 0 && Math.abs(turnDeg(stop.shootingBearingDeg, sun.azimuthDeg)) < SUN_AHEAD_DEG;
  const isDown = stop.pavement === 'middle' && axisGapDeg(stop, stop.shootingBearingDeg) < DOWN_THE_STREET_DEG;
  return [...(isAhead ? ['sun' as const] : []), ...(isDown ? ['road' as const] : [])];
}

export interface CareOfDay {
  readonly care: Care;
  /** Where it arises; empty for what is of the whole day. */
  readonly stopIds: readonly string[];
}

/** What to mind on a walk, each once, with the stops at which it arises. */
export function caresOf(walk: Walk): readonly CareOfDay[] {
  const today = stopsToday(walk);
  const byStop = today.map((stop) => ({ id: stop.id, cares: caresAt(walk, stop) }));
  const first = Math.min(...today.map(({ arriveMin }) => arriveMin));
  const last = Math.max(...today.map(({ leaveMin }) => leaveMin));
  return CARES.flatMap((care): readonly CareOfDay[] => {
    if (care === 'longDay') return last - first > LONG_DAY_MIN ? [{ care, stopIds: [] }] : [];
    const stopIds = byStop.filter(({ cares }) => cares.includes(care)).map(({ id }) => id);
    return stopIds.length === 0 ? [] : [{ care, stopIds }];
  });
}
