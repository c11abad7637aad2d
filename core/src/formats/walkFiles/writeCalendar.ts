import ICAL from 'ical.js';
import { checkTimeZone } from '../../light/index.js';
import type { FiledStop, FiledWalk } from './filedWalk.js';
import { dayAndTime, stopLines } from './filedWalk.js';

const DAY_MS = 86_400_000;
const MINUTE_MS = 60_000;
/** How far round the day the zone's changes are told. */
const DAYS_TOLD = 200;

interface ZoneChange {
  readonly atMs: number;
  readonly fromMin: number;
  readonly toMin: number;
}

/** The changes of a zone between two instants, to the minute; found by halving the days on which its offset changes. */
export function zoneChanges(timeZone: string, startMs: number, endMs: number): readonly ZoneChange[] {
  const zone = checkTimeZone(timeZone);
  const changes: ZoneChange[] = [];
  for (let dayMs = startMs; dayMs < endMs; dayMs += DAY_MS) {
    const [before, after] = [zone.offset(dayMs), zone.offset(dayMs + DAY_MS)];
    if (before === after) continue;
    let [low, high] = [dayMs, dayMs + DAY_MS];
    while (high - low > MINUTE_MS) {
      const middle = low + Math.floor((high - low) / 2 / MINUTE_MS) * MINUTE_MS;
      if (middle === low) break;
      if (zone.offset(middle) === before) low = middle;
      else high = middle;
    }
    changes.push({ atMs: high, fromMin: before, toMin: after });
  }
  return changes;
}

function offsetText(minutes: number): string {
  const whole = Math.abs(minutes);
  const two = (n: number): string => String(n).padStart(2, '0');
  return `${minutes < 0 ? '-' : '+'}${two(Math.floor(whole / 60))}:${two(whole % 60)}`;
}

/** What the wall showed before a change, without a zone: how an observance says when it begins. */
function wallTime(atMs: number, offsetMin: number): ICAL.Time {
  return ICAL.Time.fromDateTimeString(new Date(atMs + offsetMin * MINUTE_MS).toISOString().slice(0, 19));
}

function observance({ atMs, fromMin, toMin }: ZoneChange): ICAL.Component {
  const part = new ICAL.Component(toMin > fromMin ? 'daylight' : 'standard');
  part.addPropertyWithValue('dtstart', wallTime(atMs, fromMin));
  part.addPropertyWithValue('tzoffsetfrom', ICAL.UtcOffset.fromString(offsetText(fromMin)));
  part.addPropertyWithValue('tzoffsetto', ICAL.UtcOffset.fromString(offsetText(toMin)));
  return part;
}

/** The zone as the months round a day have it: what holds first, then each change. */
function timeZoneOf(timeZone: string, dayMs: number): ICAL.Component {
  const [startMs, endMs] = [dayMs - DAYS_TOLD * DAY_MS, dayMs + DAYS_TOLD * DAY_MS];
  const first = checkTimeZone(timeZone).offset(startMs);
  const part = new ICAL.Component('vtimezone');
  part.addPropertyWithValue('tzid', timeZone);
  part.addSubcomponent(observance({ atMs: startMs, fromMin: first, toMin: first }));
  for (const change of zoneChanges(timeZone, startMs, endMs)) part.addSubcomponent(observance(change));
  return part;
}

/** Text without control characters, which RFC 5545 does not allow; its line ends are one. */
function plainText(text: string): string {
  return text.replace(/\r\n?/g, '\n').replace(/(?!\n)\p{Cc}/gu, ' ');
}

/** Octets of a line at most, its end not counted (RFC 5545, 3.1). */
const LINE_OCTETS = 75;

/** Octets of a letter in UTF-8. */
function octetsOf(letter: string): number {
  const code = letter.codePointAt(0) ?? 0;
  return code < 0x80 ? 1 : code < 0x800 ? 2 : code < 0x10000 ? 3 : 4;
}

/** One line folded within its octets, never through a letter; what follows begins with a space. */
function foldedLine(line: string): string {
  const parts: string[] = [];
  let [part, octets] = ['', 0];
  for (const letter of line) {
    const size = octetsOf(letter);
    if (octets + size > LINE_OCTETS) {
      parts.push(part);
      [part, octets] = [` ${letter}`, 1 + size];
    } else [part, octets] = [part + letter, octets + size];
  }
  return [...parts, part].join('\r\n');
}

/** A calendar's lines: the writer folds by letters and one too far, so its folds are taken out and made anew. */
function folded(calendar: ICAL.Component): string {
  return calendar
    .toString()
    .replace(/\r\n[ \t]/g, '')
    .split('\r\n')
    .map(foldedLine)
    .join('\r\n');
}

interface Span {
  readonly fromMin: number;
  readonly toMin: number;
}

/** A minute of a walk as the calendar's own wall shows it; past midnight on the next day. */
function timeAt(walk: FiledWalk['walk'], minute: number): ICAL.Time {
  const { day, time } = dayAndTime(walk, minute);
  return ICAL.Time.fromDateTimeString(`${day}T${time}:00`);
}

function eventOf(walk: FiledWalk['walk'], { stop }: FiledStop, span: Span, uid: string, stamp: ICAL.Time): ICAL.Component {
  const event = new ICAL.Component('vevent');
  event.addPropertyWithValue('uid', uid);
  event.addPropertyWithValue('dtstamp', stamp);
  for (const [name, minute] of [
    ['dtstart', span.fromMin],
    ['dtend', Math.max(span.fromMin + 1, span.toMin)],
  ] as const) {
    event.addPropertyWithValue(name, timeAt(walk, minute)).setParameter('tzid', walk.place.timeZone);
  }
  if (stop.position !== null) {
    const { latitude, longitude } = stop.position;
    event.addPropertyWithValue('geo', [Number(latitude.toFixed(6)), Number(longitude.toFixed(6))] as never);
  }
  return event;
}

/**
 * A walk as iCalendar (RFC 5545): an event a stay, with its set-up, and one a light window, which keeps nobody busy. Times are
 * those of the walk's zone, whose changes stand in the file. `nowMs` is when it was written.
 * @throws TypeError, RangeError for an unknown zone.
 */
export function writeCalendar(filed: FiledWalk, nowMs: number): string {
  const { walk, stops } = filed;
  const { timeZone } = walk.place;
  const calendar = new ICAL.Component('vcalendar');
  calendar.addPropertyWithValue('prodid', '-//Roam Dial//Walk//EN');
  calendar.addPropertyWithValue('version', '2.0');
  calendar.addPropertyWithValue('calscale', 'GREGORIAN');
  calendar.addSubcomponent(timeZoneOf(timeZone, Date.parse(`${walk.day}T12:00:00Z`)));
  const stamp = ICAL.Time.fromJSDate(new Date(nowMs), true);
  for (const one of stops) {
    const { stop, windows } = one;
    const stay = eventOf(walk, one, { fromMin: stop.arriveMin, toMin: stop.leaveMin }, `${stop.id}-stay@roam-dial`, stamp);
    stay.addPropertyWithValue('summary', plainText(stop.name));
    stay.addPropertyWithValue('description', plainText(stopLines(one, walk).join('\n')));
    if (!walk.place.isInvented) stay.addPropertyWithValue('location', plainText(walk.place.name));
    calendar.addSubcomponent(stay);
    windows.forEach((window, k) => {
      const light = eventOf(walk, one, window, `${stop.id}-light-${k + 1}@roam-dial`, stamp);
      light.addPropertyWithValue('summary', plainText(`Light: ${stop.name}`));
      light.addPropertyWithValue('transp', 'TRANSPARENT');
      calendar.addSubcomponent(light);
    });
  }
  return `${folded(calendar)}\r\n`;
}
