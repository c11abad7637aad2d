import {
  evOfLux,
  MINUTES_PER_DAY,
  MINUTES_PER_WALK,
  moonLux,
  moonView,
  type MoonView,
  type Place,
  type SunEvents,
  sunEvents,
  walkClock,
} from '../../light/index.js';
import { runsWhere } from '../../units/index.js';
import type { LampsOut } from '../lampsOut.js';
import { axisGapDeg } from './quality.js';
import { bearingGapDeg } from './stopLight.js';
import type { StopDay } from './stopDay.js';

/** Minutes of the walk, both ends within. */
interface Span {
  readonly fromMin: number;
  readonly toMin: number;
}

/** One twilight, evening or morning: from one depth of the sun to the next. */
export interface Twilight extends Span {
  readonly kind: 'civil' | 'nautical' | 'astronomical';
  readonly isEvening: boolean;
}

/** The moon through a night. */
export interface MoonOfNight {
  /** At midnight of the night. */
  readonly phaseDeg: number;
  readonly litShare: number;
  /** While it is up between noon and noon. */
  readonly up: readonly Span[];
  /** While it stands within the frame's width, however high. */
  readonly inFrame: readonly (Span & { readonly altitudeDeg: number })[];
  /** While it stands over the street, either way along it. */
  readonly overStreet: readonly Span[];
  /** Its best light with the sun 6° down, under the walk's cloud, and when; null where it gives none. */
  readonly brightest: { readonly atMin: number; readonly ev100: number } | null;
  /** Its altitude, degrees, every `NIGHT_STEP_MIN` from noon on. */
  readonly altitudesDeg: readonly number[];
}

/** The night of a date at a stop, noon to noon. */
export interface NightOfStop {
  readonly sunset: number | null;
  readonly sunrise: number | null;
  /** In order; those that there are on that night. */
  readonly twilights: readonly Twilight[];
  readonly moon: MoonOfNight;
  /** When its street lamps are dimmed or off within the night, with what is left of them; null where they burn on. */
  readonly lampsOut: (Span & { readonly leftShare: number }) | null;
  /** The darkest and the brightest minute of the picture's windows after sunset; null where it has none then. */
  readonly darkest: { readonly atMin: number; readonly ev100: number } | null;
  readonly brightest: { readonly atMin: number; readonly ev100: number } | null;
}

export const NOON_MIN = MINUTES_PER_DAY / 2;
export const NIGHT_STEP_MIN = 5;
/** Half the sector within which the moon counts as over the street (s). */
const OVER_STREET_DEG = 8;
const DARK_DEG = -6;

const minuteOfStep = (step: number): number => NOON_MIN + step * NIGHT_STEP_MIN;

/** Runs of what holds at steps of the night. */
function spansWhere(views: readonly MoonView[], holds: (view: MoonView) => boolean): readonly Span[] {
  const runs = runsWhere(views.length, (step) => holds(views[step] as MoonView));
  return runs.map(({ from, to }) => ({ fromMin: minuteOfStep(from), toMin: minuteOfStep(to) }));
}

const DEPTHS = [
  ['civil', 'sunset', 'civilDusk', 'civilDawn', 'sunrise'],
  ['nautical', 'civilDusk', 'nauticalDusk', 'nauticalDawn', 'civilDawn'],
  ['astronomical', 'nauticalDusk', 'astronomicalDusk', 'astronomicalDawn', 'nauticalDawn'],
] as const satisfies readonly (readonly [Twilight['kind'], ...(keyof SunEvents)[]])[];

export interface NightInput extends Place {
  readonly day: string;
  readonly timeZone: string;
  readonly cloud: number;
  readonly shootingBearingDeg: number;
  readonly streetAxisDeg: number;
  readonly halfFieldDeg: number;
  readonly lampsOut?: LampsOut;
}

function moonOfNight(input: NightInput, msAt: (minute: number) => number, sunAltitudeDeg: ArrayLike<number>): MoonOfNight {
  const count = (MINUTES_PER_WALK - NOON_MIN) / NIGHT_STEP_MIN + 1;
  const views = Array.from({ length: count }, (_, step) => moonView({ ...input, time: new Date(msAt(minuteOfStep(step))) }));
  const midnight = views[(MINUTES_PER_DAY - NOON_MIN) / NIGHT_STEP_MIN] as MoonView;
  const isUp = ({ altitudeDeg }: MoonView): boolean => altitudeDeg > 0;
  const isInFrame = (view: MoonView): boolean =>
    isUp(view) && bearingGapDeg(view.azimuthDeg, input.shootingBearingDeg) <= input.halfFieldDeg;
  const isOverStreet = (view: MoonView): boolean => isUp(view) && axisGapDeg(input, view.azimuthDeg) <= OVER_STREET_DEG;
  let brightest: MoonOfNight['brightest'] = null;
  views.forEach((view, step) => {
    const atMin = minuteOfStep(step);
    const lux = (sunAltitudeDeg[atMin] ?? 0) < DARK_DEG ? moonLux(view, input.cloud) : 0;
    if (lux > 0 && evOfLux(lux) > (brightest?.ev100 ?? -Infinity)) brightest = { atMin, ev100: evOfLux(lux) };
  });
  return {
    phaseDeg: midnight.phaseDeg,
    litShare: midnight.litShare,
    up: spansWhere(views, isUp),
    inFrame: spansWhere(views, isInFrame).map((span) => {
      const middle = Math.round(((span.fromMin + span.toMin) / 2 - NOON_MIN) / NIGHT_STEP_MIN);
      return { ...span, altitudeDeg: (views[middle] as MoonView).altitudeDeg };
    }),
    overStreet: spansWhere(views, isOverStreet),
    brightest,
    altitudesDeg: views.map(({ altitudeDeg }) => altitudeDeg),
  };
}

/** The lamps' hours as they fall into the night: until they shine again, or until noon. */
function lampsOutAt({ lampsOut }: NightInput): NightOfStop['lampsOut'] {
  if (lampsOut === undefined || lampsOut.leftShare === 1 || lampsOut.toMin === lampsOut.fromMin) return null;
  const { fromMin, toMin, leftShare } = lampsOut;
  const from = fromMin < NOON_MIN ? fromMin + MINUTES_PER_DAY : fromMin;
  const to = toMin === undefined ? MINUTES_PER_WALK : toMin < NOON_MIN ? toMin + MINUTES_PER_DAY : toMin;
  return { fromMin: from, toMin: Math.max(from, to), leftShare };
}

/**
 * The night of a walk's date at one stop, from its noon to the next: twilights, moon, lamps, and the darkest and brightest minute
 * for the picture. `day` has to be measured to noon of the next day. Null on a day that the zone skipped.
 */
export function nightOfStop(input: NightInput, day: Pick<StopDay, 'windows' | 'keyEv100' | 'sunAltitudeDeg'>): NightOfStop | null {
  const clock = walkClock(input.day, input.timeZone);
  if (clock === null) return null;
  const [evening, morning] = [sunEvents(input), sunEvents({ ...input, day: clock.nextDay })];
  const minuteOf = (time: Date | null): number | null => (time === null ? null : Math.round(clock.minuteAt(time.getTime())));
  const twilight = (kind: Twilight['kind'], isEvening: boolean, from: Date | null, to: Date | null): Twilight[] => {
    const [fromMin, toMin] = [minuteOf(from), minuteOf(to)];
    return fromMin === null || toMin === null || toMin < fromMin ? [] : [{ kind, isEvening, fromMin, toMin }];
  };
  const dusks = DEPTHS.flatMap(([kind, from, to]) => twilight(kind, true, evening[from], evening[to]));
  const dawns = [...DEPTHS].reverse().flatMap(([kind, , , from, to]) => twilight(kind, false, morning[from], morning[to]));
  const sunset = minuteOf(evening.sunset);
  const after = sunset ?? NOON_MIN;
  const lit = day.windows.flatMap(({ fromMin, toMin }) =>
    Array.from({ length: Math.max(0, toMin - Math.max(fromMin, after) + 1) }, (_, k) => Math.max(fromMin, after) + k),
  );
  const pick = (isBetter: (a: number, b: number) => boolean): NightOfStop['darkest'] => {
    const best = lit.reduce<number | null>(
      (found, minute) =>
        found === null || isBetter(day.keyEv100[minute] as number, day.keyEv100[found] as number) ? minute : found,
      null,
    );
    return best === null ? null : { atMin: best, ev100: day.keyEv100[best] as number };
  };
  return {
    sunset,
    sunrise: minuteOf(morning.sunrise),
    twilights: [...dusks, ...dawns],
    moon: moonOfNight(input, clock.msAt, day.sunAltitudeDeg),
    lampsOut: lampsOutAt(input),
    darkest: pick((a, b) => a < b - 1e-6),
    brightest: pick((a, b) => a > b + 1e-6),
  };
}
