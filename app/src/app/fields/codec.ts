import type { Settings } from '@roam-dial/core/formats/archive';
import { LAST_MINUTE, LAST_WALK_MINUTE, MINUTES_PER_DAY, type Place } from '@roam-dial/core/light';
import { type HoursSpan, overMidnight } from '@roam-dial/core/stop';
import {
  type EntryKind,
  formatEntry,
  isSameValue,
  type LengthUnit,
  marksOf,
  type Parsed,
  parseEntry,
  STEPS_PER_STOP,
  withoutThousandsCommas,
} from '@roam-dial/core/units';
import { readPlace } from '@roam-dial/core/walk';
import { shiftWords } from '../words/log';

/** How a field reads and writes its value, and what one step up or down is. */
export interface Codec<Value> {
  readonly format: (value: Value) => string;
  readonly parse: (text: string) => { readonly ok: true; readonly value: Value } | { readonly ok: false; readonly message: string };
  readonly step?: (value: Value, direction: 1 | -1) => Value;
  readonly unit?: string;
  readonly inputMode?: 'text' | 'decimal' | 'numeric';
}

/** Hours that one stop is open in, at most. */
const MOST_SPANS = 6;

export interface Range {
  readonly low: number;
  readonly high: number;
}

function within(parsed: Parsed, { low, high }: Range, format: (value: number) => string): Parsed {
  if (!parsed.ok || (parsed.value >= low * (1 - 1e-9) && parsed.value <= high * (1 + 1e-9)) || low > high) return parsed;
  return { ok: false, message: `must be from ${format(low)} to ${format(high)}` };
}

/** A hair of a tenth: what is one already is not its own next. */
const SAME_TENTH = 1e-6;

function nextTenth(value: number, direction: 1 | -1): number {
  const tenths = value * 10;
  return (direction === 1 ? Math.floor(tenths + SAME_TENTH) + 1 : Math.ceil(tenths - SAME_TENTH) - 1) / 10;
}

/** The next mark up or down; values off the series go to the mark beside them. */
function nextMark(value: number, entry: EntryKind, direction: 1 | -1): number {
  if (entry.kind === 'stops' || entry.kind === 'ev') {
    const perStop = STEPS_PER_STOP[entry.step];
    return (Math.round(value * perStop) + direction) / perStop;
  }
  if (entry.kind === 'distance') return value === Infinity ? value : Math.max(0.05, nextTenth(value, direction));
  const marks = marksOf(entry.kind, entry.step).map((mark) => mark.exact);
  const others = marks.filter((mark) => !isSameValue(mark, value));
  const next = direction === 1 ? others.find((mark) => mark > value) : others.filter((mark) => mark < value).at(-1);
  return next ?? value;
}

/** A step never leaves the range, and never goes the other way: a value that a file brought from outside stays where it is. */
function steppedWithin(value: number, next: number, { low, high }: Range): number {
  const held = Math.min(high, Math.max(low, next));
  return next > value ? Math.max(value, held) : Math.min(value, held);
}

/** Marked values, distances and stops: everything that the core's reader knows. */
export function entryCodec(entry: EntryKind, range?: Range): Codec<number> {
  const format = (value: number): string => formatEntry(value, entry);
  // A shutter's bigger number is the shorter time: up is faster, as on the dial.
  const sign = entry.kind === 'shutter' ? -1 : 1;
  return {
    format,
    parse: (text) => {
      const parsed = parseEntry(text, entry);
      return range === undefined ? parsed : within(parsed, range, format);
    },
    step: (value, direction) => {
      const next = nextMark(value, entry, (direction * sign) as 1 | -1);
      return range === undefined ? next : steppedWithin(value, next, range);
    },
    inputMode: 'text',
  };
}

export function distanceCodec(unit: LengthUnit, range?: Range): Codec<number> {
  return entryCodec({ kind: 'distance', unit }, range);
}

export interface NumberOptions extends Range {
  readonly unit?: string;
  readonly step?: number;
  readonly decimals?: number;
}

/** A plain number in its own unit. */
export function numberCodec({ low, high, unit, step = 1, decimals = 2 }: NumberOptions): Codec<number> {
  const format = (value: number): string => String(Number(value.toFixed(decimals)));
  return {
    format,
    parse: (text) => {
      const thousands = withoutThousandsCommas(text.trim());
      if (thousands !== text.trim() && decimals > 0) {
        const [point, whole] = [text.trim().replace(',', '.'), thousands];
        return { ok: false, message: `“${text}” could be ${point} or ${whole}; type it without the comma` };
      }
      const tidy = thousands.replace(',', '.').replace('−', '-');
      const bare = unit !== undefined && tidy.endsWith(unit) ? tidy.slice(0, -unit.length).trim() : tidy;
      const value = bare === '' ? NaN : Number(bare);
      if (!Number.isFinite(value)) return { ok: false, message: `“${text}” is not a number` };
      if (value < low || value > high) return { ok: false, message: `must be from ${format(low)} to ${format(high)}` };
      return { ok: true, value };
    },
    step: (value, direction) => steppedWithin(value, Number((value + direction * step).toFixed(6)), { low, high }),
    ...(unit === undefined ? {} : { unit }),
    inputMode: 'decimal',
  };
}

/** A share from 0 to 1, typed and shown in per cent. */
export function percentCodec(high = 100, low = 0): Codec<number> {
  const plain = numberCodec({ low, high, unit: '%', step: 5, decimals: 1 });
  return {
    format: (share) => plain.format(share * 100),
    parse: (text) => {
      const parsed = plain.parse(text);
      return parsed.ok ? { ok: true, value: parsed.value / 100 } : parsed;
    },
    step: (share, direction) => (plain.step?.(share * 100, direction) ?? share * 100) / 100,
    unit: '%',
    inputMode: 'decimal',
  };
}

const BEARINGS: Readonly<Record<string, number>> = { n: 0, ne: 45, e: 90, se: 135, s: 180, sw: 225, w: 270, nw: 315 };

/** Degrees from true north, or a point of the compass. */
export function bearingCodec(): Codec<number> {
  return {
    format: (deg) => String(Math.round(deg)),
    parse: (text) => {
      const tidy = text.trim().toLowerCase().replace('°', '');
      const point = BEARINGS[tidy];
      if (point !== undefined) return { ok: true, value: point };
      const value = Number(tidy);
      if (tidy === '' || !Number.isFinite(value)) return { ok: false, message: `“${text}” is not a bearing; try 240 or SW` };
      return { ok: true, value: ((value % 360) + 360) % 360 };
    },
    step: (deg, direction) => (deg + direction + 360) % 360,
    unit: '°',
    inputMode: 'text',
  };
}

/** Time of day as minutes from midnight; reads 15:36, 1536, 3.36 pm, 9. */
export function clockCodec(clock: Settings['clock'], format: (minute: number) => string): Codec<number> {
  return {
    format,
    parse: (text) => {
      const hit = /^(\d{1,2})(?:[:.h ]?(\d{2}))?\s*(am|pm|a|p)?$/.exec(text.trim().toLowerCase());
      const example = clock === '24h' ? '15:36' : '3:36 pm';
      if (hit === null) return { ok: false, message: `“${text}” is not a time of day; try ${example}` };
      const half = hit[3]?.[0];
      const hours = half === undefined ? Number(hit[1]) : (Number(hit[1]) % 12) + (half === 'p' ? 12 : 0);
      const minutes = Number(hit[2] ?? 0);
      if (hours > 23 || minutes > 59) return { ok: false, message: `“${text}” is not a time of day; try ${example}` };
      return { ok: true, value: hours * 60 + minutes };
    },
    step: (minute, direction) => Math.min(LAST_MINUTE, Math.max(0, minute + direction * 5)),
    inputMode: 'text',
  };
}

const NOON = MINUTES_PER_DAY / 2;
/** `24:40`, twenty to one of the next day. */
const LATE = /^(2[4-9]|3[0-5])[:.h ]?([0-5]\d)$/;
/** `+1 0:40`, the same; `+0 0:40`, the small hours of the walk's own day. */
const ON_DAY = /^\+([01])\s+(.+)$/;

/**
 * A minute of a walk, which goes on to noon of the next day. A time before noon that would lie before `afterMin` is the next day's,
 * if that is itself at `sinceMin` or later: noon for a stay, because a stop of the morning may be put before another; any other is said
 * with its day.
 */
export function walkClockCodec(clock: Codec<number>, afterMin: number | null = null, sinceMin: number = NOON): Codec<number> {
  const usual = (time: number): number =>
    afterMin !== null && afterMin >= sinceMin && time < NOON && time < afterMin ? time + MINUTES_PER_DAY : time;
  const parse: Codec<number>['parse'] = (text) => {
    const tidy = text.trim();
    const late = LATE.exec(tidy);
    if (late !== null) return { ok: true, value: Number(late[1]) * 60 + Number(late[2]) };
    const onDay = ON_DAY.exec(tidy);
    const parsed = clock.parse(onDay?.[2] ?? tidy);
    if (!parsed.ok) return parsed;
    const value = onDay === null ? usual(parsed.value) : Number(onDay[1]) * MINUTES_PER_DAY + parsed.value;
    if (value > LAST_WALK_MINUTE) return { ok: false, message: `a walk goes on to noon of the next day, not to ${text}` };
    return { ok: true, value };
  };
  return {
    ...clock,
    parse,
    format: (minute) => {
      const time = minute % MINUTES_PER_DAY;
      const isUsual = usual(time) === minute;
      return isUsual ? clock.format(time) : `+${minute < MINUTES_PER_DAY ? 0 : 1} ${clock.format(time)}`;
    },
    step: (minute, direction) => Math.min(LAST_WALK_MINUTE, Math.max(0, minute + direction * 5)),
  };
}

/** The end of a walk that begins at a minute, whenever that is: what lies before it can only be on the next day. */
export function endOfWalkCodec(clock: Codec<number>, fromMin: number): Codec<number> {
  return walkClockCodec(clock, fromMin, 0);
}

/** A reader with one more condition, on typing and on stepping. */
export function restricted(codec: Codec<number>, isFine: (value: number) => boolean, message: string): Codec<number> {
  return {
    ...codec,
    parse: (text) => {
      const parsed = codec.parse(text);
      return parsed.ok && !isFine(parsed.value) ? { ok: false, message } : parsed;
    },
    step: (value, direction) => {
      const next = codec.step?.(value, direction) ?? value;
      return isFine(next) ? next : value;
    },
  };
}

/** Lets a field be empty. */
export function optional<Value>(codec: Codec<Value>): Codec<Value | null> {
  const { step } = codec;
  return {
    format: (value) => (value === null ? '' : codec.format(value)),
    parse: (text) => (text.trim() === '' ? { ok: true, value: null } : codec.parse(text)),
    ...(step === undefined ? {} : { step: (value, direction) => (value === null ? null : step(value, direction)) }),
    ...(codec.unit === undefined ? {} : { unit: codec.unit }),
    inputMode: codec.inputMode ?? 'text',
  };
}

/** Where one value ends and the next begins: a comma with a space, or a space before a figure; not within 6′ 6″. */
const BETWEEN_VALUES = /,\s+|(?<!['′])\s+(?=[\d.∞]|inf)/i;

/** The values of a line: by semicolons; without those it may be one value, or several as they are engraved, spaces between. */
function valuesIn(text: string, one: Codec<number>): readonly string[] {
  const parts = text.includes(';') || one.parse(text).ok ? text.split(';') : text.split(BETWEEN_VALUES);
  return parts.map((part) => part.trim()).filter(Boolean);
}

/** Several values in one line, separated by spaces or semicolons. */
export function listCodec(one: Codec<number>, { allowEmpty }: { readonly allowEmpty: boolean }): Codec<readonly number[]> {
  return {
    format: (values) => values.map(one.format).join('; '),
    parse: (text) => {
      const parts = valuesIn(text, one);
      if (parts.length === 0 && !allowEmpty) return { ok: false, message: 'needs at least one value' };
      const values: number[] = [];
      for (const part of parts) {
        const parsed = one.parse(part);
        if (!parsed.ok) return parsed;
        values.push(parsed.value);
      }
      return { ok: true, value: [...new Set(values)].sort((a, b) => a - b) };
    },
    inputMode: 'text',
  };
}

/** Spans of a walk's hours in one line: "9:00–12:00; 22:00–2:00". */
export function hoursCodec(clock: Codec<number>): Codec<readonly HoursSpan[]> {
  return {
    format: (spans) =>
      spans
        .map(overMidnight)
        .map(({ fromMin, toMin }) => `${walkClockCodec(clock).format(fromMin)}–${walkClockCodec(clock, fromMin).format(toMin)}`)
        .join('; '),
    parse: (text) => {
      const spans: HoursSpan[] = [];
      for (const part of text.split(';').filter((one) => one.trim() !== '')) {
        const ends = part.split(/\s*(?:–|—|-|\bto\b)\s*/);
        if (ends.length !== 2) return { ok: false, message: `“${part.trim()}” is no span of hours; try 9:00–12:00` };
        const [fromText = '', toText = ''] = ends;
        const from = walkClockCodec(clock).parse(fromText);
        if (!from.ok) return from;
        const to = walkClockCodec(clock, from.value).parse(toText);
        if (!to.ok) return to;
        if (to.value <= from.value) return { ok: false, message: `“${part.trim()}” ends before it begins` };
        spans.push({ fromMin: from.value, toMin: to.value });
      }
      if (spans.length > MOST_SPANS) return { ok: false, message: `at most ${MOST_SPANS} spans` };
      return { ok: true, value: spans };
    },
    inputMode: 'text',
  };
}

/** A place as people paste it. */
export function placeCodec(): Codec<Place> {
  return {
    format: ({ latitude, longitude }) => `${latitude}, ${longitude}`,
    parse: (text) => {
      const read = readPlace(text);
      return read.ok ? { ok: true, value: read.place } : { ok: false, message: read.message };
    },
    inputMode: 'text',
  };
}

const SHIFT = /^([+−-])?(?:(\d{1,4}):)?(\d{1,2})(?::(\d{2}))?$/;
const MINUTE_S = 60;
const HOUR_S = 3600;

/** `+1:00:00`, what a clock needs: hours, minutes and seconds. */
export function shiftCodec(): Codec<number> {
  return {
    format: shiftWords,
    parse: (text) => {
      const hit = SHIFT.exec(text.trim());
      if (hit === null) return { ok: false, message: 'must be hours, minutes and seconds such as +1:00:00' };
      const [, sign, first, second, third] = hit;
      const [hours, minutes, seconds] =
        first === undefined ? [Number(second), 0, 0] : [Number(first), Number(second), Number(third ?? 0)];
      if (minutes >= MINUTE_S || seconds >= MINUTE_S) return { ok: false, message: 'has more than 59 minutes or seconds' };
      const size = hours * HOUR_S + minutes * MINUTE_S + seconds;
      return { ok: true, value: sign === '-' || sign === '−' ? -size : size };
    },
    step: (value, direction) => value + direction * MINUTE_S,
  };
}
