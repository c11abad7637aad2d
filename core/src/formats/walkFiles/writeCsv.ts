import Papa from 'papaparse';
import { clockOf, dayAndTime, type FiledStop, type FiledWalk } from './filedWalk.js';

const HEADS = [
  'number',
  'name',
  'intent',
  'arrive',
  'leave',
  'latitude',
  'longitude',
  'aperture',
  'focus',
  'in focus',
  'shutter',
  'iso',
  'meter',
  'light',
  'minutes on foot',
  'metres',
  'notes',
  'care',
] as const;

function row(walk: FiledWalk['walk'], filed: FiledStop, k: number): readonly (string | number)[] {
  const { stop, intent, setUp, windows, walkMin, distanceM } = filed;
  const at = (minute: number): string => {
    const { day, time } = dayAndTime(walk, minute);
    return `${day} ${time}`;
  };
  return [
    k + 1,
    stop.name,
    intent,
    at(stop.arriveMin),
    at(stop.leaveMin),
    stop.position?.latitude.toFixed(7) ?? '',
    stop.position?.longitude.toFixed(7) ?? '',
    setUp?.aperture ?? '',
    setUp?.focus ?? '',
    setUp?.inFocus ?? '',
    setUp?.shutter ?? '',
    setUp?.iso ?? '',
    setUp?.meter ?? '',
    windows.map(({ fromMin, toMin }) => `${clockOf(fromMin)}–${clockOf(toMin)}`).join(' '),
    walkMin ?? '',
    distanceM === null ? '' : Math.round(distanceM),
    stop.notes.trim(),
    stop.cautions.trim(),
  ];
}

/** What somebody typed, which a spreadsheet would take for a formula, wherever its white space ends. */
const FORMULA = /^\s*[=@]|^[\t\r\n]|^\s*[+-](?![\d.]+$)/;

/** The plan as CSV (RFC 4180), a line a stop, with a mark of byte order so that a spreadsheet reads its letters. */
export function writeCsv({ walk, stops }: FiledWalk): string {
  const data = stops.map((one, k) => row(walk, one, k));
  return `\ufeff${Papa.unparse({ fields: [...HEADS], data: data as (string | number)[][] }, { newline: '\r\n', escapeFormulae: FORMULA })}\r\n`;
}
