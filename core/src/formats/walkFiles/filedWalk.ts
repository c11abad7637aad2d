import { DateTime } from 'luxon';
import { dayOfMinute, MINUTES_PER_DAY, walkClock } from '../../light/index.js';
import type { Course } from '../../outing/index.js';
import type { Stop } from '../../stop/index.js';
import type { Walk } from '../../walk/index.js';

/** What a hand sets, as the person writes it. */
export interface FiledSetUp {
  readonly aperture: string;
  readonly focus: string;
  /** `1.7 to 12.4 m`: what is in focus by it; empty where nothing is. */
  readonly inFocus: string;
  readonly shutter: string;
  readonly iso: string;
  readonly meter: string;
}

/** A stop with what has been worked out for it. */
export interface FiledStop {
  readonly stop: Stop;
  /** The intent in words. */
  readonly intent: string;
  /** Null where there is no camera for it. */
  readonly setUp: FiledSetUp | null;
  /** Its light windows, minutes of the walk. */
  readonly windows: readonly { readonly fromMin: number; readonly toMin: number }[];
  /** The way from the stop before, both ends included; empty for the first, or where a place is not known. */
  readonly course: Course;
  readonly walkMin: number | null;
  readonly distanceM: number | null;
}

/** A walk as it is written to files: the stops of its day in their order. */
export interface FiledWalk {
  readonly walk: Walk;
  readonly stops: readonly FiledStop[];
}

/** `f/5.6, 3 m (in focus 1.7 to 12.4 m), 1/500 or faster, ISO 100–6400, −⅓`. */
export function setUpLine({ setUp }: FiledStop): string {
  if (setUp === null) return '';
  const { aperture, focus, inFocus, shutter, iso, meter } = setUp;
  return `${aperture}, ${focus}${inFocus === '' ? '' : ` (in focus ${inFocus})`}, ${shutter}, ISO ${iso}, ${meter}`;
}

const twoDigits = (n: number): string => String(n).padStart(2, '0');

/** `15:06`, whatever the person's own way of writing: files are read by programs. */
export function clockOf(minute: number): string {
  const time = minute % MINUTES_PER_DAY;
  return `${twoDigits(Math.floor(time / 60))}:${twoDigits(time % 60)}`;
}

/** Day and time of a minute of a walk as the wall shows them: a minute that the clock skips is the one at which it goes on. */
export function dayAndTime(
  { day, place }: Pick<Walk, 'day' | 'place'>,
  minute: number,
): { readonly day: string; readonly time: string } {
  const clock = walkClock(day, place.timeZone);
  const shown = clock === null ? minute : clock.wallAt(clock.elapsedAt(minute));
  return { day: dayOfMinute(day, place.timeZone, shown), time: clockOf(shown) };
}

/** `15:06–15:40`, `Sat 22:13–Sun 00:13`, `Sun 00:15–00:40`: the weekday where the next day comes in. */
function spanLine({ day, place }: Pick<Walk, 'day' | 'place'>, fromMin: number, toMin: number): string {
  const named = (minute: number): string => {
    const shown = DateTime.fromISO(dayOfMinute(day, place.timeZone, minute), { locale: 'en' }).toFormat('ccc');
    return `${shown} ${clockOf(minute)}`;
  };
  const isOver = fromMin < MINUTES_PER_DAY && toMin >= MINUTES_PER_DAY;
  const from = isOver || fromMin >= MINUTES_PER_DAY ? named(fromMin) : clockOf(fromMin);
  return `${from}–${isOver ? named(toMin) : clockOf(toMin)}`;
}

/** Everything about a stop in lines. */
export function stopLines(filed: FiledStop, walk: Pick<Walk, 'day' | 'place'>): readonly string[] {
  const { stop, intent, windows } = filed;
  const light = windows.map(({ fromMin, toMin }) => spanLine(walk, fromMin, toMin)).join(', ');
  return [
    `${intent}, ${spanLine(walk, stop.arriveMin, stop.leaveMin)}`,
    setUpLine(filed),
    light === '' ? '' : `Light ${light}`,
    stop.notes.trim(),
    stop.cautions.trim() === '' ? '' : `Care: ${stop.cautions.trim()}`,
  ].filter((line) => line !== '');
}
